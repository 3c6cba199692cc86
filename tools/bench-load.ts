// Fills a database with a shop of some years, by statements that make their rows where they are kept.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Connection } from 'mariadb';
import { ROOT } from './packages.mjs';

/** How large a shop is loaded; `calls` by option. */
export const SHOP = { machines: 5000, calls: 20_000, entriesOfCall: 30 };

const VERSION = /^version: (\S+)/m.exec(readFileSync(join(ROOT, 'profiles/furnace-condensing.yaml'), 'utf8'))![1]!;
const PLAIN = `'{"options":[],"order":{}}'`;

/** Where it is cold: what people look for. */
export const PLACES = [
  ...[
    'kitchen',
    'attic',
    'cellar',
    'nursery',
    'workshop',
    'chapel',
    'studio',
    'pantry',
    'landing',
    'library',
    'laundry',
  ],
  ...[
    'office',
    'garage',
    'bathroom',
    'bedroom',
    'parlour',
    'hallway',
    'annexe',
    'sacristy',
    'canteen',
    'gallery',
    'stockroom',
  ],
  ...[
    'vestry',
    'refectory',
    'dormitory',
    'conservatory',
    'lobby',
    'cloakroom',
    'archive',
    'greenhouse',
    'pavilion',
    'foyer',
  ],
  ...['surgery', 'ward', 'classroom', 'gymnasium', 'boathouse'],
] as const;

/** The id of the nth of a kind, as an expression and as text. */
const idOf = (kind: string, n: string): string =>
  `LOWER(CONCAT('${kind}', LPAD(HEX(${n}), 7, '0'), '-0000-7000-8000-000000000000'))`;
export const idText = (kind: string, n: number): string =>
  `${kind}${n.toString(16).padStart(7, '0')}-0000-7000-8000-000000000000`;

/** Loads machines, calls and entries; overviews are made from them by the server's own command. */
export async function loadShop(owner: Connection): Promise<void> {
  const [{ person }] = (await owner.query("SELECT id AS person FROM people WHERE name = 'imre'")) as [
    { person: string },
  ];
  const opened = 'NOW(3) - INTERVAL (seq * 7) MINUTE';
  await owner.query(
    `INSERT INTO machines (id, label, site, make, modelName, serial, profile, build, createdAt)
       SELECT ${idOf('a', 'seq')}, CONCAT('Furnace ', seq), CONCAT(seq MOD 190, ' ', ELT(1 + seq MOD 5, 'Mill Lane', 'Quarry Road', 'Weir Close', 'Canal Street', 'Beck Street'), ', ', ELT(1 + seq MOD 3, 'Fernwick', 'Dunmere', 'Hollin')),
         ELT(1 + seq MOD 4, 'Harrowgate', 'Ostrander', 'Pathfare', 'Old Barrow'), CONCAT('M', seq MOD 40), CONCAT('SN', seq), 'furnace-condensing', ${PLAIN}, NOW(3)
         FROM seq_1_to_${SHOP.machines}`,
  );
  await owner.query(
    `INSERT INTO calls (id, machineId, complaint, profile, profileVersion, build, engineVersion, settings, openedBy, createdAt)
       SELECT ${idOf('c', 'seq')}, ${idOf('a', `1 + seq MOD ${SHOP.machines}`)}, CONCAT(ELT(1 + seq MOD 6, 'No heat', 'Starts and stops', 'Smells of soot', 'Bangs when it lights', 'Too cold', 'Blank thermostat'), ', ', ELT(1 + seq MOD ${PLACES.length}, ${PLACES.map((p) => `'${p}'`).join(', ')}), ', since ', ELT(1 + seq MOD 11, 'this morning', 'last night', 'the storm', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'the weekend', 'the power cut', 'the painters left')),
         'furnace-condensing', '${VERSION}', ${PLAIN}, '1', '{"units":"us","settingsVersion":"1"}', '${person}', ${opened}
         FROM seq_1_to_${SHOP.calls}`,
  );
  const total = SHOP.calls * SHOP.entriesOfCall;
  const call = `1 + (seq - 1) DIV ${SHOP.entriesOfCall}`;
  const number = `1 + (seq - 1) MOD ${SHOP.entriesOfCall}`;
  // Nearly all calls are closed; of the open ones some have a bypass on.
  const type = `CASE WHEN ${number} = 1 THEN 'opened' WHEN ${number} = 20 THEN 'setup' WHEN ${number} = ${SHOP.entriesOfCall} AND (${call}) MOD 200 <> 0 THEN 'closed'
    WHEN seq MOD 3 = 0 THEN 'volts' WHEN seq MOD 3 = 1 THEN 'seen' ELSE 'note' END`;
  const body = `CASE ${type}
    WHEN 'opened' THEN '{"type":"opened","complaint":"No heat","profile":"furnace-condensing","profileVersion":"${VERSION}","engineVersion":"1","settings":{"units":"us","settingsVersion":"1"}}'
    WHEN 'setup' THEN CONCAT('{"type":"setup","power":true,"gas":true,"call":true,"unplugged":[],"bypassed":[', IF((${call}) MOD 1000 = 0, '"limit"', ''), ']}')
    WHEN 'closed' THEN '{"type":"closed","words":""}'
    WHEN 'volts' THEN '{"type":"volts","red":"R","black":"C","typed":"24.6","reading":{"kind":"value","value":24.6,"dimension":"voltage"}}'
    WHEN 'seen' THEN '{"type":"seen","phase":"inducer","answer":"yes"}'
    ELSE CONCAT('{"type":"note","text":"The filter of unit ', seq, ' was looked at and looked clean enough for now"}') END`;
  const STEP = 100_000;
  for (let from = 1; from <= total; from += STEP)
    await owner.query(
      `INSERT INTO events (callId, number, id, seq, at, device, person, type, body, createdAt)
         SELECT ${idOf('c', call)}, ${number}, ${idOf('e', 'seq')}, ${number}, '2026-01-05T09:00:00.000Z', 'd-1', 'imre', ${type}, ${body}, NOW(3)
           FROM seq_${from}_to_${from + STEP - 1}`,
    );
  // What is written in one note of each third call can be found.
  await owner.query(
    `INSERT INTO entry_words (id, callId, kind, words) SELECT id, callId, 'note', JSON_VALUE(body, '$.text') FROM events
       WHERE number = 3 AND type = 'note' AND JSON_VALUE(body, '$.text') LIKE 'The filter%'`,
  );
  for (const table of ['machines', 'calls', 'events', 'entry_words']) await owner.query(`ANALYZE TABLE ${table}`);
}

