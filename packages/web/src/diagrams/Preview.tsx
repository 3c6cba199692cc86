import type { Build } from '@zetalysis/core/profile';
import { useGuide } from '../engine/use-guide';
import { Ladder } from './Ladder';
import styles from './Preview.module.css';

/** How the machine works, drawn while it is being chosen. */
export function Preview({ profile, build }: { profile: string; build: Build }) {
  const { drawing, view, problem } = useGuide(profile, build, 'us', undefined, { withGuide: false });
  if (problem !== undefined) return <p role="alert">{problem}</p>;
  if (!drawing || !view) return <p className="fine">Drawing it…</p>;
  return (
    <section className={styles.preview} aria-label="How it works">
      <h2>{drawing.title}</h2>
      <p>{drawing.summary}</p>
      <ol>
        {drawing.phases
          .filter((p) => !p.unwanted)
          .map((p) => (
            <li key={p.id}>{p.title}</li>
          ))}
      </ol>
      <Ladder drawing={drawing} view={view.ladder} red={undefined} onNet={() => undefined} onPart={() => undefined} />
    </section>
  );
}
