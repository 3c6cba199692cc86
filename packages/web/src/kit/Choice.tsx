import { Select } from 'antd';
import styles from './Choice.module.css';

interface Option<T extends string> {
  readonly value: T;
  readonly label: string;
}

interface Group<T extends string> {
  readonly label: string;
  readonly options: readonly Option<T>[];
}

interface Props<T extends string> {
  readonly label: string;
  /** The label is there for who cannot see what stands around it. */
  readonly labelHidden?: boolean;
  /** Nothing is chosen yet, or never: then the list is a menu of things to do. */
  readonly value: T | undefined;
  readonly placeholder?: string;
  readonly options: readonly (Option<T> | Group<T>)[];
  readonly onChange: (value: T) => void;
}

/** Longer lists are looked through by typing. */
const LONG = 8;

/** As much of a list as fits under its field on a small screen, pixels. */
const LIST_HEIGHT = 400;

/** One of several, by its label; for lists too long to stand side by side. */
export function Choice<T extends string>({ label, labelHidden, value, placeholder, options, onChange }: Props<T>) {
  const length = options.reduce((sum, o) => sum + ('options' in o ? o.options.length : 1), 0);
  return (
    <label className={styles.choice}>
      {labelHidden !== true && <span>{label}</span>}
      <Select
        className={styles.list!}
        aria-label={label}
        value={value ?? null}
        placeholder={placeholder}
        options={options.map((o) => ('options' in o ? { ...o, options: [...o.options] } : o))}
        onChange={(chosen: T | null) => chosen !== null && onChange(chosen)}
        showSearch={length > LONG ? { optionFilterProp: 'label' } : false}
        popupMatchSelectWidth={false}
        listHeight={LIST_HEIGHT}
      />
    </label>
  );
}
