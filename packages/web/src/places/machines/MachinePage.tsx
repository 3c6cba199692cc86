import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Machine, Me, ProfileSummary } from '@zetalysis/contract';
import { buildWords } from '../../api/appliances';
import { http } from '../../api/http';
import { useContact, useMachine, useProfiles } from '../../api/queries';
import { Preview } from '../../diagrams/Preview';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Failure } from '../../kit/Failure';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { BuildDialog } from './BuildDialog';
import { ContactDialog } from './ContactDialog';
import { CorrectDialog } from './CorrectDialog';
import { Life } from './Life';
import styles from './MachinePage.module.css';
import { OverTime } from './OverTime';
import { WiresDialog } from './WiresDialog';

type Asked = 'correct' | 'build' | 'contact' | 'wires';

/** One machine of the register: its life, how this very unit is built and wired, its plate, and whose it is. */
export default function MachinePage({ me }: { me: Me }) {
  const { id } = useParams<{ id: string }>();
  const machine = useMachine(id);
  const profiles = useProfiles().data ?? [];
  const [asked, setAsked] = useState<Asked>();
  const navigate = useNavigate();
  if (machine.error)
    return (
      <Failure title="This machine cannot be shown" problem={machine.error.message}>
        <Link to="/machines">Machines</Link>
      </Failure>
    );
  if (!machine.data) return <Waiting>Reading the register…</Waiting>;
  const m = machine.data;
  const done = (): void => setAsked(undefined);
  return (
    <Page
      title={m.label}
      about={
        <>
          {m.site}
          <br />
          {buildWords(profiles, m)}
        </>
      }
      actions={
        <>
          <Button onClick={() => setAsked('correct')}>Correct</Button>
          <Button tone="main" onClick={() => void navigate(`/calls/new?machine=${m.id}`)}>
            Open a call
          </Button>
        </>
      }
      className={styles.machine}
    >
      <LifeOf machine={m} />
      <div className={styles.column}>
        <OverTime machine={m} units={me.units} />
        <Preview profile={m.profile} build={m.build} />
        <WiresOf machine={m} onName={() => setAsked('wires')} />
      </div>
      <div className={styles.column}>
        <Plate machine={m} family={profiles.find((p) => p.id === m.profile)} />
        <Owner machine={m} onChange={() => setAsked('contact')} />
        <Built machine={m} family={profiles.find((p) => p.id === m.profile)} onChange={() => setAsked('build')} />
      </div>
      {asked === 'correct' && <CorrectDialog machine={m} onClose={done} />}
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
    <Block title="Its life" note={calls.data && (calls.data.length === 1 ? '1 call' : `${calls.data.length} calls`)}>
      {calls.error && <p className="problem">{calls.error.message}</p>}
      <Life machine={machine} calls={calls.data ?? []} />
    </Block>
  );
}

const Plate = ({ machine: m, family }: { machine: Machine; family: ProfileSummary | undefined }) => (
  <Block title="Plate">
    <dl className={styles.plate}>
      {[
        ['Make', m.make],
        ['Model', m.modelName],
        ['Serial', m.serial],
        ['Family', family?.title ?? m.profile],
      ].map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value === '' ? 'not read yet' : value}</dd>
        </div>
      ))}
    </dl>
  </Block>
);

function Owner({ machine, onChange }: { machine: Machine; onChange: () => void }) {
  const contact = useContact(machine.id);
  const { customer = '', telephone = '' } = contact.data ?? {};
  return (
    <Block title="Customer">
      {contact.error && <p className="problem">{contact.error.message}</p>}
      <p className={styles.line}>
        <span>
          <b>{customer === '' ? 'Nobody noted' : customer}</b> {telephone}
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
