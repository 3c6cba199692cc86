import type { Assessment, Engine } from '../../diagnosis';
import { findPart, type Model } from '../../profile';
import { endingWith, type Family, hasGas, proofListsFor } from '../../rules';
import { capital, formatReading } from '../../units';
import { type CallState, madeAt } from '../../visit';
import type { ViewOptions } from '../call-view';
import { fittedWords, OUTCOME_WORDS } from '../fixed-words';
import { type Excluded, excludedOf } from './excluded';
import { givenAtClosing } from './given';
import { type Handover, handoverOf } from './handover';
import { type MeasuredLine, measuredOf } from './measured';
import { type Runs, runsOf } from './runs';
import { type TechnicalRecord, technicalOf } from './technical';

/** Everything that is put on paper about a call: for the customer, for the shop, and for whoever comes next. Plain data. */
export interface CallReport {
  readonly customer: CustomerPage;
  readonly technical: TechnicalRecord;
  readonly handover: Handover;
}

/** One page for the customer. */
export interface CustomerPage {
  readonly headline: string;
  readonly complaint: string;
  /** When the call was opened and when it was closed last, ISO 8601. */
  readonly opened: string | undefined;
  readonly closed: string | undefined;
  /** Who closed it, or worked on it last. */
  readonly person: string;
  readonly runs: Runs;
  /** What failed, and what came of it. */
  readonly failed: { readonly what: string; readonly so: string } | undefined;
  readonly measured: readonly MeasuredLine[];
  /** What else it could have been, and what speaks against it. */
  readonly excluded: readonly Excluded[];
  readonly did: readonly string[];
  readonly watch: readonly string[];
  readonly recommended: readonly { readonly words: string; readonly said: string }[];
  /** When the customer was told; nothing where that is not noted. */
  readonly told: string | undefined;
}

/** So many readings and rivals fit on the customer's page. */
const READINGS_SHOWN = 6;
const RIVALS_SHOWN = 3;
/** Lines of a proof that are about the paper itself. */
const NOT_WORK = new Set(['customer', 'next-due', 'temporary', 'stay']);

/** What is said about a call on paper, at the state of its log. */
export function reportOf(engine: Engine, state: CallState, assessment: Assessment, options: ViewOptions): CallReport {
  const { model } = engine;
  const { followed, record, opened } = state;
  const standing = state.log.filter(({ retracted, problem }) => !retracted && problem === undefined);
  const entries = standing.map(({ event }) => event);
  const closing = entries.findLast(({ body }) => body.type === 'closed');
  const told = entries.findLast(({ body }) => body.type === 'proof-line' && body.line === 'customer');
  const iso = (event: (typeof entries)[number] | undefined): string | undefined =>
    event && new Date(madeAt(event)).toISOString();
  const measured = measuredOf(engine, state, assessment, options);
  return {
    customer: {
      headline: headlineOf(state, model.family),
      complaint: opened?.complaint ?? '',
      opened: iso(entries.find(({ body }) => body.type === 'opened')),
      closed: followed.ending === undefined ? undefined : iso(closing),
      person: (closing ?? entries.at(-1))?.person ?? '',
      runs: runsOf(model, state),
      failed: failedOf(state, model),
      measured: tellingFirst(measured).slice(0, READINGS_SHOWN),
      excluded:
        record && record.part !== 'none' ? excludedOf(engine, assessment, options, record.part, RIVALS_SHOWN) : [],
      did: didOf(state, (id) => findPart(model, id)?.title ?? id, options),
      watch: watchOf(state, model.family),
      recommended: state.recommendations.map(({ words, settled }) => ({
        words,
        said: settled
          ? `${capital(settled.how)}${settled.words === '' ? '' : `: ${settled.words}`}`
          : 'Not answered yet',
      })),
      told: iso(told),
    },
    technical: technicalOf(engine, state, assessment, measured, options),
    handover: handoverOf(engine, state, assessment, options),
  };
}

const NOUNS: Readonly<Record<Family, { readonly noun: string; readonly does: string }>> = {
  furnace: { noun: 'furnace', does: 'heats' },
  'mobile-furnace': { noun: 'furnace', does: 'heats' },
  steam: { noun: 'boiler', does: 'heats' },
  hydronic: { noun: 'boiler', does: 'heats' },
  combi: { noun: 'boiler', does: 'heats' },
  'storage-heater': { noun: 'water heater', does: 'heats' },
  'mobile-heater': { noun: 'water heater', does: 'heats' },
  'pool-heater': { noun: 'pool heater', does: 'heats' },
  'pool-heat-pump': { noun: 'pool heater', does: 'heats' },
  dryer: { noun: 'dryer', does: 'dries' },
};

