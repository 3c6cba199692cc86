import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { Button } from '../../kit/Button';
import styles from './CallHead.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onTriage: () => void;
}

/** Which machine it is, and what the customer says. */
export const CallHead = ({ drawing, view, onTriage }: Props) => (
  <div className={styles.head}>
    <h1>{drawing.title}</h1>
    <q>{view.complaint}</q>
    {view.untouched && !view.closed && <Button onClick={onTriage}>Before the visit</Button>}
    {view.pinnedVersion !== drawing.version && (
      <span className="notice">
        Opened with profile {view.pinnedVersion}; shown with {drawing.version}.
      </span>
    )}
  </div>
);
