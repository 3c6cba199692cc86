import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { CallSummary, ProfileSummary } from '@zetalysis/contract';
import { buildOf, type CallEvent, type Overview } from '@zetalysis/core/visit';
import { buildWords } from '../../api/appliances';
import { breakWords, endedWords } from '../../api/ended';
import type { BeadState } from '../../diagrams/BeadMark';
import { MiniCord, type MiniStep } from '../../diagrams/MiniCord';
import { StrandRow } from '../../diagrams/Strand';
import { Status } from '../../kit/Status';
import styles from './CallRow.module.css';
import { isStopped } from './standing';
import { hour, openSince, waitsFor } from './waits-for';

interface Props {
  readonly call: CallSummary;
  /** Families have their names and steps from here. */
  readonly profiles: readonly ProfileSummary[];
  /** By the shop's clock. */
  readonly now: number;
}

/** A call as it hangs on the day's cord: since when, whose machine, how far it runs, what it waits for, and whose it is. */
export function CallRow({ call, profiles, now }: Props) {
  const { overview } = call;
  const phases = profiles.find((p) => p.id === call.profile)?.phases ?? [];
  const name = call.machine?.label ?? buildWords(profiles, call);
  const stopped = isStopped(call);
  const open = overview.state !== 'closed' || overview.waits !== null;
  return (
    <Row
      id={call.id}
      state={stopped ? 'stop' : beadOf(overview, open, now)}
      stopped={stopped}
      done={!open}
      since={hour(call.openedAt)}
      name={name}
      site={call.machine?.site}
      complaint={call.complaint}
      person={call.person}
      open={open ? `open ${openSince(call.openedAt, now)}` : undefined}
    >
      {call.callbackOf && <Status>called back</Status>}
      <Cord overview={overview} phases={phases} done={!open} />
      {stopped ? <Stops name={name} overview={overview} /> : <Standing overview={overview} open={open} now={now} />}
    </Row>
  );
}

/** A call that was opened here and waits to be sent. */
export const UnsentRow = ({
  opening: { call, at, body },
  profiles,
}: Pick<Props, 'profiles'> & { readonly opening: CallEvent }) =>
  body.type === 'opened' && (
    <Row
      id={call}
      state="open"
      stopped={false}
      done={false}
      since={hour(at)}
      name={buildWords(profiles, { profile: body.profile, build: buildOf(body) })}
      site={undefined}
      complaint={body.complaint}
      person=""
      open={undefined}
    >
      <b>Kept on this device, not sent yet</b>
    </Row>
  );

interface RowProps {
  readonly id: string;
  readonly state: BeadState;
  readonly stopped: boolean;
  readonly done: boolean;
  readonly since: string;
  readonly name: string;
  readonly site: string | undefined;
  readonly complaint: string;
  readonly person: string;
  readonly open: string | undefined;
  readonly children: ReactNode;
}

const Row = ({ id, state, stopped, done, since, name, site, complaint, person, open, children }: RowProps) => (
  <StrandRow state={state} className={styles.row!} data-stopped={stopped || undefined} data-done={done || undefined}>
    <Link to={`/calls/${id}`}>
      <time>{since}</time>
      <span className={styles.machine}>
        <b>{name}</b>
        <span>{site}</span>
        <q>{complaint}</q>
      </span>
      <span className={styles.standing}>{children}</span>
      <span className={styles.person}>
        <b>{person}</b>
        <small>{open}</small>
      </span>
    </Link>
  </StrandRow>
);

function beadOf({ steps, clocks, ending }: Overview, open: boolean, now: number): BeadState {
  if (!open) return ending === 'proved' ? 'lit' : 'unlit';
  if (clocks.some(({ ends }) => Date.parse(ends) > now)) return 'clock';
  return steps.length > 0 ? 'front' : 'open';
}

interface CordProps {
  readonly overview: Overview;
  readonly phases: ProfileSummary['phases'];
  readonly done: boolean;
}

/** How far the run came: up to the first step that was missed, or as far as steps were seen. */
function Cord({ overview: { steps, ending }, phases, done }: CordProps) {
  const wanted = phases.filter((p) => !p.unwanted);
  if (wanted.length === 0) return null;
  const answerOf = new Map(steps.map(({ phase, answer }) => [phase, answer]));
  const front = wanted.findIndex(({ id }) => answerOf.get(id) === 'no');
  const seen =
    done && ending === 'proved' ? wanted.length : wanted.findLastIndex((p) => answerOf.get(p.id) === 'yes') + 1;
  const came = front < 0 ? seen : front;
  const states = wanted.map((_, i): MiniStep => (i === front ? 'front' : i < came ? 'lit' : 'unlit'));
  const words =
    front >= 0
      ? `broke off at “${wanted[front]!.title}”, step ${front + 1} of ${wanted.length}`
      : came === 0
        ? 'no step answered yet'
        : `${came} of ${wanted.length} steps came`;
  return <MiniCord steps={states} words={words} />;
}

function Standing({ overview, open, now }: { overview: Overview; open: boolean; now: number }) {
  if (overview.state === 'late') return <Status tone="alarm">open: late entry</Status>;
  if (!open) return <Ended overview={overview} />;
  const [first, then] = waitsFor(overview, now);
  return (
    <span className={styles.words}>
      <b>{first}</b> {then}
    </span>
  );
}

function Ended({ overview }: { overview: Overview }) {
  const { record } = overview;
  return (
    <span className={styles.words}>
      {record && <b>{breakWords(overview)}.</b>} {endedWords(overview)}
      {record && record.cause !== '' && <small>{record.cause}</small>}
    </span>
  );
}

const GRADES = { out: 'Everybody out', off: 'It stays off', hold: 'Hold' } as const;

/** What stops the work there, what is not answered yet, and who can end it. */
const Stops = ({ name, overview }: { name: string; overview: Overview }) =>
  overview.stops.map((s) => (
    <span key={s.id} className={styles.words} role="alert">
      <b>STOP since {hour(s.since)}:</b> {s.title}
      <span className="hidden"> at {name}</span>. {GRADES[s.grade]}, {s.person}.
      {s.order !== null && ` Not answered yet: ${s.order}`}
      {s.unable.length > 0 && <b> Could not: {s.unable.join(' ')}</b>} Ended by: {s.endedBy}.
    </span>
  ));
