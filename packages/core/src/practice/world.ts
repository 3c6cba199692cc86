import { type Data, Fields, isMap, type Path, SourceFile, unknownName } from '../profile';
import { PART_KINDS } from '../parts';
import type { Random } from '../simulation';
import { millis } from '../units';
import type { Habits } from './simulated-technician';

const WORLD_FORMAT = 'zetalysis-world/1';

/** Values spread evenly between two ends, and how many of the cases lie there. */
interface Spread {
  readonly from: number;
  readonly to: number;
  readonly share: number;
}

export type Band = readonly Spread[];

/** What stands instead of a value of a broken part: a band of it, or of so many times another value of the part. */
interface Instead {
  readonly band: Band;
  readonly times?: string;
}

/** How far gone parts of a kind are that fail in a way. */
export interface Degraded {
  /** By field of the part. */
  readonly values: Readonly<Record<string, Instead>>;
  /** Ohms of a wire to what it is shorted to. */
  readonly shorts?: Band;
  /** Ohms of a poor contact, as shares of those of the commonest in the profile. */
  readonly series?: Band;
  /** The quantity that follows the fault, SI. */
  readonly quantity?: Band;
  /** Where between the two ends that the profile gives for the quantity. */
  readonly share?: Band;
}

/** How wide the world is: what appliances and people are drawn from instead of the profiles' own spreads. */
export interface World {
  readonly title: string;
  /** Shares of the book value, by `kind.field`, by quantity, or by dimension. */
  readonly sound: Readonly<Record<string, Band>>;
  readonly otherwise: Band;
  /** By `kind.mode`. */
  readonly broken: Readonly<Record<string, Degraded>>;
  /** Ohms of the meter's leads that nobody subtracts. */
  readonly leads: Band;
  /** Share of cues, outcomes and codes that are got wrong. */
  readonly misreported: number;
  /** Share of visits in which somebody looks before the try is over, and how long after the call that is, seconds. */
  readonly early: number;
  readonly looksAfter: Band;
}

/** One value of a band. */
export function drawFrom(band: Band, random: Random): number {
  let at = random.next() * band.reduce((sum, s) => sum + s.share, 0);
  const stretch = band.find((s) => (at -= s.share) < 0) ?? band[band.length - 1]!;
  return stretch.from + (stretch.to - stretch.from) * random.next();
}

/** Somebody of a world: how they go about it. */
export const habitsIn = (world: World, random: Random): Habits => ({
  misreported: world.misreported,
  leads: drawFrom(world.leads, random),
  set: random.next() < 0.5 ? 'ac' : 'dc',
  ...(random.next() < world.early && { looksAfter: millis(drawFrom(world.looksAfter, random)) }),
});

/**
 * The same world with every end of every band a share farther out: sound parts lie so much farther from the book, broken ones
 * begin so much earlier and end so much later.
 */
export function wider(world: World, by: number): World {
  const out = (band: Band): Band => band.map((s) => ({ ...s, from: s.from * (1 - by), to: s.to * (1 + by) }));
  const fromBook = (band: Band): Band =>
    band.map((s) => ({ ...s, from: 1 + (s.from - 1) * (1 + by), to: 1 + (s.to - 1) * (1 + by) }));
  const mapped = <A, B>(of: Readonly<Record<string, A>>, to: (a: A) => B): Record<string, B> =>
    Object.fromEntries(Object.entries(of).map(([key, value]) => [key, to(value)]));
  return {
    ...world,
    title: `${world.title}, every band ${Math.round(by * 100)} % wider`,
    sound: mapped(world.sound, fromBook),
    otherwise: fromBook(world.otherwise),
    leads: out(world.leads),
    looksAfter: out(world.looksAfter),
    broken: mapped(world.broken, (d) => ({
      values: mapped(d.values, (i) => ({ ...i, band: out(i.band) })),
      ...(d.shorts && { shorts: out(d.shorts) }),
      ...(d.series && { series: out(d.series) }),
      ...(d.quantity && { quantity: out(d.quantity) }),
      ...(d.share && { share: d.share }),
    })),
  };
}

