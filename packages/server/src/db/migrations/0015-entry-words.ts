import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const value = (field: string): string => `JSON_VALUE(body, '$.${field}')`;

/** What is written in entries, so that it can be found: notes, breaks, codes, what is recommended and needed. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS entry_words (
       id ${ID} NOT NULL PRIMARY KEY, callId ${ID} NOT NULL, kind VARCHAR(20) NOT NULL, words TEXT NOT NULL,
       code VARCHAR(40) NULL, INDEX (code), INDEX (callId), FOREIGN KEY (callId) REFERENCES calls (id))`,
    // Short and common words are found too, as in the other lists.
    'SET STATEMENT innodb_ft_enable_stopword = OFF FOR ALTER TABLE entry_words ADD FULLTEXT INDEX IF NOT EXISTS entry_words_words (words)',
    `INSERT IGNORE INTO entry_words (id, callId, kind, words, code)
       SELECT id, callId, type, LEFT(CONCAT_WS(' ', ${['text', 'title', 'failure', 'cause', 'action', 'words', 'what', 'code'].map(value).join(', ')}), 4000),
              IF(type = 'code', LEFT(${value('code')}, 40), NULL)
         FROM events WHERE type IN ('note', 'break-recorded', 'code', 'recommended', 'part-needed')`,
  );

export const down = (q: QueryInterface): Promise<void> => inOrder(q)('DROP TABLE IF EXISTS entry_words');
