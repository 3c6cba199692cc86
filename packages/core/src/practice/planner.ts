import { Random } from '../simulation';
import type { Laid } from './draw-exercise';
import { decisionsIn, minutesTo, testsUntil } from './decision';
import { truthsOf } from './exercise';
import type { Move } from './move';
import { play } from './players';
import { SimulatedTechnician } from './simulated-technician';
import { SimulatedVisit } from './simulated-visit';

/** What the engine makes of an exercise by its own advice. */
export interface Planned {
  /** Minutes until it decided. */
  readonly minutes: number;
  readonly tests: number;
  readonly moves: readonly Move[];
}

/** The engine’s own play on the same machine. */
export function plan(laid: Laid): Planned {
  const moves = play(laid, 'planner');
  const decided = Math.max(...decisionsIn(moves, truthsOf(laid.exercise), laid.engine.model.parts));
  return {
    minutes: minutesTo(moves, decided),
    tests: testsUntil(moves, decided),
    moves,
  };
}

/** Minutes of tests that one takes who knows what is hidden and only has to prove it; nothing where there is nothing to prove. */
export function knowing({ engine, appliance, exercise }: Laid): number | undefined {
  // Who knows of two proves one after the other, and mends between: that is another visit.
  if (!exercise.truth || exercise.second) return undefined;
  const technician = new SimulatedTechnician(appliance, new Random(exercise.seed), {
    misreported: 0,
    leads: 0,
    set: 'dc',
  });
  return new SimulatedVisit(engine, technician, 'knowing', exercise.truth).diagnose().minutes;
}
