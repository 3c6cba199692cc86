import { type KeyboardEvent, useRef } from 'react';
import styles from './Exercise.module.css';

/** Whoever presses shorter than this means it to stay held, as by a second pair of hands; milliseconds. */
const TAP = 400;

interface Props {
  readonly held: boolean;
  readonly onHold: (held: boolean) => void;
}

/** The knob of a pilot: held while a finger or a key is on it, or from a tap to the next one. */
export function Knob({ held, onHold }: Props) {
  const pressed = useRef<number>(undefined);
  const press = (): void => {
    if (held) return onHold(false);
    pressed.current = performance.now();
    onHold(true);
  };
  const letGo = (): void => {
    const since = pressed.current;
    pressed.current = undefined;
    if (since !== undefined && performance.now() - since > TAP) onHold(false);
  };
  const key = (event: KeyboardEvent): boolean => {
    if (event.key !== ' ' && event.key !== 'Enter') return false;
    event.preventDefault();
    return !event.repeat;
  };
  return (
    <button
      type="button"
      className={styles.knob}
      aria-pressed={held}
      onPointerDown={press}
      onPointerUp={letGo}
      onPointerLeave={letGo}
      onPointerCancel={letGo}
      onKeyDown={(e) => {
        if (key(e)) press();
      }}
      onKeyUp={(e) => {
        if (key(e)) letGo();
      }}
      onBlur={letGo}
      onContextMenu={(e) => e.preventDefault()}
    >
      <span>Knob</span> {held ? 'HELD' : 'FREE'}
    </button>
  );
}
