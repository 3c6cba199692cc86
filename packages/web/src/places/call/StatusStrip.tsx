import { inSeconds } from '@zetalysis/core/units';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { clock, Timers } from './Clock';
import type { SyncState } from '../../store/sync';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly sync: SyncState;
  readonly onBody: (body: EventBody) => void;
}

/** Always on screen in a call: gas, power, what is unplugged or bypassed, and whether everything is sent. */
export function StatusStrip({ drawing, view, sync, onBody }: Props) {
  const { setup } = view;
  const set = (change: Partial<typeof setup>): void => onBody(setupEntry({ ...setup, ...change }));
  const title = (id: string): string =>
    drawing.parts.find((p) => p.id === id)?.title ?? drawing.plugs.find((p) => p.id === id)?.title ?? id;
  return (
    <div className="status" role="region" aria-label="State of the appliance">
      {drawing.gas && <Toggle name="Gas" on={setup.gas} words={['on', 'shut']} onChange={(gas) => set({ gas })} />}
      <Toggle name="Power" on={setup.power} words={['on', 'off']} onChange={(power) => set({ power })} />
      <Toggle
        name="Call"
        on={setup.heatCall}
        words={['calling', 'no call']}
        onChange={(heatCall) => set({ heatCall })}
      />
      {setup.unplugged.map((id) => (
        <button
          key={id}
          type="button"
          className="warn"
          onClick={() => set({ unplugged: setup.unplugged.filter((u) => u !== id) })}
        >
          {title(id)} unplugged · put back
        </button>
      ))}
      {setup.bypassed.map((id) => (
        <button
          key={id}
          type="button"
          className="alarm"
          onClick={() => set({ bypassed: setup.bypassed.filter((b) => b !== id) })}
        >
          BYPASS on {title(id)} · removed
        </button>
      ))}
      {setup.actions.map((id) => (
        <button
          key={id}
          type="button"
          className={drawing.actions.find((a) => a.id === id)?.ledger === true ? 'alarm' : 'warn'}
          onClick={() => set({ actions: setup.actions.filter((a) => a !== id) })}
        >
          {drawing.actions.find((a) => a.id === id)?.title ?? id} · over
        </button>
      ))}
      <Timers timers={view.timers} onEnd={(event) => onBody({ type: 'retracted', event })} />
      <select
        value=""
        aria-label="Change the setup"
        onChange={(e) => {
          const [kind, ...rest] = e.target.value.split(' ') as [string, ...string[]];
          const id = rest.join(' ');
          if (kind === 'unplug') set({ unplugged: [...setup.unplugged, id] });
          else if (kind === 'bypass') set({ bypassed: [...setup.bypassed, id] });
          else if (kind === 'action') set({ actions: [...setup.actions, id] });
          else if (kind === 'wait') {
            const wait = drawing.waits.find((w) => w.id === id)!;
            onBody({ type: 'timer', title: wait.title, seconds: Math.round(inSeconds(wait.lasts)) });
          } else onBody({ type: 'danger', danger: id as 'gas' | 'co' | 'fire' });
        }}
      >
        <option value="">Unplug, reset, clock, danger…</option>
        <optgroup label="Unplug">
          {drawing.plugs
            .filter((p) => !setup.unplugged.includes(p.id))
            .map((p) => (
              <option key={p.id} value={`unplug ${p.id}`}>
                {p.title}
              </option>
            ))}
        </optgroup>
        <optgroup label="Bypass for one watched test">
          {drawing.parts
            .filter((p) => p.bypassable && !setup.bypassed.includes(p.id))
            .map((p) => (
              <option key={p.id} value={`bypass ${p.id}`}>
                {p.title}
              </option>
            ))}
        </optgroup>
        {drawing.actions.length > 0 && (
          <optgroup label="Do for one test">
            {drawing.actions
              .filter((a) => !setup.actions.includes(a.id))
              .map((a) => (
                <option key={a.id} value={`action ${a.id}`}>
                  {a.title}
                </option>
              ))}
          </optgroup>
        )}
        {drawing.waits.length > 0 && (
          <optgroup label="Set a clock">
            {drawing.waits.map((w) => (
              <option key={w.id} value={`wait ${w.id}`}>
                {w.title}: {clock(w.lasts)}
              </option>
            ))}
          </optgroup>
        )}
        <optgroup label="Danger: stop everything">
          <option value="danger gas">Strong smell of gas</option>
          <option value="danger co">CO alarm or high CO</option>
          <option value="danger fire">Fire or scorching</option>
        </optgroup>
      </select>
      <span className={`sync ${sync.kind}`} role="status">
        {syncWords(sync)}
      </span>
    </div>
  );
}

function Toggle({
  name,
  on,
  words,
  onChange,
}: {
  name: string;
  on: boolean;
  words: readonly [string, string];
  onChange: (on: boolean) => void;
}) {
  return (
    <button type="button" className={on ? 'on' : 'off'} aria-pressed={on} onClick={() => onChange(!on)}>
      {name} <strong>{on ? words[0] : words[1]}</strong>
    </button>
  );
}

function syncWords(sync: SyncState): string {
  const waiting = 'waiting' in sync && sync.waiting > 0 ? `${sync.waiting} kept here, ` : '';
  switch (sync.kind) {
    case 'sent':
      return 'All sent';
    case 'sending':
      return 'Sending…';
    case 'away':
      return `Server away: ${waiting}sent when it is back`;
    case 'signed-out':
      return `Signed out: ${waiting}sign in to send`;
    case 'refused':
      return `Server refuses ${sync.waiting}: ${sync.words}`;
  }
}
