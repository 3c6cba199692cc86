import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { Machine } from '@zetalysis/contract';
import { InHead } from '../../app/head-slot';
import { Button } from '../../kit/Button';
import styles from './CallHead.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly machine: Machine | undefined;
  /** Whose machine it is; '' where nobody wrote it down. */
  readonly customer: string;
  /** Who looks on, by their full names. */
  readonly looking: readonly string[];
  /** Shows the call to the leads, or no more; nothing for who looks on. */
  readonly onShow: ((on: boolean) => void) | undefined;
  readonly onTriage: () => void;
}

/** Which machine it is, and what the customer says. */
export const CallHead = ({ drawing, view, machine, customer, looking, onShow, onTriage }: Props) => (
  <InHead>
    <div className={styles.head}>
      <div className={styles.where} data-machine>
        <h1>{machine?.label ?? drawing.title}</h1>
        {machine && (
          <p title={`${customer === '' ? '' : `${customer}, `}${machine.site}`}>
            {customer !== '' && `${customer}, `}
            {machine.site}
          </p>
        )}
      </div>
      {machine && (
        <div className={styles.what}>
          <p>{drawing.title}</p>
          <p>
            {machine.make} {machine.modelName}
          </p>
        </div>
      )}
      <q title={view.complaint}>{view.complaint}</q>
      <Does view={view} looking={looking} onShow={onShow} onTriage={onTriage} />
      {view.pinnedVersion !== drawing.version && (
        <span className="notice">
          Opened with profile {view.pinnedVersion}; shown with {drawing.version}.
        </span>
      )}
    </div>
  </InHead>
);

type DoesProps = Pick<Props, 'view' | 'looking' | 'onShow' | 'onTriage'>;

const Does = ({
  view,
  looking,
  onShow,
  onTriage,
  tone = 'plain',
}: DoesProps & { readonly tone?: 'plain' | 'quiet' }) => (
  <div className={styles.does}>
    {view.untouched && !view.closed && (
      <Button tone={tone} onClick={onTriage}>
        Before the visit
      </Button>
    )}
    {onShow && !view.closed && (
      <Button tone={tone} aria-pressed={view.shown} onClick={() => onShow(!view.shown)}>
        {view.shown
          ? looking.length > 0
            ? `${looking.join(' and ')} looks on`
            : 'Shown to a lead'
          : 'Show it to a lead'}
      </Button>
    )}
  </div>
);

/** On a phone the head has room for the name only: what the customer says and what belongs to it stand above the test. */
export const HeadOfNext = (props: DoesProps) => (
  <div className={styles.ofNext}>
    <q>{props.view.complaint}</q>
    <Does {...props} tone="quiet" />
  </div>
);
