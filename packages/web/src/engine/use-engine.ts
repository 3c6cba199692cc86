import type { CallView, Drawing, ProofView, SwapView, TestView, ViewOptions } from '@zetalysis/core/presentation';
import { buildKey, PLAIN } from '@zetalysis/core/profile';
import { replaceEqualDeep } from '@tanstack/react-query';
import { type AdviceSnapshot, buildOf, type CallEvent } from '@zetalysis/core/visit';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CallLog } from '../store/use-call';
import { holdEngine, type LoadedEngine } from './client';
import type { Advised, Hang } from './consultation';
import { Conversation } from './conversation';

export interface EngineState {
  readonly drawing: Drawing | undefined;
  readonly view: CallView | undefined;
  readonly tests: readonly TestView[] | undefined;
  /** The engine is working on something newer than what is shown. */
  readonly thinking: boolean;
  readonly problem: string | undefined;
  /** What it would take to prove a suspect, by the log that is shown. */
  readonly toProve: (repair: string) => Promise<ProofView | undefined>;
  /** Lays the log of a meter beside the model. */
  readonly readLog: LoadedEngine['readLog'];
  /** How a part is swapped, and whether a new one goes with the others. */
  readonly swap: (part: string) => Promise<SwapView | undefined>;
  readonly willItFit: LoadedEngine['willItFit'];
  /** Where a logger would tell most of what is suspected now. */
  readonly whereToHang: () => Promise<Hang[]>;
  /** What a record keeps: the suspects and advice of the very log that is shown, whatever came in since. */
  readonly advice: () => Promise<AdviceSnapshot>;
}

/** What is shown, with the log it answers for. */
interface Shown {
  readonly log: readonly CallEvent[];
  readonly view: CallView;
  /** Not known yet when a call was only just opened. */
  readonly tests?: readonly TestView[];
}

type Heard = Pick<CallLog, 'events' | 'onMaking'>;

/**
 * Consults the engine about one call; an answer overtaken by newer evidence is dropped. When a call is opened the suspects
 * are shown before the next test is known; from then on both change together, so that the page is drawn once.
 */
export function useEngine({ events, onMaking }: Heard, options: ViewOptions): EngineState {
  const { engine, problem: notLoaded } = useLoaded(events);
  const [shown, setShown] = useState<Shown>();
  const [unanswered, setUnanswered] = useState<string>();
  const [conversation] = useState(() => new Conversation());
  const begun = useRef(false);
  /** What was answered while its entry was being written. */
  const ahead = useRef<{ readonly log: readonly CallEvent[]; readonly asked: ViewOptions }>(undefined);

  const { units, person, phase, standard, whatIf } = options;
  useEffect(() => {
    if (!engine || !events) return;
    const asked = { units, person, phase, standard, whatIf };
    const known = ahead.current;
    ahead.current = undefined;
    if (known?.log === events && isEqual(known.asked, asked)) return;
    conversation
      .ask(async (hear) => {
        if (!begun.current) setShown({ log: events, view: await hear(engine.view(events, asked)) });
        begun.current = true;
        const advised = await hear(engine.next(events, asked));
        setShown((before) => shownOf(before, events, advised));
      })
      .catch((error: unknown) => setUnanswered((error as Error).message));
    return () => conversation.end();
  }, [conversation, engine, events, units, person, phase, standard, whatIf]);

  useEffect(() => {
    if (!engine) return;
    const asked = { units, person, phase, standard, whatIf };
    return onMaking(async (making) => {
      const advised = await engine.next(making, asked);
      return (kept) => {
        setShown((before) => shownOf(before, kept, advised));
        ahead.current = { log: kept, asked };
      };
    });
  }, [engine, onMaking, units, person, phase, standard, whatIf]);

  const log = shown?.log;
  const toProve = useCallback(
    async (repair: string) => (engine && log ? engine.toProve(log, repair, { person, standard }) : undefined),
    [engine, log, person, standard],
  );
  const advice = useCallback(async () => {
    if (!engine || !log) throw new Error('The engine has not answered yet: wait until the suspects are shown.');
    return engine.advice(log, { person, standard });
  }, [engine, log, person, standard]);

  const readLog = useCallback<LoadedEngine['readLog']>(
    async (meter, hung) => {
      if (!engine) throw new Error('The engine is not there yet: wait until the suspects are shown.');
      return engine.readLog(meter, hung);
    },
    [engine],
  );

  const swap = useCallback(async (part: string) => engine?.swap(part, units), [engine, units]);
  const willItFit = useCallback<LoadedEngine['willItFit']>(
    async (part, values) => {
      if (!engine) throw new Error('The engine is not there yet: wait until the suspects are shown.');
      return engine.willItFit(part, values);
    },
    [engine],
  );

  const whereToHang = useCallback(async () => (engine && log ? engine.whereToHang(log) : []), [engine, log]);

  return {
    readLog,
    swap,
    willItFit,
    whereToHang,
    drawing: engine?.drawing,
    view: shown?.view,
    tests: shown?.tests,
    thinking: shown?.tests === undefined || shown.log !== events,
    problem: notLoaded ?? unanswered,
    toProve,
    advice,
  };
}

/** An answer to be shown: what is as it was stays the very same thing, and is not drawn again. */
const shownOf = (before: Shown | undefined, log: readonly CallEvent[], { view, tests }: Advised): Shown => ({
  view: replaceEqualDeep(before?.view, view),
  tests: replaceEqualDeep(before?.tests, tests),
  log,
});

const isEqual = (a: ViewOptions, b: ViewOptions): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The engine of the appliance a call was opened with, in the version it was opened with. */
function useLoaded(events: readonly CallEvent[] | undefined): {
  readonly engine: LoadedEngine | undefined;
  readonly problem: string | undefined;
} {
  const opened = events?.find((e) => e.body.type === 'opened')?.body;
  const pins = opened?.type === 'opened' ? opened : undefined;
  const profile = pins?.profile;
  const version = pins?.profileVersion;
  const build = useMemo(() => (pins ? buildOf(pins) : PLAIN), [pins]);
  const built = buildKey(build);
  const rates = pins?.settings.rates;
  const [engine, setEngine] = useState<LoadedEngine>();
  const [problem, setProblem] = useState<string>();

  useEffect(() => {
    if (profile === undefined) return;
    const hold = holdEngine();
    const loading = new Conversation();
    loading
      .ask(async (hear) => setEngine(await hear(hold.load(profile, version, build, rates))))
      .catch((error: unknown) => setProblem((error as Error).message));
    return () => {
      loading.end();
      hold.release();
    };
    // The build by its key, and the rates: they never change during a call.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [profile, version, built]);
  return { engine, problem };
}
