import { useCallback, useState } from 'react';
import { type Display, digitsOf, factsOf, unitOf, wantedOf } from '@zetalysis/core/instruments';
import type { Heard } from '../../../instruments/connection';
import { Choice } from '../../../kit/Choice';
import { useAppliance } from '../use-appliance';
import styles from './Listening.module.css';
import { alsoSaid } from './also-said';
import { Turns } from './Turns';
import type { TypedEntry } from './use-entry';
import { useListening } from './use-listening';

/** Where an instrument of a kind may be said to be, by what is typed of the place. */
interface Somewhere {
  readonly value: string;
  readonly label: string;
}

/** Another instrument that is switched on: what it shows, and where it is said to be it is listened to as well. */
export function SecondInstrument({ instrument, entry }: { readonly instrument: Heard; readonly entry: TypedEntry }) {
  const { drawing } = useAppliance();
  const [at, setAt] = useState<string>();
  const [turns, setTurns] = useState(1);
  const { card, shown } = instrument;
  const last = shown[shown.length - 1];
  const dimension = last && factsOf(last.function).dimension;
  const places: readonly Somewhere[] =
    card.kind === 'multimeter'
      ? Object.entries(drawing.points).map(([net, { black }]) => ({
          value: `${net} ${black}`,
          label: `${net} to ${black}`,
        }))
      : card.kind === 'clamp'
        ? drawing.parts
            .filter((p) => drawing.words.clamped.includes(p.id))
            .map((p) => ({ value: p.id, label: `wire of the ${p.title}` }))
        : drawing.gauges.filter((g) => g.dimension === dimension).map((g) => ({ value: g.id, label: g.title }));
  return (
    <div className={styles.second}>
      <span>
        {card.title}: <b>{last === undefined ? '– – –' : `${digitsOf(last)} ${unitOf(last)}`}</b>
      </span>
      {places.length > 0 && (
        <Choice
          label={`Where ${card.title} is`}
          labelHidden
          placeholder="Where is it?"
          value={at}
          options={places}
          onChange={setAt}
        />
      )}
      {at !== undefined && card.kind === 'clamp' && <Turns of={card.title} turns={turns} onChange={setTurns} />}
      {at !== undefined && (
        <Also key={`${at} ${turns} ${entry.made}`} at={at} turns={turns} instrument={instrument} entry={entry} />
      )}
    </div>
  );
}

function Also({
  at,
  turns,
  instrument: { card, shown },
  entry,
}: {
  readonly at: string;
  readonly turns: number;
  readonly instrument: Heard;
  readonly entry: TypedEntry;
}) {
  const { drawing } = useAppliance();
  const [red = '', black] = at.split(' ');
  const point = drawing.points[red];
  const gauge = drawing.gauges.find((g) => g.id === red);
  const wanted = wantedOf(drawing.words, {
    dimension: point ? 'voltage' : (gauge?.dimension ?? 'current'),
    ...(drawing.words.millivolts.includes(red) && { unit: 'mV' as const }),
    probes: black === undefined ? [] : [red, black],
    clamp: card.kind === 'clamp',
    turns,
    line: point?.line === true,
  })!;
  const { take } = entry;
  const onTake = useCallback(
    (typed: string, last: Display) => take(typed, alsoSaid(last, card.title, turns), at),
    [take, card, at, turns],
  );
  const { heard } = useListening(wanted, shown, false, onTake);
  const says =
    heard.is === 'wrong-function'
      ? `wrong function: turn it to ${factsOf(heard.turnTo[0]!).title}`
      : heard.is === 'doubtful'
        ? 'nothing, open or doubtful: not taken by itself'
        : heard.is === 'stands'
          ? 'taken'
          : 'waits for a change';
  return (
    <span className="fine" role="status">
      {says}
    </span>
  );
}
