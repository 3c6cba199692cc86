import { Fragment } from 'react';
import styles from './Pad.module.css';

/** A unit, or what the meter is set to: as it is typed, and as it stands on the key. */
export interface PadUnit {
  readonly typed: string;
  readonly title?: string;
  /** It has to be written: none is meant where none is typed. */
  readonly written?: boolean;
}

interface Props {
  /** An open line can be read here. */
  readonly open: boolean;
  /** Units to choose from; the first one is meant where none is typed, unless it has to be written. */
  readonly units: readonly PadUnit[];
  readonly text: string;
  readonly onText: (text: string) => void;
}

/** Rows of figures; beside each stands what is not a figure. */
const ROWS = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
] as const;

/** A reading by thumb: figures, a range for what does not stand still, an open line, and the unit; it writes what one would have typed. */
export function Pad({ open, units, text, onText }: Props) {
  const [first] = units;
  const figures = text.replace(/\s*(?:OL|[^\d.–-]+)\s*$/, '');
  const unit = units.find(({ typed }) => text.endsWith(` ${typed}`)) ?? (first?.written ? undefined : first);
  const unitOf = (u: PadUnit | undefined): string =>
    u === undefined || (u === first && !u.written) ? '' : ` ${u.typed}`;
  const put = (sign: string): void => onText(`${figures}${sign}${unitOf(unit)}`);
  const others = [
    <button
      key="back"
      type="button"
      aria-label="Take the last figure back"
      onClick={() => onText(figures.length < 2 ? '' : `${figures.slice(0, -1)}${unitOf(unit)}`)}
    >
      ⌫
    </button>,
    open ? (
      <button key="OL" type="button" aria-pressed={text === 'OL'} onClick={() => onText('OL')}>
        OL
      </button>
    ) : (
      <span key="none" />
    ),
    <button
      key="unsteady"
      type="button"
      aria-label="to: it is unsteady"
      disabled={figures === '' || /\d[–-]/.test(figures)}
      onClick={() => put('–')}
    >
      – ∼ <small>unsteady</small>
    </button>,
  ];
  return (
    <div className={styles.pad} role="group" aria-label="Pad">
      {units.length > 1 && (
        <div className={styles.units}>
          {units.map((u) => (
            <button
              key={u.typed}
              type="button"
              aria-pressed={u === unit && text !== 'OL'}
              onClick={() => onText(`${figures}${unitOf(u)}`)}
            >
              {u.title ?? u.typed}
            </button>
          ))}
        </div>
      )}
      {ROWS.map((keys, row) => (
        <Fragment key={row}>
          {keys.map((key) => (
            <Figure key={key} figure={key} onPut={put} />
          ))}
          {others[row]}
        </Fragment>
      ))}
      <Figure figure="." onPut={put} />
      <Figure figure="0" onPut={put} />
      <Figure figure="-" name="minus" onPut={put} />
    </div>
  );
}

interface FigureProps {
  readonly figure: string;
  readonly name?: string;
  readonly onPut: (figure: string) => void;
}

const Figure = ({ figure, name = figure, onPut }: FigureProps) => (
  <button type="button" aria-label={name} onClick={() => onPut(figure)}>
    {figure === '-' ? '−' : figure}
  </button>
);
