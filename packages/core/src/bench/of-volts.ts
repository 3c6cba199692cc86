import type { Branch, Model, NetIndex } from '../profile';
import { formatNumber } from '../units';
import type { BenchTest } from './of-dead-test';

type Part = Model['parts'][number];

const live = (test: string, measure: string, typed: BenchTest['typed'] = {}, reads = 'volts'): BenchTest => ({
  test,
  measure,
  typed,
  reads,
  entersAsRead: true,
});

/** Volts between the ends of a passage, by the kind of its part. */
const ACROSS: Readonly<Record<string, (model: Model, part: Part, branch: Branch) => BenchTest | undefined>> = {
  thermocouple: () => live('thermocouple', 'volts', { state: 'loaded' }),
  thermopile: () => live('thermopile', 'volts', { state: 'loaded' }),
  transformer: (_model, part, { name }) =>
    name === 'secondary' && part.spec['volts'] === 24
      ? live('transformer', 'secondary', { plate: formatNumber(Number(part.spec['primary-volts'])) }, 'secondary')
      : undefined,
  supply: (_model, part) => {
    const nominal = NOMINAL.find((n) => Math.abs(Number(part.spec['volts']) - n) < 0.1 * n);
    return nominal && live('line', 'volts', { nominal: String(nominal), fn: 'ac' });
  },
  battery: () => live('sail-and-12v', 'supply'),
  solenoid: (model, _part, { a, frequency }) =>
    frequency !== 'dc' && model.ratedVolts[a] === 24 && !model.rectified[a] ? live('coil-24v', 'live') : undefined,
  interlock: contact,
  switch: contact,
  delay: contact,
  relay: (model, part, branch) => (branch.name === 'contact' ? contact(model, part, branch) : undefined),
  wire: () => live('drop', 'joint'),
  'plug-pin': () => live('drop', 'joint'),
};

const NOMINAL = [120, 240] as const;

function contact(model: Model, _part: Part, { a }: Branch): BenchTest {
  const supply = model.ratedVolts[a]!;
  return live('closed-switch', 'drop', supply > 1 ? { supply: formatNumber(supply) } : {});
}

/** Which of them is meant where several lie between two points: the source before what it feeds. */
const FIRST = ['supply', 'battery', 'transformer', 'thermocouple', 'thermopile'];
/** What is the same wire to whoever judges a source: its fuses, splices and pins. */
const WIRES: ReadonlySet<string> = new Set(['wire', 'plug-pin', 'fuse']);

/** How the Bench judges volts between two nets; nothing where it has no test of what lies between them. */
function benchTestOfVolts(model: Model, red: NetIndex, black: NetIndex): BenchTest | undefined {
  const kindOf = ({ part }: Branch): string => model.parts[part]!.kind.name;
  const between = (reds: ReadonlySet<NetIndex>, blacks: ReadonlySet<NetIndex>): readonly Branch[] =>
    model.branches.filter(({ a, b }) => (reds.has(a) && blacks.has(b)) || (reds.has(b) && blacks.has(a)));
  const exactly = between(new Set([red]), new Set([black]));
  const sources = between(alike(model, red), alike(model, black)).filter((b) => FIRST.includes(kindOf(b)));
  for (const branch of [...sources, ...exactly]) {
    const found = ACROSS[kindOf(branch)]?.(model, model.parts[branch.part]!, branch);
    if (found) return found;
  }
  return undefined;
}

/** A net, and whatever only fuses and wires part it from. */
function alike(model: Model, net: NetIndex): ReadonlySet<NetIndex> {
  const found = new Set([net]);
  for (const at of found)
    for (const { a, b, part } of model.branches) {
      if (!WIRES.has(model.parts[part]!.kind.name)) continue;
      if (a === at) found.add(b);
      if (b === at) found.add(a);
    }
  return found;
}

/** How volts are judged, by the names of the two points: of every test point, and across every passage. */
export function benchTestsOfVolts(model: Model): Readonly<Record<string, BenchTest>> {
  const pairs = [
    ...model.points.map(({ net, black }) => [net, black] as const),
    ...model.branches.map(({ a, b }) => [a, b] as const),
  ];
  return Object.fromEntries(
    pairs.flatMap(([red, black]) => {
      const bench = benchTestOfVolts(model, red, black);
      return bench ? [[`${model.nets[red]} ${model.nets[black]}`, bench]] : [];
    }),
  );
}
