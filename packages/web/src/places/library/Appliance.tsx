import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { applianceKey, appliancesOf } from '../../api/appliances';
import { useProfiles } from '../../api/queries';
import type { Me } from '@zetalysis/contract';
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
import { CodesAndCautions, Faults, Points, Steps, Values } from './GuideSections';

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
      actions={
        <Actions id={drawing.id} card={`/library/${id}/card${variant === undefined ? '' : `?variant=${variant}`}`} />
      }
    >
      <p>
        {drawing.summary} <span className="fine">Profile {drawing.version}.</span>
      </p>
      <div className={styles.choosing}>
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
        <Choice
          label="Circuit at the step"
          value={phase ?? drawing.phases[0]!.id}
          options={drawing.phases.map(asOption)}
          onChange={setPhase}
        />
      </div>
      {differences && <Differences from={other.drawing?.title ?? ''} differences={differences} />}
      <Circuit drawing={drawing} view={view} other={other.drawing} title="Circuit" />
      {other.drawing && other.view && (
        <Circuit drawing={other.drawing} view={other.view} other={drawing} title={`Circuit: ${other.drawing.title}`} />
      )}
      {!guide && <Waiting>Working out the readings and signatures…</Waiting>}
      {guide && (
        <>
          <Steps guide={guide} />
          <Points guide={guide} />
          <Values guide={guide} />
          <Curves guide={guide} />
          <Faults guide={guide} />
          <CodesAndCautions guide={guide} />
        </>
      )}
    </Page>
  );
}

const Actions = ({ id, card }: { id: string; card: string }) => (
  <span className={styles.actions}>
    <Link to={card}>Field card</Link>
    <Button onClick={() => void download(id)}>Save the profile</Button>
  </span>
);

/** Saves the profile as it is, for a text editor. */
async function download(id: string): Promise<void> {
  const url = URL.createObjectURL(new Blob([await profileSource(id)], { type: 'application/yaml' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${id}.yaml`;
  link.click();
  URL.revokeObjectURL(url);
}
