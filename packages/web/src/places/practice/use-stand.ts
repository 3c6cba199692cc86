import { type KeptStand, keptUntil, type PracticeAct } from '@zetalysis/core/practice';
import type { EndingsNow, LessonView, StandView } from '@zetalysis/core/presentation';
import type { UnitSystem } from '@zetalysis/core/units';
import { replaceEqualDeep } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Begun, PracticeApi } from '../../engine/practice-worker';
import { http } from '../../api/http';
import { profileSource } from '../../store/profiles';
import { keepExercise, practised } from '../../store/practice';

/** How fast the time of a machine runs; 0 for a pause. */
export const SPEEDS = [0, 1, 5, 10, 30] as const;
type Speed = (typeof SPEEDS)[number];

/** A frame is asked for so often, milliseconds. */
const EVERY = 200;

/** A seed that nobody chose. */
export const newSeed = (): number => Math.floor(Math.random() * 2 ** 30);

/** A worker of practice; who starts one ends it. */
export function startPractice(): { readonly api: Remote<PracticeApi>; readonly end: () => void } {
  const worker = new Worker(new URL('../../engine/practice-worker.ts', import.meta.url), { type: 'module' });
  return { api: wrap<PracticeApi>(worker), end: () => worker.terminate() };
}

/** Goes back to where an exercise was after one of its moves, to go on otherwise. */
export function goBackTo(person: string, code: string, move: number): void {
  const moves = practised(person).open.find((e) => e.code === code)?.moves ?? [];
  keepExercise(person, { code, ...keptUntil(moves, move) });
}

/** What was done in an exercise that the server keeps. */
async function movesOf(result: string): Promise<Pick<KeptStand, 'moves' | 'clock'>> {
  const { moves } = await http('GET /practice/results/:id', { params: { id: result } });
  const read = JSON.parse(moves) as KeptStand['moves'];
  return { moves: read, clock: read.at(-1)?.at ?? 0 };
}

/** An exercise as it is played on a page. */
export interface Standing {
  readonly begun: Begun | undefined;
  readonly view: StandView | undefined;
  readonly problem: string | undefined;
  readonly speed: Speed;
  readonly setSpeed: (speed: Speed) => void;
  readonly toNextEvent: () => void;
  /** Does it; resolves to why not, in words. */
  readonly act: (act: PracticeAct) => Promise<string | undefined>;
  readonly hint: (hint: 'half' | 'test' | 'why') => Promise<string>;
  readonly endings: () => Promise<EndingsNow>;
  readonly lesson: () => Promise<LessonView>;
}

/** Lays an exercise out in its worker, lets its time run, and keeps what was done in it. */
export function useStand(
  code: string,
  profile: string,
  person: string,
  units: UnitSystem,
  /** A result of somebody that the server keeps: it is that which is looked at. */
  result?: string,
): Standing {
  const remote = useRef<Remote<PracticeApi>>(undefined);
  const clock = useRef(0);
  const [begun, setBegun] = useState<Begun>();
  const [view, setView] = useState<StandView>();
  const [problem, setProblem] = useState<string>();
  const [speed, setSpeed] = useState<Speed>(1);

  const frame = useCallback(
    async (at: number): Promise<void> => {
      const seen = await remote.current!.frame(at, performance.now(), Math.max(1, speed), units);
      clock.current = seen.machine.clock;
      // What did not change since the last frame stays the same thing, so that it is not drawn again.
      setView((last) => replaceEqualDeep(last, seen) as StandView);
    },
    [speed, units],
  );

  useEffect(() => {
    const { api, end } = startPractice();
    remote.current = api;
    let here = true;
    const own = practised(person).open.find((e) => e.code === code);
    (async () => {
      const open = result === undefined ? own : await movesOf(result);
      const source = await profileSource(profile);
      const started = await api.begin(code, source, open ?? {});
      const seen = await api.frame(open?.clock ?? 0, performance.now(), 1, units);
      if (!here) return;
      clock.current = seen.machine.clock;
      setBegun(started);
      setView(seen);
    })().catch((error: unknown) => {
      if (here) setProblem((error as Error).message);
    });
    return () => {
      here = false;
      end();
    };
  }, [code, profile, person, units, result]);

  const running = begun !== undefined && view?.ended === false;
  useEffect(() => {
    if (!running) return;
    let busy = false;
    let last = performance.now();
    const timer = setInterval(() => {
      const now = performance.now();
      const passed = document.hidden ? 0 : now - last;
      last = now;
      if (busy) return;
      busy = true;
      void frame(clock.current + passed * speed).finally(() => (busy = false));
    }, EVERY);
    return () => clearInterval(timer);
  }, [running, speed, frame]);

  const keep = useCallback(async (): Promise<void> => {
    if (!keepExercise(person, { code, ...(await remote.current!.kept()) }))
      setProblem('This browser has no room to keep the exercise: make some, and go on.');
  }, [person, code]);
  const act = useCallback(
    async (wanted: PracticeAct): Promise<string | undefined> => {
      const why = await remote.current!.act(wanted);
      await frame(0);
      if (why === undefined) await keep();
      return why;
    },
    [frame, keep],
  );
  const hint = useCallback(
    async (which: 'half' | 'test' | 'why'): Promise<string> => {
      const words = await remote.current!.hint(which);
      await frame(0);
      await keep();
      return words;
    },
    [frame, keep],
  );
  return {
    begun,
    view,
    problem,
    speed,
    setSpeed,
    toNextEvent: () => {
      if (view?.nextEvent !== undefined) void frame(view.nextEvent);
    },
    act,
    hint,
    endings: () => remote.current!.endings(),
    lesson: () => remote.current!.lesson(units),
  };
}
