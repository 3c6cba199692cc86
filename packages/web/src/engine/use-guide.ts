import { EVERYTHING } from '@zetalysis/core/rules';
import type { CallView, Drawing, Guide } from '@zetalysis/core/presentation';
import { type Build, buildKey } from '@zetalysis/core/profile';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import type { UnitSystem } from '@zetalysis/core/units';
import { useEffect, useState } from 'react';
import { holdEngine, type LoadedEngine } from './client';
import { Conversation } from './conversation';

/** One appliance as it is read about: its drawing, its guide, and the sound machine at a step. */
export interface GuideState {
  readonly drawing: Drawing | undefined;
  readonly guide: Guide | undefined;
  readonly view: CallView | undefined;
  readonly problem: string | undefined;
}

const EMPTY: GuideState = { drawing: undefined, guide: undefined, view: undefined, problem: undefined };

/**
 * Loads a profile in a build; nothing is asked while `id` is undefined. The guide takes a run of every fault: a page
 * that only draws leaves it out.
 */
export function useGuide(
  id: string | undefined,
  build: Build,
  units: UnitSystem,
  phase: string | undefined,
  { withGuide = true }: { readonly withGuide?: boolean } = {},
): GuideState {
  const key = `${id ?? ''} ${buildKey(build)} ${units}`;
  const [engine, setEngine] = useState<{ key: string; loaded: LoadedEngine }>();
  const [read, setRead] = useState<{ key: string; state: GuideState }>({ key: '', state: EMPTY });

  useEffect(() => {
    if (id === undefined) return;
    const hold = holdEngine();
    const conversation = new Conversation();
    const tell = (part: Partial<GuideState>): void =>
      setRead((r) => ({ key, state: { ...(r.key === key ? r.state : EMPTY), ...part } }));
    conversation
      .ask(async (hear) => {
        const loaded = await hear(hold.load(id, undefined, build));
        tell({ drawing: loaded.drawing });
        setEngine({ key, loaded });
        if (withGuide) tell({ guide: await hear(loaded.guide(units)) });
      })
      .catch((error: unknown) => tell({ problem: (error as Error).message }));
    return () => {
      conversation.end();
      hold.release();
    };
    // The build by its key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, id, units, withGuide]);

  useEffect(() => {
    if (engine?.key !== key) return;
    const conversation = new Conversation();
    conversation
      .ask(async (hear) => {
        const view = await hear(
          engine.loaded.view([], { units, person: EVERYTHING, phase, standard: USUAL_STANDARD, whatIf: 'healthy' }),
        );
        setRead((r) => (r.key === key ? { key, state: { ...r.state, view } } : r));
      })
      .catch((error: unknown) =>
        setRead((r) => (r.key === key ? { key, state: { ...r.state, problem: (error as Error).message } } : r)),
      );
    return () => conversation.end();
  }, [engine, key, units, phase]);

  return read.key === key ? read.state : EMPTY;
}
