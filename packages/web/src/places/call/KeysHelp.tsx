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

/** The keys of the call page. */
export default function KeysHelp({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
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
