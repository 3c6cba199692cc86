import type { QueryInterface } from 'sequelize';
import { inOrder } from '../steps';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** Who does what on which day, in which order. */
export const up = (q: QueryInterface): Promise<void> =>
  inOrder(q)(
    `CREATE TABLE IF NOT EXISTS day_items (
       id ${ID} NOT NULL PRIMARY KEY, day DATE NOT NULL, personId ${ID} NOT NULL, position INT NOT NULL,
       callId ${ID} NULL, machineId ${ID} NULL, duty VARCHAR(40) NULL, slot VARCHAR(20) NOT NULL, priority VARCHAR(10) NOT NULL,
       words VARCHAR(200) NOT NULL, createdAt DATETIME(3) NOT NULL, INDEX (day, personId, position), INDEX (callId),
       FOREIGN KEY (personId) REFERENCES people (id), FOREIGN KEY (callId) REFERENCES calls (id),
       FOREIGN KEY (machineId) REFERENCES machines (id))`,
  );

export const down = (q: QueryInterface): Promise<void> => inOrder(q)('DROP TABLE IF EXISTS day_items');
