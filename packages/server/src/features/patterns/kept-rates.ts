import { isRateBook, type RateBook } from '@zetalysis/core/book';
import { ratesWith } from './repository/rates';

/** Rates as they were kept; nothing where there is no such version, or it cannot be read any more. */
export async function bookOf(version: number): Promise<RateBook | undefined> {
  const kept = await ratesWith(version);
  const book: unknown = kept && JSON.parse(kept.book);
  return isRateBook(book) ? book : undefined;
}
