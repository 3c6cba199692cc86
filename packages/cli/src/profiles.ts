import { coverage, proofOutlook, type ProofOutlook } from '@zetalysis/core/analysis';
import { Engine } from '@zetalysis/core/diagnosis';
import { formatProblem, loadProfile, variantsOf, withVariant } from '@zetalysis/core/profile';
import { checkProfile } from '@zetalysis/core/simulation';
import { parseArgs } from 'node:util';
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
    const { checked, problems } = checkProfile(text, path, withVariant(variant));
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

/** How many of the dearest proofs are listed. */
const DEAREST = 5;

/** The first few of some hypotheses by name. */
const named = (hs: readonly { id: string }[]): string =>
  `${hs
    .slice(0, 4)
    .map((h) => h.id)
    .join(', ')}${hs.length > 4 ? ` and ${hs.length - 4} more` : ''}`;

function report(id: string, json: boolean): ReturnType<Command> {
  const engine = new Engine(openProfile(id));
  const c = coverage(engine);
  const proofs = proofOutlook(
    engine,
    c.faults.filter((h) => !c.silent.includes(h)),
  );
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
          proofs: proofs.map((p) => ({
            fault: p.fault.id,
            minutes: p.minutes,
            whole: p.whole,
            open: ids(p.open),
            looks: p.looks,
          })),
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
  const total = proofs.reduce((sum, p) => sum + p.fault.prior, 0);
  const mean = proofs.reduce((sum, p) => sum + p.fault.prior * p.minutes, 0) / total;
  lines.push('', `Cheapest proof from a watched try: ${mean.toFixed(1)} min on the average. The dearest:`);
  for (const p of [...proofs].sort((a, b) => b.minutes - a.minutes).slice(0, DEAREST))
    lines.push(`  ${p.fault.id.padEnd(34)} ${p.minutes.toFixed(1).padStart(5)} min`);
  const unproved = proofs.filter((p) => !p.whole);
  lines.push('', `Cannot be proved in full before the repair (${unproved.length}):`);
  for (const p of unproved)
    lines.push(
      `  ${p.fault.id.padEnd(34)} ${p.open.length === 0 ? 'nothing condemns the part itself' : `stays open: ${named(p.open)}`}`,
    );
  lines.push('', ...restingOnLooks(proofs));
  return { text: lines.join('\n'), exit: 0 };
}

/** Proofs that one look decides: as often as somebody is wrong about it, a proof is wrong or does not come. */
function restingOnLooks(proofs: readonly ProofOutlook[]): string[] {
  const proved = proofs.filter((p) => p.whole);
  const resting = proved.filter((p) => p.looks.length > 0);
  const weight = (list: readonly ProofOutlook[]): number => list.reduce((sum, p) => sum + p.fault.prior, 0);
  const right = (p: ProofOutlook): number => p.looks.reduce((share, look) => share * look.tells, 1);
  const erring = resting.reduce((sum, p) => sum + p.fault.prior * (1 - right(p)), 0);
  const percent = (part: number): string => ((100 * part) / Math.max(weight(proved), Number.MIN_VALUE)).toFixed(1);
  return [
    `Proofs that a look decides (${resting.length}), ${percent(weight(resting))} % of all; a careful person is wrong about it in ${percent(erring)} % of all:`,
    ...resting.map(
      (p) =>
        `  ${p.fault.id.padEnd(34)} ${p.looks.map((l) => `${l.id} (right ${Math.round(100 * l.tells)} of 100)`).join(', ')}`,
    ),
  ];
}
