import { useParams } from 'react-router';
import { curveOf, isAnswered, type Result, WORKSHEETS, workOut, type Worksheet } from '@zetalysis/core/bench';
import { findUnit, formatNumber, showReading, uncapital, type UnitSystem } from '@zetalysis/core/units';
import type { Me } from '@zetalysis/contract';
import { Button } from '../../kit/Button';
import { Chart } from '../../kit/Chart';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { AskForm } from '../../judging/AskForm';
import styles from './Calculator.module.css';
import { useTyped } from './use-typed';
import { VerdictMark } from '../../judging/VerdictMark';

const FIGURES = 4;

/** One calculator: what is typed, what comes out, its curve where people would rather look, and the mistake made with it. */
export default function Calculator({ me }: { me: Me }) {
  const { id } = useParams();
  const sheet = WORKSHEETS.find((w) => w.id === id);
  if (!sheet) return <Empty>There is no calculator of that name. Go back to the Bench.</Empty>;
  return <Sheet key={id} sheet={sheet} me={me} />;
}

function Sheet({ sheet, me }: { readonly sheet: Worksheet; readonly me: Me }) {
  const { typed, set, clear } = useTyped();
  const { results, problems, missing, refused } = workOut(sheet, typed);
  return (
    <Page
      title={sheet.title}
      actions={
        <>
          <Button tone="quiet" onClick={() => clear([])}>
            Begin anew
          </Button>
          <Button tone="quiet" onClick={() => print()}>
            Print
          </Button>
        </>
      }
      className={styles.calculator}
    >
      <AskForm
        asks={sheet.asks.filter((a) => isAnswered(a.when, (ask) => typed[ask]))}
        typed={typed}
        problems={problems}
        onType={set}
      />
      <div className={styles.out}>
        <section aria-label="Result" aria-live="polite">
          {refused !== undefined && <Notice kind="problem">{refused}</Notice>}
          {results.length === 0 && refused === undefined && (
            <p>
              {missing.length > 0
                ? `Still to be typed: ${missing.join('; ')}.`
                : 'Put right what is said at the fields on the left.'}
            </p>
          )}
          <dl className={styles.results}>
            {results.map((r, i) => (
              <div key={`${r.title} ${i}`} data-first={i === 0 || undefined}>
                <dt>{r.title}</dt>
                <dd>
                  {valueOf(r, me.units)}
                  {r.verdict && (
                    <>
                      {' '}
                      <VerdictMark verdict={r.verdict} small />
                      {r.because !== undefined && <small>{r.because}</small>}
                    </>
                  )}
                </dd>
              </div>
            ))}
          </dl>
        </section>
        <Drawn sheet={sheet} typed={typed} system={me.units} results={results} />
        <section aria-label="How it is reckoned" className={styles.how}>
          <p>
            <b>{sheet.formula}</b>
          </p>
          <p>{sheet.source}</p>
          <p>
            <b>Usual mistake:</b> {sheet.trap}
          </p>
        </section>
      </div>
    </Page>
  );
}

function valueOf({ value, dimension, unit = '', u, instead }: Result, system: UnitSystem): string {
  if (instead !== undefined) return instead;
  const shown = dimension ? showReading({ kind: 'value', value, dimension }, system) : { figures: large(value), unit };
  const width = (by: number): string =>
    dimension ? showReading({ kind: 'value', value: by, dimension }, system, value).figures : formatNumber(by, 2);
  return `${shown.figures}${u === undefined ? '' : ` ± ${width(u)}`} ${shown.unit}`.trim();
}

/** Four figures, with a sign between thousands. */
const large = (value: number): string => {
  const figures = Number(value.toPrecision(FIGURES));
  return Math.abs(figures) >= 10_000 ? figures.toLocaleString('en-US') : formatNumber(figures, FIGURES);
};

interface DrawnProps {
  readonly sheet: Worksheet;
  readonly typed: Readonly<Record<string, string>>;
  readonly system: UnitSystem;
  readonly results: readonly Result[];
}

function Drawn({ sheet, typed, system, results }: DrawnProps) {
  const { curve } = sheet;
  const shown = curve && results[curve.result];
  const ask = curve && sheet.asks.find((a) => a.id === curve.of);
  if (!shown || ask?.kind !== 'number') return null;
  // Along it in the unit that is typed.
  const typedIn = findUnit(ask.unit || (system === 'us' ? '°F' : '°C'), ask.dimension);
  const along = (x: number): number => (typedIn ? (x - (typedIn.offset ?? 0)) / typedIn.factor : x);
  const { dimension } = shown;
  const up = (y: number): number =>
    dimension ? Number(showReading({ kind: 'value', value: y, dimension }, system, shown.value).figures) : y;
  const unit = dimension
    ? showReading({ kind: 'value', value: shown.value, dimension }, system, shown.value).unit
    : (shown.unit ?? '');
  const points = curveOf(sheet, typed)
    .filter(([, y]) => y >= 0)
    .map(([x, y]) => ({ x: along(x), y: up(y) }));
  return (
    <Chart
      title={`${shown.title}, as ${uncapital(ask.title)} changes`}
      unit={unit}
      across={`${ask.title}${typedIn ? `, ${typedIn.symbol}` : ''}`}
      points={points}
    />
  );
}
