import type { CallView } from '@zetalysis/core/presentation';
import bar from '../../kit/Bar.module.css';
import { useNow } from '../../kit/use-now';
import { clock } from '../../kit/clock';
import { percent } from './percent';
import styles from './ThumbBar.module.css';
import { useWatch } from './use-watch';

/** On a phone the call has one job on the screen at a time. */
const JOBS = ['steps', 'circuit', 'next', 'suspects', 'log'] as const;
export type Job = (typeof JOBS)[number];

const TITLES: Readonly<Record<Job, string>> = {
  steps: 'Steps',
  circuit: 'Circuit',
  next: 'Next',
  suspects: 'Suspects',
  log: 'Log',
};

const SIGNS: Readonly<Record<Job, string>> = {
  steps:
    'M12 1v22M9 5a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M9 12a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M9 19a3 3 0 1 0 6 0a3 3 0 1 0 -6 0',
  circuit: 'M3 2v20M21 2v20M3 7h6l5 -3M15 7h6M3 16h5M16 16h5M8 16a4 4 0 1 0 8 0a4 4 0 1 0 -8 0',
  next: 'M4 20l9 -9M13 11l6 -6a2 2 0 0 1 3 3l-6 6zM4 20l-2 2',
  suspects: 'M3 5h18M3 12h11M3 19h5',
  log: 'M5 2h11l4 4v16H5zM9 9h7M9 13h7M9 17h4',
};

interface Props {
  readonly call: string;
  readonly view: CallView;
  readonly job: Job;
  readonly onJob: (job: Job) => void;
}

/** At the thumb: what is to be done on the screen, and above it always the first suspect and the clock that runs. */
export function ThumbBar({ call, view, job, onJob }: Props) {
  return (
    <div className={styles.foot}>
      <Strip call={call} view={view} />
      <nav className={bar.bar} aria-label="On the screen">
        {JOBS.map((j) => (
          <button key={j} type="button" aria-current={j === job ? 'page' : undefined} onClick={() => onJob(j)}>
            <svg viewBox="0 0 24 24" aria-hidden="true">
              <path d={SIGNS[j]} />
            </svg>
            {TITLES[j]}
          </button>
        ))}
      </nav>
    </div>
  );
}

function Strip({ call, view }: Pick<Props, 'call' | 'view'>) {
  const [watch] = useWatch(call);
  const [timer] = view.timers;
  const now = useNow(watch || timer ? 1000 : undefined);
  const [first] = view.suspects;
  return (
    <p className={styles.strip} role="status" data-strip>
      <span>
        <b>{first ? first.brief : 'No suspect yet'}</b>
        {timer && <small>{timer.title}</small>}
      </span>
      <strong>{first && percent(first.probability)}</strong>
      {(watch ?? timer) && <time>{clock(watch ? now - watch.start : timer!.ends - now)}</time>}
    </p>
  );
}
