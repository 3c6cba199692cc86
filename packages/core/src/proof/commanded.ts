import type { Model } from '../profile';
import { METER_SETTLES } from '../question';
import { CircuitStates, NORMAL_SETUP, run, type Trace } from '../simulation';

const known = new WeakMap<Model, Trace>();

/**
 * Steps, by index, at which readings are taken and a sound control commands an output from their beginning to their end: only
 * there does it say anything that nothing comes out. `output` is the output's index.
 */
export function commandedAt(model: Model, output: number): number[] {
  let sound = known.get(model);
  if (!sound) known.set(model, (sound = run(new CircuitStates(model), [], NORMAL_SETUP)));
  const { windows, segments } = sound;
  const off = segments.filter((s) => !s.outputs[output]);
  return model.phases
    .filter(({ index, probe }) => {
      const own = windows[index]!;
      return (
        probe && own.length > 0 && !own.some((w) => off.some((s) => s.to > w.from + METER_SETTLES && s.from < w.to))
      );
    })
    .map(({ index }) => index);
}
