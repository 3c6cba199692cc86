import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { CheckScript } from './checker';

/** The checks beside the built server, or their source when the server runs from its sources. */
export function checkScript(directory: string): CheckScript {
  const built = join(directory, 'checks.js');
  if (existsSync(built)) return { file: built };
  return { file: join(directory, 'features/profiles/checks.ts'), execArgv: ['--import', 'tsx'] };
}
