import {
  type Act,
  digitsOf,
  factsOf,
  functionsOf,
  type OnBench,
  type Place,
  unitOf,
} from '@zetalysis/core/instruments';
import type { Drawing } from '@zetalysis/core/presentation';
import { keyOfPlace, placeOfKey, placesFor } from '../instruments/where';
import { Button } from '../kit/Button';
import { Choice } from '../kit/Choice';
import { Readout } from '../kit/Readout';
import styles from './SimulatedBench.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly instrument: OnBench;
  /** It is the one in the hand: points that are tapped are for it. */
  readonly held: boolean;
  readonly onHold: () => void;
  readonly onAct: (act: Act) => void;
}

/** An instrument: what it shows, its knob in words, and where its probes are. */
export function Instrument({ drawing, instrument, held, onHold, onAct }: Props) {
  const { card, on, set, display } = instrument;
  const { id } = card;
  return (
    <section className={styles.instrument} aria-label={card.title} data-held={held || undefined}>
      <div className={styles.name}>
        <h3>
          {card.title} <span className="fine">{card.serial}</span>
        </h3>
        {on && !held && <Button onClick={onHold}>Take it in hand</Button>}
        <Button onClick={() => onAct({ do: 'switch', id, on: !on })}>{on ? 'Switch off' : 'Switch on'}</Button>
      </div>
      {on && (
        <>
          <Readout
            small
            digits={display === undefined ? '' : digitsOf(display)}
            unit={display === undefined ? '' : unitOf(display)}
          />
          <Choice
            label={`Function of ${card.title}`}
            labelHidden
            value={set}
            options={functionsOf(card.kind).map((f) => ({ value: f, label: factsOf(f).title }))}
            onChange={(f) => onAct({ do: 'turn', id, set: f })}
          />
          <Where drawing={drawing} instrument={instrument} onPut={(place) => onAct({ do: 'put', id, place })} />
        </>
      )}
    </section>
  );
}

/** Where the probes of an instrument are, each chosen by its name. */
function Where({
  drawing,
  instrument: { card, place },
  onPut,
}: Pick<Props, 'drawing' | 'instrument'> & { readonly onPut: (place: Place) => void }) {
  const value = keyOfPlace(place);
  const options = [{ value: 'nowhere', label: 'Nowhere: it hangs' }, ...placesFor(drawing, card.kind)];
  return (
    <div className={styles.where}>
      {card.kind === 'multimeter' && <Probes drawing={drawing} title={card.title} place={place} onPut={onPut} />}
      <Choice
        label={`${card.title} is put`}
        labelHidden
        placeholder="Put it elsewhere…"
        value={place.at === 'points' ? undefined : value}
        options={options}
        onChange={(chosen) => onPut(placeOfKey(chosen))}
      />
      {card.kind === 'clamp' && place.at === 'part' && (
        <Choice
          label="Turns through the jaw"
          value={String(place.turns ?? 1)}
          options={['1', '3', '10'].map((n) => ({ value: n, label: n === '1' ? 'once' : `${n} times` }))}
          onChange={(n) => onPut({ ...place, turns: Number(n) })}
        />
      )}
    </div>
  );
}

function Probes({
  drawing,
  title,
  place,
  onPut,
}: {
  readonly drawing: Drawing;
  readonly title: string;
  readonly place: Place;
  readonly onPut: (place: Place) => void;
}) {
  const [red, black] = place.at === 'points' ? [place.red, place.black] : [];
  const nets = drawing.words.nets.map((n) => ({ value: n, label: n }));
  return (
    <div className={styles.probes}>
      <Choice
        label={`Red probe of ${title}`}
        labelHidden
        placeholder="Red on…"
        value={red}
        options={nets}
        onChange={(net) => {
          const common = black !== undefined && black !== net ? black : drawing.points[net]?.black;
          onPut({ at: 'points', red: net, black: common ?? nets.find((n) => n.value !== net)!.value });
        }}
      />
      <Choice
        label={`Black probe of ${title}`}
        labelHidden
        placeholder="black on…"
        value={black}
        options={nets}
        onChange={(net) => red !== undefined && onPut({ at: 'points', red, black: net })}
      />
    </div>
  );
}
