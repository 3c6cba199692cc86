import { useEffect, useState } from 'react';
import type { CallView, Drawing, SwapView } from '@zetalysis/core/presentation';
import type { Fit } from '@zetalysis/core/swap';
import { formatDuration } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import type { EngineState } from '../../engine/use-engine';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { InStock } from './InStock';
import styles from './SwapDialog.module.css';
import { useAppliance } from './use-appliance';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly engine: EngineState;
  readonly onBody: (body: EventBody) => void;
  readonly onClose: () => void;
}

/** A part comes out and another goes in: how, what was on which terminal, and whether the new one goes with the others. */
export default function SwapDialog({ drawing, view, engine, onBody, onClose }: Props) {
  const [part, setPart] = useState<string | undefined>(view.record?.part ?? view.suspects[0]?.part);
  const [swap, setSwap] = useState<SwapView>();
  const { swap: ask } = engine;
  useEffect(() => {
    let current = true;
    if (part !== undefined) void ask(part).then((found) => current && setSwap(found));
    return () => {
      current = false;
    };
  }, [part, ask]);
  return (
    <Dialog title="Part out and in" onClose={onClose} width={900}>
      <Choice
        label="Which part"
        placeholder="Part…"
        value={part}
        options={drawing.parts.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={setPart}
      />
      {swap && part !== undefined && (
        <div className={styles.swap} key={part}>
          <div>{swap.note ? <Note note={swap.note} /> : <p>There is no note for this part: go by its sheet.</p>}</div>
          <div>
            <WireList swap={swap} wires={view.wires} onBody={onBody} />
            <InStock part={part} />
            {swap.fields.length > 0 && <WillItFit part={part} swap={swap} ask={engine.willItFit} />}
          </div>
        </div>
      )}
    </Dialog>
  );
}

function Note({ note }: { readonly note: NonNullable<SwapView['note']> }) {
  const { shut, out, mind, in: back, seals, lies, leakTest, first } = note;
  return (
    <>
      <Notice kind="caution">{shut.join(' ')}</Notice>
      <Steps title="Measure on the new one first" steps={[first]} />
      <Steps title="Out, in this order" steps={out} />
      <Steps title="Mind" steps={mind} />
      <Steps title="In" steps={[...back, ...(lies === undefined ? [] : [lies])]} />
      <Steps
        title="Tight"
        steps={[...seals, ...(leakTest ? ['Solution on every joint that was opened, firing.'] : [])]}
      />
      <p className="fine">The maker’s sheet and the local code stand above this note.</p>
    </>
  );
}

const Steps = ({ title, steps }: { readonly title: string; readonly steps: readonly string[] }) =>
  steps.length > 0 && (
    <>
      <h3>{title}</h3>
      <ul>
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ul>
    </>
  );

interface WireProps extends Pick<Props, 'onBody'> {
  readonly swap: SwapView;
  readonly wires: CallView['wires'];
}

/** What was on which terminal: written down before it comes off, ticked when it is on again. */
function WireList({ swap, wires, onBody }: WireProps) {
  const { wires: named } = useAppliance();
  const [wire, setWire] = useState('');
  const [terminal, setTerminal] = useState('');
  const [problem, setProblem] = useState<string>();
  const mine = wires.filter(({ part }) => part === swap.title);
  const open = mine.filter(({ back }) => !back).length;
  const list = (of: string, on: string): void =>
    onBody({ type: 'wire-listed', part: swap.title, wire: of, terminal: on });
  const add = (e: React.FormEvent): void => {
    e.preventDefault();
    if (wire.trim() === '' || terminal.trim() === '')
      return setProblem('Write the wire (its colour) and its terminal.');
    setProblem(undefined);
    list(wire.trim(), terminal.trim());
    setWire('');
    setTerminal('');
  };
  const missing = swap.points.filter((net) => !mine.some((m) => m.wire.startsWith(`${net} `) || m.wire === net));
  return (
    <section aria-label="Wire list">
      <h3>Wire list{mine.length > 0 && `, ${open === 0 ? 'all back' : `${open} to go back`}`}</h3>
      <ul className={styles.wires}>
        {mine.map((m) => (
          <li key={m.event}>
            <span>
              {m.wire} on <b>{m.terminal}</b>
            </span>
            {m.back ? (
              <b>back</b>
            ) : (
              <Button onClick={() => onBody({ type: 'wire-back', event: m.event })}>It is on again</Button>
            )}
          </li>
        ))}
      </ul>
      {missing.length > 0 && (
        <Button
          onClick={() => {
            for (const net of missing) {
              const name = named?.[net];
              list([net, name?.colour ?? ''].filter((w) => w !== '').join(' '), name?.terminal || net);
            }
          }}
        >
          List what the drawing has on it: {missing.join(', ')}
        </Button>
      )}
      <form className={styles.add} onSubmit={add}>
        <Field label="Wire" placeholder="yellow" maxLength={120} value={wire} problem={problem} onChange={setWire} />
        <Field label="Terminal" placeholder="MV" maxLength={120} value={terminal} onChange={setTerminal} />
        <Button htmlType="submit">Add it</Button>
      </form>
    </section>
  );
}

interface FitProps {
  readonly part: string;
  readonly swap: SwapView;
  readonly ask: EngineState['willItFit'];
}

/** The new part's data in the model: every step with the old one and with the new one. */
function WillItFit({ part, swap, ask }: FitProps) {
  const [given, setGiven] = useState<Record<string, string>>({});
  const [fit, setFit] = useState<Fit>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const run = async (e: React.FormEvent): Promise<void> => {
    e.preventDefault();
    const values = Object.entries(given).flatMap(([field, value]) =>
      value.trim() === '' ? [] : [{ field, value: value.trim() }],
    );
    if (values.length === 0) return setProblem('Type what the new part’s sheet says otherwise, with its unit.');
    setBusy(true);
    const came = await ask(part, values);
    setBusy(false);
    setProblem('problem' in came ? came.problem : undefined);
    setFit('problem' in came ? undefined : came);
  };
  return (
    <section aria-label="Will it fit?">
      <h3>Will it fit?</h3>
      <p className="fine">
        What the model knows of it: put in what the new one’s sheet says, with its unit. Thread, length, fuel and shape
        compare by hand.
      </p>
      <form className={styles.add} onSubmit={(e) => void run(e)}>
        {swap.fields.map(({ field, title, is }) => (
          <Field
            key={field}
            label={`${title} (now ${is})`}
            maxLength={40}
            value={given[field] ?? ''}
            onChange={(value) => setGiven({ ...given, [field]: value })}
          />
        ))}
        <Button htmlType="submit" loading={busy}>
          Run every step
        </Button>
      </form>
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      {fit && <Told fit={fit} />}
    </section>
  );
}

const Told = ({ fit: { fits, steps, carriesLess } }: { readonly fit: Fit }) => (
  <>
    <p role="status">
      <b>{fits ? 'Every step comes.' : 'It does not run with it.'}</b>
      {carriesLess && ' It carries less than the old one: add up what hangs on it before it goes in.'}
    </p>
    <table className={styles.steps}>
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col">old</th>
          <th scope="col">new</th>
        </tr>
      </thead>
      <tbody>
        {steps.map(({ title, old, now }) => (
          <tr key={title} data-missing={(old !== undefined && now === undefined) || undefined}>
            <th scope="row">{title}</th>
            <td>{old === undefined ? '–' : formatDuration(old)}</td>
            <td>{now === undefined ? 'never' : formatDuration(now)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </>
);
