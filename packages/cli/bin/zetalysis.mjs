#!/usr/bin/env node
// The command line as it runs: one built file, made anew when its sources have changed.
import { CLI_MAIN, ensureCliBuild } from '../../../tools/build.mjs';

await ensureCliBuild();
const { main } = await import(CLI_MAIN);
process.exitCode = await main(process.argv.slice(2));
