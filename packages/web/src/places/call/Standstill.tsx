import { Button } from '../../kit/Button';
import styles from './Standstill.module.css';

interface Props {
  /** What to do, and what not. */
  readonly words: string;
  readonly onOver: () => void;
}

/** Somebody could be hurt: everything else waits until those in charge have declared it safe. */
export const Standstill = ({ words, onOver }: Props) => (
  <div className={styles.danger} role="alert">
    <strong>{words}</strong>
    <Button tone="alarm" onClick={onOver}>
      Declared safe by those in charge: go on
    </Button>
  </div>
);
