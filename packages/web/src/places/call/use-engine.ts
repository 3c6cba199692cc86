import type { CallView, Drawing, TestView, ViewOptions } from '@zetalysis/core/presentation';
import { buildKey, PLAIN } from '@zetalysis/core/profile';
import { buildOf, type CallEvent } from '@zetalysis/core/visit';
import type { Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { profileSource } from '../../store/profiles';
import { startEngine } from '../../engine/client';
import type { EngineApi } from '../../engine/worker';

export interface EngineState {
  readonly drawing: Drawing | undefined;
  readonly view: CallView | undefined;
  readonly tests: readonly TestView[] | undefined;
  /** The engine is working on something newer than what is shown. */
  readonly thinking: boolean;
  readonly problem: string | undefined;
  readonly api: Remote<EngineApi> | undefined;
}

/** Runs the engine in a worker for one call. Answers come in parts; an answer overtaken by newer evidence is dropped. */
export function useEngine(events: readonly CallEvent[] | undefined, options: ViewOptions): EngineState {
  const opened = events?.find((e) => e.body.type === 'opened')?.body;
  const pins = opened?.type === 'opened' ? opened : undefined;
  const profile = pins?.profile;
  const version = pins?.profileVersion;
  const build = useMemo(() => (pins ? buildOf(pins) : PLAIN), [pins]);
  const built = buildKey(build);
  const [api, setApi] = useState<Remote<EngineApi>>();
  const [drawing, setDrawing] = useState<Drawing>();
  const [view, setView] = useState<CallView>();
  const [tests, setTests] = useState<readonly TestView[]>();
  /** The log that view and tests both speak of. */
  const [answered, setAnswered] = useState<readonly CallEvent[]>();
  const [problem, setProblem] = useState<string>();
  const asked = useRef(0);

  useEffect(() => {
    if (profile === undefined) return;
    const engine = startEngine();
    let alive = true;
    void (async () => {
      try {
        const source = await profileSource(profile, version);
        const made = await engine.api.load(source, `${profile}.yaml`, build);
        if (!alive) return;
        setDrawing(made);
        setApi(() => engine.api);
      } catch (error) {
        if (alive) setProblem((error as Error).message);
      }
    })();
    return () => {
      alive = false;
      engine.stop();
    };
    // The build by its key: it never changes during a call.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [profile, version, built]);

  const { units, role, phase, standard, whatIf } = options;
  useEffect(() => {
    if (!api || !events) return;
    const mine = ++asked.current;
    const current = (): boolean => mine === asked.current;
    void (async () => {
      try {
        const seen = await api.view(events, { units, role, phase, standard, whatIf });
        if (!current()) return;
        setView(seen);
        const next = await api.next({ units, role, phase, standard, whatIf });
        if (!current()) return;
        if (next.view) setView(next.view);
        setTests(next.tests);
        setAnswered(events);
      } catch (error) {
        if (current()) setProblem((error as Error).message);
      }
    })();
  }, [api, events, units, role, phase, standard, whatIf]);

  return { drawing, view, tests, thinking: answered !== events, problem, api };
}
