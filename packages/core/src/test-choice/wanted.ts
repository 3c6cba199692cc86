import type { Model, NetIndex } from '../profile';
import { kindOf, type Question } from '../question';
import type { Allowed, Wanted } from '../rules';
import type { Test } from './tests';

/** What kind of work a question is to the rules, and on which part it is done. */
export function workOfQuestion(
  model: Model,
  question: Question,
): { readonly work: string | undefined; readonly of?: string } {
  switch (question.kind) {
    case 'ohms':
    case 'continuity':
      return { work: 'ohms', of: model.parts[question.part]!.id };
    case 'between':
      return { work: 'ohms' };
    case 'farads':
      return { work: 'capacitor', of: model.parts[question.part]!.id };
    case 'lamp':
    case 'volts':
      if (isSpark(model, question.red) || isSpark(model, question.black)) return { work: 'volts-on-spark' };
      return { work: isLine(model, question.red) || isLine(model, question.black) ? 'volts-line' : 'volts-control' };
    case 'gauge': {
      const gauge = model.gauges[question.gauge]!;
      return { work: gauge.work, of: gauge.id };
    }
    case 'look':
      return { work: model.looks[question.look]!.work, of: model.looks[question.look]!.id };
    default:
      return { work: undefined };
  }
}

const isLine = (model: Model, net: NetIndex): boolean =>
  model.levels[net] === 'line' || model.points.some((p) => p.net === net && p.line);

/** The terminal from which a spark jumps; rungs are written from source to common, so it is where the gap begins. */
const isSpark = (model: Model, net: NetIndex): boolean =>
  model.branches.some(({ part, a }) => a === net && model.parts[part]!.kind.name === 'spark-gap');

/** What a stop may let through. */
function isKindOf({ kind }: Question): Allowed | undefined {
  switch (kind) {
    case 'ohms':
    case 'continuity':
    case 'between':
    case 'farads':
    case 'joint':
      return 'dead';
    case 'amps':
    case 'lamp':
    case 'volts':
      return 'volts';
    case 'look':
      return 'look';
    case 'gauge':
      return 'gauge';
    default:
      return undefined;
  }
}

/** A test as the rules look at it. */
export function wantedOf(model: Model, { question, intervention }: Test): Wanted {
  const is = intervention ? undefined : isKindOf(question);
  const fires = kindOf(question).weighs === 'cue';
  const base = { ...(is && { is }), fires };
  if (intervention && 'bypass' in intervention) {
    const part = model.parts.find((p) => p.id === intervention.bypass)!;
    return { ...base, work: 'bypass', of: part.id, kind: part.safety ?? 'unnamed' };
  }
  if (intervention && 'action' in intervention) {
    const action = model.actions.find((a) => a.id === intervention.action)!;
    if (action.goesRound !== undefined) return { ...base, work: 'bypass', of: action.id, kind: action.goesRound };
    const reset = action.resets[0];
    if (reset !== undefined) {
      const part = model.parts[reset]!;
      return { ...base, work: 'manual-reset', of: part.id, kind: part.safety ?? 'unnamed' };
    }
    return { ...base, work: action.work ?? '', of: action.id };
  }
  if (question.kind === 'look') {
    const pressed = model.looks[question.look]!.answers.find((a) => a.resets !== undefined)?.resets;
    if (pressed !== undefined) {
      const part = model.parts[pressed]!;
      return { ...base, work: 'manual-reset', of: part.id, kind: part.safety ?? 'unnamed' };
    }
  }
  const { work, of } = workOfQuestion(model, question);
  return { ...base, work: work ?? '', ...(of !== undefined && { of }) };
}