/** In one line how it stands with the customer's machine. */
function headlineOf(state: CallState, family: Family | undefined): string {
  const { noun, does } = family ? NOUNS[family] : { noun: 'machine', does: 'runs' };
  const { followed } = state;
  const given = givenAtClosing(state);
  switch (followed.ending && endingWith(followed.ending)?.id) {
    case 'proved':
      return `Your ${noun} ${does} again`;
    case 'not-proved':
      return `Your ${noun} was repaired; the proof is still to come`;
    case 'waiting':
      return `Your ${noun} waits for ${given['for'] ?? 'a part'}`;
    case 'left-off':
      return `Your ${noun} is off and has to stay off`;
    case 'nothing-found':
      return `We found nothing broken in your ${noun}`;
    case 'referred':
      return `Your ${noun} needs ${given['whom'] ?? 'somebody else'}`;
    case 'mistake':
      return 'This call was opened by mistake';
    default:
      return followed.ending === undefined ? `Your ${noun} is still being worked on` : 'This call is closed';
  }
}

/** The break in plain words, and what came of it as far as it was seen. */
function failedOf({ record, log }: CallState, model: Model): CustomerPage['failed'] {
  if (!record) return undefined;
  if (record.part === 'none') return { what: 'Nothing had failed.', so: record.failure };
  const outcome = log.find(({ event, retracted }) => !retracted && event.body.type === 'outcome')?.event.body;
  const why = record.cause === '' ? '' : `Why: ${record.cause}. `;
  const ends = outcome?.type === 'outcome' ? `What it did: ${OUTCOME_WORDS[outcome.outcome].toLowerCase()}.` : '';
  return {
    what: `${brokenWords(model, record.part, record.failure)}.${record.standing === 'proved' ? '' : ' This is likely, and not proved.'}`,
    so: `${why}${ends}`.trim(),
  };
}

/** The model's own words go on from the name of the part; somebody's own stand after it. */
function brokenWords(model: Model, id: string, failure: string): string {
  const part = findPart(model, id);
  const title = part?.title ?? id;
  return part?.modes.some(({ words }) => words === failure)
    ? `The ${title} ${failure}`
    : `${capital(title)}: ${failure}`;
}

/** What no sound appliance shows first, then what was read twice. */
const tellingFirst = (lines: readonly MeasuredLine[]): MeasuredLine[] =>
  [...lines].sort((a, b) => weightOf(b) - weightOf(a));
const weightOf = ({ wrong, was, now }: MeasuredLine): number => (wrong ? 2 : 0) + (was !== '' && now !== '' ? 1 : 0);

/** What was done, and what was tested after it. */
function didOf(state: CallState, titleOf: (part: string) => string, { units }: ViewOptions): string[] {
  const { followed, log, adjustments } = state;
  const { c, proof } = followed;
  const work = log.flatMap(({ event: { id, body }, retracted }) => {
    if (retracted) return [];
    if (body.type === 'repaired') {
      const part = capital(titleOf(body.part));
      if (body.old === true) return [`${part}: the old one is in again`];
      const reads = body.reads ? `, the new one reads ${formatReading(body.reads.reading, units)}` : '';
      return [`${part}: ${body.action === '' ? 'repaired or replaced' : body.action}${fittedWords(body)}${reads}`];
    }
    if (body.type === 'adjusted' && !adjustments.has(id))
      return [`${body.what}: was ${body.original}, now ${body.now}`];
    return [];
  });
  if (work.length === 0) return [];
  const tested = proofListsFor(c.family, c.touched)
    .flatMap(({ lines }) => lines)
    .flatMap((line) => {
      const done = proof.get(line.id);
      if (done?.answer !== 'done' || NOT_WORK.has(line.id)) return [];
      const came = done.value === undefined || !line.number ? line.limit : `${done.value} ${line.number.unit}`;
      return [`${line.do}: ${came}`];
    });
  const clean = c.temporary.size === 0 && c.bypasses.length === 0 ? ['Nothing is left bridged, unplugged or open'] : [];
  return [...work, ...tested, ...clean];
}

function watchOf(state: CallState, family: Family | undefined): string[] {
  const watches = givenAtClosing(state)['watches'] ?? '';
  return [
    ...(watches === '' ? [] : [watches]),
    'If it does the same again, leave it off and call us.',
    ...(hasGas(family) ? ['Smell of gas: touch no switch, go out, call from there.'] : []),
  ];
}
