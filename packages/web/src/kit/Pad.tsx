import styles from './Pad.module.css';

interface Props {
  /** An open line can be read here. */
  readonly open: boolean;
  /** Units to choose from, as they are typed; the first one needs none. */
  readonly units: readonly string[];
  readonly text: string;
  readonly onText: (text: string) => void;
}

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '–'] as const;

/** A reading by thumb: figures, a range for what does not stand still, an open line, and the unit; it writes what one would have typed. */
export function Pad({ open, units, text, onText }: Props) {
  const figures = text.replace(/\s*(?:OL|[^\d.–-]+)\s*$/, '');
  return (
    <div className={styles.pad} role="group" aria-label="Pad">
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          aria-label={key === '–' ? 'to: it is unsteady' : key}
          onClick={() => onText(`${figures}${key}`)}
        >
          {key === '–' ? '– ∼' : key}
        </button>
      ))}
      <button type="button" aria-label="Take the last figure back" onClick={() => onText(figures.slice(0, -1))}>
        ⌫
      </button>
      {open && (
        <button type="button" aria-pressed={text === 'OL'} onClick={() => onText('OL')}>
          OL
        </button>
      )}
      {units.slice(1).map((unit) => (
        <button
          key={unit}
          type="button"
          aria-pressed={text.endsWith(` ${unit}`)}
          onClick={() => onText(text.endsWith(` ${unit}`) ? figures : `${figures} ${unit}`)}
        >
          {unit}
        </button>
      ))}
    </div>
  );
}
