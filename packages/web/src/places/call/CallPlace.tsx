import { lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { BreakRecord, EventBody } from '@zetalysis/core/visit';
import type { Me } from '@zetalysis/contract';
import { useCall } from '../../store/use-call';
import { useStandard } from '../../theme/use-standard';
import { Cord } from '../../diagrams/Cord';
import { EntryLine } from './EntryLine';
import { Evidence } from './Evidence';
import { Failure } from '../../kit/Failure';
import { Ladder } from '../../diagrams/Ladder';
import { NextTest } from './NextTest';
import '../../theme/call-extra.css';
import { useWires } from '../../store/wires';
import { StatusStrip } from './StatusStrip';
import { Stopwatch } from './Stopwatch';
import { Suspects } from './Suspects';
import { useEngine } from '../../engine/use-engine';
import { useKeys } from './use-keys';
import { Work } from './Work';

// Ant Design comes with them: loaded when one is first needed.
const RecordBreak = lazy(() => import('./RecordBreak'));
const Triage = lazy(() => import('./Triage'));
const KeysHelp = lazy(() => import('./KeysHelp'));
const StandardDialog = lazy(() => import('./StandardDialog'));

/** One call: sequence, circuit, next test, suspects, evidence. */
export function CallPlace({ me }: { me: Me }) {
  const { id } = useParams<{ id: string }>();
  return <OneCall key={id} id={id!} me={me} />;
}

function OneCall({ id, me }: { id: string; me: Me }) {
  const log = useCall(id, me.name);
  const [phase, setPhase] = useState<string>();
  const [probes, setProbes] = useState<readonly string[]>([]);
  const [recording, setRecording] = useState(false);
  const [help, setHelp] = useState(false);
  const [taught, setTaught] = useState(false);
  const [triage, setTriage] = useState(false);
  const [standard, setStandard] = useStandard();
  /** Which try for ignition the answers on the cord are about; undefined when it does not matter. */
  const [attempt, setAttempt] = useState<number>();
  /** The suspect whose world is looked at, by hypothesis. */
  const [whatIf, setWhatIf] = useState<string>();
  const entry = useRef<HTMLInputElement>(null);
  const engine = useEngine(log.events, { units: me.units, role: me.role, phase, standard, whatIf });
  const { append } = log;
  const opened = log.events?.find((e) => e.body.type === 'opened')?.body;
  const wires = useWires(opened?.type === 'opened' ? opened.machine : undefined);
  const { drawing, view, toProve } = engine;

  const appendAll = useCallback(
    (bodies: readonly EventBody[]) => {
      for (const body of bodies) void append(body);
    },
    [append],
  );
  const answer = useCallback(
    (p: string, a: 'yes' | 'no' | 'unclear') =>
      void append({ type: 'seen', phase: p, answer: a, ...(attempt === undefined ? {} : { try: attempt }) }),
    [append, attempt],
  );
  const undoNewest = useCallback(() => {
    const newest = view?.log.findLast((l) => l.undoable);
    if (newest) void append({ type: 'retracted', event: newest.id });
  }, [append, view]);
  const keys = {
    view,
    drawing,
    chosen: phase,
    setPhase,
    answer,
    undoNewest,
    setHelp,
    setRecording,
    clearProbes: () => setProbes([]),
    entry,
  };
  useKeys(keys);

  // A tapped point is a probe; the next one is the black probe, else the point's own common.
  const tapNet = (net: string): void => {
    setProbes(probes.length === 1 && probes[0] !== net ? [probes[0]!, net] : [net]);
    entry.current?.focus();
  };
  const tapPart = (part: string): void => {
    setProbes([part]);
    entry.current?.focus();
  };
  const record = async (given: Omit<BreakRecord, 'advice'>): Promise<void> => {
    await append({ type: 'break-recorded', ...given, advice: await engine.advice() });
  };

  useEffect(() => {
    document.title = view ? `${view.complaint.slice(0, 40)} · Zetalysis` : 'Zetalysis';
    return () => void (document.title = 'Zetalysis');
  }, [view]);

  if (log.missing !== undefined)
    return (
      <Failure title="No such call">
        <p>{log.missing}</p>
        <Link to="/">Today</Link>
      </Failure>
    );
  if (engine.problem !== undefined)
    return (
      <Failure title="The engine could not start" problem={engine.problem}>
        <p>The log of this call is kept. Load the page again when the server is back.</p>
      </Failure>
    );
  if (!drawing || !view) return <p className="waiting">{log.events ? 'Starting the engine…' : 'Reading the call…'}</p>;

  const at = phase ?? view.at;
  return (
    <main className="call">
      <div className="call-head">
        <h1>{drawing.title}</h1>
        <q>{view.complaint}</q>
        {view.untouched && !view.closed && (
          <button type="button" className="before" onClick={() => setTriage(true)}>
            Before the visit
          </button>
        )}
        {view.pinnedVersion !== drawing.version && (
          <span className="notice">
            Opened with profile {view.pinnedVersion}; shown with {drawing.version}.
          </span>
        )}
      </div>
      <StatusStrip drawing={drawing} view={view} sync={log.sync} onBody={(b) => void append(b)} />
      {view.danger !== undefined && (
        <div className="danger" role="alert">
          <strong>{view.danger}</strong>
          <button type="button" onClick={() => void append({ type: 'danger-over', words: 'declared safe' })}>
            Declared safe by those in charge: go on
          </button>
        </div>
      )}
      {view.whatIf !== undefined && (
        <p className="notice what-if" role="status">
          <strong>What if: {view.whatIf}.</strong> Steps and circuit are as they would be; ≠ marks what differs from a
          sound appliance.{' '}
          <button type="button" onClick={() => setWhatIf(undefined)}>
            Back to what is known
          </button>
        </p>
      )}
      <div className="areas">
        <div className="right">
          <NextTest
            tests={engine.tests}
            view={view}
            thinking={engine.thinking}
            wires={wires}
            onEvents={appendAll}
            onStandard={() => setTaught(true)}
          />
          <Suspects view={view} whatIf={whatIf} onWhatIf={setWhatIf} toProve={toProve} />
          <Ending
            view={view}
            onRecord={() => setRecording(true)}
            onClose={() => void append({ type: 'closed', words: '' })}
          >
            <Work drawing={drawing} view={view} onBody={(b) => void append(b)} />
          </Ending>
        </div>
        <Cord
          drawing={drawing}
          view={view.cord}
          at={at}
          attempt={attempt}
          onAttempt={setAttempt}
          watch={<Stopwatch call={id} drawing={drawing} view={view} onEvents={appendAll} />}
          onAnswer={answer}
          onChoose={setPhase}
          onEnding={(type, value) =>
            void append(type === 'outcome' ? ({ type, outcome: value } as EventBody) : { type: 'code', code: value })
          }
        />
        <div className="middle">
          <section className="circuit" aria-label="Circuit and readings">
            <h2>
              Circuit <span className="fine">at “{drawing.phases.find((p) => p.id === view.at)?.title}”</span>
              <span className="legend" aria-hidden="true">
                <i className="live" /> live <i className="dead" /> dead <i className="unknown" /> unknown
              </span>
            </h2>
            <Ladder
              drawing={drawing}
              view={view.ladder}
              red={probes[0]}
              onNet={tapNet}
              onPart={tapPart}
              wires={wires}
            />
            <EntryLine
              drawing={drawing}
              wires={wires}
              at={view.at}
              phaseTitle={drawing.phases.find((p) => p.id === view.at)?.title ?? ''}
              probes={probes.join(' ')}
              field={entry}
              onBody={(b) => void append(b)}
              onClear={() => setProbes([])}
            />
          </section>
          <Evidence view={view} onUndo={(event) => void append({ type: 'retracted', event })} />
        </div>
      </div>
      <ul className="always">
        {drawing.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
        <li>
          <button type="button" className="quiet" onClick={() => setHelp(true)}>
            Keys: ?
          </button>
        </li>
      </ul>
      {recording && (
        <Suspense fallback={<p className="waiting">One moment…</p>}>
          <RecordBreak drawing={drawing} view={view} onRecord={record} onClose={() => setRecording(false)} />
        </Suspense>
      )}
      {triage && (
        <Suspense fallback={<p className="waiting">One moment…</p>}>
          <Triage
            drawing={drawing}
            view={view}
            tests={engine.tests}
            onBody={(b) => void append(b)}
            onClose={() => setTriage(false)}
          />
        </Suspense>
      )}
      <Suspense fallback={null}>
        {taught && <StandardDialog standard={standard} onChange={setStandard} onClose={() => setTaught(false)} />}
        {help && <KeysHelp onClose={() => setHelp(false)} />}
      </Suspense>
    </main>
  );
}

function Ending({
  view,
  onRecord,
  onClose,
  children,
}: {
  view: NonNullable<ReturnType<typeof useEngine>['view']>;
  onRecord: () => void;
  onClose: () => void;
  children: React.ReactNode;
}) {
  const [asked, setAsked] = useState(false);
  if (view.closed) return null;
  return (
    <section className="ending" aria-label="Record">
      {view.record && (
        <p>
          <strong>{view.record.part}</strong>: {view.record.failure}. {view.record.cause}{' '}
          <em>({view.record.standing})</em>
        </p>
      )}
      <button type="button" className={view.standing === 'proved' && !view.record ? 'main' : ''} onClick={onRecord}>
        {view.record ? 'Correct the record' : 'Record the break'}
      </button>{' '}
      {view.record && (
        <button type="button" onClick={() => (view.obstacles.length === 0 ? onClose() : setAsked(true))}>
          Close the call
        </button>
      )}
      {children}
      {asked && view.obstacles.length > 0 && (
        <ul role="alert" className="problem">
          {view.obstacles.map((o) => (
            <li key={o}>{o}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
