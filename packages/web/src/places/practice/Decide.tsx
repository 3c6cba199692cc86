import { ITSELF, NOT_OURS, type PracticeAct } from '@zetalysis/core/practice';
import type { EndingsNow, Drawing } from '@zetalysis/core/presentation';
import { useEffect, useState } from 'react';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Words } from '../../kit/Words';
import styles from './Exercise.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly endings: () => Promise<EndingsNow>;
  readonly onAct: (act: PracticeAct) => Promise<string | undefined>;
  readonly onClose: () => void;
}

const HOW = [
  { id: 'steady', title: 'Always; its cause is mended' },
  { id: 'came-and-went', title: 'It came and went' },
  { id: 'cause-left', title: 'Its cause is still there' },
] as const;

/** Naming the break, putting it right, proving it and ending, in that order or in another: the mark tells which was better. */
export function Decide({ drawing, endings, onAct, onClose }: Props) {
  const [now, setNow] = useState<EndingsNow>();
  const [part, setPart] = useState<string>();
  const [cause, setCause] = useState<string>(ITSELF);
  const [fitted, setFitted] = useState<string>();
  const [measured, setMeasured] = useState(true);
  const [given, setGiven] = useState<Readonly<Record<string, string>>>({});
  const [said, setSaid] = useState<string>();
  useEffect(() => void endings().then(setNow), [endings]);
  const act = (wanted: PracticeAct, words?: string): void =>
    void onAct(wanted).then(async (why) => {
      setSaid(why ?? words);
      setNow(await endings());
    });
  const parts = drawing.parts.map(({ id, title }) => ({ value: id, label: title }));
  return (
    <Dialog title="Name it, mend it, prove it, end it" onClose={onClose} width={720}>
      <div className={styles.decide}>
        <h3>What broke the sequence</h3>
        <div className={styles.row}>
          <Choice
            label="The part"
            value={part}
            options={[{ value: 'none', label: 'Nothing is wrong' }, ...parts]}
            onChange={setPart}
          />
          <Choice
            label="Its cause"
            value={cause}
            options={[{ value: ITSELF, label: 'The part itself' }, ...parts]}
            onChange={setCause}
          />
          <Button
            disabled={part === undefined}
            onClick={() => act({ do: 'record', part: part!, cause }, 'Written down.')}
          >
            Write it down
          </Button>
        </div>
        {part !== undefined && NOT_OURS[part] !== undefined && (
          <p className="fine">Is that yours to repair? If not, end it as referred.</p>
        )}
        <h3>Put right</h3>
        <div className={styles.row}>
          <Choice label="Fit or mend" value={fitted} options={parts} onChange={setFitted} />
          <Words
            label="The new part"
            value={measured ? 'yes' : 'no'}
            options={[
              { id: 'yes', title: 'measured first' },
              { id: 'no', title: 'straight in' },
            ]}
            onChange={(id) => setMeasured(id === 'yes')}
          />
          <Button
            disabled={fitted === undefined}
            onClick={() => act({ do: 'repair', part: fitted!, measured }, 'In. Power, gas and call on, and watch it.')}
          >
            Put it right
          </Button>
        </div>
        {now && now.lines.length > 0 && (
          <>
            <h3>Lines of the proof</h3>
            <Words
              label="How the fault showed"
              value={undefined}
              options={HOW}
              onChange={(id) => act({ do: 'fact', fact: 'showed', value: id })}
            />
            <ul className={styles.lines}>
              {now.lines.map((line) => (
                <li key={line.id}>
                  <span>
                    <b>{line.words}</b> {line.limit}
                  </span>
                  <Button onClick={() => act({ do: 'line', line: line.id })}>Do it</Button>
                </li>
              ))}
            </ul>
          </>
        )}
        {now?.safeties.map(({ id, title }) => (
          <p key={id}>
            Why did the {title} open?{' '}
            <Button onClick={() => act({ do: 'cause', safety: id, mended: true })}>
              Its cause is found and mended
            </Button>
          </p>
        ))}
        <h3>What is so in the room</h3>
        <div className={styles.row}>
          <Button onClick={() => act({ do: 'fact', fact: 'smell', value: 'none' }, 'No gas is smelled.')}>
            Smell for gas
          </Button>
          <Button onClick={() => act({ do: 'fact', fact: 'co', value: 2 }, 'CO: 2 ppm.')}>Read CO in the room</Button>
        </div>
        <h3>How it ends</h3>
        <ul className={styles.lines}>
          {now?.endings.map((ending) => (
            <li key={ending.id}>
              <span>
                <b>{ending.title}</b> {ending.lacks.join(' ')}
                {ending.lacks.length === 0 &&
                  ending.asks.map(({ id, ask }) => (
                    <Field
                      key={id}
                      label={ask}
                      value={given[id] ?? ''}
                      onChange={(v) => setGiven({ ...given, [id]: v })}
                      maxLength={100}
                    />
                  ))}
              </span>
              <Button
                onClick={() => {
                  const missing = ending.asks.filter(({ id }) => (given[id] ?? '').trim() === '');
                  if (missing.length > 0 && ending.lacks.length === 0)
                    return setSaid(`Write first: ${missing[0]!.ask}`);
                  void onAct({ do: 'close', ending: ending.id, given }).then((why) =>
                    why === undefined ? onClose() : setSaid(why),
                  );
                }}
              >
                {ending.lacks.length === 0 ? 'End it so' : 'End it all the same'}
              </Button>
            </li>
          ))}
        </ul>
        <p role="status">{said}</p>
      </div>
    </Dialog>
  );
}
