import type { InputRef } from 'antd';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { TestingStandard } from '@zetalysis/core/standards';
import { inSeconds, type UnitSystem } from '@zetalysis/core/units';
import { changesOf, type EventBody, type Overview, presentSetup, setupEntry, withMeaning } from '@zetalysis/core/visit';
import type { Machine, Wires } from '@zetalysis/contract';
import type { StepAnswer } from '../../diagrams/Bead';
import { Cord } from '../../diagrams/Cord';
import type { EngineState } from '../../engine/use-engine';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import type { CallLog } from '../../store/use-call';
import { CallDialogs, type DialogName } from './CallDialogs';
import { CallHead, HeadOfNext } from './CallHead';
import styles from './CallPage.module.css';
import { Circuit } from './Circuit';
import { Ending } from './Ending';
import { Evidence } from './Evidence';
import { NextTest } from './next/NextTest';
import { StatusStrip } from './StatusStrip';
import { Stopwatch } from './Stopwatch';
import { Suspects } from './Suspects';
import { TellInstruments } from './TellInstruments';
import { type Job, ThumbBar } from './ThumbBar';
import { Claims } from './rules/Claims';
import { LedgerBar } from './rules/LedgerBar';
import { LookOn, useLooking } from './rules/LookOn';
import { BEGUN, type ProofRun } from './rules/proof-run';
import { ProofSheet } from './rules/ProofSheet';
import { StopScreen } from './rules/StopScreen';
import { ApplianceProvider } from './use-appliance';
import { useKeys } from './use-keys';
import { useWatch } from './use-watch';
import { Work } from './Work';

interface Props {
  readonly id: string;
  readonly log: CallLog;
  readonly engine: EngineState;
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly wires: Wires;
  readonly units: UnitSystem;
  readonly machine: Machine | undefined;
  readonly customer: string;
  /** Whoever is signed in looks on; somebody else works. */
  readonly looksOn: boolean;
  /** The step that was chosen; nothing leaves it to the engine. */
  readonly phase: string | undefined;
  readonly onPhase: (phase: string) => void;
  readonly whatIf: string | undefined;
  readonly onWhatIf: (hypothesis: string | undefined) => void;
  readonly standard: TestingStandard;
  readonly onStandard: (change: Partial<TestingStandard>) => void;
}

