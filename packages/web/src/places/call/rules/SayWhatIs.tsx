import { useEffect, useState } from 'react';
import { appliesTo, type Fact, FACTS } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Choices } from '../../../kit/Choices';
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
  ['air', 'CO, vent, air'],
  ['fire', 'Fire, flame'],
  ['water', 'Water, heat'],
  ['electricity', 'Electricity'],
  ['appliance', 'Appliance'],
];

/** What is so at the machine, as far as it can hurt: each answer is entered at once, and a stop takes the screen. */
export default function SayWhatIs({ onBody, onClose }: Props) {
  const { followed } = useRules();
  const { c, stops } = followed;
  const [group, setGroup] = useState<Fact['group']>('gas');
  const [before] = useState(stops.length);
  useEffect(() => {
    if (stops.length > before) onClose();
  }, [stops.length, before, onClose]);
  const facts = FACTS.filter(({ families }) => appliesTo(families, c.family));
  const groups = GROUPS.filter(([id]) => facts.some((fact) => fact.group === id));
  const chosen = groups.some(([id]) => id === group) ? group : groups[0]![0];
  return (
    <Dialog title="Danger: what is so?" close="Done" width={720} onClose={onClose}>
      <Choices label="About what">
        {groups.map(([id, title]) => (
          <Button key={id} aria-pressed={id === chosen} onClick={() => setGroup(id)}>
            {title}
          </Button>
        ))}
      </Choices>
      {facts
        .filter((fact) => fact.group === chosen)
        .map((fact) => (
          <div key={fact.id} className={styles.fact} data-fact={fact.id}>
            <p>{fact.ask}</p>
            <FactAnswer fact={fact} value={c.said.get(fact.id)?.value} onAnswer={(_value, body) => onBody(body)} />
          </div>
        ))}
    </Dialog>
  );
}
