import { QRCodeSVG } from 'qrcode.react';
import { Link, useParams } from 'react-router';
import { useMachine } from '../../api/queries';
import { Button } from '../../kit/Button';
import { Failure } from '../../kit/Failure';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import styles from './LabelPage.module.css';

/** A label to stick on a machine: its code opens the machine's page from a phone's camera. Nothing on it says whose it is. */
export default function LabelPage() {
  const { id } = useParams<{ id: string }>();
  const machine = useMachine(id);
  if (machine.error)
    return (
      <Failure title="This machine cannot be shown" problem={machine.error.message}>
        <Link to="/machines">Machines</Link>
      </Failure>
    );
  if (!machine.data) return <Waiting>Reading the register…</Waiting>;
  const { label, make, modelName, serial } = machine.data;
  const address = `${location.origin}/machines/${machine.data.id}`;
  return (
    <Page
      title={<span className={styles.screen}>Label: {label}</span>}
      actions={
        <span className={styles.screen}>
          <Link to={`/machines/${machine.data.id}`}>Back to the machine</Link>
          <Button tone="main" onClick={() => print()}>
            Print
          </Button>
        </span>
      }
    >
      <div className={styles.label} role="group" aria-label="The label">
        <QRCodeSVG
          value={address}
          level="M"
          marginSize={4}
          className={styles.code!}
          role="img"
          aria-label="Code that opens this machine’s page"
        />
        <p>
          <b>{label}</b>
          {[make, modelName].filter((w) => w !== '').join(' ')}
          <br />
          {serial !== '' && `Serial ${serial}`}
          <small>{address}</small>
        </p>
      </div>
      <p className={`fine ${styles.screen}`}>
        Printed at its size: about 90 × 40 mm. Hold a phone’s camera on the code before you stick it on.
      </p>
    </Page>
  );
}
