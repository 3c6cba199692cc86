import { existsSync } from 'node:fs';
import { join } from 'node:path';

/** Where something is that runs in a thread of its own, and how Node has to be started to read it. */
export interface ThreadScript {
  readonly file: string;
  readonly execArgv?: string[];
}

/** Beside the built server by its name, or its source when the server runs from its sources. */
function threadScript(directory: string, built: string, source: string): ThreadScript {
  const file = join(directory, built);
  return existsSync(file) ? { file } : { file: join(directory, source), execArgv: ['--import', 'tsx'] };
}

/** The checks of profiles. */
export const checkScript = (directory: string): ThreadScript =>
  threadScript(directory, 'checks.js', 'features/profiles/checks.ts');

/** What calls are worth to the book. */
export const factsScript = (directory: string): ThreadScript =>
  threadScript(directory, 'facts.js', 'features/patterns/facts.ts');
