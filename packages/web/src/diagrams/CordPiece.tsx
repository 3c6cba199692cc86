import { BeadMark, type BeadState } from './BeadMark';
import styles from './CordPiece.module.css';

interface Props {
  readonly state: BeadState;
  /** It was answered with no. */
  readonly missed?: boolean;
}

/** One bead with its piece of the cord, in the flue: whatever runs in order hangs on such pieces, one in each row of a list. */
export const CordPiece = ({ state, missed = false }: Props) => (
  <span className={styles.piece} data-state={state}>
    <BeadMark state={state} missed={missed} />
  </span>
);
