import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import {
  calibrationDue,
  type Display,
  digitsOf,
  type Doubt,
  factsOf,
  force,
  type Listening as State,
  unitOf,
  type Wanted,
  wantedOf,
} from '@zetalysis/core/instruments';
import { http } from '../../../api/http';
import { useRegister } from '../../../instruments/mine';
import { type Paired, pair } from '../../../instruments/paired';
import type { Heard } from '../../../instruments/connection';
import { useInstruments } from '../../../instruments/use-instruments';
import { Button } from '../../../kit/Button';
import { Readout } from '../../../kit/Readout';
import { useNow } from '../../../kit/use-now';
import { Words } from '../../../kit/Words';
import { useAppliance } from '../use-appliance';
import { alsoSaid } from './also-said';
import type { ToRead } from './ByMeter';
import styles from './Listening.module.css';
import { SecondInstrument } from './SecondInstrument';
import { Spark } from './Spark';
import { Turns } from './Turns';
import type { TypedEntry } from './use-entry';
import { useListening } from './use-listening';

interface Props {
  readonly paired: Paired;
  readonly entry: TypedEntry;
  readonly toRead: ToRead;
  readonly busy: boolean;
  readonly onType: () => void;
  readonly onPair: () => void;
}

/** An instrument that shows nothing new for so long is silent, milliseconds. */
const SILENT_AFTER = 2500;

/** So long after it was asked a reading that did not change is not taken by force, milliseconds. */
const TOO_SOON = 2500;

/** Which instrument of a kind was meant last, by kind. */
const meant = new Map<string, string>();

/** The meter listens: it takes the place of the field. */
export default function Listening({ paired, entry, toRead, busy, onType, onPair }: Props) {
  const { drawing } = useAppliance();
  const connected = useInstruments(paired);
  const { form, probes, clamp = false, foretold = [] } = toRead;
  const [turns, setTurns] = useState(1);
  const wanted = wantedOf(drawing.words, {
    ...form,
    probes,
    clamp,
    turns,
    line: probes.some((net) => drawing.points[net]?.line === true),
    foretold,
  });
  const [, choose] = useState(0);
  const away = (says: string) => (
    <div className={styles.away} role="status">
      <p>{says}</p>
      <Button onClick={onType}>Type it</Button>
      <Button tone="quiet" onClick={onPair}>
        Pair again
      </Button>
      <Button tone="quiet" onClick={() => pair(undefined)}>
        No meter
      </Button>
    </div>
  );
  if (connected.status === 'refused') return away(connected.why ?? 'The instruments do not let this page in.');
  if (connected.status === 'connecting') return away('Looking for the instruments…');
  if (connected.status === 'away')
    return away(
      `No instruments at ${paired.address}. Start them (npm run meter), or pair again; they are tried again meanwhile.`,
    );
  if (connected.status === 'lost')
    return away('The instruments are gone. They are tried again; type meanwhile. Nothing that was taken is lost.');
  if (!wanted) return away('No instrument shows this: type it.');
  const { of } = factsOf(wanted.functions[0]!);
  const usable = connected.instruments.filter((i) => i.card.kind === of);
  const chosen = usable.find((i) => i.card.id === meant.get(of)) ?? usable[0];
  if (!chosen) return away(`This is read by a ${of}, and none is switched on.`);
  const others = connected.instruments.filter((i) => i !== chosen);
  return (
    <>
      {connected.simulates && connected.simulates.profile !== drawing.id && (
        <p className="problem" role="alert">
          The instruments stand in front of another machine: {connected.simulates.machine}.
        </p>
      )}
      {usable.length > 1 && (
        <Words
          label="Which of them answers"
          options={usable.map((i) => ({ id: i.card.id, title: i.card.title }))}
          value={chosen.card.id}
          onChange={(id) => {
            meant.set(of, id);
            choose((n) => n + 1);
          }}
        />
      )}
      {clamp && <Turns of={chosen.card.title} turns={turns} onChange={setTurns} />}
      <OneInstrument
        key={`${chosen.card.id} ${turns}`}
        turns={turns}
        wanted={wanted}
        instrument={chosen}
        entry={entry}
        busy={busy}
        onType={onType}
      />
      {connected.garbled !== undefined && (
        <p className="fine" role="status">
          Something was not understood and left out: {connected.garbled}.
        </p>
      )}
      {others.map((other) => (
        <SecondInstrument key={other.card.id} instrument={other} entry={entry} />
      ))}
    </>
  );
}

interface OneProps extends Pick<Props, 'entry' | 'busy' | 'onType'> {
  readonly wanted: Wanted;
  readonly instrument: Heard;
  readonly turns: number;
}

function OneInstrument({ wanted, instrument: { card, shown }, turns, entry, busy, onType }: OneProps) {
  const now = useNow(1000);
  const { take } = entry;
  const onTake = useCallback(
    (typed: string, last: Display) => take(typed, alsoSaid(last, card.title, turns)),
    [take, card.title, turns],
  );
  const listening = useListening(wanted, shown, busy, onTake);
  const last = shown[shown.length - 1];
  const silent = last === undefined || now - last.at > SILENT_AFTER;
  const [asked] = useState(() => Date.now());
  // Whoever presses a moment too late means the reading before this one.
  const tooSoon = listening.heard.is === 'armed' && now - asked < TOO_SOON;
  const forced = silent || tooSoon ? undefined : force(listening);
  const [warned, setWarned] = useState(false);
  const takeIt = (): void => {
    if (!forced || !last) return;
    // Nothing moved, and nobody foretells it: it may be of the point before. It is asked once more.
    if (listening.heard.is !== 'doubtful' && forced.why === 'unforeseen' && !warned) return setWarned(true);
    onTake(forced.typed, last);
  };
  useSpace(takeIt);
  const said = silent
    ? SILENT
    : { ...sayHeard(listening, last), ...(warned && listening.heard.is === 'armed' && DOUBTS.unforeseen) };
  return (
    <div className={styles.listening}>
      <Readout state={said.state} says={<b>{said.says}</b>} digits={silent ? '– – –' : said.digits} unit={said.unit} />
      <Spark shown={shown} />
      <p className={styles.hint}>{said.hint}</p>
      {entry.problem !== undefined && (
        <p className="problem" role="alert">
          {entry.problem}
        </p>
      )}
      <div className={styles.buttons}>
        <Button onClick={takeIt} disabled={forced === undefined}>
          Take what it shows
        </Button>
        <Button onClick={onType}>Type it</Button>
      </div>
      <InRegister serial={card.serial} title={card.title} when={entry.made > 0 ? 'after' : 'before'} />
    </div>
  );
}

