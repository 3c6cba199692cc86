import type { Me } from '@zetalysis/contract';
import { levelWith, type MachineNow, type PracticeAct, readExerciseCode } from '@zetalysis/core/practice';
import type { StandView } from '@zetalysis/core/presentation';
import { formatDuration } from '@zetalysis/core/units';
import { memo, type ReactNode, useCallback, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { AntTheme } from '../../kit/AntTheme';
import bar from '../../kit/Bar.module.css';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Failure } from '../../kit/Failure';
import { Notice } from '../../kit/Notice';
import { useWide } from '../../kit/use-wide';
import { Waiting } from '../../kit/Waiting';
import { Circuit } from './Circuit';
import { Decide } from './Decide';
import { DoSomething } from './DoSomething';
import styles from './Exercise.module.css';
import { Knob } from './Knob';
import { LessonSheet } from './LessonSheet';
import { Machine } from './Machine';
import { Meter } from './Meter';
import { Stops } from './Stops';
import { TellRun } from './TellRun';
import { SPEEDS, type Standing, useStand } from './use-stand';

/** An exercise by its code: the machine, its circuit with a meter, and what was done. */
export default function ExercisePage({ me }: { me: Me }) {
  const { code = '' } = useParams<{ code: string }>();
  const exercise = readExerciseCode(code);
  if ('problem' in exercise)
    return (
      <Failure title="There is no such exercise" problem={exercise.problem}>
        <Link to="/practice">Practice</Link>
      </Failure>
    );
  return <Playing key={code} me={me} code={code} profile={exercise.profile} />;
}

const TABS = [
  { id: 'machine', title: 'Machine', sign: 'M5 8h14v14H5zM9 8V2M13 8V2M9 17c0-3 3-3 3-6 2 2 3 4 3 6' },
  { id: 'circuit', title: 'Ladder', sign: 'M4 2v20M20 2v20M4 7h5l4-3M15 7h5M4 16h16' },
  { id: 'meter', title: 'Meter', sign: 'M3 3h18v11H3zM7 14v4c0 3 3 4 5 4M17 14v7M7 9h10' },
] as const;

