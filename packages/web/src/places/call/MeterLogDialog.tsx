import { useState } from 'react';
import type { LogReading, MeterLog } from '@zetalysis/core/analysis';
import type { Drawing } from '@zetalysis/core/presentation';
import { type EventBody, readField } from '@zetalysis/core/visit';
import type { EngineState } from '../../engine/use-engine';
import { readMeterLogFile } from '../../engine/read-meter-log';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { LogBeside, swung } from './LogBeside';
import styles from './MeterLogDialog.module.css';
import { percent } from './percent';

interface Props {
  readonly drawing: Drawing;
  readonly engine: Pick<EngineState, 'readLog' | 'whereToHang'>;
  readonly onBody: (body: EventBody) => void;
  readonly onClose: () => void;
}

type State =
  | { readonly is: 'none' }
  | { readonly is: 'reading'; readonly share: number }
  | { readonly is: 'read'; readonly name: string; readonly log: MeterLog };

const UNUSED = '-';

/** The log of a logging meter: what was recognised, where each column hung, and how it lies beside the model. */
export default function MeterLogDialog({ drawing, engine, onBody, onClose }: Props) {
  const [state, setState] = useState<State>({ is: 'none' });
  const [hung, setHung] = useState<Readonly<Record<number, string>>>({});
  const [laid, setLaid] = useState<LogReading>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const points = Object.keys(drawing.points);
  const read = async (file: File): Promise<void> => {
    setLaid(undefined);
    setProblem(undefined);
    setState({ is: 'reading', share: 0 });
    try {
      const log = await readMeterLogFile(file, (share) => setState({ is: 'reading', share }));
      setHung(Object.fromEntries(log.columns.map((c, i) => [i, guess(c.name, points)])));
      setState({ is: 'read', name: file.name, log });
    } catch (error) {
      setState({ is: 'none' });
      setProblem((error as Error).message);
    }
  };
  const used = Object.entries(hung)
    .filter(([, point]) => point !== UNUSED)
    .map(([column, red]) => ({ column: Number(column), red, black: drawing.points[red]!.black }));
  const lay = async (log: MeterLog): Promise<void> => {
    setBusy(true);
    setProblem(undefined);
    try {
      setLaid(await engine.readLog(log, used));
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const parting = laid?.parting;
  const at = parting && used[parting.channel];
  const evidence = (): void => {
    if (!parting || !at) return;
    const entry = readField(drawing.words, `${swung(parting.low, parting.high)} V ${at.red} ${at.black}`, {
      asked: undefined,
      tapped: '',
      phase: parting.phase,
    });
    if (!entry.ok) return setProblem(entry.message);
    onBody(entry.value.body);
    onClose();
  };
  return (
    <Dialog
      title="Log of a meter"
      width={1180}
      onClose={onClose}
      {...(parting && { action: 'Into the call as evidence', onAction: evidence })}
    >
      <label className={styles.file}>
        CSV of a logging meter: a time, and a column for each channel
        <input
          type="file"
          accept=".csv,.txt,text/csv"
          aria-label="Log of a meter"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void read(file);
            e.target.value = '';
          }}
        />
      </label>
      {state.is === 'none' && <WhereToHang drawing={drawing} whereToHang={engine.whereToHang} />}
      {state.is === 'reading' && (
        <p role="status">
          Reading: {percent(state.share)} <progress value={state.share} aria-label="Read so far" />
        </p>
      )}
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      {state.is === 'read' && (
        <>
          <p className="fine">
            {state.name}: {state.log.recognised.join(' · ')}
            {state.log.skipped > 0 && ` · ${state.log.skipped} rows without a time left out`}
          </p>
          <div className={styles.columns} role="group" aria-label="Where each column hung">
            {state.log.columns.map((column, i) => (
              <Choice
                key={column.name}
                label={`“${column.name}” hung on`}
                value={hung[i] ?? UNUSED}
                options={[
                  { value: UNUSED, label: 'not used' },
                  ...points.map((p) => ({
                    value: p,
                    label: `${p} to ${drawing.points[p]!.black}: ${drawing.points[p]!.reach}`,
                  })),
                ]}
                onChange={(point) => {
                  setHung({ ...hung, [i]: point });
                  setLaid(undefined);
                }}
              />
            ))}
            <Button tone="main" disabled={used.length === 0} loading={busy} onClick={() => void lay(state.log)}>
              Lay it beside the model
            </Button>
          </div>
        </>
      )}
      {laid && <LogBeside key={laid.called} laid={laid} used={used} />}
    </Dialog>
  );
}

interface HangProps {
  readonly drawing: Drawing;
  readonly whereToHang: EngineState['whereToHang'];
}

/** For a fault that comes and goes: the channels that would tell most of what is suspected now. */
function WhereToHang({ drawing, whereToHang }: HangProps) {
  const [places, setPlaces] = useState<Awaited<ReturnType<EngineState['whereToHang']>>>();
  return (
    <div>
      <p>Does it come and go? A logger that hangs there while it happens tells more than any visit.</p>
      {places === undefined ? (
        <Button onClick={() => void whereToHang().then(setPlaces)}>Where to hang it</Button>
      ) : places.length === 0 ? (
        <p>No point’s volts would tell these suspects apart over a try: hang it where the next test is.</p>
      ) : (
        <ol aria-label="Where to hang the logger">
          {places.map(({ red, black, tells }) => (
            <li key={red}>
              <b>
                {red} to {black}
              </b>
              , {drawing.points[red]?.reach}
              {drawing.points[red]?.line && ' (line voltage)'}: tells {percent(tells)} of what is open
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** A column named by a point hung on it. */
function guess(name: string, points: readonly string[]): string {
  const words = name.toLowerCase().split(/[^\w]+/);
  return points.find((p) => words[0] === p.toLowerCase()) ?? UNUSED;
}
