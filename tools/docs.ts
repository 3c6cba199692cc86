// `npm run docs`: writes the pages that come out of the code, so that they say what it does. A test holds them against it.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { contractSchema } from '@zetalysis/contract';
import { ASSUMPTIONS } from '@zetalysis/core/standards';
import { ROOT } from './packages.mjs';

/** Every generated page by its path under docs/, as it ought to stand there. */
export async function pages(): Promise<Record<string, string>> {
  const config = await resolveConfig(join(ROOT, 'docs/index.md'));
  return {
    'assumptions.md': await format(assumptionsPage(), { ...config, parser: 'markdown' }),
    'formats/contract.schema.json': `${JSON.stringify(contractSchema(), null, 2)}\n`,
  };
}

function assumptionsPage(): string {
  const rows = Object.entries(ASSUMPTIONS).map(
    ([name, { value, what, why }]) => `| ${name} | ${value} | ${what} | ${why} |`,
  );
  return [
    '# What is assumed',
    '',
    'Written by `npm run docs` from `packages/core/src/standards/assumptions.ts`. Fault rates are in the part kinds and the',
    'profiles; tolerances of sound appliances are in the profiles.',
    '',
    '| name | value | what | why |',
    '| --- | --- | --- | --- |',
    ...rows,
    '',
  ].join('\n');
}

if (process.argv[1]?.endsWith('docs.ts'))
  for (const [path, text] of Object.entries(await pages())) writeFileSync(join(ROOT, 'docs', path), text);
