import type { Assessment, Engine } from '../diagnosis';
import { TRAINED } from '../rules';
import { FIRST_EPISODE, Random, VirtualAppliance } from '../simulation';
import { USUAL_STANDARD } from '../standards';
import type { Laid } from './draw-exercise';
import { asksRun, stepsIn, toldByTheBook } from './healthy-run';
import { BEGINS, idOf, type Move, movesOf, opening } from './move';
import { NOT_OURS } from './not-ours';
import { recordedOf } from './recorded-break';
import { ScriptedTechnician } from './scripted-technician';
import { WrittenLog } from './written-log';

/** How a scripted player goes about it: as advised, terminal by terminal, or fitting what is suspected first. */
export const PLAYERS = ['planner', 'walker', 'guesser'] as const;
export type Player = (typeof PLAYERS)[number];

/** What is fitted by somebody who always fits something. */
const FIRST_PART = 'a part' as const;
/** A second part is tried where the first did not help, and no third one. */
const ROUNDS = 2;

/** Plays an exercise to its end; the same exercise is played alike each time. */
export function play({ engine, appliance, exercise }: Laid, player: Player): Move[] {
  const { model } = engine;
  let written = 0;
  const log = new WrittenLog(model, BEGINS, 'you', () => idOf(written++));
  const first = opening(exercise, model, exercise.complaint).body;
  if (first.type === 'opened') log.write(first, 0);
  const technician = new ScriptedTechnician(engine, appliance, log, TRAINED, new Random(exercise.seed), {
    misreported: 0,
    record: recordedOf,
    ...(player === 'walker' && { standard: { ...USUAL_STANDARD, order: 'terminal-by-terminal' as const } }),
  });
  technician.watch();
  for (let round = 0; round < ROUNDS; round++) {
    const found = player === 'guesser' ? 'suspected' : technician.diagnose();
    const whose = player === 'guesser' ? undefined : leadsElsewhere(engine, engine.assess(log.state.evidence));
    if (found === 'nothing') {
      technician.watchRun();
      technician.close('nothing-found', { run: 'to its end', complaint: 'it runs as it should' });
      break;
    }
    technician.record(whose ?? 'Put right');
    if (whose !== undefined) {
      technician.off();
      technician.close('referred', { whom: whose, reached: 'today' });
      break;
    }
    if (technician.repair(player === 'guesser' ? FIRST_PART : undefined)) {
      technician.prove();
      technician.close('proved');
      break;
    }
    technician.watch();
  }
  if (!log.state.closed) {
    technician.off();
    technician.close('left-off', { why: 'it does not run', told: 'the owner', tag: 'at the switch' });
  }
  const moves = movesOf(log.events);
  if (player === 'guesser' || !asksRun(exercise)) return moves;
  // Who knows the book tells the run by it, before they end.
  const told = toldByTheBook(stepsIn(model, new VirtualAppliance(model, []).live([FIRST_EPISODE]).trace));
  return [...moves.slice(0, -1), { at: moves.at(-1)!.at, body: told }, moves.at(-1)!];
}

/** Whose work it is what leads, where it is not a heating technician’s. */
function leadsElsewhere({ model }: Engine, { suspects }: Assessment): string | undefined {
  const fault = suspects[0]!.leading.faults[0];
  return fault && NOT_OURS[model.parts[fault.part]!.id];
}
