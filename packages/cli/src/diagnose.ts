import { TRAINED } from '@zetalysis/core/rules';
import { parseArgs } from 'node:util';
import { Engine, standingOf } from '@zetalysis/core/diagnosis';
import { isRateBook, weighedEngine } from '@zetalysis/core/book';
import type { RateFactors } from '@zetalysis/core/inference';
import { draftRecord, explain, instruction, instructionWords } from '@zetalysis/core/presentation';
import { type Model, unknownName } from '@zetalysis/core/profile';
import { caseEvents, caseHead, checkCase, loadCase, reduceCall } from '@zetalysis/core/visit';
import { openProfile, readText } from './files';
import type { Command } from './main';
import { UsageError } from './usage';

export const diagnose: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { json: { type: 'boolean', default: false }, weights: { type: 'string' } },
  });
  const path = positionals[0];
  if (path === undefined || positionals.length > 1)
    throw new UsageError('diagnose needs one case file: zetalysis diagnose CASE.yaml');
  const source = readText(path);
  const head = caseHead(source, path);
  const model = openProfile(head.profile, head.variant === undefined ? {} : { variant: head.variant });
  const loaded = loadCase(source, path, model);
  const engine = values.weights === undefined ? new Engine(model) : weighedBy(values.weights, model);
  const { assessment, failures, expectations } = checkCase(engine, loaded);
  const state = reduceCall(model, caseEvents(loaded.steps));
  const next = engine.next({ evidence: state.evidence, declined: state.declined, person: TRAINED }, assessment);
  const record = draftRecord(engine, assessment);
  const leading = assessment.suspects[0]!.leading;
  const reasons = explain(model, leading, engine.healthy, assessment.items, { units: 'us' });
  const exit = failures.length > 0 ? 1 : 0;

  if (values.json) {
    const result = {
      case: loaded.title,
      profile: model.id,
      variant: head.variant ?? null,
      suspects: assessment.suspects
        .slice(0, 8)
        .map((s) => ({ repair: s.repair, probability: s.probability, words: s.leading.words })),
      break: record.part,
      failure: record.failure,
      cause: record.cause,
      standing: standingOf(assessment),
      baffled: assessment.noHypothesisFits,
      reasons: reasons.map((r) => ({ weight: r.weight, sentence: r.sentence })),
      next: next.slice(0, 3).map((t) => ({
        id: t.test.id,
        do: instructionWords(instruction(model, t.test)),
        minutes: t.minutes,
        bits: t.bits,
      })),
      expectations,
      failures,
    };
    return { text: JSON.stringify(result, null, 2), exit };
  }
  const lines = [loaded.title, ''];
  for (const s of assessment.suspects.slice(0, 5))
    lines.push(`${String(Math.round(s.probability * 100)).padStart(4)} %  ${s.leading.words}  [${s.repair}]`);
  lines.push(
    '',
    `Break: ${record.part} (${standingOf(assessment)})${record.cause === '' ? '' : ` · cause: ${record.cause}`}`,
  );
  if (assessment.noHypothesisFits) lines.push('Nothing in the model explains all of this well.');
  for (const r of reasons.slice(0, 6)) lines.push(`  ${r.weight > 0 ? 'for    ' : 'against'}  ${r.sentence}`);
  if (next[0]) lines.push('', `Next: ${instructionWords(instruction(model, next[0].test))} (${next[0].minutes} min)`);
  lines.push(
    '',
    failures.length === 0 ? `${expectations} expectations met` : failures.map((f) => `NOT MET ${path} ${f}`).join('\n'),
  );
  return { text: lines.join('\n'), exit };
};

/** An engine by the rates of a shop as it published them, or by a JSON map from `part.mode` to the factor its weight is multiplied by. */
function weighedBy(path: string, model: Model): Engine {
  let data: unknown;
  try {
    data = JSON.parse(readText(path));
  } catch (error) {
    if (error instanceof UsageError) throw error;
    throw new UsageError(`${path}: is not JSON (${(error as Error).message}); write {"part.mode": factor}`);
  }
  if (isRateBook(data)) return weighedEngine(model, { book: data, of: { profile: model.id } });
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    throw new UsageError(`${path}: must be a map {"part.mode": factor}`);
  const known = model.parts.flatMap((p) => p.modes.map((m) => `${p.id}.${m.id}`));
  for (const [fault, factor] of Object.entries(data)) {
    if (!known.includes(fault)) throw new UsageError(`${path}: ${unknownName('fault', fault, known)}`);
    if (typeof factor !== 'number' || !Number.isFinite(factor) || factor < 0)
      throw new UsageError(`${path}: "${fault}" needs a factor of 0 or more, not ${JSON.stringify(factor)}`);
  }
  return new Engine(model, data as RateFactors);
}
