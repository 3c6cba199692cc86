import { judgeDeadTest, judgeSparkGap, judgeThermocouple } from '@zetalysis/core/bench';
import type { Assessment } from '@zetalysis/core/diagnosis';
import { gaugeReading, OUTCOME_WORDS, predictionWords, voltsReading } from '@zetalysis/core/presentation';
import { findPart, type Model } from '@zetalysis/core/profile';
import { contradiction } from '@zetalysis/core/proof';
import { COMPLAINTS } from '@zetalysis/core/question';
import type { TestingStandard } from '@zetalysis/core/standards';
import { formatReading, readingValue, type UnitSystem } from '@zetalysis/core/units';
import type { CallEvent, CallState, EventBody } from '@zetalysis/core/visit';

/** One entry of the evidence list. */
export interface LogLine {
  readonly id: string;
  readonly words: string;
  readonly at: string;
  readonly person: string;
  readonly retracted: boolean;
  readonly undoable: boolean;
  readonly problem: string | undefined;
  /** What each leading suspect says to it; empty for entries that are no evidence. */
  readonly follow: readonly Followed[];
}

/** One suspect's word on one entry. */
interface Followed {
  readonly suspect: string;
  readonly expected: string;
  readonly fits: boolean;
}

/** How many suspects are asked about an entry. */
const ASKED = 4;

/** The log in words, oldest first. */
export function logOf(
  model: Model,
  state: CallState,
  assessment: Assessment,
  { units, standard }: { readonly units: UnitSystem; readonly standard: TestingStandard },
): LogLine[] {
  return state.log.map(({ event, retracted, problem }) => ({
    id: event.id,
    words: bodyWords(model, event, units, standard),
    at: event.at,
    person: event.person,
    retracted,
    undoable:
      !retracted && event.body.type !== 'opened' && event.body.type !== 'retracted' && event.body.type !== 'closed',
    problem,
    follow: followed(model, assessment, event.id, units),
  }));
}

function followed(model: Model, assessment: Assessment, event: string, units: UnitSystem): Followed[] {
  const item = assessment.items.find((i) => i.item.id === event);
  if (!item) return [];
  return assessment.suspects.slice(0, ASKED).flatMap(({ leading }) => {
    const prediction = item.predictions[leading.index];
    if (!prediction) return [];
    return {
      suspect: leading.words,
      expected: predictionWords(model, item.item.observation, prediction, units),
      fits: contradiction(leading, [item]) === 0,
    };
  });
}

function bodyWords(model: Model, { body }: CallEvent, units: UnitSystem, standard: TestingStandard): string {
  const title = (id: string): string => findPart(model, id)?.title ?? id;
  const phase = (id: string | undefined): string => {
    const found = model.phases.find((p) => p.id === id);
    return found ? `, ${found.title.toLowerCase()}` : '';
  };
  switch (body.type) {
    case 'opened':
      return `Call opened: ${body.complaint}`;
    case 'setup': {
      const changes = [
        body.power ? '' : 'power off',
        body.gas ? '' : 'gas shut',
        body.call ? '' : 'no call for heat',
        ...body.unplugged.map((p) => `${model.plugs.find((x) => x.id === p)?.title ?? p} unplugged`),
        ...body.bypassed.map((p) => `${title(p)} bypassed`),
        ...(body.actions ?? []).map((a) => model.actions.find((x) => x.id === a)?.title ?? a),
      ].filter((c) => c !== '');
      return changes.length === 0 ? 'Everything back as it was' : `Set: ${changes.join(', ')}`;
    }
    case 'seen':
      return `${model.phases.find((p) => p.id === body.phase)?.title ?? body.phase}${body.try === undefined ? '' : ` (try ${body.try})`}: ${body.answer === 'unclear' ? 'can’t tell' : body.answer}`;
    case 'outcome':
      return OUTCOME_WORDS[body.outcome];
    case 'code':
      return `Status light: ${body.code}`;
    case 'volts':
      return `${body.red}–${body.black}: ${voltsReading(model, pair(model, body), body.reading, units)}${phase(body.phase)}${millivolts(model, body, standard)}`;
    case 'ohms': {
      const part = findPart(model, body.part);
      const dead = part?.kind.deadTests(part.spec).find((d) => d.branch === (body.branch ?? ''));
      const verdict = dead ? ` ${judgeDeadTest(dead, body.reading, standard).words}` : '';
      return `${title(body.part)}: ${formatReading(body.reading, units)}, isolated.${verdict}`;
    }
    case 'gauge': {
      const index = model.gauges.findIndex((g) => g.id === body.gauge);
      const gauge = model.gauges[index];
      if (!gauge) return `${body.gauge}: ${formatReading(body.reading, units)}`;
      // The one length that is measured on these machines.
      const isGap = model.quantities[gauge.quantity]!.dimension === 'length';
      const words = isGap
        ? judgeSparkGap(readingValue(body.reading), standard).words
        : gaugeReading(model, index, body.reading, units);
      return `${gauge.title}: ${words}`;
    }
    case 'timing':
      return `Time to ${model.phases.find((p) => p.id === body.phase)?.title ?? body.phase}: ${formatReading(body.reading, units)}`;
    case 'look': {
      const look = model.looks.find((l) => l.id === body.look);
      return `${look?.ask ?? body.look} ${look?.answers.find((a) => a.id === body.answer)?.title ?? body.answer}`;
    }
    case 'declined':
      return `${body.why === 'cannot' ? 'Cannot' : 'Will not'} do: ${body.test}`;
    case 'repaired':
      return `Repaired: ${title(body.part)}${body.action === '' ? '' : `, ${body.action}`}${body.measured === true ? ', measured before fitting' : ''}`;
    case 'adjusted':
      return `Adjusted: ${body.what}, was ${body.original}, now ${body.now}`;
    case 'adjustment-settled':
      return body.how === 'kept' ? 'The adjustment stays' : 'Adjustment put back';
    case 'danger':
      return `Danger: ${body.danger}`;
    case 'danger-over':
      return `Danger over: ${body.words}`;
    case 'told':
      return `Complaint: ${COMPLAINTS[body.complaint].toLowerCase()}`;
    case 'timer':
      return `Timer set: ${body.title}, ${Math.round(body.seconds / 6) / 10} min`;
    case 'note':
      return body.text;
    case 'retracted':
      return 'Taken back';
    case 'break-recorded':
      return `Break recorded: ${title(body.part)}, ${body.failure} (${body.standing})`;
    case 'closed':
      return `Call closed${body.words === '' ? '' : `: ${body.words}`}`;
  }
}

/** The nets of a voltage reading, by number; −1 for one that this version of the profile does not have. */
export const pair = (model: Model, { red, black }: { readonly red: string; readonly black: string }) => ({
  red: model.nets.indexOf(red),
  black: model.nets.indexOf(black),
});

/** A reading across a thermocouple is judged, as an open-circuit one. */
function millivolts(model: Model, body: Extract<EventBody, { type: 'volts' }>, standard: TestingStandard): string {
  const branch = model.parts.find((p) => p.kind.name === 'thermocouple')?.branches[0];
  if (!branch) return '';
  const ends = [model.nets[branch.a]!, model.nets[branch.b]!];
  if (!ends.includes(body.red) || !ends.includes(body.black)) return '';
  return `. As open circuit: ${judgeThermocouple(readingValue(body.reading), standard).words}`;
}
