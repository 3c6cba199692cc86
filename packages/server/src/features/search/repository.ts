import type { FoundEntry } from '@zetalysis/contract';
import type { CallEvent } from '@zetalysis/core/visit';
import { QueryTypes, type Transaction } from 'sequelize';
import { fullText } from '../../db/search';
import { EntryWords } from './model';

/** As much of an entry as is kept to be found. */
const LONGEST = 4000;

/** What is written in an entry; nothing for entries in which nothing is. */
function wordsOf({ body }: CallEvent): { readonly words: string; readonly code: string | null } | undefined {
  switch (body.type) {
    case 'note':
      return { words: body.text, code: null };
    case 'break-recorded':
      return { words: [body.title ?? body.part, body.failure, body.cause, body.action].join(' '), code: null };
    case 'code':
      return { words: body.code, code: body.code.slice(0, 40) };
    case 'recommended':
      return { words: body.words, code: null };
    case 'part-needed':
      return { words: body.what, code: null };
    default:
      return undefined;
  }
}

/** Keeps what is written in new entries. */
export async function keepWords(events: readonly CallEvent[], transaction?: Transaction): Promise<void> {
  const rows = events.flatMap((event) => {
    const found = wordsOf(event);
    return found
      ? [
          {
            id: event.id,
            callId: event.call,
            kind: event.body.type,
            words: found.words.slice(0, LONGEST),
            code: found.code,
          },
        ]
      : [];
  });
  if (rows.length > 0) await EntryWords.bulkCreate(rows, { ...(transaction && { transaction }) });
}

/** The words of an entry are taken out: they are found no more. */
export const forgetWords = async (id: string, transaction: Transaction): Promise<void> =>
  void (await EntryWords.destroy({ where: { id }, transaction }));

export interface FoundRow {
  readonly id: string;
  readonly callId: string;
  readonly kind: FoundEntry['kind'];
  readonly words: string;
  readonly machine: string | null;
  readonly machineId: string | null;
  readonly site: string | null;
  readonly openedAt: Date;
}

/** The newest entries that have all the words, or whose code it is; what was taken back is left out. */
export async function entriesWith(typed: string, most: number): Promise<FoundRow[]> {
  const words = fullText(typed);
  if (words === '') return [];
  return EntryWords.sequelize!.query<FoundRow>(
    `SELECT w.id, w.callId, w.kind, w.words, m.label AS machine, m.id AS machineId, m.site, c.createdAt AS openedAt FROM (
       SELECT id FROM entry_words WHERE MATCH (words) AGAINST (:words IN BOOLEAN MODE)
       UNION SELECT id FROM entry_words WHERE code = :code) found
     JOIN entry_words w ON w.id = found.id JOIN calls c ON c.id = w.callId LEFT JOIN machines m ON m.id = c.machineId
     WHERE NOT EXISTS (SELECT 1 FROM events r WHERE r.callId = w.callId AND r.type = 'retracted' AND JSON_VALUE(r.body, '$.event') = w.id)
     ORDER BY c.createdAt DESC, w.id DESC LIMIT :most`,
    { replacements: { words, code: typed.trim(), most }, type: QueryTypes.SELECT },
  );
}
