import type { Drawing, StandView } from '@zetalysis/core/presentation';
import { formatDuration } from '@zetalysis/core/units';
import { CordPiece } from '../../diagrams/CordPiece';
import { MachineDrawing } from './MachineDrawing';
import styles from './Exercise.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: StandView;
}

const NOTHING = { listen: 'Nothing.', smell: 'Nothing.', feel: 'Nothing.' } as const;

/** What stands there: the cord of what came, the machine as eyes see it, and in words what ears, nose and hands tell. */
export function Machine({ drawing, view }: Props) {
  const { machine, senses, light } = view;
  // Whoever is to tell the order and the times sees what came, and nothing more.
  const untold = view.asks !== undefined;
  const beads = untold ? machine.beads.filter(({ is }) => is !== 'not-yet') : machine.beads;
  return (
    <section className={styles.machine} aria-label="Machine">
      <ol className={styles.cord} aria-label="Steps as they were seen">
        {beads.map((b) => (
          <li key={b.id} title={b.title}>
            <CordPiece state={b.is === 'now' ? 'lit' : b.is === 'came' ? 'lit' : 'unlit'} />
            <span className={styles.step} data-is={b.is}>
              {b.title}
              <small>
                {b.is === 'now' ? 'now' : b.is === 'came' ? 'came' : ''}
                {b.at !== undefined && !untold && ` ${formatDuration(b.at)}`}
              </small>
            </span>
          </li>
        ))}
      </ol>
      <figure>
        <MachineDrawing drawing={drawing} view={view} />
      </figure>
      <dl className={styles.senses} aria-live="off">
        <dt>See</dt>
        <dd>
          {senses.look.length === 0 ? 'Nothing moves.' : `${senses.look.join(', ')}.`}
          {light !== '' && ` Light: ${light}.`}
        </dd>
        <dt>Hear</dt>
        <dd>{senses.listen.join(', ') || NOTHING.listen}</dd>
        <dt>Smell</dt>
        <dd>{senses.smell.join(', ') || NOTHING.smell}</dd>
        {senses.feel.length > 0 && (
          <>
            <dt>Feel</dt>
            <dd>{senses.feel.join(', ')}</dd>
          </>
        )}
      </dl>
    </section>
  );
}
