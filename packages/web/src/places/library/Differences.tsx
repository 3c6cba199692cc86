import type { Difference } from './compare';
import styles from './Differences.module.css';

interface Props {
  /** Title of the one it is compared with. */
  readonly from: string;
  readonly differences: readonly Difference[];
}

/** What differs between two appliances, section by section. */
export const Differences = ({ from, differences }: Props) => (
  <section className={styles.differences} aria-label="Differences">
    <h2>What differs from “{from}”</h2>
    {differences.length === 0 && <p>Nothing.</p>}
    {differences.map((d) => (
      <details key={d.section} open={d.section !== 'Faults'}>
        <summary>{d.section}</summary>
        <ul>
          <Some of={d.onlySecond} lead="Only here:" />
          <Some of={d.onlyFirst} lead="Only there:" />
          <Some of={d.changed} lead="Other:" />
        </ul>
      </details>
    ))}
  </section>
);

const Some = ({ of, lead }: { of: readonly string[]; lead: string }) =>
  of.map((words) => (
    <li key={words}>
      <strong>{lead}</strong> {words}
    </li>
  ));
