import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { readAppliances } from './appliances';
import { Hub } from './hub';
import { handsAt, pageOf } from './page';
import { Pairing } from './pairing';
import { SimulatedBench } from './simulated-bench';

const USAGE = `Simulated instruments in front of a virtual appliance.

  npm run meter -- [--machine NAME] [--port N] [--code SIX-FIGURES] [--origin https://shop.example]

  --machine   one of the demo's machines, by the beginning of its name
  --port      another port than 4190, on this machine only
  --code      the pairing code; a new one each time when none is given
  --origin    a page that may listen besides those of this machine; may be repeated
`;

/** Runs until it is stopped; gives the exit code where it cannot begin. */
async function main(args: readonly string[]): Promise<number | undefined> {
  const root = process.env['ZETALYSIS_ROOT'] ?? process.cwd();
  const appliances = readAppliances(root);
  let values;
  try {
    ({ values } = parseArgs({
      args: [...args],
      options: {
        machine: { type: 'string' },
        port: { type: 'string', default: '4190' },
        code: { type: 'string' },
        origin: { type: 'string', multiple: true, default: [] },
        help: { type: 'boolean', default: false },
      },
    }));
  } catch (error) {
    return refuse((error as Error).message);
  }
  if (values.help) {
    process.stdout.write(USAGE);
    return 0;
  }
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65535) return refuse(`"${values.port}" is no port; say 0 to 65535`);
  if (values.code !== undefined && !/^\d{6}$/.test(values.code)) return refuse('a code has six figures');
  const wrong = values.origin.find((o) => !URL.canParse(o) || new URL(o).origin !== o);
  if (wrong !== undefined) return refuse(`"${wrong}" is no origin; say it like https://shop.example`);
  const wanted = values.machine?.toLowerCase();
  const first = wanted === undefined ? 0 : appliances.findIndex((a) => a.machine.toLowerCase().includes(wanted));
  if (first < 0)
    return refuse(`there is no machine "${values.machine}"; there are ${appliances.map((a) => a.machine).join('; ')}`);

  const bench = new SimulatedBench(root, [appliances[first]!, ...appliances.filter((_, i) => i !== first)]);
  const pairing = new Pairing(values.code);
  const webDir = process.env['WEB_DIR'] ?? resolve(root, 'packages/web/dist');
  const hub = new Hub({ adapter: bench, pairing, origins: values.origin, app: pageOf(webDir) });
  hub.serve(
    '/hands',
    handsAt(bench, () => ({ code: pairing.code, listeners: hub.count })),
  );
  let bound;
  try {
    bound = await hub.open(port);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    return refuse(`port ${port} is taken; say another one with --port`);
  }
  const address = `http://127.0.0.1:${bound}`;
  process.stdout.write(`Instruments  ${address}   code ${pairing.code}\n`);
  process.send?.({ address, code: pairing.code });
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => void hub.close().then(() => process.exit(0)));
  return undefined;
}

function refuse(why: string): number {
  process.stderr.write(`meter: ${why}\n`);
  return 2;
}

const code = await main(process.argv.slice(2));
if (code !== undefined) process.exitCode = code;
