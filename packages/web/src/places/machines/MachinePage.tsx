import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { CallSummary, Machine, Me, ProfileSummary } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { ageAt, SHEET, SHEET_IDS } from '@zetalysis/core/history';
import { buildWords } from '../../api/appliances';
import { callbacksOf } from '../../api/ended';
import { http } from '../../api/http';
import { useContact, useMachine, useProfiles } from '../../api/queries';
import { Preview } from '../../diagrams/Preview';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { BuildDialog } from './BuildDialog';
import { ChangesDialog } from './ChangesDialog';
import { ContactDialog } from './ContactDialog';
import { CorrectDialog } from './CorrectDialog';
import { EraseDialog } from './EraseDialog';
import { Life } from './Life';
import { LeftToDo } from './LeftToDo';
import styles from './MachinePage.module.css';
import { MergeDialog } from './MergeDialog';
import { OneMachine } from './OneMachine';
import { OverTime } from './OverTime';
import { PartsFitted } from './PartsFitted';
import { Photos } from './Photos';
import { RetireDialog } from './RetireDialog';
import { SheetDialog } from './SheetDialog';
import { UpkeepOf } from './UpkeepOf';
import { WiresDialog } from './WiresDialog';

type Asked = 'erase' | 'correct' | 'merge' | 'retire' | 'changes' | 'sheet' | 'build' | 'contact' | 'wires';

/** One machine of the register: its life, how this very unit is built and wired, its plate, and whose it is. */
export default function MachinePage({ me }: { me: Me }) {
  return <OneMachine>{(machine) => <Shown key={machine.id} machine={machine} me={me} />}</OneMachine>;
}

function Shown({ machine: m, me }: { readonly machine: Machine; readonly me: Me }) {
  const profiles = useProfiles().data ?? [];
  const [asked, setAsked] = useState<Asked>();
  const navigate = useNavigate();
  const done = (): void => setAsked(undefined);
  return (
    <Page
      title={m.label}
      about={
        <>
          {[m.site, m.sheet.stands].filter((w) => w !== '').join(' · ')}
          <br />
          {[buildWords(profiles, m), m.sheet.shares, age(m)].filter((w) => w !== '').join(' · ')}
        </>
      }
      actions={
        <>
          <Choice
            label="Change the register"
            labelHidden
            placeholder="Correct, merge, retire…"
            value={undefined}
            options={[
              { value: 'correct', label: 'Correct what it is called' },
              { value: 'merge', label: m.mergedInto === null ? 'Merge: it was entered twice' : 'Take the merge back' },
              { value: 'retire', label: m.retired === null ? 'Retire: it is there no longer' : 'Bring it back' },
              { value: 'changes', label: 'What was changed' },
              { value: 'label', label: 'A label with its code, to print' },
              ...(can(me, 'accounts') === '+'
                ? [{ value: 'erase' as const, label: 'The customer’s record: out, erase' }]
                : []),
            ]}
            onChange={(what: Asked | 'label') =>
              what === 'label' ? void navigate(`/machines/${m.id}/label`) : setAsked(what)
            }
          />
          <Button tone="main" onClick={() => void navigate(`/calls/new?machine=${m.id}`)}>
            Open a call
          </Button>
        </>
      }
      className={styles.machine}
    >
      <Gone machine={m} />
      <LifeOf machine={m} />
      <div className={styles.column}>
        <OverTime machine={m} units={me.units} />
        <PartsFitted machine={m} />
        <Preview profile={m.profile} build={m.build} />
        <WiresOf machine={m} onName={() => setAsked('wires')} />
        <Photos machine={m} />
      </div>
      <div className={styles.column}>
        <Plate machine={m} family={profiles.find((p) => p.id === m.profile)} onChange={() => setAsked('sheet')} />
        {m.sheet.normal !== '' && (
          <Block title={SHEET.normal.title}>
            <p>{m.sheet.normal}</p>
          </Block>
        )}
        <LeftToDo machine={m} />
        <UpkeepOf machine={m} />
        <Owner machine={m} onChange={() => setAsked('contact')} />
        <Built machine={m} family={profiles.find((p) => p.id === m.profile)} onChange={() => setAsked('build')} />
      </div>
      {asked === 'erase' && <EraseDialog machine={m} onClose={done} />}
      {asked === 'correct' && <CorrectDialog machine={m} onClose={done} />}
      {asked === 'merge' && <MergeDialog machine={m} onClose={done} />}
      {asked === 'retire' && <RetireDialog machine={m} onClose={done} />}
      {asked === 'changes' && <ChangesDialog machine={m} onClose={done} />}
      {asked === 'sheet' && <SheetDialog machine={m} onClose={done} />}
      {asked === 'build' && <BuildDialog machine={m} onClose={done} />}
      {asked === 'contact' && <ContactDialog machine={m} onClose={done} />}
      {asked === 'wires' && <WiresDialog machine={m} onClose={done} />}
    </Page>
  );
}