/** Every closed call as it is read into the book, with the readings that slide on each tenth machine. */
export async function loadBook(owner: Connection): Promise<void> {
  const part = `ELT(1 + CRC32(o.callId) MOD 9, 'igniter', 'flame-rod', 'transformer', 'limit', 'pressure-switch', 'board', 'inducer', 'gas-valve', 'blower')`;
  const luck = (salt: string): string => `CRC32(CONCAT('${salt}', o.callId)) MOD 100`;
  await owner.query(
    `INSERT INTO case_facts (callId, upTo, profile, machineId, make, age, personId, openedAt, part, title, cause, causeTitle, standing, repairs,
         watched, complaintRight, watchedRight, halfRight, endRight, watchedSaid, tests, minutes, plannedTests, plannedMinutes, cannot, willNot,
         fitted, unproved, inVain, told, gap)
       SELECT o.callId, o.upTo, c.profile, c.machineId, m.make, ELT(1 + CRC32(c.machineId) MOD 4, '0-4', '5-9', '10-14', '15+'), c.openedBy,
         c.createdAt, ${part}, REPLACE(${part}, '-', ' '), IF(${luck('c')} < 15, 'filter', ''), IF(${luck('c')} < 15, 'air filter', ''),
         IF(${luck('s')} < 80, 'proved', 'suspected'), '[]', '[]', ${luck('1')} < 20, ${luck('2')} < 45, ${luck('3')} < 70, ${luck('4')} < 97,
         ${luck('p')} / 100, 1 + ${luck('t')} MOD 6, 5 + ${luck('m')} MOD 60, 1 + ${luck('q')} MOD 5, 4 + ${luck('n')} MOD 30, 0, 0, 1, 0, 0,
         ${luck('s')} < 80, IF(${luck('g')} < 40, 30 + ${luck('d')}, NULL)
         FROM overviews o JOIN calls c ON c.id = o.callId JOIN machines m ON m.id = c.machineId WHERE o.open = 0`,
  );
  await owner.query('UPDATE overviews SET readTo = upTo');
  await owner.query(
    `INSERT INTO case_ways (callId, way, share, profile, make, age)
       SELECT callId, CONCAT(part, '.open'), 1, profile, make, age FROM case_facts WHERE standing = 'proved'`,
  );
  await owner.query(
    `INSERT INTO machine_lines SELECT id, 'gauge flame-signal', 'Flame signal', 'current', 6, NOW(3), 2e-6, -3e-7, 1e-7, 1e-6, 'marginal',
         NOW(3) + INTERVAL CRC32(id) MOD 900 DAY, NOW(3) + INTERVAL 900 + CRC32(id) MOD 900 DAY FROM machines WHERE CRC32(id) MOD 10 = 0`,
  );
  await owner.query(
    'INSERT INTO machine_lines_read SELECT machineId, SUM(upTo) FROM case_facts WHERE machineId IS NOT NULL GROUP BY machineId',
  );
  for (const table of ['case_facts', 'case_ways', 'machine_lines']) await owner.query(`ANALYZE TABLE ${table}`);
}
