import { partsToCarry } from '../../analysis';
import type { Assessment, Engine } from '../../diagnosis';
import { hasGas, hasPower, openLines } from '../../rules';
import type { CallState, NeededPart } from '../../visit';
import { sayRecord } from '../break-record';
import type { ViewOptions } from '../call-view';
import { proofView } from '../proof-view';
import { sayRequirement } from '../requirement-words';
import { inBrief } from '../say';
import { givenAtClosing } from './given';

/** For whoever comes next: what is proved, what is off, what to bring and what is left to do. */
export interface Handover {
  /** What is thought to have broken it, and how sure that is. */
  readonly found: string;
  readonly proved: readonly string[];
  /** What the proof of the break still asks for. */
  readonly open: readonly string[];
  /** Tests that would prove it, in the order of the plan. */
  readonly tests: readonly string[];
  readonly off: readonly string[];
  /** What is apart or otherwise there for now. */
  readonly loose: readonly string[];
  readonly stops: readonly string[];
  readonly needed: readonly NeededPart[];
  readonly bring: readonly string[];
  /** Lines of the proof of the repair that are open; empty while nothing is repaired. */
  readonly prove: readonly string[];
  readonly words: string;
}

export function handoverOf(engine: Engine, state: CallState, assessment: Assessment, options: ViewOptions): Handover {
  const { model } = engine;
  const { followed, record, needed, wires } = state;
  const { c } = followed;
  const [first] = assessment.suspects;
  const requirements = assessment.proof?.requirements ?? [];
  const plan = first && !record ? proofView(engine, state, assessment, first.repair, options) : undefined;
  return {
    found: record
      ? sayRecord(model, record)
      : first
        ? `Suspected: ${first.leading.words} (${Math.round(first.probability * 100)} %)`
        : 'Nothing is known yet.',
    proved: requirements.filter(({ met }) => met).map(sayRequirement),
    open: record ? [] : requirements.filter(({ met }) => !met).map(sayRequirement),
    tests: (plan?.tests ?? []).map(({ title }) => title),
    off: [
      ...(hasGas(model.family) ? [`Gas ${c.gas ? 'ON' : 'OFF'}${c.gasSince === undefined ? ', not noted' : ''}`] : []),
      ...(hasPower(model.family)
        ? [`Power ${c.power ? 'ON' : 'OFF'}${c.powerSince === undefined ? ', not noted' : ''}`]
        : []),
    ],
    loose: [
      ...c.bypasses.map(({ title }) => `Bypass: ${title}`),
      ...[...c.temporary.values()].map(({ title }) => title),
      ...wires.filter(({ back }) => !back).map(({ part, wire, terminal }) => `${part}: ${wire} goes on ${terminal}`),
    ],
    stops: followed.stops.map(({ stop }) => stop.title),
    needed,
    bring: record ? [] : partsToCarry(engine, assessment).map(({ words }) => inBrief(words)),
    prove: c.repaired.size === 0 ? [] : openLines(followed).map((line) => line.do),
    words: givenAtClosing(state)['handover'] ?? '',
  };
}
