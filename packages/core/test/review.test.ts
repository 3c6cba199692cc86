import { missingPoint } from '../src/analysis';
import { reviewOf } from '../src/book';
import { jumpersLeft, resetAgain, showsAfter } from '../src/book/what-if';
import { Engine } from '../src/diagnosis';
import { reviewView } from '../src/presentation';
import { kindOf } from '../src/question';
import { FIRST_EPISODE } from '../src/simulation';
import { reduceCall } from '../src/visit';
import { FAMILIES, profile } from './models';
import { recordedCase, stepsOf } from './recorded-case';

const engines = new Map<string, Engine>();
function engineOf(id: string): Engine {
  const engine = engines.get(id) ?? new Engine(profile(id));
  engines.set(id, engine);
  return engine;
}
const faultOf = (id: string, family: string) =>
  engineOf(id).hypotheses.find((h) => h.kind === 'fault' && h.family === family)!;
const jumpers = (id: string, family: string, gone: string[] = []) =>
  jumpersLeft(engineOf(id), faultOf(id, family).faults, new Set(gone));

describe('a jumper that is left in', () => {
  // Common practice, no source: with its limit gone round, a furnace that has no air over its exchanger gets hotter than the limit allows.
  test('across the limit of a furnace without enough air: it gets much hotter than where the limit opens, and burns on', () => {
    for (const [id, family] of [
      ['furnace-condensing', 'filter.blocked'],
      ['furnace-condensing', 'capacitor.weak'],
      ['furnace-standing-pilot', 'filter.blocked'],
      ['furnace-valve-control', 'filter.blocked'],
    ] as const) {
      const [limit] = jumpers(id, family);
      expect(limit).toMatchObject({ part: 'limit', itself: false, then: 'runs' });
      expect(limit!.at! / 60_000).toBeGreaterThan(1);
      expect(limit!.sensed!.comes - limit!.sensed!.opensAt).toBeGreaterThan(5);
    }
  });

  test('across the air proof of a control that wants to see it open first: nothing happens at all', () => {
    expect(jumpers('furnace-condensing', 'vent.blocked')).toMatchObject([
      { part: 'pressure-switch', at: 0, itself: false, then: 'dead' },
    ]);
  });

  test('across a safety that has failed itself: it burns with nothing that stops it', () => {
    expect(jumpers('hydronic-boiler', 'lwco.open')).toMatchObject([{ part: 'lwco', itself: true, then: 'runs' }]);
    expect(jumpers('furnace-standing-pilot', 'rollout.open')).toMatchObject([{ part: 'rollout', itself: true }]);
  });

  test('what opens in a sound run, or once it has given up, stopped nothing; a call for heat is no safety', () => {
    expect(jumpers('furnace-condensing', 'gas-supply.off')).toEqual([]);
    expect(jumpers('furnace-condensing', 'thermostat.open')).toEqual([]);
    expect(jumpers('dryer-burner', 'hold-coil.coil-short')).toEqual([]);
  });

  test.each(FAMILIES)(
    '%s: the safety that stopped it is told for every fault, with a moment at which it had not yet given up',
    (id) => {
      const engine = engineOf(id);
      for (const h of engine.hypotheses.filter((x, i) => x.kind === 'fault' && x.occurs === 1 && i % 7 === 0))
        for (const { at, itself, sensed } of jumpersLeft(engine, h.faults, new Set())) {
          expect(itself || at !== undefined).toBe(true);
          if (sensed) expect(sensed.comes).toBeGreaterThanOrEqual(sensed.opensAt);
        }
    },
  );
});

describe('the reset once more', () => {
  test('without gas it gives up again; with gas and no igniter unburned gas comes at each try', () => {
    const engine = engineOf('furnace-condensing');
    const again = (family: string) => resetAgain(engine, faultOf('furnace-condensing', family).faults)!;
    expect(again('gas-supply.off')).toMatchObject({ outcome: 'locks-out', smelled: 0 });
    const igniter = again('igniter.weak');
    expect(igniter.outcome).toBe('locks-out');
    expect(igniter.smelled).toBeGreaterThan(5000);
    expect(igniter.smelled).toBeLessThan(igniter.at!);
  });

  test('what runs, or is dead, has none to push', () => {
    const engine = engineOf('furnace-condensing');
    expect(resetAgain(engine, [])).toBeUndefined();
    expect(resetAgain(engine, faultOf('furnace-condensing', 'thermostat.open').faults)).toBeUndefined();
    expect(showsAfter(engine, [])).toBeUndefined();
  });
});

describe('what nothing tells apart', () => {
  test('a point that is missing reads otherwise under the two, and is none of those that are there', () => {
    const engine = engineOf('furnace-condensing');
    const { model } = engine;
    const faults = engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1).slice(0, 60);
    let points = 0;
    for (const a of faults)
      for (const b of faults.slice(0, 12)) {
        if (a.repair === b.repair) continue;
        const found = missingPoint(engine, a, b);
        if (found.is === 'look') {
          expect(found.part).toBe(a.faults[0]!.part);
          continue;
        }
        points++;
        expect(model.points.some((p) => p.net === found.red)).toBe(false);
        const [one, other] = [a, b].map((h) =>
          kindOf(found.question).coarse(
            model,
            found.question,
            engine.traces.predict(h.faults, [FIRST_EPISODE], found.question),
          ),
        );
        expect(one).not.toBe(other);
      }
    expect(points).toBeGreaterThan(0);
  });
});

describe('the review of a call', () => {
  const engine = engineOf('furnace-condensing');
  const steps = stepsOf(engine, 'furnace-4-limit-opens');
  const state = reduceCall(engine.model, recordedCase(engine, steps), { needs: 'met' });

  test('a limit that opened rightly: its jumper, the way taken, a planner’s way, and parts that would have been fitted in vain', () => {
    const review = reviewOf(engine, state)!;
    expect(review.truth.family).toMatch(/^filter\./);
    expect(review.jumpers).toMatchObject([{ part: 'limit', then: 'runs' }]);
    for (const { believed, title } of review.wrong) {
      expect(believed).toBeGreaterThan(0);
      expect(believed).toBeLessThan(1);
      expect(title).not.toMatch(/filter/);
    }
    const view = reviewView(engine.model, review, { units: 'us' });
    expect(view.otherwise[0]!.comes).toMatch(/it goes on burning.*It opens at 200 °F; the model comes to \d{3} °F/s);
    expect(view.taken).toHaveLength(review.taken.length);
  });

  test('of a part of which nobody knows how it failed, the likeliest way is looked at', () => {
    const record = {
      ...state.record!,
      part: 'flame-rod',
      failure: 'gone',
      cause: 'age',
      standing: 'suspected' as const,
    };
    const review = reviewOf(engine, { ...state, record, evidence: { ...state.evidence, items: [] } })!;
    expect(review.truth.family).toMatch(/^flame-rod\./);
    expect(review.taken).toEqual([]);
    expect(reviewOf(engine, { ...state, record: { ...record, part: 'none' } })).toBeUndefined();
  });

  test('nothing recorded, nothing to look at', () => {
    expect(reviewOf(engine, { ...state, record: undefined })).toBeUndefined();
  });
});