function LifeOf({ machine }: { machine: Machine }) {
  const calls = useQuery({
    queryKey: ['life', machine.id],
    queryFn: () => http('GET /machines/:id/calls', { params: { id: machine.id } }),
  });
  return (
    <Block title="Its life" note={calls.data && lifeWords(calls.data)}>
      {calls.error && <p className="problem">{calls.error.message}</p>}
      <Life machine={machine} calls={calls.data ?? []} />
    </Block>
  );
}

/** How often somebody came, what broke, and how often somebody had to come back. */
function lifeWords(calls: readonly CallSummary[]): string {
  const some = (n: number, one: string): string[] => (n === 0 ? [] : [`${n} ${one}${n === 1 ? '' : 's'}`]);
  const back = [...callbacksOf(calls).values()].filter((c) => c.of !== undefined).length;
  const breaks = calls.filter((c) => c.overview.record !== null).length;
  return [
    ...(calls.length === 0 ? ['no calls'] : some(calls.length, 'call')),
    ...some(breaks, 'break'),
    ...some(back, 'callback'),
  ].join(', ');
}

interface PlateProps {
  readonly machine: Machine;
  readonly family: ProfileSummary | undefined;
  readonly onChange: () => void;
}

/** As it is riveted to the machine; what nobody has read yet is left out, but for what it is called. */
const Plate = ({ machine: m, family, onChange }: PlateProps) => (
  <Block title="Plate">
    <dl className={styles.plate}>
      {[
        ['Make', m.make || 'not read yet'],
        ['Model', m.modelName || 'not read yet'],
        ['Serial', m.serial || 'not read yet'],
        ['Family', family?.title ?? m.profile],
        ...SHEET_IDS.filter((id) => 'plate' in SHEET[id]).map((id) => [SHEET[id].title, m.sheet[id]]),
      ]
        .filter(([, value]) => value !== '')
        .map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
    </dl>
    <p className={styles.line}>
      <span />
      <Button onClick={onChange}>Read the plate</Button>
    </p>
  </Block>
);

/** It is there no longer, or it is another one. */
function Gone({ machine: { retired, mergedInto } }: { readonly machine: Machine }) {
  const other = useMachine(mergedInto ?? undefined);
  if (retired === null && mergedInto === null) return null;
  return (
    <div className={styles.gone}>
      {retired !== null && <Notice kind="problem">Retired: {retired}. Its calls and readings stay.</Notice>}
      {mergedInto !== null && (
        <Notice kind="problem">
          Entered twice: it is <Link to={`/machines/${mergedInto}`}>{other.data?.label ?? 'another one'}</Link>, where
          its calls are counted.
        </Notice>
      )}
    </div>
  );
}

/** How old it is, by its plate. */
function age({ sheet: { made } }: Machine): string {
  const years = ageAt(made, new Date());
  return years === undefined ? '' : years <= 1 ? 'new' : `${years} years old`;
}

function Owner({ machine, onChange }: { machine: Machine; onChange: () => void }) {
  const contact = useContact(machine.id);
  const { customer = '', telephone = '', access = '' } = contact.data ?? {};
  return (
    <Block title="Customer">
      {contact.error && <p className="problem">{contact.error.message}</p>}
      <p className={styles.line}>
        <span>
          <b>{customer === '' ? 'Nobody noted' : customer}</b> {telephone}
          {access !== '' && <small> {access}</small>}
        </span>
        <Button onClick={onChange}>Change</Button>
      </p>
    </Block>
  );
}

interface BuiltProps {
  readonly machine: Machine;
  readonly family: ProfileSummary | undefined;
  readonly onChange: () => void;
}

/** What is present on this unit of what its family may have. */
const Built = ({ machine: { build }, family, onChange }: BuiltProps) => (
  <Block title="What this one has" note="changes its ladder">
    <ul>
      {family?.variants.map((v) => (
        <li key={v.id} className={styles.line} data-present={build.options.includes(v.id) || undefined}>
          <span>{v.title}</span>
          <b>{build.options.includes(v.id) ? 'fitted' : 'no'}</b>
        </li>
      ))}
    </ul>
    <p className={styles.line}>
      <span>{Object.keys(build.order).length > 0 ? 'Its switches stand in an order of their own.' : ''}</span>
      <Button onClick={onChange}>Change the build</Button>
    </p>
  </Block>
);

function WiresOf({ machine: { wires }, onName }: { machine: Machine; onName: () => void }) {
  const named = Object.entries(wires ?? {});
  return (
    <Block title="Wires of this one" note={`${named.length} named`}>
      <ul className={styles.wires}>
        {named.map(([net, { terminal, colour }]) => (
          <li key={net}>
            <kbd>{net}</kbd>
            <span>{terminal}</span>
            <Swatch colour={colour} />
            <span>{colour}</span>
          </li>
        ))}
      </ul>
      <p className={styles.line}>
        <span>{named.length === 0 ? 'As the drawing names them.' : ''}</span>
        <Button onClick={onName}>Name them</Button>
      </p>
    </Block>
  );
}

/** A piece of wire in its colour, where the word for it is one that everybody uses. */
const Swatch = ({ colour }: { colour: string }) =>
  CSS.supports('color', colour) ? (
    <i className={styles.swatch} style={{ background: colour }} aria-hidden="true" />
  ) : (
    <i />
  );
