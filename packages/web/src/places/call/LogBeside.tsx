import { useEffect, useState } from 'react';
import type { LogReading } from '@zetalysis/core/analysis';
import { formatNumber } from '@zetalysis/core/units';
import { Button } from '../../kit/Button';
import { Chart } from '../../kit/Chart';
import { Choices } from '../../kit/Choices';
import styles from './LogBeside.module.css';
import { percent } from './percent';

interface Props {
  readonly laid: LogReading;
  /** Where each channel hung. */
  readonly used: readonly { readonly red: string; readonly black: string }[];
}

/** A log of a try or two is drawn whole, seconds. */
const SHORT = 120;

type Beside = 'sound' | 'likeliest' | 'both';

/** The log beside the model: its steps, where they part, the curves of a sound one and of what is suspected, and the shares. */
export function LogBeside({ laid, used }: Props) {
  const { parting, suspects, called, likeliest } = laid;
  const [close, setClose] = useState(laid.close !== undefined && laid.whole.to - laid.whole.from > SHORT);
  const [beside, setBeside] = useState<Beside>('sound');
  // One curve after the other: the page stays free meanwhile.
  const [curves, setCurves] = useState(0);
  const drawing = (close ? laid.close : undefined) ?? laid.whole;
  useEffect(() => {
    if (curves >= used.length) return;
    const next = setTimeout(() => setCurves(curves + 1));
    return () => clearTimeout(next);
  }, [curves, used.length]);
  const compared = [
    ...(beside === 'likeliest' ? [] : [{ title: 'sound', of: 'sound' as const }]),
    ...(beside === 'sound' || !likeliest ? [] : [{ title: likeliest, of: 'likeliest' as const }]),
  ];
  return (
    <section className={styles.laid} aria-label="The log beside the model">
      <p className={styles.parting}>
        {parting ? (
          <>
            <b>
              They part {seconds(parting.at)} after the call, at “{titleOf(laid, parting.phase)}”:
            </b>{' '}
            {used[parting.channel]!.red} shows {swung(parting.low, parting.high)} V, a sound one{' '}
            {formatNumber(parting.sound)} V.
          </>
        ) : (
          <b>It stays with a sound appliance all the way: what was logged here shows no fault.</b>
        )}{' '}
        Heat was called {seconds(called)} after the log began.
      </p>
      <div className={styles.sheet}>
        <div>
          <h3>Steps, cut from the log</h3>
          <ol className={styles.steps} aria-label="Steps, cut from the log">
            {laid.steps.map((step) => (
              <li key={step.phase} data-parts={step.phase === parting?.phase || undefined}>
                <span>
                  <b>{step.title}</b>
                  <small>{saysOf(step, laid, used)}</small>
                </span>
                <span className={styles.at}>{typeof step.logged === 'object' ? seconds(step.logged.at) : '–'}</span>
              </li>
            ))}
          </ol>
          <p className="fine">A step is cut where the model says that a channel must move with it.</p>
        </div>
        <div>
          <div className={styles.views}>
            {laid.close && (
              <Choices label="How much of the log">
                <Button aria-pressed={close} onClick={() => setClose(true)}>
                  Where they part
                </Button>
                <Button aria-pressed={!close} onClick={() => setClose(false)}>
                  The whole log
                </Button>
              </Choices>
            )}
            {likeliest && (
              <Choices label="Drawn beside it, dashed">
                <Button aria-pressed={beside === 'sound'} onClick={() => setBeside('sound')}>
                  Sound
                </Button>
                <Button aria-pressed={beside === 'likeliest'} onClick={() => setBeside('likeliest')}>
                  The likeliest
                </Button>
                <Button aria-pressed={beside === 'both'} onClick={() => setBeside('both')}>
                  Both
                </Button>
              </Choices>
            )}
          </div>
          <div className={styles.charts}>
            {drawing.channels.slice(0, curves).map((channel, i) => (
              <Chart
                key={used[i]!.red}
                title={`${used[i]!.red} to ${used[i]!.black}: logged; dashed ${compared.map((c) => c.title).join(', dotted ')}`}
                unit="V"
                across="seconds from the call"
                points={channel.logged.flatMap((b) => [
                  { x: b.at, y: b.low },
                  { x: b.at, y: b.high },
                ])}
                beside={compared.map(({ title, of }) => ({
                  title,
                  points: channel[of].map(({ at, volts }) => ({ x: at, y: volts })),
                }))}
                mark={parting?.at}
              />
            ))}
          </div>
          <h3>How well each suspect draws this log</h3>
          <ol className={styles.suspects} aria-label="How well each suspect draws this log">
            {suspects
              .filter((s) => s.share >= 0.005)
              .map((s) => (
                <li key={s.id}>
                  <span>{s.words}</span>
                  <b>{percent(s.share)}</b>
                  <meter value={s.share} aria-label={s.words} />
                </li>
              ))}
          </ol>
        </div>
      </div>
    </section>
  );
}

const titleOf = (laid: LogReading, phase: string): string => laid.steps.find((s) => s.phase === phase)?.title ?? phase;

const seconds = (at: number): string => `${formatNumber(Math.round(at * 10) / 10)} s`;

function saysOf(
  { logged, at, phase }: LogReading['steps'][number],
  { parting }: LogReading,
  used: Props['used'],
): string {
  if (phase === parting?.phase) return `they part: ${used[parting.channel]!.red}`;
  if (logged === undefined) return 'no channel tells';
  if (logged === 'missing') return `did not come; a sound one at ${seconds(at)}`;
  return `${used[logged.channel]!.red} moves; a sound one at ${seconds(at)}`;
}

/** A range where it swung, else the one value. */
export function swung(low: number, high: number): string {
  const figures = (v: number): string => formatNumber(Math.round(v * 10) / 10);
  return high - low > Math.max(0.5, 0.05 * high) ? `${figures(low)}-${figures(high)}` : figures((low + high) / 2);
}
