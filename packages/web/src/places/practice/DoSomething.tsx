import { knobOf, type PracticeAct } from '@zetalysis/core/practice';
import type { Drawing, StandView } from '@zetalysis/core/presentation';
import { memo } from 'react';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import styles from './Exercise.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly setup: StandView['machine']['setup'];
  /** Jumpers in the pocket. */
  readonly pocket: number;
  readonly onAct: (act: PracticeAct) => void;
}

/** What hands and eyes can do at the machine beside the meter. */
export const DoSomething = memo(function DoSomething({ drawing, setup, pocket, onAct }: Props) {
  // That one has a place of its own, to be held.
  const knob = knobOf(drawing);
  const toggled = (list: readonly string[], id: string): string[] =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id];
  return (
    <section className={styles.do} aria-label="Do something">
      <Choice
        label="Look closer"
        labelHidden
        placeholder="Look closer at…"
        value={undefined}
        options={drawing.looks.map((l) => ({ value: l.id, label: l.ask }))}
        onChange={(look) => onAct({ do: 'look', look })}
      />
      <Choice
        label="What a step did"
        labelHidden
        placeholder="Write down a step…"
        value={undefined}
        options={[
          { label: 'It came', options: drawing.phases.map((p) => ({ value: `yes ${p.id}`, label: p.title })) },
          { label: 'It did not come', options: drawing.phases.map((p) => ({ value: `no ${p.id}`, label: p.title })) },
        ]}
        onChange={(said) => {
          const [came, phase = ''] = said.split(' ');
          onAct({ do: 'seen', phase, came: came === 'yes' });
        }}
      />
      <Choice
        label="How the try ended"
        labelHidden
        placeholder="In the end it…"
        value={undefined}
        options={drawing.outcomes.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={(outcome) => onAct({ do: 'outcome', outcome: outcome as 'runs' })}
      />
      <Choice
        label="Plugs, jumpers, buttons"
        labelHidden
        placeholder="Unplug, jumper, press…"
        value={undefined}
        options={[
          {
            label: 'Press, turn, hold',
            options: drawing.actions
              .filter(({ id }) => id !== knob)
              .map(({ id, title }) => ({
                value: `action ${id}`,
                label: `${setup.actions.includes(id) ? 'Undo: ' : ''}${title}`,
              })),
          },
          {
            label: 'Plugs',
            options: drawing.plugs.map(({ id, title }) => ({
              value: `plug ${id}`,
              label: `${setup.unplugged.includes(id) ? 'Back: ' : 'Pull: '}${title}`,
            })),
          },
          {
            label: `A jumper across: ${pocket} in the pocket`,
            options: drawing.parts
              .filter((p) => p.branches.length > 0)
              .map(({ id, title }) => ({
                value: `jumper ${id}`,
                label: `${setup.bypassed.includes(id) ? 'Off: ' : ''}${title}`,
              })),
          },
        ]}
        onChange={(what) => {
          const [kind, id = ''] = what.split(' ');
          if (kind === 'action') onAct({ do: 'set', change: { actions: toggled(setup.actions, id) } });
          if (kind === 'plug') onAct({ do: 'set', change: { unplugged: toggled(setup.unplugged, id) } });
          if (kind === 'jumper') onAct({ do: 'set', change: { bypassed: toggled(setup.bypassed, id) } });
        }}
      />
      <Button onClick={() => onAct({ do: 'whole-try' })}>Write the try down</Button>
      <Button onClick={() => onAct({ do: 'again' })}>Off and on</Button>
      {drawing.codes.length > 0 && <Button onClick={() => onAct({ do: 'code' })}>Read the light</Button>}
    </section>
  );
});
