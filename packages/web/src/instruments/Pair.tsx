import { useState } from 'react';
import { Dialog } from '../kit/Dialog';
import { Field } from '../kit/Field';
import { pair, paired, USUAL_ADDRESS } from './paired';

/** Lets a meter answer by itself: where it is, and the code that stands beside it. */
export default function Pair({ onClose }: { onClose: () => void }) {
  const before = paired();
  const [address, setAddress] = useState(before?.address ?? USUAL_ADDRESS);
  const [code, setCode] = useState('');
  const [asked, setAsked] = useState(false);
  const digits = code.replace(/\s/g, '');
  const wrongAddress = /^wss?:\/\/(127\.0\.0\.1|localhost)(:\d{1,5})?\/?$/.test(address.trim())
    ? undefined
    : `Instruments are heard on this device only: ${USUAL_ADDRESS}`;
  const wrongCode = /^\d{6}$/.test(digits) ? undefined : 'Six figures, as they stand beside the instruments.';
  return (
    <Dialog
      title="Let a meter listen in"
      action="Pair"
      onClose={onClose}
      onAction={() => {
        setAsked(true);
        if (wrongAddress !== undefined || wrongCode !== undefined) return;
        pair({ address: address.trim(), code: digits });
        onClose();
      }}
    >
      <p>
        Readings then come from the instrument: armed when a test is asked, taken when it stands. Nothing is taken of 0,
        OL or a ghost without your tap.
      </p>
      <Field
        label="Pairing code"
        value={code}
        onChange={setCode}
        maxLength={7}
        problem={asked ? wrongCode : undefined}
      />
      <Field label="Address" value={address} onChange={setAddress} problem={asked ? wrongAddress : undefined} />
      <p className="fine">
        The demo has simulated instruments; their page and code are printed where it was started. Elsewhere: npm run
        meter.
      </p>
    </Dialog>
  );
}
