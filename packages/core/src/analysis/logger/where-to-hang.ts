import type { Engine } from '../../diagnosis';
import type { Hypothesis } from '../../inference';
import { CircuitStates, NORMAL_SETUP, run } from '../../simulation';
import { type Curve, curveOf, WATCHED, width } from './curves';

/** So many channels a logging meter has. */
const CHANNELS = 3;
/** A channel that tells less of what is open is not worth its clip. */
const WORTH = 0.03;
/** A try is logged so long, seconds. */
const LOGGED = 300;

/**
 * Where to hang a logger on a fault that comes and goes: the points whose course over a try tells most of the suspects apart.
 * @param among suspects with their shares
 */
export function whereToHang(
  engine: Engine,
  among: readonly { readonly hypothesis: Hypothesis; readonly share: number }[],
): { readonly red: string; readonly black: string; readonly tells: number }[] {
  const { model } = engine;
  const states = new CircuitStates(model);
  const healthy = engine.hypotheses.find((h) => h.kind === 'healthy')!;
  // When it is away it is sound.
  const worlds = [{ hypothesis: healthy, share: Math.max(...among.map((a) => a.share), 0.1) }, ...among];
  const traces = worlds.map(({ hypothesis }) => run(states, hypothesis.faults, NORMAL_SETUP));
  const points = model.points
    .filter((p) => p.black !== p.net)
    .map((p) => ({ p, curves: traces.map((t) => curveOf(t, p.net, p.black, 1, LOGGED)) }));
  const open = new Map<string, number>();
  worlds.forEach((a, i) => worlds.slice(i + 1).forEach((b, j) => open.set(`${i} ${i + 1 + j}`, a.share * b.share)));
  const all = [...open.values()].reduce((sum, w) => sum + w, 0) || 1;
  const chosen: { red: string; black: string; tells: number }[] = [];
  while (chosen.length < CHANNELS) {
    const best = points
      .map(({ p, curves }) => {
        const told = [...open.keys()].filter((key) => {
          const [i, j] = key.split(' ').map(Number) as [number, number];
          return differ(curves[i]!, curves[j]!);
        });
        return { p, told, tells: told.reduce((sum, key) => sum + open.get(key)!, 0) / all };
      })
      .reduce((a, b) => (weighs(b) > weighs(a) ? b : a));
    if (best.tells < WORTH) break;
    for (const key of best.told) open.delete(key);
    chosen.push({ red: model.nets[best.p.net]!, black: model.nets[best.p.black]!, tells: best.tells });
  }
  return chosen;
}

/** Line voltage is left to where nothing else tells as much. */
const weighs = ({ p, tells }: { readonly p: { readonly line: boolean }; readonly tells: number }): number =>
  p.line ? 0.8 * tells : tells;

/** Whether two courses part, however late parts may be, for a while. */
function differ(a: Curve, b: Curve): boolean {
  let apart = 0;
  for (let i = 0; i < a.values.length; i++) {
    const off = a.lows[i]! > b.highs[i]! + width(b.highs[i]!) || b.lows[i]! > a.highs[i]! + width(a.highs[i]!);
    apart = off ? apart + 1 : 0;
    if (apart >= WATCHED) return true;
  }
  return false;
}