function Playing({ me, code, profile }: { readonly me: Me; readonly code: string; readonly profile: string }) {
  const [query] = useSearchParams();
  const result = query.get('of') ?? undefined;
  const [said, setSaid] = useState<string>();
  const standing = useStand(code, profile, me.name, me.units, result);
  const { begun, view, problem, act: perform, hint } = standing;
  // One function for as long as it does the same, so that what does not change is not drawn again.
  const act = useCallback((wanted: PracticeAct): void => void perform(wanted).then(setSaid), [perform]);
  const help = useCallback((which: Hint): void => void hint(which).then(setSaid), [hint]);
  const wide = useWide();
  const [tab, setTab] = useState<(typeof TABS)[number]['id']>('machine');
  const [deciding, setDeciding] = useState(false);
  const [telling, setTelling] = useState(false);
  const [predicts, setPredicts] = useState(query.get('predict') === 'yes');
  if (problem !== undefined && !view)
    return (
      <Failure title="This exercise cannot be laid out" problem={problem}>
        <Link to="/practice">Practice</Link>
      </Failure>
    );
  if (!begun || !view) return <Waiting>Laying out the machine…</Waiting>;
  if (view.ended)
    return <LessonSheet me={me} code={code} standing={standing} level={begun.level} others={result !== undefined} />;
  const hints = <Hints onHint={help} />;
  const { place } = view.instrument;
  const [red, black] = place.at === 'points' ? [place.red, place.black] : [];
  const shows = (part: (typeof TABS)[number]['id']): boolean => wide || tab === part;
  return (
    <AntTheme>
      <main className={styles.page}>
        <Head standing={standing} wide={wide} onSaid={setSaid}>
          {hints}
        </Head>
        {said !== undefined && (
          <p className={styles.said} role="status">
            {said}{' '}
            <Button tone="quiet" onClick={() => setSaid(undefined)}>
              Read
            </Button>
          </p>
        )}
        {problem !== undefined && <Notice kind="danger">{problem}</Notice>}
        <Stops stops={view.stops} onAct={act} />
        <div className={styles.columns}>
          {shows('machine') && (
            <div className={styles.left}>
              <Machine drawing={begun.drawing} view={view} />
            </div>
          )}
          {shows('circuit') && (
            <div className={styles.middle}>
              <Circuit
                drawing={begun.drawing}
                colours={begun.colours}
                setup={view.machine.setup}
                red={red}
                black={black}
                walked={!wide}
                onAct={act}
                onSaid={setSaid}
              />
            </div>
          )}
          {(wide || tab === 'machine') && (
            <DoSomething drawing={begun.drawing} setup={view.machine.setup} pocket={view.machine.pocket} onAct={act} />
          )}
          {!wide && tab === 'machine' && <div className={styles.hints}>{hints}</div>}
          {shows('meter') && (
            <div className={styles.right}>
              <Meter drawing={begun.drawing} view={view} predicts={predicts} onAct={act} />
              <Moves moves={view.moves} />
              <label className={styles.predict}>
                <input type="checkbox" checked={predicts} onChange={(e) => setPredicts(e.target.checked)} /> Predict
                first
              </label>
              {view.asks && (
                <Button tone="main" onClick={() => setTelling(true)}>
                  Tell the steps
                </Button>
              )}
              <Button tone={view.asks ? 'plain' : 'main'} onClick={() => setDeciding(true)}>
                {view.repaired ? 'Prove it and end' : 'I know: name it'}
              </Button>
            </div>
          )}
        </div>
        {!wide && (
          <>
            <p className={styles.strip} aria-live="off">
              <b>
                {view.instrument.digits} {view.instrument.unit}
              </b>{' '}
              {red !== undefined ? `red ${red}, black ${black}` : ''}{' '}
              <time>{minutesUsed(view.machine.clock)} used</time>
            </p>
            <nav className={`${bar.bar} ${styles.tabs}`} aria-label="Exercise">
              {TABS.map(({ id, title, sign }) => (
                <button
                  key={id}
                  type="button"
                  aria-current={tab === id ? 'page' : undefined}
                  onClick={() => setTab(id)}
                >
                  <svg viewBox="0 0 24 24" aria-hidden="true">
                    <path d={sign} />
                  </svg>
                  {title}
                </button>
              ))}
            </nav>
          </>
        )}
        {telling && view.asks && <TellRun steps={view.asks} onAct={standing.act} onClose={() => setTelling(false)} />}
        {deciding && (
          <Decide
            drawing={begun.drawing}
            endings={standing.endings}
            onAct={standing.act}
            onClose={() => setDeciding(false)}
          />
        )}
      </main>
    </AntTheme>
  );
}

const SWITCHES = [
  { title: 'Gas', of: ({ setup }) => setup.gas, act: (gas) => ({ do: 'set', change: { gas } }) },
  { title: 'Breaker', of: ({ supply }) => supply.breaker, act: (breaker) => ({ do: 'supply', change: { breaker } }) },
  { title: 'Switch', of: ({ supply }) => supply.service, act: (service) => ({ do: 'supply', change: { service } }) },
  { title: 'Heat call', of: ({ setup }) => setup.heatCall, act: (heatCall) => ({ do: 'set', change: { heatCall } }) },
] satisfies readonly {
  title: string;
  of: (machine: MachineNow) => boolean;
  act: (on: boolean) => PracticeAct;
}[];

const HINTS = [
  { value: 'half', label: 'What is left' },
  { value: 'test', label: 'The best test now' },
  { value: 'why', label: 'Why that one' },
] as const;

type Hint = (typeof HINTS)[number]['value'];

