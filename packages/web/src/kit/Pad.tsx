import { Fragment } from 'react';
import styles from './Pad.module.css';

interface Props {
  /** An open line can be read here. */
  readonly open: boolean;
  /** Units to choose from, as they are typed; the first one needs none. */
  readonly units: readonly string[];
  readonly text: string;
  readonly onText: (text: string) => void;
}

/** Three rows of three figures and one with the point; beside each row stands what is not a figure. */
const ROWS = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
  ['.', '0', '–'],
] as const;

/** A reading by thumb: figures, a range for what does not stand still, an open line, and the unit; it writes what one would have typed. */
export function Pad({ open, units, text, onText }: Props) {
  const figures = text.replace(/\s*(?:OL|[^\d.–-]+)\s*$/, '');
  const others = [
    <button
      key="back"
      type="button"
      aria-label="Take the last figure back"
      onClick={() => onText(figures.slice(0, -1))}
    >
      ⌫
    </button>,
    ...(open
      ? [
          <button key="OL" type="button" aria-pressed={text === 'OL'} onClick={() => onText('OL')}>
            OL
          </button>,
        ]
      : []),
    ...units.slice(1).map((unit) => (
      <button
        key={unit}
        type="button"
        aria-pressed={text.endsWith(` ${unit}`)}
        onClick={() => onText(text.endsWith(` ${unit}`) ? figures : `${figures} ${unit}`)}
      >
        {unit}
      </button>
    )),
  ];
  return (
    <div className={styles.pad} role="group" aria-label="Pad">
      {ROWS.map((keys, row) => (
        <Fragment key={row}>
          {keys.map((key) => (
            <button
              key={key}
              type="button"
              aria-label={key === '–' ? 'to: it is unsteady' : key}
              onClick={() => onText(`${figures}${key}`)}
            >
              {key === '–' ? '– ∼' : key}
            </button>
          ))}
          {others[row] ?? <span />}
        </Fragment>
      ))}
    </div>
  );
}
