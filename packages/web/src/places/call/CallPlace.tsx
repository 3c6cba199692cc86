import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Me } from '@zetalysis/contract';
import { useContact, useMachine } from '../../api/queries';
import { useEngine } from '../../engine/use-engine';
import { AntTheme } from '../../kit/AntTheme';
import { Failure } from '../../kit/Failure';
import { Waiting } from '../../kit/Waiting';
import { useCall } from '../../store/use-call';
import { useStandard } from '../../theme/use-standard';
import { CallPage } from './CallPage';
import { RulesProvider } from './rules/use-rules';

/** One call: sequence, circuit, next test, suspects, evidence. */
export function CallPlace({ me }: { me: Me }) {
  const { id } = useParams<{ id: string }>();
  return (
    <AntTheme>
      <OneCall key={id} id={id!} me={me} />
    </AntTheme>
  );
}

/** A machine without names of its own. */
const NO_NAMES = {};

function OneCall({ id, me }: { id: string; me: Me }) {
  const log = useCall(id, me);
  const { role, grants } = me;
  const person = useMemo(() => ({ role, grants }), [role, grants]);
  const [phase, setPhase] = useState<string>();
  const [standard, setStandard] = useStandard();
  /** The suspect whose world is looked at, by hypothesis. */
  const [whatIf, setWhatIf] = useState<string>();
  const engine = useEngine(log, { units: me.units, person, phase, standard, whatIf });
  const opened = log.events?.find((e) => e.body.type === 'opened')?.body;
  const machine = useMachine(opened?.type === 'opened' ? opened.machine : undefined);
  const contact = useContact(machine.data?.id);
  const { drawing, view } = engine;

  useEffect(() => {
    document.title = view ? `${view.complaint.slice(0, 40)} · Zetalysis` : 'Zetalysis';
    return () => void (document.title = 'Zetalysis');
  }, [view]);

  if (log.missing !== undefined)
    return (
      <Failure title="No such call">
        <p>{log.missing}</p>
        <Link to="/">Today</Link>
      </Failure>
    );
  if (engine.problem !== undefined)
    return (
      <Failure title="The engine could not start" problem={engine.problem}>
        <p>The log of this call is kept. Load the page again when the server is back.</p>
      </Failure>
    );
  if (!drawing || !view) return <Waiting>{log.events ? 'Starting the engine…' : 'Reading the call…'}</Waiting>;
  // A lead looks on at a call that somebody else opened.
  return (
    <RulesProvider arrived={log.arrived} meanings={drawing.meanings} person={person} name={me.name}>
      <CallPage
        id={id}
        log={log}
        machine={machine.data}
        customer={contact.data?.customer ?? ''}
        looksOn={me.role === 'lead' && log.events?.[0]?.person !== me.name}
        engine={engine}
        drawing={drawing}
        view={view}
        wires={machine.data?.wires ?? NO_NAMES}
        units={me.units}
        phase={phase}
        onPhase={setPhase}
        whatIf={whatIf}
        onWhatIf={setWhatIf}
        standard={standard}
        onStandard={setStandard}
      />
    </RulesProvider>
  );
}