/** Help, which costs. */
const Hints = memo(function Hints({ onHint }: { readonly onHint: (hint: Hint) => void }) {
  return (
    <Choice
      label="A hint, three points"
      labelHidden
      placeholder="Hint −3"
      value={undefined}
      options={HINTS}
      onChange={onHint}
    />
  );
});

/** What was done so far, the newest first. */
const Moves = memo(function Moves({ moves }: { readonly moves: StandView['moves'] }) {
  return (
    <Block title="Your moves" note={`${moves.length - 1}`} className={styles.moves}>
      <ol aria-label="Your moves" tabIndex={0}>
        {moves
          .slice()
          .reverse()
          .map((m) => (
            <li key={m.move}>
              <time>{clockOf(m.at)}</time> {m.words}
            </li>
          ))}
      </ol>
    </Block>
  );
});

/** The switches, the clock and how fast it runs, what was used, and help. */
function Head({
  standing,
  wide,
  onSaid,
  children,
}: {
  readonly standing: Standing;
  readonly wide: boolean;
  readonly onSaid: (said: string | undefined) => void;
  readonly children: ReactNode;
}) {
  const { begun, view, speed, setSpeed, toNextEvent, act } = standing;
  const { machine } = view!;
  return (
    <section className={styles.head} aria-label="Clock and state">
      <div className={styles.switches} role="group" aria-label="Switches">
        {SWITCHES.map(({ title, of, act: thrown }) => (
          <button
            key={title}
            type="button"
            aria-pressed={of(machine)}
            onClick={() => void act(thrown(!of(machine))).then(onSaid)}
          >
            <span>{title}</span> {of(machine) ? 'ON' : 'OFF'}
          </button>
        ))}
        <button
          type="button"
          aria-pressed={!machine.open}
          onClick={() => void act({ do: 'panel', off: !machine.open }).then(onSaid)}
        >
          <span>Panel</span> {machine.open ? 'OFF' : 'ON'}
        </button>
        {machine.knob !== undefined && (
          <Knob held={machine.knob === 'held'} onHold={(held) => void act({ do: 'hold-knob', held }).then(onSaid)} />
        )}
        {machine.door !== undefined && (
          <button
            type="button"
            aria-pressed={machine.door === 'held'}
            onClick={() => void act({ do: 'hold-door', held: machine.door !== 'held' }).then(onSaid)}
          >
            <span>Door switch</span> {machine.door === 'held' ? 'HELD' : 'OPEN'}
          </button>
        )}
      </div>
      <div className={styles.clock}>
        <p>
          <b>
            Level {begun!.level}: {levelWith(begun!.level).title}
          </b>
          “{begun!.complaint}”
        </p>
        <time aria-label="Since it was set like this">{clockOf(machine.clock - machine.since)}</time>
      </div>
      <div className={styles.speed} role="group" aria-label="Speed">
        {SPEEDS.map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={s === speed}
            aria-label={s === 0 ? 'Pause' : `Times ${s}`}
            onClick={() => setSpeed(s)}
          >
            {s === 0 ? 'II' : `×${s}`}
          </button>
        ))}
        {!wide && (
          <button
            type="button"
            aria-label="To the next event"
            disabled={view!.nextEvent === undefined}
            onClick={toNextEvent}
          >
            »|
          </button>
        )}
      </div>
      {wide && (
        <Button tone="quiet" disabled={view!.nextEvent === undefined} onClick={toNextEvent}>
          To the next event
        </Button>
      )}
      {(wide || view!.critical.length > 0) && (
        <p className={styles.used}>
          {wide && <b>{minutesUsed(machine.clock)} used</b>}
          <span data-critical={view!.critical.length > 0 || undefined}>
            {view!.critical.length === 0 ? 'no critical act' : view!.critical[0]}
          </span>
        </p>
      )}
      {wide && children}
    </section>
  );
}

const minutesUsed = (clock: number): string => `${Math.round(clock / 60_000)} min`;

/** Minutes and seconds. */
function clockOf(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  return seconds < 6000 ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}` : formatDuration(ms);
}
