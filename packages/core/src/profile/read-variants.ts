import { applyBuild, ordersOf } from './apply-build';
import { type Build, withVariant } from './build';
import { type DataMap, isMap, SourceFile } from './document';
import { Fields } from './fields';
import { type Identity, loadIdentity } from './identify';

/** Names, titles and identities of a profile's variants, without compiling it. */
export function variantsOf(source: string, fileName: string): { id: string; title: string; identity: Identity }[] {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  if (!isMap(file.data) || !isMap(file.data['variants'])) return [];
  const fields = new Fields(file);
  return Object.entries(file.data['variants']).map(([id, v]) => ({
    id,
    title: isMap(v) ? String(v['title'] ?? id) : id,
    identity: loadIdentity(fields, applyBuild(fields, file.data as DataMap, withVariant(id))),
  }));
}

/** Where switches can change places on a machine of this build: by rung, the switches in their present order. */
export function ordersOfProfile(source: string, fileName: string, build: Build): Readonly<Record<string, string[]>> {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  const orders = ordersOf(new Fields(file), file.data as DataMap, build);
  file.throwIfBad();
  return orders;
}
