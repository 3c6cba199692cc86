import type { Model } from '../profile';
import { codeShown, type CodeShown } from '../question';
import type { Now, Setup, Trace } from '../simulation';
import type { Millis } from '../units';
import type { OthersNow } from './other-appliances';
import type { Supply } from './supply';

/** How the step of a run stands now. */
export interface BeadNow {
  readonly id: string;
  readonly title: string;
  readonly sense: Model['phases'][number]['sense'];
  /** It can be seen or heard now; it came before; it has not come. */
  readonly is: 'now' | 'came' | 'not-yet';
  /** When it came, since the machine was set like this. */
  readonly at: Millis | undefined;
}

/** What eyes, ears and noses tell of a machine. */
interface Noticed {
  readonly beads: readonly BeadNow[];
  readonly light: CodeShown | undefined;
  /** Nothing new will come: it stands, or goes round. */
  readonly rests: boolean;
}

/** What goes on in front of somebody, and how it is set. */
export interface MachineNow extends Noticed {
  readonly clock: Millis;
  /** Since when it runs as it is set. */
  readonly since: Millis;
  readonly setup: Setup;
  readonly supply: Supply;
  /** How the water stands in its gauge glass, where it has one. */
  readonly glass: 'line' | 'empty' | undefined;
  /** How other appliances on the same gas burn, as was last seen; nothing where there are none. */
  readonly others: OthersNow | undefined;
  /** The pilot's knob; nothing where none has to be held. */
  readonly knob: 'held' | 'free' | undefined;
  /** The panel is off. */
  readonly open: boolean;
  /** The switch that opened with the panel, and whether it is held in; nothing where none did. */
  readonly door: 'open' | 'held' | undefined;
  /** Jumpers that are in the machine, and those in the pocket. */
  readonly jumpers: number;
  readonly pocket: number;
}

/** What is noticed of a run at a moment, `elapsed` since it began, by somebody who saw these steps. */
export function noticed(
  model: Model,
  { lived: { trace }, at }: Now,
  elapsed: Millis,
  saw: (step: string) => boolean,
): Noticed {
  return {
    beads: model.phases.map(({ index, id, title, sense }) => {
      const cues = trace.cues[index]!;
      const now = cues.some((c) => c.from <= at && at <= c.to);
      const first = cues.find((c) => c.from <= elapsed);
      const seen = saw(id);
      return {
        id,
        title,
        sense,
        is: now ? 'now' : seen ? 'came' : 'not-yet',
        at: seen || now ? first?.from : undefined,
      };
    }),
    light:
      model.codes.length === 0 ? undefined : codeShown(model, trace.codes.findLast((c) => c.at <= at)?.code ?? 'none'),
    rests: elapsed >= trace.end && !trace.cycle,
  };
}

/** When something next comes, goes or lights in a run, since it began; nothing where nothing will. */
export function nextIn({ cues, codes, end, cycle }: Trace, elapsed: Millis): Millis | undefined {
  const moments = [
    ...cues.flatMap((list) => list.flatMap(({ from, to }) => [from, to])),
    ...codes.map(({ at }) => at),
    end,
  ];
  const shift = cycle ? Math.max(0, Math.floor((elapsed - cycle.from) / cycle.length)) * cycle.length : 0;
  const later = moments
    .flatMap((m) => (cycle ? [m + shift, m + shift + cycle.length] : [m]))
    .filter((m) => m > elapsed + 1);
  return later.length === 0 ? undefined : Math.min(...later) + 1;
}
