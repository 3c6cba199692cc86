import { Input, type InputProps } from 'antd';
import { useId } from 'react';
import styles from './Field.module.css';

interface Props extends Pick<InputProps, 'placeholder' | 'maxLength' | 'type'> {
  readonly label: string;
  /** The label is there for who cannot see the placeholder. */
  readonly labelHidden?: boolean;
  readonly value: string;
  /** What is wrong with it, and what to write. */
  readonly problem?: string | undefined;
  readonly onChange: (value: string) => void;
}

/** A line of text with its label, and what is wrong with it below. */
export function Field({ label, labelHidden = false, value, problem, onChange, ...rest }: Props) {
  const id = useId();
  return (
    <label className={styles.field}>
      {!labelHidden && <span>{label}</span>}
      <Input
        {...rest}
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined ? undefined : id}
        status={problem === undefined ? '' : 'error'}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      {problem !== undefined && (
        <span id={id} role="alert" className="problem">
          {problem}
        </span>
      )}
    </label>
  );
}
