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

export function KeysHelp({ onClose }: { onClose: () => void }) {
  return (
    <dialog open className="keys" aria-label="Keys">
      <h2>Keys</h2>
      <dl>
        {KEYS.map(([key, words]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <button type="button" autoFocus onClick={onClose}>
        Close
      </button>
    </dialog>
  );
}