/** Reads a world. Throws ProblemError with line, place and remedy for everything wrong. */
export function readWorld(source: string, fileName: string): World {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  const fields = new Fields(file);
  const root = fields.map(file.data, [], 'a world');
  fields.only(root, [], ['format', 'title', 'sound', 'otherwise', 'broken', 'technician']);
  if (root['format'] !== WORLD_FORMAT) file.problem(['format'], `must be "${WORLD_FORMAT}"`);
  const read = new Reader(fields);
  const technician = fields.map(root['technician'] ?? {}, ['technician'], '{leads, misreported, early, looks-after}');
  fields.only(technician, ['technician'], ['leads', 'misreported', 'early', 'looks-after']);
  const sound = Object.entries(fields.map(root['sound'] ?? {}, ['sound'], 'name: [from, to]'));
  for (const [name] of sound) read.checkSound(name, ['sound', name]);
  const broken = Object.entries(fields.map(root['broken'] ?? {}, ['broken'], 'kind.mode: {field: [from, to]}'));
  for (const [name] of broken) read.checkKind(name.split('.')[0]!, ['broken', name]);
  const world: World = {
    title: fields.text(root, 'title', []),
    sound: Object.fromEntries(sound.map(([name, data]) => [name, read.band(data, ['sound', name])])),
    otherwise: read.band(root['otherwise'] ?? [1, 1], ['otherwise']),
    broken: Object.fromEntries(broken.map(([name, data]) => [name, read.degraded(data, ['broken', name])])),
    leads: read.band(technician['leads'] ?? [0, 0], ['technician', 'leads']),
    misreported: fields.number(technician, 'misreported', ['technician'], 0),
    early: fields.number(technician, 'early', ['technician'], 0),
    looksAfter: read.band(technician['looks-after'] ?? [60, 60], ['technician', 'looks-after']),
  };
  file.throwIfBad();
  return world;
}

class Reader {
  constructor(private readonly fields: Fields) {}

  /** `[from, to]`, or a list of `{from, to, share}`. */
  band(data: Data, at: Path): Band {
    const list = Array.isArray(data) ? data : [];
    if (list.length === 2 && list.every((end) => typeof end === 'number')) {
      const [from, to] = list as [number, number];
      return [this.checked({ from, to, share: 1 }, at)];
    }
    if (list.length > 0 && list.every(isMap))
      return list.map((item, i) => {
        const path = [...at, i];
        this.fields.only(item, path, ['from', 'to', 'share']);
        const [from, to, share] = ['from', 'to', 'share'].map((key) => this.fields.number(item, key, path, NaN));
        return this.checked({ from: from!, to: to!, share: share! }, path);
      });
    this.fields.file.problem(at, 'is a band: [from, to], or a list of {from, to, share}');
    return [{ from: 1, to: 1, share: 1 }];
  }

  private checked(spread: Spread, at: Path): Spread {
    const { from, to, share } = spread;
    if (!(from >= 0 && to >= from))
      this.fields.file.problem(at, 'goes from a number that is not negative up to one that is not less');
    if (!(share > 0 && share <= 1)) this.fields.file.problem(at, 'has a share above 0 and at most 1');
    return spread;
  }

  degraded(data: Data, at: Path): Degraded {
    const { shorts, series, quantity, share, ...values } = this.fields.map(data, at, '{field: [from, to]}');
    return {
      values: Object.fromEntries(Object.entries(values).map(([field, d]) => [field, this.instead(d, [...at, field])])),
      ...(shorts !== undefined && { shorts: this.band(shorts, [...at, 'shorts']) }),
      ...(series !== undefined && { series: this.band(series, [...at, 'series']) }),
      ...(quantity !== undefined && { quantity: this.band(quantity, [...at, 'quantity']) }),
      ...(share !== undefined && { share: this.band(share, [...at, 'share']) }),
    };
  }

  /** A band, or `{times: field, from, to}`. */
  private instead(data: Data, at: Path): Instead {
    if (!isMap(data)) return { band: this.band(data, at) };
    this.fields.only(data, at, ['times', 'from', 'to']);
    const ends = [this.fields.number(data, 'from', at, NaN), this.fields.number(data, 'to', at, NaN)];
    return { band: this.band(ends, at), times: this.fields.text(data, 'times', at) };
  }

  checkKind(kind: string, at: Path): void {
    const known = [...PART_KINDS.keys()];
    if (!known.includes(kind)) this.fields.file.problem(at, unknownName('part kind', kind, known));
  }

  /** `kind.field` has to be one; other names are quantities, which every profile has its own. */
  checkSound(name: string, at: Path): void {
    const [kind, field] = name.split('.') as [string, string | undefined];
    if (field === undefined) return;
    this.checkKind(kind, at);
    const fields = Object.keys(PART_KINDS.get(kind)?.fields ?? {});
    if (fields.length > 0 && !fields.includes(field)) this.fields.file.problem(at, unknownName('field', field, fields));
  }
}
