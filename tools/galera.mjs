import { chmodSync, chownSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureMariaDb, startMariaDb } from './mariadb.mjs';
import { ensureDebian } from './packages.mjs';
import { freePort } from './process.mjs';

const PROVIDER = ['/usr/lib/galera/libgalera_smm.so', '/usr/lib/libgalera_smm.so'];
/** A node that says nothing for so long is suspected, and then left out. */
const SUSPECTED = 'PT2S';
const LEFT_OUT = 'PT3S';
/** As Debian has it. */
const NOBODY = 65_534;

/** Installs what a cluster needs: MariaDB, its cluster part, and what copies a node's data. */
export async function ensureGalera() {
  await ensureMariaDb();
  await ensureDebian('galera', ['galera-4', 'rsync', 'lsof'], PROVIDER);
}

/**
 * Starts a private cluster of MariaDB on 127.0.0.1, its nodes one after the other; each later one takes the data of the first.
 * @param {string} directory
 * @returns the nodes, as `startMariaDb` gives them
 */
export async function startGalera(directory, count = 3) {
  const provider = PROVIDER.find((p) => existsSync(p));
  const ports = [];
  for (let i = 0; i < count; i++)
    ports.push({ group: await freePort(), increments: await freePort(), copies: await freePort() });
  const group = ports.map((p) => `127.0.0.1:${p.group}`).join(',');
  const argsOf = (i) => {
    const mine = ports[i];
    const options = [
      `gmcast.listen_addr=tcp://127.0.0.1:${mine.group}`,
      `ist.recv_addr=127.0.0.1:${mine.increments}`,
      'evs.keepalive_period=PT0.5S',
      'evs.inactive_check_period=PT0.25S',
      `evs.suspect_timeout=${SUSPECTED}`,
      `evs.inactive_timeout=${LEFT_OUT}`,
      'gcache.size=64M',
    ];
    return [
      '--wsrep-on=ON',
      `--wsrep-provider=${provider}`,
      '--wsrep-cluster-name=zetalysis',
      `--wsrep-cluster-address=gcomm://${i === 0 ? '' : group}`,
      `--wsrep-node-address=127.0.0.1:${mine.group}`,
      '--wsrep-sst-method=rsync',
      `--wsrep-sst-receive-address=127.0.0.1:${mine.copies}`,
      `--wsrep-provider-options=${options.join(';')}`,
      '--binlog-format=ROW',
      '--innodb-autoinc-lock-mode=2',
    ];
  };
  // Where all of this runs as root, what receives a copy of the data writes as nobody.
  chmodSync(directory, 0o711);
  const nodes = [];
  for (let i = 0; i < count; i++) {
    const folder = join(directory, `node-${i + 1}`);
    mkdirSync(join(folder, i === 0 ? '' : 'mysql'), { recursive: true });
    if (i > 0 && process.getuid?.() === 0) chownSync(join(folder, 'mysql'), NOBODY, NOBODY);
    const [first] = nodes;
    nodes.push(await startMariaDb(folder, { args: argsOf(i), ...(first && { joins: first.password }) }));
  }
  return nodes;
}
