import { QRCodeSVG } from 'qrcode.react';
import { Link } from 'react-router';
import type { Machine } from '@zetalysis/contract';
import { Button } from '../../kit/Button';
import { Page } from '../../kit/Page';
import styles from './LabelPage.module.css';
import { OneMachine } from './OneMachine';

/** A label to stick on a machine: its code opens the machine's page from a phone's camera. Nothing on it says whose it is. */
export default function LabelPage() {
  return <OneMachine>{(machine) => <Label machine={machine} />}</OneMachine>;
}

function Label({ machine: { id, label, make, modelName, serial } }: { readonly machine: Machine }) {
  const address = `${location.origin}/machines/${id}`;
  return (
    <Page
      title={<span className={styles.screen}>Label: {label}</span>}
      actions={
        <span className={styles.screen}>
          <Link to={`/machines/${id}`}>Back to the machine</Link>
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
