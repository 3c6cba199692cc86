import { Cautions } from '../../kit/Cautions';
import { Dialog } from '../../kit/Dialog';
import styles from './KeysHelp.module.css';

const KEYS: readonly (readonly [string, string])[] = [
  ['n', 'to the field of the next test'],
  ['1 … 9', 'choose an answer of the next test'],
  ['j  k', 'next or previous step of the sequence'],
  ['y  x  u', 'step: seen, not seen, can’t tell'],
  ['l', 'to the reading line: 15.4V MV C'],
  ['z', 'take back the newest entry'],
  ['b', 'record the break'],
  ['Tab', 'through everything, the ladder too; Enter places a probe'],
  ['Esc', 'clear the probes, close what is open'],
  ['?', 'this list'],
];

interface Props {
  readonly cautions: readonly string[];
  readonly onClose: () => void;
}

/** The keys of the call page, and what holds on this appliance whatever is done. */
export default function KeysHelp({ cautions, onClose }: Props) {
  return (
    <Dialog title="Cautions and keys" onClose={onClose}>
      <Cautions>
        {cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </Cautions>
      <dl className={styles.keys}>
        {KEYS.map(([key, words]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
