import styles from './Words.module.css';

interface Props<Id extends string> {
  readonly label: string;
  readonly options: readonly { readonly id: Id; readonly title: string }[];
  /** The one that holds; nothing while none was chosen. */
  readonly value: Id | undefined;
  readonly onChange: (id: Id) => void;
  /** As headings of what is shown below, rather than as an answer. */
  readonly asTabs?: true;
}

/** One of several words holds. */
export const Words = <Id extends string>({ label, options, value, onChange, asTabs }: Props<Id>) => (
  <div role="group" aria-label={label} className={asTabs ? styles.tabs : styles.words}>
    {options.map(({ id, title }) => (
      <button key={id} type="button" aria-pressed={id === value} onClick={() => onChange(id)}>
        {title}
      </button>
    ))}
  </div>
);
