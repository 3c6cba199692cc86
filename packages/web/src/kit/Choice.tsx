import { Select } from 'antd';
import styles from './Choice.module.css';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of several, by its label; for lists too long to stand side by side. */
export function Choice<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <label className={styles.choice}>
      <span>{label}</span>
      <Select
        aria-label={label}
        value={value}
        options={[...options]}
        onChange={onChange}
        showSearch={options.length > 8 ? { optionFilterProp: 'label' } : false}
        popupMatchSelectWidth={false}
      />
    </label>
  );
}
