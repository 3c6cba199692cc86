import { useState } from 'react';
import { asksOf, can, closingProblems, type Ending, ENDING_LIST, requirementsOf } from '@zetalysis/core/rules';
import type { CallView } from '@zetalysis/core/presentation';
import { uncapital } from '@zetalysis/core/units';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import type { BeadState } from '../../../diagrams/BeadMark';
import { Strand, StrandRow } from '../../../diagrams/Strand';
import { Button } from '../../../kit/Button';
import { Dialog } from '../../../kit/Dialog';
import { Field } from '../../../kit/Field';
import { Notice } from '../../../kit/Notice';
import styles from './EndCall.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly setup: CallView['setup'];
  readonly needed: CallView['needed'];
  readonly onBody: (body: EventBody) => void;
  readonly onClose: () => void;
}

/** The rights by which each ending goes. */
const ACTIONS = {
  proved: 'proved',
  'not-proved': 'not-proved',
  waiting: 'waiting',
  'left-off': 'left-off',
  'nothing-found': 'nothing-found',
  mistake: 'mistake',
  referred: 'referred',
} as const;

/** How a call ends: each way with what it asks; what is missing is said at the button when it is pressed. */
export default function EndCall({ setup, needed, onBody, onClose }: Props) {
  const { followed, person } = useRules();
  const [chosen, setChosen] = useState<Ending>(() => likely(followed.c.repaired.size > 0));
  const [given, setGiven] = useState<Record<string, string>>(() => waitsFor(needed));
  const [problems, setProblems] = useState<readonly string[]>([]);
  const choose = (ending: Ending): void => {
    setChosen(ending);
    setProblems([]);
  };
  const end = (): void => {
    const found = closingProblems(chosen, given, followed);
    setProblems(found);
    if (found.length > 0) return;
    const asked = new Set([...asksOf(chosen, followed), ...(chosen.optional ?? [])].map(({ id }) => id));
    const answers = Object.fromEntries(Object.entries(given).filter(([id]) => asked.has(id)));
    onBody({ type: 'closed', words: '', ending: chosen.id, given: answers });
    onClose();
  };
  const claims =
    can(person, ACTIONS[chosen.id], {
      dot: chosen.id === 'not-proved' && asksOf(chosen, followed).length > chosen.asks.length,
    }) === 'c';
  return (
    <Dialog
      title="How does this call end?"
      action={`Close: ${chosen.title.toLowerCase()}`}
      onAction={end}
      onClose={onClose}
      width={980}
    >
      <div className={styles.ways}>
        <Strand role="radiogroup" aria-label="Endings">
          {ENDING_LIST.map((ending) => (
            <StrandRow key={ending.id} state={BEADS[ending.id] ?? 'open'} role="presentation">
              <button
                type="button"
                role="radio"
                className={styles.way}
                aria-checked={ending.id === chosen.id}
                aria-label={ending.title}
                onClick={() => choose(ending)}
              >
                <span>
                  <b>{ending.title}</b>
                  <small>{asksWords(ending)}</small>
                </span>
                <em>{openWords(requirementsOf(ending, followed).filter(({ met }) => !met).length)}</em>
              </button>
            </StrandRow>
          ))}
        </Strand>
        <div className={styles.chosen}>
          <h3>{chosen.title}</h3>
          <ul className={styles.asks} aria-label="What it asks">
            {requirementsOf(chosen, followed).map(({ id, words, met }) => (
              <li key={id} data-met={met}>
                <span role="img" aria-label={met ? 'Met' : 'Open'}>
                  {met ? '✓' : '○'}
                </span>{' '}
                {words}
                {id === 'gas-power-known' && !met && (
                  <Button onClick={() => onBody(setupEntry(setup))}>
                    Note: gas {setup.gas ? 'on' : 'off'}, power {setup.power ? 'on' : 'off'}
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {[...asksOf(chosen, followed), ...(chosen.optional ?? [])].map(({ id, ask }) => (
            <Field
              key={id}
              label={ask}
              maxLength={300}
              value={given[id] ?? ''}
              onChange={(value) => setGiven({ ...given, [id]: value })}
            />
          ))}
          {claims && <p className="fine">It waits for a countersignature: the call stays open until then.</p>}
          {problems.length > 0 && (
            <Notice
              kind="problem"
              more={
                <ul>
                  {problems.map((p) => (
                    <li key={p}>{p}</li>
                  ))}
                </ul>
              }
            >
              Not yet. Still to do:
            </Notice>
          )}
        </div>
      </div>
    </Dialog>
  );
}

/** What a waiting call waits for, where parts were noted that have not come. */
function waitsFor(needed: Props['needed']): Record<string, string> {
  const missing = needed.filter(({ here }) => !here);
  const all = (words: readonly string[]): string =>
    [...new Set(words.filter((w) => w !== ''))].join(', ').slice(0, 300);
  if (missing.length === 0) return {};
  return {
    for: all(missing.map(({ what }) => what)),
    whom: all(missing.map(({ from }) => from)),
    when: missing.map(({ expected }) => expected).reduce((a, b) => (a > b ? a : b)),
  };
}

/** How each way is drawn on the cord; what is left as it is has a ring. */
const BEADS: Partial<Record<Ending['id'], BeadState>> = { proved: 'lit', waiting: 'clock', 'left-off': 'stop' };

const asksWords = ({ asks }: Ending): string =>
  asks.length === 0 ? 'asks: all of the list' : `asks: ${asks.map(({ ask }) => uncapital(ask)).join(', ')}`;

const openWords = (open: number): string => (open === 0 ? '' : `${open} open`);

const likely = (repaired: boolean): Ending => ENDING_LIST.find(({ id }) => id === (repaired ? 'proved' : 'waiting'))!;
