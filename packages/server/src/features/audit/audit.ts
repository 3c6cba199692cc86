import type { Audited } from '@zetalysis/contract';
import { v7 } from 'uuid';
import type { Person } from '../session/model';
import { namesOf } from '../session/repository';
import { AuditEntry } from './model';

/** Writes down what somebody did to an account or a setting; nobody is whoever runs the server. */
export const audit = async (person: Person | undefined, what: Audited['what'], of: string, words = ''): Promise<void> =>
  void (await AuditEntry.create({
    id: v7(),
    personId: person?.id ?? null,
    what,
    of: of.slice(0, 120),
    words: words.slice(0, 300),
  }));

/** A page of what was done, the newest first. */
export async function audited(offset: number, limit: number): Promise<{ entries: Audited[]; total: number }> {
  const { rows, count } = await AuditEntry.findAndCountAll({ order: [['id', 'DESC']], offset, limit, raw: true });
  const names = await namesOf(rows.flatMap(({ personId }) => personId ?? []));
  return {
    total: count,
    entries: rows.map(({ id, personId, what, of, words, createdAt }) => ({
      id,
      at: new Date(createdAt).toISOString(),
      by: personId === null ? null : (names.get(personId) ?? ''),
      what,
      of,
      words,
    })),
  };
}