interface InRegisterProps {
  readonly serial: string;
  readonly title: string;
  /** Before something is found dead by it, or after. */
  readonly when: 'before' | 'after';
}

/** What the register says of it: whether it is calibrated, and when it last showed a live source. */
function InRegister({ serial, title, when }: InRegisterProps) {
  const { data: register } = useRegister();
  const queries = useQueryClient();
  const known = register?.find((i) => i.serial === serial);
  const prove = useMutation({
    mutationFn: (id: string) => http('POST /instruments/:id/proofs', { params: { id }, body: { when } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['instruments'] }),
  });
  if (!register) return <p className={styles.hint}>{title}</p>;
  if (!known) return <p className={styles.hint}>{title}, not in the shop’s register: it counts as a usual one.</p>;
  const proof = when === 'before' ? known.provedBefore : known.provedAfter;
  const due = calibrationDue(known.due, new Date().toISOString().slice(0, 10));
  return (
    <p className={styles.register}>
      {title}
      {due && <b>, calibration due since {known.due}</b>}
      {known.kind === 'multimeter' && (
        <>
          , proved {when}: {proof ? hour.format(new Date(proof.at)) : 'not yet'}{' '}
          <Button tone="quiet" disabled={prove.isPending} onClick={() => prove.mutate(known.id)}>
            Proved now
          </Button>
        </>
      )}
    </p>
  );
}

const hour = new Intl.DateTimeFormat('en', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hour12: false,
});

interface Said {
  readonly state: 'armed' | 'wrong' | 'stands';
  readonly says: string;
  readonly digits: string;
  readonly unit: string;
  readonly hint: string;
}

const SILENT: Said = {
  state: 'armed',
  says: 'is silent',
  digits: '',
  unit: '',
  hint: 'Is it still switched on? Its last reading is not taken.',
};

function sayHeard({ heard, before, recent }: State, last: Display): Said {
  const unit = unitOf(last);
  const digits = digitsOf(last);
  switch (heard.is) {
    case 'silent':
    case 'armed':
      return {
        state: 'armed',
        says: '◔ armed: waits',
        digits,
        unit,
        hint: before === undefined ? '' : `Was ${digitsOf(before)}. 0, OL and ghosts: Space or a tap.`,
      };
    case 'settling':
      return { state: 'armed', says: '◔ settles', digits, unit, hint: 'Space or a tap takes it earlier.' };
    case 'stands':
      return heard.unsteady
        ? {
            state: 'stands',
            says: '∿ unsteady for 3 s',
            digits: spanOf(recent),
            unit,
            hint: 'Kept as least to most of three seconds.',
          }
        : { state: 'stands', says: '✓ steady: taken', digits, unit, hint: '' };
    case 'doubtful':
      return {
        state: 'armed',
        says: DOUBTS[heard.why].says,
        digits: heard.unsteady ? spanOf(recent) : digits,
        unit,
        hint: DOUBTS[heard.why].hint,
      };
    case 'wrong-function':
      return {
        state: 'wrong',
        says: '✕ wrong function: not taken',
        digits,
        unit: factsOf(last.function).title,
        hint: `Turn it to ${heard.turnTo.map((f) => factsOf(f).title).join(' or ')}${last.function === 'beeper' ? ': a beeper clears no contact' : ''}.`,
      };
  }
}

const DOUBTS: Readonly<Record<Doubt, { readonly says: string; readonly hint: string }>> = {
  nothing: {
    says: '? nothing: is it meant?',
    hint: 'A dead wire, or a probe that touches nothing. Space or a tap takes it.',
  },
  open: { says: '? OL: is it meant?', hint: 'Open, or a probe that touches nothing. Space or a tap takes it.' },
  ghost: {
    says: '? ghost-sized: is it meant?',
    hint: 'It may couple in from beside: read it at low impedance, or Space or a tap takes it.',
  },
  unforeseen: {
    says: '? nobody foretells this here',
    hint: 'Are the probes where they should be? Space or a tap takes it all the same.',
  },
};

/** The least and the most of what it showed. */
function spanOf(recent: readonly Display[]): string {
  const numbers = recent.filter((d) => d.value !== undefined).sort((a, b) => a.value! - b.value!);
  if (numbers.length === 0) return 'OL';
  const short = (d: Display): string => (d.value! >= 10 ? d.value!.toFixed(0) : digitsOf(d));
  return `${short(numbers[0]!)}–${short(numbers[numbers.length - 1]!)}`;
}

/** Space takes what stands there, unless somebody is typing or on a button. */
function useSpace(act: () => void): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (
        e.key !== ' ' ||
        (e.target as HTMLElement).closest('input, textarea, button, a, [role="dialog"], [role="combobox"]')
      )
        return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