/** What is known of a call on one screen, and everything that can be entered into it. */
export function CallPage(props: Props) {
  const { id, log, engine, drawing, wires, units, machine, customer, looksOn, phase, onPhase, whatIf, onWhatIf } =
    props;
  // What is changed next is changed on what is so now, however long the engine thinks about it.
  const { events } = log;
  const view = useMemo(() => withSetup(props.view, presentSetup(events ?? [])), [props.view, events]);
  const { setup } = view;
  useLooking(id, looksOn && !view.closed);
  const [probes, setProbes] = useState<readonly string[]>([]);
  const [dialog, setDialog] = useState<DialogName>();
  const [job, setJob] = useState<Job>('next');
  /** Which try for ignition the answers on the cord are about; undefined when it does not matter. */
  const [attempt, setAttempt] = useState<number>();
  const [run, setRun] = useState(BEGUN);
  const onRun = (change: Partial<ProofRun>): void => setRun({ ...run, ...change });
  const entry = useRef<InputRef>(null);
  const { append } = log;
  const { meanings } = drawing;
  // One after another: what the first changes is so for the second.
  const noteAll = useCallback(
    (bodies: readonly EventBody[]) => {
      let now = setupEntry(setup);
      for (const body of bodies) {
        const said = body.type === 'setup' ? { ...body, changed: changesOf(now, body) } : body;
        void append(withMeaning(meanings, said, now.actions));
        if (body.type === 'setup') now = body;
      }
    },
    [append, meanings, setup],
  );
  const note = useCallback((body: EventBody) => noteAll([body]), [noteAll]);
  const [watch] = useWatch(id);
  const answer = (p: string, a: StepAnswer): void =>
    note({
      type: 'seen',
      phase: p,
      answer: a,
      ...(attempt === undefined ? {} : { try: attempt }),
      // While a try is watched, what did not come has not come yet.
      ...(watch && a === 'no' && { after: Math.round(inSeconds(Date.now() - watch.start)) }),
    });
  const takeBackNewest = (): void => {
    const newest = view.log.findLast((l) => l.undoable);
    if (newest) note({ type: 'retracted', event: newest.id });
  };
  useKeys({ view, drawing, chosen: phase, setPhase: onPhase, answer, takeBackNewest, setDialog, setProbes, entry });
  const head = {
    view,
    looking: log.looking,
    onShow: looksOn ? undefined : (on: boolean) => note({ type: 'shown', on }),
    onTriage: () => setDialog('triage'),
  };
  const appliance = useMemo(
    () => ({ drawing, wires, units, machine: machine?.id }),
    [drawing, wires, units, machine?.id],
  );
  return (
    <ApplianceProvider value={appliance}>
      <main className={styles.call} data-job={job} data-tapped={probes.length > 0 || undefined}>
        <CallHead
          drawing={drawing}
          view={view}
          machine={machine}
          customer={customer}
          looking={log.looking}
          onShow={looksOn ? undefined : (on) => note({ type: 'shown', on })}
          onTriage={() => setDialog('triage')}
        />
        <StatusStrip
          drawing={drawing}
          view={view}
          onBody={note}
          onDanger={() => setDialog('danger')}
          {...(view.whatIf !== undefined && {
            instead: <WhatIf words={view.whatIf} onBack={() => onWhatIf(undefined)} />,
          })}
        >
          <LedgerBar setup={view.setup} closed={view.closed} onBody={note} />
        </StatusStrip>
        {log.notKept !== undefined && <Notice kind="danger">{log.notKept}</Notice>}
        {log.overview.state === 'late' && <LateEntry overview={log.overview} />}
        <StopScreen setup={view.setup} onBodies={noteAll} />
        <div className={styles.areas}>
          <div className={styles.right}>
            <div data-for="next">
              <HeadOfNext {...head} />
              <Claims onBody={note} />
              <LookOn view={view} tests={engine.tests} looking={log.looking} looksOn={looksOn} onBody={note} />
            </div>
            <div className={styles.test} data-for="next">
              <NextTest
                call={id}
                tests={engine.tests}
                view={view}
                thinking={engine.thinking}
                probes={probes}
                field={entry}
                onProbes={setProbes}
                onEvents={noteAll}
                run={run}
                onRun={onRun}
              />
            </div>
            <div className={styles.suspects} data-for="suspects">
              <Suspects view={view} events={events} whatIf={whatIf} onWhatIf={onWhatIf} toProve={engine.toProve} />
            </div>
            <div className={styles.record} data-for="log">
              <Ending
                call={id}
                view={view}
                late={log.overview.state === 'late'}
                onRecord={() => setDialog('record')}
                onClose={() => setDialog('end')}
                onCloseAgain={() => note({ type: 'closed', words: '' })}
                onReopen={(words) => note({ type: 'reopened', words })}
              >
                <Work
                  call={id}
                  drawing={drawing}
                  view={view}
                  onBody={note}
                  onLog={() => setDialog('log')}
                  onSwap={() => setDialog('swap')}
                />
              </Ending>
            </div>
          </div>
          <div className={styles.cord} data-for="steps">
            <Cord
              drawing={drawing}
              view={view.cord}
              at={phase ?? view.at}
              attempt={attempt}
              onAttempt={setAttempt}
              watch={<Stopwatch call={id} drawing={drawing} view={view} onEvents={noteAll} />}
              onAnswer={answer}
              onChoose={onPhase}
              onEnding={(type, value) =>
                note(type === 'outcome' ? ({ type, outcome: value } as EventBody) : { type: 'code', code: value })
              }
            />
            <Always
              cautions={drawing.cautions}
              onStandard={() => setDialog('standard')}
              onKeys={() => setDialog('keys')}
            />
          </div>
          <div className={styles.middle}>
            {!view.closed && <ProofSheet run={run} onRun={onRun} />}
            <div className={styles.circuit} data-for="circuit">
              <Circuit drawing={drawing} view={view} wires={wires} probes={probes} onProbes={setProbes} onBody={note} />
            </div>
            <div className={styles.log} data-for="log">
              <Evidence view={view} onUndo={(event) => note({ type: 'retracted', event })} />
            </div>
          </div>
        </div>
        <TellInstruments view={view} />
        <ThumbBar call={id} view={view} job={job} onJob={setJob} />
        <CallDialogs {...props} view={view} open={dialog} onBody={note} onClose={() => setDialog(undefined)} />
      </main>
    </ApplianceProvider>
  );
}

/** The view as it is set up now; the very same one when nothing was changed, so that nothing of it is drawn again. */
const withSetup = (view: CallView, setup: CallView['setup']): CallView =>
  JSON.stringify(view.setup) === JSON.stringify(setup) ? view : { ...view, setup };

/** Which world the page shows, in the place of the state of this one. */
const WhatIf = ({ words, onBack }: { words: string; onBack: () => void }) => (
  <div className={styles.whatIf} role="status" data-what-if>
    <p title={words}>
      <b>What if: {words}?</b>{' '}
      <small>From the model; nothing here was measured. ≠ is not as on a sound appliance.</small>
    </p>
    <Button onClick={onBack}>Back to what is known</Button>
  </div>
);

/** Something that touches safety was noted elsewhere and came after the call was closed. */
const LateEntry = ({ overview: { late, stops } }: { overview: Overview }) => (
  <Notice
    kind="danger"
    more={
      <>
        {stops.map((s) => (
          <p key={s.id}>
            <strong>{s.title}</strong> was so at {clockTime.format(new Date(s.since))}, by {s.person}. How is it now?
            Open the call again and say so.
          </p>
        ))}
        Read the newest entries: gas, power, bypass, danger or a repair is among them.
      </>
    }
  >
    Open: {late === 1 ? 'a late entry' : `${late} late entries`} came after this call was closed.
  </Notice>
);

const clockTime = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });

interface AlwaysProps {
  readonly cautions: readonly string[];
  readonly onStandard: () => void;
  readonly onKeys: () => void;
}

/** What holds whatever is done: the first in sight, all of them one tap away. */
const Always = ({ cautions: [first = ''], onStandard, onKeys }: AlwaysProps) => (
  <p className={styles.always}>
    <span title={first}>{first}</span>
    <Button tone="quiet" onClick={onStandard}>
      How you work
    </Button>
    <Button tone="quiet" onClick={onKeys}>
      Keys: ?
    </Button>
  </p>
);
