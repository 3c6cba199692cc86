import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { applianceKey, appliancesOf } from '../../api/appliances';
import { useProfiles } from '../../api/queries';
import type { Me } from '@zetalysis/contract';
import type { Guide } from '@zetalysis/core/presentation';
import { PLAIN, withVariant } from '@zetalysis/core/profile';
import { useGuide } from '../../engine/use-guide';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Failure } from '../../kit/Failure';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { profileSource } from '../../store/profiles';
import styles from './Appliance.module.css';
import { Circuit } from './Circuit';
import { Curves } from './Curves';
import { compareGuides } from './compare';
import { Differences } from './Differences';
import { FaultsBySight } from './Faults';
import { CodesAndCautions, Points, Values } from './GuideSections';

const asOption = ({ id, title }: { readonly id: string; readonly title: string }) => ({ value: id, label: title });

/** One appliance of the Library: everything the model knows about it, alone or beside another one. */
export default function Appliance({ me }: { me: Me }) {
  const { id } = useParams<{ id: string }>();
  const [query, setQuery] = useSearchParams();
  const variant = query.get('variant') ?? undefined;
  const profiles = useProfiles();
  const appliances = appliancesOf(profiles.data ?? []);
  // A variant is read beside its family unless something else is chosen.
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
  if (own.problem !== undefined)
    return (
      <Failure title="This appliance cannot be read" problem={own.problem}>
        <Link to="/library">Library</Link>
      </Failure>
    );
  const { drawing, view, guide } = own;
  if (!drawing || !view) return <Waiting>Reading the appliance…</Waiting>;
  const variants = profiles.data?.find((p) => p.id === id)?.variants ?? [];
  const title = variants.find((v) => v.id === variant)?.title;
  return (
    <Page
      title={title === undefined ? drawing.title : `${drawing.title}: ${title}`}
      about={
        <>
          {drawing.summary} <span className="fine">Profile {drawing.version}.</span>
        </>
      }
      actions={
        <>
          <Choice
            label="Variant"
            value={variant ?? ''}
            options={[{ value: '', label: 'As the family' }, ...variants.map(asOption)]}
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
          <Link to={`/library/${id}/card${variant === undefined ? '' : `?variant=${variant}`}`}>Card for paper</Link>
          <Button onClick={() => void download(drawing.id)}>Save the profile</Button>
        </>
      }
      className={styles.family}
    >
      {differences && <Differences from={other.drawing?.title ?? ''} differences={differences} />}
      {guide ? (
        <FaultsBySight guide={guide} phase={phase ?? busiest(guide)} onPhase={setPhase} />
      ) : (
        <Waiting>Working out the readings and signatures…</Waiting>
      )}
      <div className={styles.circuits}>
        <Circuit
          drawing={drawing}
          view={view}
          other={other.drawing}
          title="Circuit"
          at={drawing.phases.find((p) => p.id === phase)?.title}
        />
        {other.drawing && other.view ? (
          <Circuit
            drawing={other.drawing}
            view={other.view}
            other={drawing}
            title={`Circuit: ${other.drawing.title}`}
          />
        ) : (
          guide && <Values guide={guide} />
        )}
      </div>
      {guide && (
        <>
          {other.drawing && <Values guide={guide} />}
          <Points guide={guide} />
          <Curves guide={guide} />
          <CodesAndCautions guide={guide} />
        </>
      )}
    </Page>
  );
}

/** The step that most breaks keep from coming: what one will want to read first. */
function busiest({ phases, faults }: Guide): string {
  const weight = (phase: string): number => faults.reduce((sum, f) => sum + (f.breaksAt === phase ? f.share : 0), 0);
  return phases.reduce((most, { id }) => (weight(id) > weight(most) ? id : most), phases[0]!.id);
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
