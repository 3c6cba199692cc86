import type { CallView, Drawing, Guide } from '@zetalysis/core/presentation';
import { type Build, buildKey } from '@zetalysis/core/profile';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import type { UnitSystem } from '@zetalysis/core/units';
import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { startEngine } from '../../engine/client';
import type { EngineApi } from '../../engine/worker';
import { profileSource } from '../../store/profiles';

/** One appliance as it is read about: its drawing, its guide, and the sound machine at a step. */
export interface GuideState {
  readonly drawing: Drawing | undefined;
  readonly guide: Guide | undefined;
  readonly view: CallView | undefined;
  readonly problem: string | undefined;
}

const EMPTY: GuideState = { drawing: undefined, guide: undefined, view: undefined, problem: undefined };

/**
 * Loads a profile in a build into a worker of its own; nothing is asked while `id` is undefined. The guide takes
 * a run of every fault: a page that only draws leaves it out.
 */
export function useGuide(
  id: string | undefined,
  build: Build,
  units: UnitSystem,
  phase: string | undefined,
  { withGuide = true }: { readonly withGuide?: boolean } = {},
): GuideState {
  const key = `${id ?? ''} ${buildKey(build)} ${units}`;
  const [engine, setEngine] = useState<{ key: string; api: Remote<EngineApi> }>();
  const [read, setRead] = useState<{ key: string; state: GuideState }>({ key: '', state: EMPTY });

  useEffect(() => {
    if (id === undefined) return;
    const started = startEngine();
    let alive = true;
    const tell = (part: Partial<GuideState>): void => {
      if (alive) setRead((r) => ({ key, state: { ...(r.key === key ? r.state : EMPTY), ...part } }));
    };
    void (async () => {
      try {
        tell({ drawing: await started.api.load(await profileSource(id), `${id}.yaml`, build) });
        if (alive) setEngine({ key, api: started.api });
        if (withGuide) tell({ guide: await started.api.guide(units) });
      } catch (error) {
        tell({ problem: (error as Error).message });
      }
    })();
    return () => {
      alive = false;
      started.stop();
    };
  }, [key, id, units, withGuide]);

  useEffect(() => {
    if (engine?.key !== key) return;
    let alive = true;
    void engine.api
      .view([], { units, role: 'lead', phase, standard: USUAL_STANDARD, whatIf: 'healthy' })
      .then((view) => alive && setRead((r) => (r.key === key ? { key, state: { ...r.state, view } } : r)));
    return () => void (alive = false);
  }, [engine, key, units, phase]);

  return read.key === key ? read.state : EMPTY;
}
