import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { QueryTypes } from 'sequelize';
import { v7 } from 'uuid';
import { connect } from '../src/db/connect';
import { openHouse } from './house';

const house = openHouse();

const ROOT = join(__dirname, '../../..');
const folder = mkdtempSync(join(tmpdir(), 'zetalysis-backup-'));
afterAll(() => rmSync(folder, { recursive: true }));

function run(what: 'backup' | 'restore', file: string, url: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(ROOT, 'tools/backup.mjs'), what, file], {
    env: { ...process.env, OWNER_DATABASE_URL: url },
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
}

async function withEmpty<T>(name: string, then: (url: string) => Promise<T>): Promise<T> {
  const database = `zetalysis_test_${name}_${process.pid}`;
  await house.owner.query(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  try {
    return await then(house.ownerUrl.replace(/\/[^/]+$/, `/${database}`));
  } finally {
    await house.owner.query(`DROP DATABASE ${database}`);
  }
}

const PICTURE = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';

test('what was written comes back into an empty database the same to the last byte, photos and triggers too', async () => {
  const me = await house.signIn();
  const { id: call } = ((await house.api().get('/api/calls').set(me)).body as { calls: { id: string }[] }).calls[0]!;
  await house.api().put(`/api/photos/${v7()}`).set(me).send({ call, type: 'image/png', data: PICTURE });
  const file = join(folder, 'a.sql.gz');
  expect(run('backup', file, house.ownerUrl)).toMatchObject({ status: 0 });
  await withEmpty('back', async (url) => {
    const { status, said } = run('restore', file, url);
    expect([status, said]).toEqual([0, expect.stringMatching(/the same to the last byte/)]);
    const back = connect(url, { patient: true });
    try {
      for (const table of ['events', 'photos', 'machines', 'people'])
        expect(await back.query(`CHECKSUM TABLE ${table} EXTENDED`, { type: QueryTypes.SELECT })).toMatchObject(
          (
            await house.owner.query<{ Checksum: number }>(`CHECKSUM TABLE ${table} EXTENDED`, {
              type: QueryTypes.SELECT,
            })
          ).map(({ Checksum }) => ({ Checksum })),
        );
      // What keeps entries from being changed came along.
      await expect(back.query("UPDATE events SET device = 'x'")).rejects.toThrow();
    } finally {
      await back.close();
    }
  });
});

test('it is said and nothing is done: a file that is there, a damaged one, one without its sum, a database with something in it', async () => {
  const file = join(folder, 'b.sql.gz');
  run('backup', file, house.ownerUrl);
  expect(run('backup', file, house.ownerUrl)).toMatchObject({
    status: 1,
    said: expect.stringMatching(/there already/),
  });
  expect(run('restore', file, house.ownerUrl)).toMatchObject({ status: 1, said: expect.stringMatching(/not empty/) });
  const text = gunzipSync(readFileSync(file)).toString('utf8').replace('imre', 'imri');
  writeFileSync(file, gzipSync(text));
  await withEmpty('damaged', async (url) => {
    expect(run('restore', file, url)).toMatchObject({ status: 1, said: expect.stringMatching(/is damaged/) });
    rmSync(`${file}.sha256`);
    expect(run('restore', file, url)).toMatchObject({ status: 1, said: expect.stringMatching(/sha256 is missing/) });
  });
  expect(run('restore', join(folder, 'none.gz'), house.ownerUrl).said).toMatch(/no such file/);
  expect(run('backup', join(folder, 'c.gz'), 'postgres://x').said).toMatch(/OWNER_DATABASE_URL/);
});
