import fc from 'fast-check';
import { fed, HOLDS, type Leads, NOTHING, type PartView, PULLS } from '../src/parts';
import type { Model, Part } from '../src/profile';
import { CircuitStates, findFault, NORMAL_SETUP, run, voltsBetween } from '../src/simulation';
import { FAMILIES, profile } from './models';

/** Every part that the circuit drives, with the model it belongs to. */
const DRIVEN: readonly (readonly [string, Part])[] = FAMILIES.flatMap((id) =>
  profile(id)
    .parts.filter((p) => p.kind.drive)
    .map((p) => [`${id}: ${p.id}`, p] as const),
);

const leads = (part: Part, volts: number, amps: number, fault?: string): Leads => ({
  spec: part.spec,
  fault,
  volts: () => volts,
  amps: () => amps,
});
const drive = (part: Part, volts: number, amps = 0, fault?: string): number =>
  part.kind.drive!(leads(part, volts, amps, fault));

/** Where a part goes from a state, with what drives it and no hand on it. */
function heads(part: Part, state: string, drive: number): string | undefined {
  const view: PartView = { state, spec: part.spec, fault: undefined, drive, sensed: () => 0, holds: () => false };
  return part.kind.move!(view)?.to;
}

test('the three levels of a feed', () => {
  expect([0, 7.9, 8, 17.9, 18, 30].map((volts) => fed(volts, 8, 18))).toEqual([
    NOTHING,
    NOTHING,
    HOLDS,
    HOLDS,
    PULLS,
    PULLS,
  ]);
  // A brown-out above the restart: in between it is too little for both.
  expect(fed(19, 20, 18)).toBe(NOTHING);
});

describe.each(DRIVEN)('%s', (_name, part) => {
  test('more volts never drive less, and the same drive the same', () => {
    if (part.kind.name === 'fuse') return;
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (v, more) => {
          const [less, plenty] = [drive(part, v, 1), drive(part, v + more, 1)];
          expect(plenty).toBeGreaterThanOrEqual(less);
          expect(drive(part, v, 1)).toBe(less);
        },
      ),
      { numRuns: 30 },
    );
  });

  test('it acts from the volts on that its kind names, and not below', () => {
    const branch = part.branches.find((b) => part.kind.actsAt?.(part.spec, b.name) !== undefined);
    const at = branch && part.kind.actsAt!(part.spec, branch.name);
    // A pilot magnet only holds what a hand has pushed in.
    if (at === undefined || part.kind.name === 'pilot-magnet') return;
    const rest = part.kind.states[0]!;
    // A start winding that carries enough: what it needs is tested by itself.
    const start = Number(part.spec['starts-at'] ?? 0);
    expect(heads(part, rest, drive(part, at * 1.001, start))).toBeDefined();
    expect(heads(part, rest, drive(part, at * 0.999, start))).toBeUndefined();
    const acting = heads(part, rest, drive(part, at * 1.001, start))!;
    expect(heads(part, acting, drive(part, 0))).toBe(rest);
  });

  test('no way of failing lets it be driven more than a sound one', () => {
    if (part.kind.name === 'fuse') return;
    for (const { id } of part.modes)
      for (const volts of [0, 0.01, 5, 12, 25, 120, 240])
        expect(drive(part, volts, 1, id)).toBeLessThanOrEqual(drive(part, volts, 1));
  });
});

describe('drive states of a circuit', () => {
  const model: Model = profile('furnace-condensing');
  const index = (id: string): number => model.parts.findIndex((p) => p.id === id);
  const states = new CircuitStates(model);
  const sensed = (faults: readonly string[]) => {
    const refs = faults.map((f) => findFault(model, f));
    const ids = model.branches.map((b) =>
      states.electricalId(
        b.index,
        b.part === model.controller!.part ? 1 : 0,
        refs.find((f) => f.part === b.part)?.mode,
      ),
    );
    return states.sense(ids, refs);
  };

  test('the same circuit is one circuit, and drives the same; with a deaf input the control notices less of it', () => {
    expect(sensed([]).drive).toBe(sensed([]).drive);
    const input = model.controller!.inputs.findIndex((i) => i.id === 'w');
    expect(sensed(['board.w-deaf']).circuit).toBe(sensed([]).circuit);
    expect(sensed(['board.w-deaf']).drive.inputs[input]).toBe(NOTHING);
    expect(sensed(['board.dead']).drive.supply).toBe(NOTHING);
  });

  test('what drives in a healthy run agrees with the volts across every coil and motor', () => {
    const { segments } = run(states, [], NORMAL_SETUP);
    let acting = 0;
    for (const { circuit, partStates } of segments)
      for (const id of ['gas-valve', 'inducer', 'blower', 'igniter']) {
        const part = model.parts[index(id)]!;
        const { a, b } = part.branches[0]!;
        const volts = voltsBetween(circuit.solution, a, b);
        if (part.kind.states[partStates[part.index]!] === part.kind.states[0]) continue;
        acting++;
        // Whatever moves was fed, or has only just lost its feed (it spins down, it cools).
        expect(volts < 1 || volts >= part.kind.actsAt!(part.spec, '') * 0.5).toBe(true);
      }
    expect(acting).toBeGreaterThan(8);
  });

  test('nets that nothing joins have no volts between them', () => {
    const { circuit } = sensed([]);
    const { island } = circuit.solution;
    for (let net = 0; net < model.nets.length; net++)
      if (island[net] !== island[model.ground]) expect(voltsBetween(circuit.solution, net, model.ground)).toBe(0);
  });
});
