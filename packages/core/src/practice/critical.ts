import type { CallState } from '../visit';
import { endingOf, type Move, moveOf } from './move';

/** An act that may cost a life or an appliance; a mark is capped by it. */
export interface CriticalAct {
  readonly id: 'ohms-live' | 'low-water' | 'jumper-left' | 'second-reset' | 'too-early' | 'false-proof' | 'forbidden';
  readonly words: string;
  /** Place of the move. */
  readonly move: number;
}

/** What was done that nobody may do, by the rules that real calls follow. */
export function criticalActs(moves: readonly Move[], state: CallState, runs: boolean): CriticalAct[] {
  const { followed } = state;
  const last = moves.length - 1;
  const found: CriticalAct[] = moves.flatMap(({ body }, move) =>
    body.type === 'accident'
      ? [{ id: 'ohms-live', words: `Ohms on a live circuit, at ${body.where}. Power off first.`, move } as const]
      : [],
  );
  for (const [event, marks] of followed.marks)
    for (const mark of marks) {
      const move = moveOf(event);
      const body = state.log.find(({ event: { id } }) => id === event)!.event.body;
      const lowWater = body.type === 'setup' && (body.ledger ?? []).some(({ kind }) => kind.includes('low-water'));
      if (mark.mark === 'without-need' && mark.need === 'water' && lowWater)
        found.push({ id: 'low-water', words: 'A low-water cut-off was gone round with the glass unseen.', move });
      else if (mark.mark === 'without-need' && mark.need === 'wait5')
        found.push({ id: 'too-early', words: 'Lit again before the gas had time to leave.', move });
      else if (mark.mark === 'forbidden')
        found.push({ id: 'forbidden', words: 'What nobody may go round was gone round.', move });
    }
  const ending = endingOf(moves);
  if (ending !== undefined && followed.c.bypasses.length > 0)
    found.push({ id: 'jumper-left', words: 'A jumper was left in.', move: last });
  if (followed.uncaused.length > 1)
    found.push({
      id: 'second-reset',
      words: 'A reset was pressed a second time without asking why it had opened.',
      move: moveOf(followed.uncaused[1]!.event),
    });
  if (ending === 'proved' && !runs)
    found.push({ id: 'false-proof', words: 'Called proved, and it does not run.', move: last });
  return found;
}
