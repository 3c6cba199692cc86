import { parseArgs } from 'node:util';
import { coverage, Engine } from '@zetalysis/core/diagnosis';
import { formatProblem, loadProfile, variantsOf } from '@zetalysis/core/profile';
import { checkProfile } from '@zetalysis/core/sequence';
import { openProfile, profileIds, profileSource, readText } from './files';
import type { Command } from './main';
import { UsageError } from './usage';

export const profiles: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { check: { type: 'string' }, coverage: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (positionals.length > 0)
    throw new UsageError(`profiles takes options only; did you mean --coverage ${positionals[0]}?`);
  if (values.check !== undefined) return check(values.check);
  if (values.coverage !== undefined) return report(values.coverage, values.json);
  const list = profileIds().map((id) => {
    const { text, file } = profileSource(id);
    const model = loadProfile(text, file);
    return {
      id,
      title: model.title,
      version: model.version,
      parts: model.parts.length,
      variants: variantsOf(text, file),
    };
  });
  if (values.json) return { text: JSON.stringify(list, null, 2), exit: 0 };
  const lines = list.map(
    (p) =>
      `${p.id.padEnd(28)} ${p.version.padEnd(8)} ${p.title} (${p.parts} parts${p.variants.length > 0 ? `; variants: ${p.variants.map((v) => v.id).join(', ')}` : ''})`,
  );
  return { text: lines.join('\n'), exit: 0 };
};

/** Loads a profile file, every variant of it, and runs each healthy appliance once. */
function check(path: string): ReturnType<Command> {
  const text = readText(path);
  const lines: string[] = [];
  for (const variant of [undefined, ...variantsOf(text, path).map((v) => v.id)]) {
    const { checked, problems } = checkProfile(text, path, variant);
    const name = variant === undefined ? '' : ` (${variant})`;
    if (problems.length > 0)
      throw new UsageError(
        problems.map((p) => `${formatProblem(p)}${variant === undefined ? '' : ` [variant ${variant}]`}`).join('\n'),
      );
    const { model, trace } = checked;
    lines.push(
      `${path}${name}: ${model.parts.length} parts, ${model.nets.length} nets, ${model.phases.length} steps; healthy run: ${trace.outcome}`,
    );
  }
  return { text: lines.join('\n'), exit: 0 };
}

function report(id: string, json: boolean): ReturnType<Command> {
  const engine = new Engine(openProfile(id));
  const c = coverage(engine);
  if (json) {
    const ids = (hs: readonly { id: string }[]): string[] => hs.map((h) => h.id);
    return {
      text: JSON.stringify(
        {
          profile: id,
          faults: ids(c.faults),
          distinct: c.distinct,
          alike: c.alike.map(ids),
          silent: ids(c.silent),
          unprovable: ids(c.unprovable),
        },
        null,
        2,
      ),
      exit: 0,
    };
  }
  const lines = [
    `${id}: ${c.faults.length} fault modes, ${c.distinct} with predictions of their own, ${engine.tests.length} tests`,
    '',
  ];
  for (const h of c.faults) lines.push(`  ${h.id.padEnd(34)} ${(h.prior * 100).toFixed(1).padStart(5)} %  ${h.words}`);
  lines.push('', `Nothing can tell apart (${c.alike.length} groups):`);
  for (const group of c.alike)
    lines.push(
      `  ${group.map((h) => h.id).join(' = ')}${new Set(group.map((h) => h.repair)).size === 1 ? '   (same repair)' : ''}`,
    );
  lines.push('', `Change nothing observable (${c.silent.length}): ${c.silent.map((h) => h.id).join(', ') || 'none'}`);
  lines.push(
    `Cannot be proved before the repair (${c.unprovable.length}): ${c.unprovable.map((h) => h.id).join(', ') || 'none'}`,
  );
  return { text: lines.join('\n'), exit: 0 };
}
