import type { Authority, Grant } from './role';
import type { Ender } from './stops';

/** Something that is done to a call or said of it. */
export type Action =
  | 'record'
  | 'bypass-off'
  | 'reopen'
  | 'bypass'
  | 'reset'
  | 'gas-work'
  | 'line-test'
  | 'forbidden-bypass'
  | 'forbidden-reset'
  | 'end-stop'
  | 'need'
  | 'proof-line'
  | 'does-not-apply'
  | 'break'
  | 'proved'
  | 'not-proved'
  | 'nothing-found'
  | 'mistake'
  | 'waiting'
  | 'left-off'
  | 'referred'
  | 'countersign'
  | 'tighten'
  | 'teach'
  | 'rates'
  | 'grants'
  | 'accounts'
  | 'loosen';

/** What the answer hangs on, beside who asks. */
export interface State {
  /** Who may end the stop in question. */
  readonly endedBy?: Ender;
  /** The need or line is one of gas. */
  readonly gas?: boolean;
  /** Only a lead may say that it does not apply. */
  readonly dot?: boolean;
  /** The thing in question is not fitted. */
  readonly notFitted?: boolean;
  /** A call that is closed takes only that it is opened again. */
  readonly closed?: boolean;
  /** A stop of grade `out` stands. */
  readonly out?: boolean;
  /** Whose claim is to be countersigned, or whose grants given. */
  readonly of?: Authority;
}

/**
 * `+` may · `m` takes effect at once, marked, and is not offered · `c` waits for the countersignature of somebody who may,
 * never one's own · `-` not at all.
 */
export type Right = '+' | 'm' | 'c' | '-';

const RECORDS: ReadonlySet<Action> = new Set(['record', 'bypass-off', 'reopen']);
const TAKES: Partial<Readonly<Record<Action, Grant>>> = { bypass: 'bypass', 'gas-work': 'gas', 'line-test': 'line' };
/** What somebody may still say while everybody is out. */
const WHILE_OUT: ReadonlySet<Action> = new Set([
  ...RECORDS,
  'end-stop',
  'referred',
  'countersign',
  'grants',
  'tighten',
]);

/** Who may do what. What is said of what is (`record`) is never refused. */
export function can(person: Authority, action: Action, state: State = {}): Right {
  if (state.out === true && ENDINGS.has(action) && !WHILE_OUT.has(action)) return '-';
  if (state.closed === true && !RECORDS.has(action)) return CLOSED.has(action) ? byRole(person, action, state) : '-';
  return byRole(person, action, state);
}

const ENDINGS: ReadonlySet<Action> = new Set([
  'break',
  'proved',
  'not-proved',
  'nothing-found',
  'mistake',
  'waiting',
  'left-off',
  'referred',
]);

/** What comes late to a closed call: what happened before anybody knew. */
const CLOSED: ReadonlySet<Action> = new Set([
  'bypass',
  'reset',
  'gas-work',
  'line-test',
  'forbidden-bypass',
  'forbidden-reset',
  'countersign',
  'grants',
  'tighten',
]);

function byRole(person: Authority, action: Action, state: State): Right {
  const { role } = person;
  if (RECORDS.has(action)) return '+';
  switch (action) {
    case 'bypass':
    case 'reset':
    case 'gas-work':
    case 'line-test':
      return isTrade(role) && has(person, TAKES[action]) ? '+' : 'm';
    case 'forbidden-bypass':
    case 'forbidden-reset':
      return 'm';
    case 'end-stop':
      return endsStop(person, state.endedBy ?? { role: 'lead' });
    case 'need':
    case 'proof-line':
      if (isTrade(role)) return '+';
      return role === 'apprentice' && state.gas !== true && state.dot !== true ? '+' : 'c';
    case 'does-not-apply':
      if (role === 'lead') return '+';
      if (role !== 'technician') return '-';
      return state.dot === true ? 'c' : state.notFitted === false ? '-' : '+';
    case 'not-proved':
      // Lines with a dot are open: a lead answers for it.
      return isTrade(role) && (state.dot !== true || role === 'lead') ? '+' : 'c';
    case 'break':
    case 'proved':
    case 'nothing-found':
    case 'mistake':
      return isTrade(role) ? '+' : 'c';
    case 'waiting':
    case 'left-off':
    case 'referred':
      return role === 'admin' ? 'c' : '+';
    case 'countersign':
      return role === 'lead' || (role === 'technician' && state.of?.role === 'apprentice') ? '+' : '-';
    case 'tighten':
      return role === 'lead' || role === 'admin' ? '+' : '-';
    case 'teach':
    case 'rates':
      return role === 'lead' ? '+' : '-';
    case 'accounts':
      return role === 'admin' ? '+' : '-';
    case 'grants': {
      if (role === 'admin') return '+';
      const lower = state.of?.role === 'apprentice' || state.of?.role === 'technician';
      return role === 'lead' && lower ? '+' : '-';
    }
    default:
      return '-';
  }
}

const isTrade = (role: Authority['role']): boolean => role === 'technician' || role === 'lead';

const has = ({ grants }: Authority, grant: Grant | undefined): boolean => grant === undefined || grants.includes(grant);

function endsStop(person: Authority, { role, grant }: Ender): Right {
  if (role === 'anyone') return '+';
  if (person.role === 'lead') return has(person, grant) ? '+' : 'c';
  return role === 'technician' && person.role === 'technician' && has(person, grant) ? '+' : 'c';
}
