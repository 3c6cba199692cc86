import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { applianceKey, appliancesOf } from '../../api/appliances';
import { useProfiles } from '../../api/queries';
import type { Me } from '@zetalysis/contract';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { PLAIN, withVariant } from '@zetalysis/core/profile';
import { profileSource } from '../../store/profiles';
import { Choice } from '../../kit/Choice';
import { Failure } from '../../kit/Failure';
import { Page } from '../../kit/Page';
import { Ladder } from '../../diagrams/Ladder';
import { changedRungs, compareGuides } from './compare';
import { CodesAndCautions, Faults, Points, Steps, Values } from './GuideSections';
import { useGuide } from '../../engine/use-guide';
import '../../theme/library.css';

const asOption = ({ id, title }: { readonly id: string; readonly title: string }) => ({ value: id, label: title });

/** One appliance of the Library: everything the model knows about it, alone or beside another one. */
export default function Appliance({ me }: { me: Me }) {
  const { id } = useParams<{ id: string }>();
  const [query, setQuery] = useSearchParams();
  const variant = query.get('variant') ?? undefined;
  // A variant is read beside its family unless something else is chosen.
  const profiles = useProfiles();
  const appliances = appliancesOf(profiles.data ?? []);
  const chosen = appliances.find((a) => applianceKey(a) === query.get('with'));
  const otherId = chosen?.profile ?? (variant === undefined ? undefined : id);
  const [phase, setPhase] = useState<string>();
  const own = useGuide(id, withVariant(variant), me.units, phase);
  const other = useGuide(otherId, chosen?.build ?? PLAIN, me.units, phase);
  const differences = useMemo(
    () => own.guide && other.guide && compareGuides(other.guide, own.guide),
    [own.guide, other.guide],
  );
  const set = (key: 'variant' | 'with', value: string): void => {
    const next = new URLSearchParams(query);
    if (value === '') next.delete(key);
    else next.set(key, value);
    setQuery(next, { replace: true });
  };
  const profile = profiles.data?.find((p) => p.id === id);
  if (own.problem !== undefined)
    return (
      <Failure title="This appliance cannot be read" problem={own.problem}>
        <Link to="/library">Library</Link>
      </Failure>
    );
  if (!own.drawing || !own.view) return <p className="waiting">Reading the appliance…</p>;
  const title = profile?.variants.find((v) => v.id === variant)?.title;
  return (
    <Page
      title={title === undefined ? own.drawing.title : `${own.drawing.title}: ${title}`}
      actions={
        <span className="tools">
          <Link to={`/library/${id}/card${variant === undefined ? '' : `?variant=${variant}`}`}>Field card</Link>
          <button type="button" onClick={() => void download(own.drawing!.id)}>
            Save the profile
          </button>
        </span>
      }
      className="library"
    >
      <p>
        {own.drawing.summary} <span className="fine">Profile {own.drawing.version}.</span>
      </p>
      <div className="choosing">
        <Choice
          label="Variant"
          value={variant ?? ''}
          options={[{ value: '', label: 'As the family' }, ...(profile?.variants ?? []).map(asOption)]}
          onChange={(v) => set('variant', v)}
        />
        <Choice
          label="Beside it"
          value={query.get('with') ?? ''}
          options={[
            { value: '', label: variant === undefined ? 'Nothing' : 'Its family' },
            ...appliances.map((a) => ({ value: applianceKey(a), label: a.title })),
          ]}
          onChange={(v) => set('with', v)}
        />
        <Choice
          label="Circuit at the step"
          value={phase ?? own.drawing.phases[0]!.id}
          options={own.drawing.phases.map(asOption)}
          onChange={setPhase}
        />
      </div>
      {differences && (
        <section className="differences" aria-label="Differences">
          <h2>What differs from “{other.drawing?.title}”</h2>
          {differences.length === 0 && <p>Nothing.</p>}
          {differences.map((d) => (
            <details key={d.section} open={d.section !== 'Faults'}>
              <summary>{d.section}</summary>
              <ul>
                {d.onlySecond.map((x) => (
                  <li key={`b${x}`}>
                    <strong>Only here:</strong> {x}
                  </li>
                ))}
                {d.onlyFirst.map((x) => (
                  <li key={`a${x}`}>
                    <strong>Only there:</strong> {x}
                  </li>
                ))}
                {d.changed.map((x) => (
                  <li key={`c${x}`}>
                    <strong>Other:</strong> {x}
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </section>
      )}
      <Circuit drawing={own.drawing} view={own.view} other={other.drawing} title="Circuit" />
      {other.drawing && other.view && (
        <Circuit
          drawing={other.drawing}
          view={other.view}
          other={own.drawing}
          title={`Circuit: ${other.drawing.title}`}
        />
      )}
      {!own.guide && <p className="waiting">Working out the readings and signatures…</p>}
      {own.guide && (
        <>
          <Steps guide={own.guide} />
          <Points guide={own.guide} />
          <Values guide={own.guide} />
          <Faults guide={own.guide} />
          <CodesAndCautions guide={own.guide} />
        </>
      )}
    </Page>
  );
}

function Circuit({
  drawing,
  view,
  other,
  title,
}: {
  drawing: Drawing;
  view: CallView;
  other: Drawing | undefined;
  title: string;
}) {
  const [point, setPoint] = useState<string>();
  const net = point === undefined ? undefined : view.ladder.nets[point];
  return (
    <section aria-label={title}>
      <h2>
        {title} <span className="fine">{other && 'marked: wired otherwise in the other one'}</span>
      </h2>
      <Ladder
        drawing={drawing}
        view={view.ladder}
        red={point}
        onNet={setPoint}
        onPart={() => setPoint(undefined)}
        changed={other ? changedRungs(drawing.rungs, other.rungs) : undefined}
      />
      <p role="status" className="fine">
        {point === undefined
          ? 'Tap a point for its reading.'
          : `${point}, ${drawing.points[point]?.reach ?? 'common'}: ${net ? `sound ${net.good}` : 'common'}`}
      </p>
    </section>
  );
}

/** Saves the profile as it is, for a text editor. */
async function download(id: string): Promise<void> {
  const url = URL.createObjectURL(new Blob([await profileSource(id)], { type: 'application/yaml' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${id}.yaml`;
  link.click();
  URL.revokeObjectURL(url);
}
