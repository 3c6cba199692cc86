import type { Engine } from '../diagnosis';
import { waysOfFailing } from '../inference';
import { asUsual, type Prediction } from '../question';
import { FIRST_EPISODE } from '../simulation';
import { findNet } from '../profile';

const NORMAL = [FIRST_EPISODE];

/** One thing looked for: a voltage at a point, or none there. */
export interface Sought {
  readonly net: string;
  /** Volts; 0 for nothing. */
  readonly volts: number;
}

/** Where what is sought can be: a step, and the faults under which it is there (none for a sound appliance). */
export interface Found {
  readonly phase: string;
  readonly sound: boolean;
  readonly faults: readonly { readonly words: string; readonly share: number }[];
}

/** Reads "26 V on TH, nothing on SP": every clause names a point and what stands there. */
export function parseSought(text: string): Sought[] | undefined {
  const clauses = text
    .split(/,|;|\band\b|\bbut\b/i)
    .map((c) => c.trim())
    .filter((c) => c !== '');
  const sought = clauses.map((clause): Sought | undefined => {
    const dead = /^(?:nothing|no volts|dead|none|zero)\s+(?:on|at)\s+([\w-]+)$/i.exec(clause);
    if (dead) return { net: dead[1]!, volts: 0 };
    const live = /^([\d.]+)\s*(m?)v(?:\s*(?:ac|dc))?\s+(?:on|at)\s+([\w-]+)$/i.exec(clause);
    if (live) return { net: live[3]!, volts: Number(live[1]) * (live[2] === '' ? 1 : 0.001) };
    return undefined;
  });
  return sought.length > 0 && sought.every((s) => s !== undefined) ? sought : undefined;
}

/** Share by which a voltage may differ from what is sought; below this share of the rated volts a wire is dead. */
const NEAR = 0.12;
const DEAD = 0.06;

/** What a meter can show: in a slow cycle one or the other. */
function readable(p: Prediction): number[] {
  if (p.kind === 'ghost') return [0];
  return p.kind === 'volts' ? [p.volts, ...(p.shorter ? [p.shorter.value] : [])] : [];
}

/** The steps at which an appliance, sound or with one fault, shows all that is sought; nothing when it lacks the points. */
export function findReadings(engine: Engine, sought: readonly Sought[]): Found[] {
  const { model } = engine;
  const points = sought.map((s) => {
    const net = findNet(model, s.net);
    return { net, volts: s.volts, black: model.points.find((p) => p.net === net)?.black };
  });
  if (points.some((p) => p.net < 0 || p.black === undefined)) return [];
  const hypotheses = engine.hypotheses.filter((h) => h.kind === 'healthy' || (h.kind === 'fault' && h.occurs === 1));
  return model.phases
    .filter((p) => p.probe)
    .map((phase) => {
      const shows = hypotheses.filter((h) =>
        points.every(({ net, black, volts }) => {
          const q = asUsual(model, { red: net, black: black!, phase: phase.index });
          const p = engine.traces.predict(h.faults, NORMAL, q);
          if ('absent' in p && p.absent) return false;
          const rated = model.ratedVolts[net]!;
          return readable(p).some((read) =>
            volts === 0 ? read < DEAD * rated : Math.abs(read - volts) <= NEAR * Math.max(volts, read),
          );
        }),
      );
      return {
        phase: phase.title,
        sound: shows.some((h) => h.kind === 'healthy'),
        faults: waysOfFailing(shows.filter((h) => h.kind === 'fault')).map(({ hypothesis, weight }) => ({
          words: hypothesis.words,
          share: weight,
        })),
      };
    })
    .filter((f) => f.sound || f.faults.length > 0);
}
