import { factsOf, functionsOf, type Place } from '@zetalysis/core/instruments';
import type { PracticeAct } from '@zetalysis/core/practice';
import type { Drawing, NeedLine, StandView } from '@zetalysis/core/presentation';
import { formatDuration } from '@zetalysis/core/units';
import { memo, useState } from 'react';
import { keyOfPlace, placeOfKey, placesFor } from '../../instruments/where';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Readout } from '../../kit/Readout';
import styles from './Exercise.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: StandView;
  /** They say beforehand what a reading will be. */
  readonly predicts: boolean;
  readonly onAct: (act: PracticeAct) => void;
}

const INSTRUMENTS = [
  { value: 'm', label: 'Meter' },
  { value: 'c', label: 'Clamp' },
  { value: 'g', label: 'Manometer' },
  { value: 't', label: 'Thermometer' },
  { value: 'a', label: 'Analyser' },
];

/** The instrument in the hand: what it shows, its knob in words, where its probes are, and what comes before a reading counts. */
export function Meter({ drawing, view, predicts, onAct }: Props) {
  const { instrument, accident, needs, refused } = view;
  const { kind, set, place } = instrument;
  const [guess, setGuess] = useState('');
  const waits = predicts && guess.trim() === '';
  return (
    <section className={styles.meter} aria-label="Meter">
      <Readout
        digits={accident ? '!!!' : instrument.digits}
        unit={instrument.unit}
        says={accident ? 'Live circuit: off with it' : whereWords(drawing, place)}
        state={accident ? 'wrong' : 'stands'}
      />
      <Hand drawing={drawing} id={instrument.id} kind={kind} set={set} place={place} onAct={onAct} />
      {refused !== undefined && <Notice kind="danger">{refused}</Notice>}
      {needs.length > 0 && (
        <ul className={styles.needs} aria-label="First">
          {needs.map((n) => (
            <li key={n.need}>
              <span>{n.title}</span>
              {n.by === 'wait' ? (
                <Button onClick={() => onAct({ do: 'wait', minutes: n.minutes ?? 1 })}>
                  Wait {formatDuration((n.minutes ?? 1) * 60_000)}, or do something else meanwhile
                </Button>
              ) : (
                <Button onClick={() => onAct(meets(n))}>{n.by === 'set' ? 'Do it' : 'Done'}</Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {predicts && place.at !== 'nowhere' && (
        <Field
          label="Said beforehand: it will read"
          value={guess}
          onChange={setGuess}
          placeholder="24 V, or OL"
          maxLength={20}
        />
      )}
      <div className={styles.note}>
        <Button
          tone="main"
          disabled={place.at === 'nowhere' || waits}
          onClick={() => {
            onAct({ do: 'note', ...(guess.trim() !== '' && { guess: guess.trim() }) });
            setGuess('');
          }}
        >
          Note it
        </Button>
        {(set === 'ohms' || set === 'beeper') && (
          <Button onClick={() => onAct({ do: 'lead-zero' })}>Zero the leads</Button>
        )}
        {place.at !== 'nowhere' && (
          <Button tone="quiet" onClick={() => onAct({ do: 'put', place: { at: 'nowhere' } })}>
            Take it away
          </Button>
        )}
      </div>
    </section>
  );
}

type HandProps = Pick<Props, 'drawing' | 'onAct'> & Pick<StandView['instrument'], 'id' | 'kind' | 'set' | 'place'>;

/** Which instrument is in the hand, its knob, and where it is put. */
const Hand = memo(function Hand({ drawing, id, kind, set, place, onAct }: HandProps) {
  return (
    <>
      <div className={styles.functions} role="group" aria-label="Function">
        {functionsOf(kind).map((f) => (
          <button key={f} type="button" aria-pressed={f === set} onClick={() => onAct({ do: 'turn', set: f })}>
            {factsOf(f).title}
          </button>
        ))}
      </div>
      <div className={styles.places}>
        <Choice
          label="In the hand"
          labelHidden
          value={id}
          options={INSTRUMENTS}
          onChange={(taken) => onAct({ do: 'take', instrument: taken })}
        />
        {place.at === 'points' && (
          <Choice
            label="Black probe on"
            labelHidden
            value={place.black}
            options={drawing.words.nets
              .filter((net) => net !== place.red)
              .map((net) => ({ value: net, label: `black ${net}` }))}
            onChange={(black) => onAct({ do: 'put', place: { at: 'points', red: place.red, black } })}
          />
        )}
        <Choice
          label="Put it elsewhere"
          labelHidden
          placeholder="Put it on…"
          value={place.at === 'points' || place.at === 'nowhere' ? undefined : keyOfPlace(place)}
          options={placesFor(drawing, kind)}
          onChange={(key) => onAct({ do: 'put', place: placeOfKey(key) })}
        />
      </div>
    </>
  );
});

/** What is done to meet a need. */
function meets({ need, of, by, fact, set }: NeedLine): PracticeAct {
  if (by === 'set' && set) return { do: 'set', change: set };
  if (by === 'fact' && fact) return { do: 'fact', fact: fact.id, value: fact.value };
  return { do: 'need', need, ...(of !== undefined && (need === 'isolated' || need === 'watch') && { of }) };
}

function whereWords(drawing: Drawing, place: Place): string {
  switch (place.at) {
    case 'nowhere':
      return 'Probes hang';
    case 'points':
      return `Red ${place.red}, black ${place.black}`;
    case 'part':
      return drawing.parts.find((p) => p.id === place.part)?.title ?? place.part;
    case 'gauge':
      return drawing.gauges.find((g) => g.id === place.gauge)?.title ?? place.gauge;
    case 'flue':
      return 'In the flue';
  }
}
