// One family in a fresh Node process, as it ships: bundled, with no TypeScript runner in between.
//   node tools/bench-family.mjs SCRIPT PROFILE.yaml ID
import { readFileSync } from 'node:fs';
import { runInThisContext } from 'node:vm';

const [script, profile, id] = process.argv.slice(2);
const { measureEngine } = runInThisContext(`${readFileSync(script, 'utf8')}; bench`);
const figures = measureEngine(readFileSync(profile, 'utf8'), id);
process.stdout.write(JSON.stringify({ ...figures, heap: process.memoryUsage().heapUsed }));
