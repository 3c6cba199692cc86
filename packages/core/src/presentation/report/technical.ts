import { type Assessment, type Engine, standingOf } from '../../diagnosis';
import { openLines, proofListsFor } from '../../rules';
import { type CallState, madeAt } from '../../visit';
import { sayRecord } from '../break-record';
import type { ViewOptions } from '../call-view';
import { type LogLine, logOf } from '../log-view';
import { sayRequirement } from '../requirement-words';
import { type Excluded, excludedOf } from './excluded';
import type { MeasuredLine } from './measured';

/** The full record of a call, for the shop, an insurer or a colleague. */
export interface TechnicalRecord {
  /** The recorded break in words; nothing where none was recorded. */
  readonly record: string | undefined;
  /** What was done about it, in the words of whoever recorded it. */
  readonly action: string;
  readonly standing: 'proved' | 'suspected';
  readonly versions: {
    readonly profile: string;
    readonly profileVersion: string;
    readonly engine: string;
    readonly settings: string;
  };
  readonly entries: readonly Omit<LogLine, 'follow' | 'undoable'>[];
  readonly measured: readonly MeasuredLine[];
  /** What was suspected when the break was recorded, and now. */
  readonly suspects: readonly { readonly words: string; readonly then: number | undefined; readonly now: number }[];
  /** What the proof of the break asks for. */
  readonly requirements: readonly { readonly words: string; readonly met: boolean }[];
  readonly excluded: readonly Excluded[];
  /** The proof of the repair, line by line; `said` is empty where a line is open. */
  readonly proof: readonly { readonly do: string; readonly limit: string; readonly said: string }[];
  readonly photos: readonly { readonly photo: string; readonly words: string; readonly at: string }[];
}

const SUSPECTS_SHOWN = 6;
const RIVALS_SHOWN = 8;
const WORTH_A_LINE = 0.004;

export function technicalOf(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  measured: readonly MeasuredLine[],
  options: ViewOptions,
): TechnicalRecord {
  const { model } = engine;
  const { record, opened, followed } = state;
  const then = record?.advice.suspects ?? [];
  const shown = assessment.suspects.filter(
    (s) => s.probability >= WORTH_A_LINE || then.some(({ repair }) => repair === s.repair),
  );
  const { c, proof } = followed;
  const open = new Set(openLines(followed).map(({ id }) => id));
  return {
    record: record && sayRecord(model, record),
    action: record?.action ?? '',
    standing: standingOf(assessment),
    versions: {
      profile: opened?.profile ?? '',
      profileVersion: opened?.profileVersion ?? '',
      engine: opened?.engineVersion ?? '',
      settings: [
        opened?.settings.settingsVersion ?? '',
        ...(opened?.settings.rates ? [`rates ${opened.settings.rates.version}`] : []),
      ].join(', '),
    },
    entries: logOf(engine, state, assessment, options)
      .filter(({ takesBack }) => !takesBack)
      .map(({ follow: _follow, undoable: _undoable, ...line }) => line),
    measured,
    suspects: shown.slice(0, SUSPECTS_SHOWN).map((s) => ({
      words: s.leading.words,
      then: then.find(({ repair }) => repair === s.repair)?.probability,
      now: s.probability,
    })),
    requirements: (assessment.proof?.requirements ?? []).map((r) => ({ words: sayRequirement(r), met: r.met })),
    excluded: excludedOf(engine, assessment, options, record?.part, RIVALS_SHOWN),
    proof:
      c.repaired.size === 0
        ? []
        : proofListsFor(c.family, c.touched)
            .flatMap(({ lines }) => lines)
            .map((line) => {
              const said = proof.get(line.id);
              const value = said?.value === undefined || !line.number ? 'done' : `${said.value} ${line.number.unit}`;
              return {
                do: line.do,
                limit: line.limit,
                said: open.has(line.id) ? '' : said?.answer === 'does-not-apply' ? 'does not apply' : value,
              };
            }),
    photos: state.log.flatMap(({ event, retracted }) =>
      event.body.type === 'photo' && !retracted
        ? [
            {
              photo: event.body.photo,
              words: [event.body.kind ?? '', event.body.words].filter((w) => w !== '').join(': '),
              at: new Date(madeAt(event)).toISOString(),
            },
          ]
        : [],
    ),
  };
}
