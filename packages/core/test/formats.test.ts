import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020';
import { parse } from 'yaml';

const ROOT = join(__dirname, '../../..');
const read = (...path: string[]): string => readFileSync(join(ROOT, ...path), 'utf8');
const schema = (name: string) =>
  new Ajv({ allErrors: true, allowUnionTypes: true }).compile(
    JSON.parse(read('docs/formats', `${name}.schema.json`)) as object,
  );

/** The published JSON Schemas, held against everything the project ships, by an independent validator. */
describe.each([
  ['case', 'cases'],
  ['profile', 'profiles'],
])('%s schema', (name, folder) => {
  const validate = schema(name);

  test.each(readdirSync(join(ROOT, folder)))('%s', (file) => {
    validate(parse(read(folder, file)));
    expect(validate.errors ?? []).toEqual([]);
  });

  test('refuses what the loader refuses: an unknown key, a wrong format', () => {
    expect(validate({ format: `zetalysis-${name}/2`, colour: 'red' })).toBe(false);
  });
});
