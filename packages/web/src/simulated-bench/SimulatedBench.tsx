import { useState } from 'react';
import { SPEEDS } from '@zetalysis/core/instruments';
import { bareLadder } from '@zetalysis/core/presentation';
import { formatDuration } from '@zetalysis/core/units';
import { Ladder } from '../diagrams/Ladder';
import { AntTheme } from '../kit/AntTheme';
import { Block } from '../kit/Block';
import { Button } from '../kit/Button';
import { Choice } from '../kit/Choice';
import { Notice } from '../kit/Notice';
import { Waiting } from '../kit/Waiting';
import { Words } from '../kit/Words';
import { Instrument } from './Instrument';
import styles from './SimulatedBench.module.css';
import { useHands } from './use-hands';

/** A machine with something hidden in it, and instruments that show what their probes meet there. */
export function SimulatedBench() {
  const { state, drawing, problem, connected, act } = useHands();
  const [held, setHeld] = useState('m2');
  if (!state || !drawing) return <Waiting>The instruments are laid out…</Waiting>;
  const instrument = state.instruments.find((i) => i.card.id === held)!;
  const [red, black] = instrument.place.at === 'points' ? [instrument.place.red, instrument.place.black] : [];
  const { unplugged, bypassed, apart, repaired, actions } = state.setup;
  const otherwise = [
    ...unplugged.map((p) => `${p} apart`),
    ...bypassed.map((p) => `${p} gone round`),
    ...apart.map((p) => `${p} out`),
    ...repaired.map((p) => `${p} repaired`),
    ...actions,
  ];
  const tap = (net: string): void => {
    if (instrument.card.kind !== 'multimeter') return;
    // The first tap puts the red probe there and the black one on its common; the next one moves the black probe.
    const own = drawing.points[net]?.black;
    if (red !== undefined && red !== net && black === drawing.points[red]?.black)
      act({ do: 'put', id: held, place: { at: 'points', red, black: net } });
    else if (own !== undefined) act({ do: 'put', id: held, place: { at: 'points', red: net, black: own } });
  };
  return (
    <AntTheme>
      <main className={styles.page}>
        <header className={styles.head}>
          <h1>Simulated instruments</h1>
          <Choice
            label="In front of"
            value={state.machine}
            options={state.machines.map((m) => ({ value: m, label: m }))}
            onChange={(machine) => act({ do: 'choose', machine })}
          />
          <p className={styles.code}>
            Pairing code <b>{state.code}</b>{' '}
            <span>
              {state.listeners === 0
                ? 'nobody listens'
                : state.listeners === 1
                  ? 'one listens'
                  : `${state.listeners} listen`}
            </span>
          </p>
        </header>
        {!connected && <Notice kind="danger">The instruments were stopped. Start them again: npm run meter</Notice>}
        {state.warning !== undefined && <Notice kind="danger">{state.warning}</Notice>}
        {problem !== undefined && <Notice kind="danger">Not done: {problem}.</Notice>}
        <div className={styles.columns}>
          <Block title="The machine" note={formatDuration(state.seconds * 1000)}>
            <h3>Seen and heard now</h3>
            <ul className={styles.noticed} aria-label="Seen and heard now">
              {state.noticed.length === 0 && <li className="fine">Nothing moves.</li>}
              {state.noticed.map((n) => (
                <li key={n}>{n}</li>
              ))}
              {state.light !== '' && <li>Light: {state.light}</li>}
            </ul>
            <div className={styles.switches} role="group" aria-label="Switches">
              {SWITCHES.map(({ what, title, on, off }) => (
                <Words
                  key={what}
                  label={title}
                  options={[
                    { id: 'on', title: on },
                    { id: 'off', title: off },
                  ]}
                  value={state.setup[what] ? 'on' : 'off'}
                  onChange={(id) => act({ do: 'set', what, on: id === 'on' })}
                />
              ))}
              <Button onClick={() => act({ do: 'again' })}>Off and on: a new try</Button>
            </div>
            {otherwise.length > 0 && <p className="fine">As the call says: {otherwise.join(', ')}</p>}
            <Words
              label="Its time runs"
              options={SPEEDS.map((s) => ({ id: String(s), title: `× ${s}` }))}
              value={String(state.speed)}
              onChange={(s) => act({ do: 'speed', times: Number(s) })}
            />
          </Block>
          <Block title="Where the probes are" note={`${instrument.card.title}: tap a point`} className={styles.middle}>
            <Ladder
              drawing={drawing}
              view={bareLadder(drawing)}
              red={red}
              passage={black}
              onNet={tap}
              onPart={() => undefined}
            />
          </Block>
          <Block title="Instruments" className={styles.instruments}>
            {state.instruments.map((i) => (
              <Instrument
                key={i.card.id}
                drawing={drawing}
                instrument={i}
                held={i.card.id === held}
                onHold={() => setHeld(i.card.id)}
                onAct={act}
              />
            ))}
          </Block>
        </div>
        <p className="fine">
          A model, not a machine: nothing here is live. On a real one line voltage and gas can kill; follow the makers’
          sheets, local codes and whoever is licensed.
        </p>
      </main>
    </AntTheme>
  );
}

const SWITCHES = [
  { what: 'power', title: 'Power', on: 'Power on', off: 'off' },
  { what: 'gas', title: 'Gas', on: 'Gas open', off: 'shut' },
  { what: 'heatCall', title: 'Call for heat', on: 'Calls', off: 'no call' },
] as const;
