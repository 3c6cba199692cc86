import fc from 'fast-check';
import { Engine } from '../src/diagnosis';
import { NORMAL_SETUP } from '../src/simulation';
import {
  type CallEvent,
  changesOf,
  overviewOf,
  presentSetup,
  reduceCall,
  settled,
  setupEntry,
  type SetUp,
} from '../src/visit';
import { profile } from './models';

const model = profile('furnace-condensing');
const NORMAL = setupEntry(NORMAL_SETUP);

let serial = 0;
const event = (body: CallEvent['body'], seq: number, device: string): CallEvent => ({
  id: `0190${String(++serial).padStart(8, '0')}-${device}`,
  call: 'c1',
  seq,
  at: '2026-01-12T07:00:00.000Z',
  device,
  person: 'imre',
  body,
});
const set = (before: SetUp, change: Partial<SetUp>): SetUp => {
  const after = { ...before, ...change };
  return { ...after, changed: changesOf(before, after) };
};

describe('setups of devices that did not know of each other', () => {
  const bypass = set(NORMAL, { bypassed: ['limit'] });
  const gasOff = set(NORMAL, { gas: false });
  const powerOff = set(gasOff, { power: false });

  test('a bypass placed without signal is not taken off by who did not know of it', () => {
    const log = [event(bypass, 2, 'a-phone'), event(gasOff, 2, 'desk'), event(powerOff, 3, 'desk')];
    expect(presentSetup(log)).toEqual({ ...NORMAL_SETUP, power: false, gas: false, bypassed: ['limit'] });
    expect(reduceCall(model, log).setup.bypassed).toEqual(['limit']);
    const overview = overviewOf(
      log.map((e, i) => ({ event: e, number: i + 1 })),
      Date.parse('2026-01-12T07:00:10.000Z'),
    );
    expect(overview.bypasses.map((b) => b.id)).toEqual(['limit']);
    expect({ gas: overview.gas, power: overview.power }).toEqual({ gas: false, power: false });
  });

  test('gas that was shut without signal stays shut', () => {
    const log = [event(gasOff, 2, 'a-phone'), event(bypass, 2, 'desk')];
    expect(presentSetup(log)).toMatchObject({ gas: false, bypassed: ['limit'] });
  });

  test('who knew of it takes it off', () => {
    const off = set(bypass, { bypassed: [] });
    expect(presentSetup([event(bypass, 2, 'a-phone'), event(off, 3, 'desk')])).toEqual(NORMAL_SETUP);
  });

  test('a bypass that another took off does not come back with a list that names it', () => {
    const line = { id: 'limit', title: 'high limit', kind: 'furnace-limit', limit: 60 };
    const on = { ...bypass, ledger: [line] };
    const off = set(on, { bypassed: [], ledger: [] });
    const unknowing = { ...set(on, { gas: false }), ledger: [line] };
    const log = [event(on, 2, 'a-phone'), event(off, 3, 'a-desk'), event(unknowing, 4, 'b-phone')];
    expect(reduceCall(model, log).followed.c.bypasses).toEqual([]);
    const overview = overviewOf(
      log.map((e, i) => ({ event: e, number: i + 1 })),
      Date.parse('2026-01-12T07:00:10.000Z'),
    );
    expect({ on: overview.bypasses, gas: overview.gas }).toEqual({ on: [], gas: false });
  });

  test('a change that is taken back takes only itself back', () => {
    const first = event(gasOff, 2, 'desk');
    const log = [first, event(powerOff, 3, 'desk'), event({ type: 'retracted', event: first.id }, 4, 'desk')];
    expect(presentSetup(log)).toEqual({ ...NORMAL_SETUP, power: false });
  });

  test('an entry that does not say what it changed sets everything, as older logs mean it', () => {
    const { changed: _changed, ...old } = gasOff;
    expect(presentSetup([event(bypass, 2, 'a-phone'), event(old, 3, 'desk')]).bypassed).toEqual([]);
  });

  test('of one device alone, every setup is as it was entered', () => {
    const change = fc.record(
      {
        gas: fc.boolean(),
        power: fc.boolean(),
        bypassed: fc.subarray(['limit', 'rollout']),
        unplugged: fc.subarray(['valve-plug', 'igniter-plug']),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        let now: SetUp = NORMAL;
        const log = changes.map((c, i) => {
          const { changed: _changed, ...before } = now;
          return event((now = set(before, c)), i + 2, 'phone');
        });
        expect(settled(log)).toEqual(log);
      }),
    );
  });
});

describe('a part that is out, a lead that is lifted', () => {
  const out = (of: string, seq: number, kind: 'part-out' | 'lead' = 'part-out'): CallEvent =>
    event({ type: 'temporary', kind, title: of, of }, seq, 'a-phone');
  const apartOf = (log: readonly CallEvent[]) => reduceCall(model, log).setup.apart;

  test('is open until it is put back, whatever is switched or plugged meanwhile', () => {
    const valve = out('gas-valve', 2);
    const gasOff = event(set(NORMAL, { gas: false }), 3, 'a-phone');
    const back = event({ type: 'undone', event: valve.id }, 4, 'a-phone');
    expect(apartOf([valve])).toEqual(['gas-valve']);
    expect(apartOf([valve, gasOff])).toEqual(['gas-valve']);
    expect(apartOf([valve, gasOff, back])).toEqual([]);
    // It is no setting: who writes a setup does not write it.
    expect(setupEntry(reduceCall(model, [valve]).setup)).toEqual(NORMAL);
  });

  test('of a lead the wire that goes on from its point is open; where a point feeds several nothing is assumed', () => {
    expect(apartOf([out('GV', 2, 'lead')])).toEqual(['GV']);
    expect(apartOf([out('R', 2, 'lead')])).toBeUndefined();
    expect(apartOf([out('nowhere', 2, 'lead')])).toBeUndefined();
  });

  test('what is read meanwhile is read with it open: a dead valve terminal condemns nothing', () => {
    const engine = new Engine(model);
    const dead: CallEvent['body'] = {
      type: 'volts',
      red: 'VT',
      black: 'C',
      phase: 'valve',
      reading: { kind: 'value', value: 0, dimension: 'voltage' },
      typed: '0',
    };
    const sound = (...log: CallEvent[]): number => {
      const { suspects } = engine.assess(reduceCall(model, log).evidence, { pairs: false });
      return suspects.find((s) => s.repair === 'none')?.probability ?? 0;
    };
    const lifted = out('GV', 2, 'lead');
    const alone = sound(event(dead, 3, 'a-phone'));
    expect(alone).toBeLessThan(0.2 * sound());
    expect(sound(lifted, event(dead, 3, 'a-phone'))).toBeGreaterThan(5 * alone);
  });
});
