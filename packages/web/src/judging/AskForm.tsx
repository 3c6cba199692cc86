import { Input } from 'antd';
import { useId } from 'react';
import type { Ask } from '@zetalysis/core/bench';
import { endsInUnit } from '@zetalysis/core/units';
import { Strand, StrandRow } from '../diagrams/Strand';
import { Choice } from '../kit/Choice';
import styles from './AskForm.module.css';

interface Props {
  readonly asks: readonly Ask[];
  readonly typed: Readonly<Record<string, string>>;
  readonly problems: Readonly<Record<string, string>>;
  readonly onType: (id: string, value: string) => void;
}

/** What a test or a calculator asks, in its order beside the flue: it burns as far as it is answered. */
export function AskForm({ asks, typed, problems, onType }: Props) {
  const answered = (a: Ask): boolean => (typed[a.id] ?? '') !== '' && problems[a.id] === undefined;
  const next = asks.find((a) => !answered(a) && (a.need === 'must' || a.need === 'agree'));
  return (
    <Strand>
      {asks.map((ask) => (
        <StrandRow
          key={ask.id}
          state={answered(ask) ? 'lit' : ask === next ? 'front' : 'open'}
          className={styles.row!}
          data-next={ask === next || undefined}
        >
          {ask.kind === 'choice' ? (
            <div className={styles.choice}>
              <Choice
                label={ask.title}
                value={typed[ask.id] === '' ? undefined : typed[ask.id]}
                placeholder={NEEDS[ask.need]}
                options={[
                  ...ask.options.map((o) => ({ value: o.id, label: o.title })),
                  ...(typed[ask.id] ? [{ value: NOT_SAID, label: 'not said' }] : []),
                ]}
                onChange={(value) => onType(ask.id, value === NOT_SAID ? '' : value)}
              />
              {problems[ask.id] !== undefined && <Problem words={problems[ask.id]!} />}
            </div>
          ) : (
            <NumberField
              ask={ask}
              value={typed[ask.id] ?? ''}
              problem={problems[ask.id]}
              onType={(value) => onType(ask.id, value)}
            />
          )}
        </StrandRow>
      ))}
    </Strand>
  );
}

const NOT_SAID = '-';

/** What becomes of it where nobody says it. */
const NEEDS: Readonly<Record<Ask['need'], string>> = {
  must: 'needed',
  agree: 'not said',
  assumed: 'assumed if not said',
  maybe: 'if known',
};

interface FieldProps {
  readonly ask: Extract<Ask, { kind: 'number' }>;
  readonly value: string;
  readonly problem: string | undefined;
  readonly onType: (value: string) => void;
}

function NumberField({ ask, value, problem, onType }: FieldProps) {
  const id = useId();
  return (
    <label className={styles.number}>
      <span>
        {ask.title}
        {ask.need !== 'must' && <small>{NEEDS[ask.need]}</small>}
      </span>
      <Input
        aria-label={ask.title}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined ? undefined : id}
        status={problem === undefined ? '' : 'error'}
        placeholder={ask.example}
        suffix={endsInUnit(value) ? '' : ask.unit}
        value={value}
        maxLength={40}
        inputMode="text"
        onChange={(e) => onType(e.target.value)}
      />
      {problem !== undefined && <Problem id={id} words={problem} />}
    </label>
  );
}

const Problem = ({ id, words }: { readonly id?: string; readonly words: string }) => (
  <span id={id} role="alert" className={`problem ${styles.problem}`}>
    {words}
  </span>
);
