import { appliesTo, type Fact, FACTS } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Dialog } from '../../../kit/Dialog';
import { FactAnswer } from './FactAnswer';
import styles from './SayWhatIs.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly onBody: (body: EventBody) => void;
  readonly onClose: () => void;
}

const GROUPS: readonly (readonly [Fact['group'], string])[] = [
  ['gas', 'Gas'],
  ['air', 'Carbon monoxide, vent, air'],
  ['fire', 'Fire and flame'],
  ['water', 'Water and heat'],
  ['electricity', 'Electricity'],
  ['appliance', 'Appliance'],
];

/** What is so at the machine, as far as it can hurt: each answer is entered at once, and brings its stop. */
export default function SayWhatIs({ onBody, onClose }: Props) {
  const { followed } = useRules();
  const { c } = followed;
  const facts = FACTS.filter(({ families }) => appliesTo(families, c.family));
  return (
    <Dialog title="Danger: what is so?" close="Done" width={720} onClose={onClose}>
      {GROUPS.map(([group, title]) => {
        const asked = facts.filter((fact) => fact.group === group);
        return (
          asked.length > 0 && (
            <section key={group} className={styles.group} aria-label={title}>
              <h3>{title}</h3>
              {asked.map((fact) => (
                <div key={fact.id} className={styles.fact} data-fact={fact.id}>
                  <p>{fact.ask}</p>
                  <FactAnswer
                    fact={fact}
                    value={c.said.get(fact.id)?.value}
                    onAnswer={(_value, body) => onBody(body)}
                  />
                </div>
              ))}
            </section>
          )
        );
      })}
    </Dialog>
  );
}
