import { Input, type InputRef } from 'antd';
import { type ReactNode, type RefObject, useId } from 'react';
import { Button } from './Button';
import styles from './ReadingField.module.css';
import { useKeptFocus } from './use-kept-focus';

interface Props {
  /** What is read. */
  readonly label: string;
  /** What stands before the field instead of nothing. */
  readonly lead?: ReactNode;
  readonly text: string;
  readonly placeholder?: string;
  /** Why the text cannot be taken, and how it is written. */
  readonly problem: string | undefined;
  readonly field: RefObject<InputRef | null>;
  /** The one field of the page that the next number goes into. */
  readonly main?: boolean;
  readonly onText: (text: string) => void;
  readonly onEnter: () => void;
  /** What goes with the field, behind its button. */
  readonly children?: ReactNode;
}

/** What an instrument shows, typed: figures that stand under each other, a button of the thumb, the problem below. */
export function ReadingField(props: Props) {
  const { label, lead, text, placeholder, problem, field, main = false, onText, onEnter, children } = props;
  const id = useId();
  useKeptFocus(field);
  return (
    <form
      className={styles.reading}
      data-more={(Boolean(children) && !main) || undefined}
      onSubmit={(e) => {
        e.preventDefault();
        onEnter();
      }}
    >
      <label className={styles.line}>
        {lead}
        <Input
          ref={field}
          className={main ? `${styles.field} ${styles.main}` : styles.field}
          aria-label={label}
          aria-invalid={problem !== undefined}
          aria-describedby={problem === undefined ? undefined : id}
          status={problem === undefined ? '' : 'error'}
          value={text}
          onChange={(e) => onText(e.target.value)}
          placeholder={placeholder}
          autoComplete="off"
          inputMode="text"
          enterKeyHint="send"
          {...(main ? { 'data-next-field': true } : {})}
        />
      </label>
      <Button htmlType="submit" tone={main ? 'main' : 'plain'}>
        Enter
      </Button>
      {children}
      {problem !== undefined && (
        <p id={id} role="alert" className={`problem ${styles.problem}`}>
          {problem}
        </p>
      )}
    </form>
  );
}
