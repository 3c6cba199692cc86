import {
  asksRun,
  criticalActs,
  type InstrumentNow,
  type MachineNow,
  shuffled,
  type Stand,
  stepsOf,
} from '../../practice';
import { offer, TRAINED, waitLeft } from '../../rules';
import { Random, type Setup } from '../../simulation';
import { workOfQuestion } from '../../test-choice';
import type { Millis, UnitSystem } from '../../units';
import { needTitle } from '../rule-words';
import { codeWords } from '../say';
import { type MoveLine, moveLines } from './move-lines';
import { type StopNow, stopsNow } from './stops-now';

/** What has to be done before a reading counts. */
export interface NeedLine {
  readonly need: string;
  readonly of: string | undefined;
  readonly title: string;
  readonly sentence: string;
  /** It is met by a fact, a wait or a setting, and not by saying so. */
  readonly by: 'said' | 'fact' | 'wait' | 'set';
  readonly fact?: { readonly id: string; readonly value: string | number };
  /** Minutes that are left of a wait. */
  readonly minutes?: number;
  readonly set?: Partial<Setup>;
}

/** What a page shows of an exercise at a moment: plain data. */
export interface StandView {
  readonly machine: MachineNow;
  readonly light: string;
  /** What is noticed now, by the sense that notices it. */
  readonly senses: Readonly<Record<'look' | 'listen' | 'smell' | 'feel', readonly string[]>>;
  readonly instrument: InstrumentNow;
  readonly accident: boolean;
  readonly needs: readonly NeedLine[];
  readonly refused: string | undefined;
  readonly moves: readonly MoveLine[];
  readonly stops: readonly StopNow[];
  readonly critical: readonly string[];
  readonly repaired: boolean;
  readonly recorded: boolean;
  readonly ended: boolean;
  /** Steps to be put in order and timed, where that is asked and not told yet. */
  readonly asks: readonly { readonly id: string; readonly title: string }[] | undefined;
  readonly nextEvent: Millis | undefined;
}

export function standView(stand: Stand, real: Millis, speed: number, units: UnitSystem): StandView {
  const machine = stand.machine();
  const { accident, ...instrument } = stand.shows(real, speed);
  if (accident) stand.accident();
  const { state } = stand;
  const noticed = (sense: string): string[] =>
    machine.beads.filter((b) => b.is === 'now' && b.sense === sense).map((b) => b.title);
  const first = firstOf(stand);
  return {
    machine,
    light: machine.light === undefined ? '' : codeWords(machine.light),
    senses: { look: noticed('look'), listen: noticed('listen'), smell: noticed('smell'), feel: noticed('feel') },
    instrument,
    accident,
    needs: typeof first === 'string' ? [] : first,
    refused: typeof first === 'string' ? first : undefined,
    moves: moveLines(stand.laid, stand, units),
    stops: stopsNow(state.followed),
    critical: criticalActs(stand.moves, state, true).map(({ words }) => words),
    repaired: state.followed.c.repaired.size > 0,
    recorded: state.record !== undefined,
    ended: stand.ended,
    asks: stepsAsked(stand),
    nextEvent: stand.nextEvent(),
  };
}

/** The steps of a sound run without their order, the same for everybody. */
function stepsAsked({ laid, moves }: Stand): StandView['asks'] {
  if (!asksRun(laid.exercise) || moves.some(({ body }) => body.type === 'run-told')) return undefined;
  return shuffled(stepsOf(laid), new Random(laid.exercise.seed));
}

/** What comes before the reading that stands on the display, or why it may not be taken. */
function firstOf(stand: Stand): readonly NeedLine[] | string {
  const question = stand.asks();
  if (!question) return [];
  const { model } = stand.laid.engine;
  const { work, of } = workOfQuestion(model, question);
  const offered = offer({ work: work ?? '', ...(of !== undefined && { of }) }, stand.state.followed, TRAINED);
  if (!offered.offered) return REFUSED[offered.why] ?? 'The rules do not let it be done now.';
  // The rules know the time of the newest entry; whoever stands there has waited since.
  const since = (stand.clock - stand.moves.at(-1)!.at) / 60_000;
  const first = offered.first.filter(
    (need) => need.id !== 'wait5' || waitLeft(stand.state.followed.c) > since * 60_000,
  );
  return first.map(({ id, by, sentence }): NeedLine => {
    const line = { need: id, of, title: needTitle(id, stand.laid.engine.model.family), sentence } as const;
    if (typeof by === 'object' && 'minutes' in by)
      return { ...line, by: 'wait', minutes: waitLeft(stand.state.followed.c) / 60_000 - since };
    if (typeof by === 'object' && 'set' in by)
      return { ...line, by: 'set', set: by.set === 'gas-off' ? { gas: false } : { power: false } };
    if (typeof by === 'object' && 'good' in by)
      return { ...line, by: 'fact', fact: { id: by.fact, value: by.good[0]! } };
    if (typeof by === 'object') return { ...line, by: 'fact', fact: { id: by.fact, value: by.least ?? 2 } };
    return { ...line, by: 'said' };
  });
}

const REFUSED: Readonly<Partial<Record<string, string>>> = {
  stop: 'A stop stands: what may hurt somebody comes first.',
  never: 'Nobody does that.',
  'bypass-on': 'Something is gone round: take that off first.',
  temporary: 'Something is apart: put it back first.',
};
