import type { PatternsStanding } from '@zetalysis/contract';
import type { Profiles } from '../profiles/service';
import type { BookReader } from './reader';
import { bookHolds } from './repository/figures';
import { unreadCount } from './repository/reading';
import type { BookSums } from './sums';

/** What the shop's own book is made with. */
export interface Book {
  readonly profiles: Profiles;
  readonly reader: BookReader;
  readonly sums: BookSums;
}

/** What the book holds, and how much is still to be read. */
export async function standingOf({ sums }: Book): Promise<PatternsStanding> {
  const [holds, unread] = await Promise.all([sums.of('holds', {}, bookHolds), unreadCount()]);
  return { ...holds, unread };
}
