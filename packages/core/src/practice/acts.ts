import type { FunctionId, Place } from '../instruments';
import { OUTCOMES, type Outcome, type Setup } from '../simulation';
import type { EndingId } from '../rules';
import { tellRun } from './healthy-run';
import { proveLine, repairPart } from './mend-acts';
import { recordedBreak } from './recorded-break';
import type { Stand } from './stand';
import { endStop, followOrder } from './stop-acts';
import type { Supply } from './supply';

/** What somebody does in an exercise, as a page says it. */
export type PracticeAct =
  | { readonly do: 'set'; readonly change: Partial<Setup> }
  /** Throws the breaker at the house's panel, or the service switch. */
  | { readonly do: 'supply'; readonly change: Partial<Supply> }
  /** Off and on again: a new try. */
  | { readonly do: 'again' }
  /** Takes the panel off, or puts it on. */
  | { readonly do: 'panel'; readonly off: boolean }
  /** Holds the switch in that opened with the panel, or lets it go. */
  | { readonly do: 'hold-door'; readonly held: boolean }
  /** Holds the pilot's knob, or lets it go. */
  | { readonly do: 'hold-knob'; readonly held: boolean }
  /** Stays with it and does nothing else, so many minutes. */
  | { readonly do: 'wait'; readonly minutes: number }
  | { readonly do: 'take'; readonly instrument: string }
  | { readonly do: 'put'; readonly place: Place }
  | { readonly do: 'turn'; readonly set: FunctionId }
  /** Writes down what stands on the display, and whether it is what they had said. */
  | { readonly do: 'note'; readonly guess?: string }
  | { readonly do: 'lead-zero' }
  | { readonly do: 'look'; readonly look: string }
  | { readonly do: 'seen'; readonly phase: string; readonly came: boolean }
  /** Every step of the try, as they saw it. */
  | { readonly do: 'whole-try' }
  | { readonly do: 'outcome'; readonly outcome: Outcome }
  | { readonly do: 'code' }
  | { readonly do: 'need'; readonly need: string; readonly of?: string }
  | { readonly do: 'fact'; readonly fact: string; readonly value: string | number }
  | { readonly do: 'cause'; readonly safety: string; readonly mended: boolean }
  /** Tells the steps of a sound run in their order, with the seconds at which each comes. */
  | { readonly do: 'tell-run'; readonly order: readonly string[]; readonly seconds: Readonly<Record<string, number>> }
  /** Follows an order of a stop; `value` where it asks for a fact or some words. */
  | { readonly do: 'order'; readonly stop: string; readonly order: string; readonly value?: string | number }
  | { readonly do: 'end-stop'; readonly stop: string; readonly evidence: Readonly<Record<string, string | number>> }
  | { readonly do: 'hint'; readonly hint: 'half' | 'test' | 'why' }
  | { readonly do: 'record'; readonly part: string; readonly cause: string }
  | { readonly do: 'repair'; readonly part: string; readonly measured: boolean }
  | { readonly do: 'line'; readonly line: string }
  | { readonly do: 'close'; readonly ending: EndingId; readonly given: Readonly<Record<string, string>> };

/** A guess is right when it lies so near to what is read, share, or both are next to nothing. */
const NEAR = 0.15;
const NOTHING = 1;

/** Does it; in words why it cannot be done. */
export function perform(stand: Stand, act: PracticeAct): string | undefined {
  if (stand.ended) return 'This exercise has ended: read its lesson, or begin another one';
  switch (act.do) {
    case 'set':
      return stand.set(act.change);
    case 'supply':
      return stand.supply(act.change);
    case 'again':
      return stand.again();
    case 'panel':
      return stand.panel(act.off);
    case 'hold-door':
      return stand.holdDoor(act.held);
    case 'hold-knob':
      return stand.holdKnob(act.held);
    case 'wait':
      return stand.wait(act.minutes);
    case 'take':
      return stand.take(act.instrument);
    case 'put':
      return stand.put(act.place);
    case 'turn':
      return stand.turn(act.set);
    case 'note': {
      const why = stand.note();
      if (why === undefined && act.guess !== undefined) predicted(stand, act.guess);
      return why;
    }
    case 'lead-zero':
      return stand.write({ type: 'lead-zero' });
    case 'look':
      return stand.look(act.look);
    case 'seen':
      return stand.seen(act.phase, act.came);
    case 'whole-try':
      return stand.wholeTry();
    case 'outcome':
      if (!OUTCOMES.includes(act.outcome)) return `a try does not end with "${act.outcome}"`;
      return stand.outcome(act.outcome);
    case 'code':
      return stand.code();
    case 'need':
      return stand.write(
        {
          type: 'need',
          need: act.need,
          answer: 'met',
          ...(act.of !== undefined && { of: act.of }),
          words: 'As it stood.',
        } as never,
        0.3,
      );
    case 'fact':
      return stand.write({ type: 'fact', fact: act.fact, value: act.value }, 0.5);
    case 'cause':
      return stand.write(
        { type: 'cause', safety: act.safety, words: 'Looked for what opened it.', mended: act.mended },
        1,
      );
    case 'tell-run':
      return tellRun(stand, act.order, act.seconds);
    case 'order':
      return followOrder(stand, act.stop, act.order, act.value);
    case 'end-stop':
      return endStop(stand, act.stop, act.evidence);
    case 'hint':
      return stand.write({ type: 'hint', hint: act.hint }, 0);
    case 'record':
      return stand.write(recordedBreak(stand.laid.engine, act.part, act.cause), 1.5);
    case 'repair':
      return repairPart(stand, act.part, act.measured);
    case 'line':
      return proveLine(stand, act.line);
    case 'close':
      return stand.write({ type: 'closed', words: '', ending: act.ending, given: { ...act.given } }, 1);
  }
}

/** What was said beforehand, beside what was read then. */
function predicted(stand: Stand, guess: string): void {
  const { body } = stand.moves[stand.moves.length - 1]!;
  if (!('reading' in body)) return;
  const { reading } = body;
  const said = Number(/-?\d+([.,]\d+)?/.exec(guess)?.[0].replace(',', '.'));
  const open = /^\s*ol/i.test(guess);
  const read = reading.kind === 'value' ? Number(/-?\d+(\.\d+)?/.exec(body.typed)?.[0]) : undefined;
  const right =
    reading.kind === 'open'
      ? open
      : read !== undefined &&
        (Math.abs(said - read) <= NEAR * Math.abs(read) || (Math.abs(read) < NOTHING && Math.abs(said) < NOTHING));
  stand.write({ type: 'predicted', of: body.type, guess, right }, 0);
}
