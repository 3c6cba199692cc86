import { useState } from 'react';
import { type Fact, type FactValue } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Choices } from '../../../kit/Choices';
import { Field } from '../../../kit/Field';
import styles from './StopScreen.module.css';

interface Props {
  readonly fact: Fact;
  /** What is so now, where it was said. */
  readonly value?: FactValue | undefined;
  readonly onAnswer: (value: FactValue, body: EventBody) => void;
}

/** A fact of the rules is answered: by one of its words, or by a number in its unit. */
export function FactAnswer({ fact, value, onAnswer }: Props) {
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string>();
  const say = (said: FactValue): void => onAnswer(said, { type: 'fact', fact: fact.id, value: said });
  if (!('unit' in fact.is))
    return (
      <Choices label={fact.ask}>
        {fact.is.map(({ id, title }) => (
          <Button key={id} aria-pressed={value === id} onClick={() => say(id)}>
            {title}
          </Button>
        ))}
      </Choices>
    );
  const { unit } = fact.is;
  const enter = (e: React.FormEvent): void => {
    e.preventDefault();
    const number = Number(typed.trim().replace(',', '.'));
    if (typed.trim() === '' || !Number.isFinite(number)) return setProblem(`Type a number in ${unit}.`);
    setProblem(undefined);
    setTyped('');
    say(number);
  };
  return (
    <form className={styles.answers} onSubmit={enter}>
      <Field
        label={`${fact.ask} (${unit})`}
        labelHidden
        placeholder={value === undefined ? unit : `${value} ${unit}`}
        maxLength={12}
        value={typed}
        problem={problem}
        onChange={setTyped}
      />
      <Button htmlType="submit">Enter</Button>
    </form>
  );
}
