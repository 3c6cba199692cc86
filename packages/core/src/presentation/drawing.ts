import { type BenchTest, benchTestOf, benchTestOfAmps, benchTestOfGauge, benchTestsOfVolts } from '../bench';
import { deadTestsIn, type PartSymbol } from '../parts';
import type { Model } from '../profile';
import { codeShown, codesOf, jointsOf, type LineWords, lineWords, type MeterRange, meterRange } from '../question';
import { leadsOf, OUTCOMES, type Wait, waitsOf } from '../simulation';
import { capital, type Dimension } from '../units';
import { type Meanings, meaningsOf } from '../visit';
import { JOINT_WORDS, OUTCOME_WORDS } from './fixed-words';
import { type Hazards, hazardsOf } from './hazards';
import { codeWords } from './say';

/** The parts of a model that screens draw and ask by: plain data, sent once from the worker. */
export interface Drawing {
  readonly id: string;
  readonly version: string;
  readonly title: string;
  readonly summary: string;
  readonly phases: readonly {
    readonly id: string;
    readonly title: string;
    readonly ask: string;
    readonly unwanted: boolean;
    readonly trial: boolean;
  }[];
  readonly rungs: readonly DrawnRung[];
  readonly points: Readonly<Record<string, DrawnPoint>>;
  readonly outcomes: readonly Choice[];
  readonly codes: readonly Choice[];
  readonly looks: readonly { readonly id: string; readonly ask: string; readonly answers: readonly Choice[] }[];
  /** Plugs, wires and bonds, and how each may be found. */
  readonly joints: readonly { readonly id: string; readonly title: string; readonly found: readonly Choice[] }[];
  readonly gauges: readonly {
    readonly id: string;
    readonly title: string;
    readonly how: string;
    readonly dimension: Dimension;
    /** How it is judged on the Bench. */
    readonly bench: BenchTest | undefined;
  }[];
  readonly parts: readonly {
    readonly id: string;
    readonly title: string;
    readonly branches: readonly string[];
    /** How its passages are judged on the Bench, by the name of the passage. */
    readonly bench: Readonly<Record<string, BenchTest>>;
    /** How amperes through it are. */
    readonly amps: BenchTest | undefined;
  }[];
  /** How volts are judged on the Bench, by the points of the probes, red first: `R C`. */
  readonly volts: Readonly<Record<string, BenchTest>>;
  /** What can hurt where somebody measures. */
  readonly hazards: Hazards;
  /** What entries mean to the rules. */
  readonly meanings: Meanings;
  readonly plugs: readonly { readonly id: string; readonly title: string }[];
  readonly actions: readonly { readonly id: string; readonly title: string }[];
  readonly cautions: readonly string[];
  /** What has to be sat out on this appliance. */
  readonly waits: readonly Wait[];
  /** Burns gas. */
  readonly gas: boolean;
  /** What the reading line understands. */
  readonly words: LineWords;
}

interface DrawnPoint {
  readonly reach: string;
  /** Where the black probe rests. */
  readonly black: string;
  readonly line: boolean;
  /** What the meter is set to. */
  readonly range: MeterRange;
  /** Its leads that can be lifted. */
  readonly leads: readonly Choice[];
}

interface Choice {
  readonly id: string;
  readonly title: string;
}

export interface DrawnRung {
  readonly id: string;
  /** Line voltage rather than control voltage. */
  readonly line: boolean;
  readonly items: readonly DrawnItem[];
}

export type DrawnItem =
  | { readonly kind: 'net'; readonly name: string; readonly point: boolean }
  | {
      readonly kind: 'part';
      readonly part: string;
      readonly branch: string;
      readonly title: string;
      /** The title in as few words as stand under a sign. */
      readonly short: string;
      readonly symbol: PartSymbol;
    };

export function drawingOf(model: Model): Drawing {
  const net = (index: number): string => model.nets[index]!;
  return {
    id: model.id,
    version: model.version,
    title: model.title,
    summary: model.summary,
    phases: model.phases.map(({ id, title, ask, unwanted, trial }) => ({ id, title, ask, unwanted, trial })),
    rungs: rungsOf(model),
    points: Object.fromEntries(
      model.points.map((p) => [
        net(p.net),
        {
          reach: p.reach,
          black: net(p.black),
          line: p.line,
          range: meterRange(model, { red: p.net, black: p.black }),
          leads: leadsOf(model, p.net).map(({ name, to }, _, all) => ({
            id: name,
            title:
              all.length === 1 ? `lead at ${net(p.net)}` : `lead from ${net(p.net)} to the ${model.parts[to]!.title}`,
          })),
        },
      ]),
    ),
    outcomes: OUTCOMES.map((id) => ({ id, title: OUTCOME_WORDS[id] })),
    codes: codesOf(model).map((id) => ({ id, title: codeWords(codeShown(model, id)) })),
    looks: model.looks.map((l) => ({
      id: l.id,
      ask: l.ask,
      answers: l.answers.map(({ id, title }) => ({ id, title })),
    })),
    joints: jointsOf(model).map(({ id, title }) => ({
      id,
      title,
      found: Object.entries(JOINT_WORDS).map(([found, words]) => ({ id: found, title: capital(words) })),
    })),
    gauges: model.gauges.map((g) => ({
      id: g.id,
      title: g.title,
      how: g.how,
      dimension: model.quantities[g.quantity]!.dimension,
      bench: benchTestOfGauge(model, g.id),
    })),
    parts: model.parts
      .filter((p) => p.kind.nature !== 'connector' && !p.testOnly)
      .map((p) => ({
        id: p.id,
        title: p.title,
        branches: deadTestsIn(p, 'resistance').map((d) => d.branch),
        bench: Object.fromEntries(
          p.kind.deadTests(p.spec).flatMap((d) => {
            const bench = benchTestOf(d, model.title);
            return bench ? [[d.branch, bench]] : [];
          }),
        ),
        amps: benchTestOfAmps(model, p),
      })),
    volts: benchTestsOfVolts(model),
    hazards: hazardsOf(model),
    meanings: meaningsOf(model),
    plugs: model.plugs.map(({ id, title }) => ({ id, title })),
    actions: model.actions.map(({ id, title }) => ({ id, title })),
    cautions: model.cautions.filter((c) => c.when === 'always').map((c) => c.text),
    waits: waitsOf(model),
    gas: model.identity['lights-by'] !== 'none',
    words: lineWords(model),
  };
}

/** The rungs that are drawn: none that is there for one test, or that some part alone makes up. */
function rungsOf(model: Model): DrawnRung[] {
  const points = new Map(model.points.map((p) => [p.net, p]));
  const partOf = (branch: number) => model.parts[model.branches[branch]!.part]!;
  const drawn = model.rungs.filter(({ items }) => {
    const parts = items.flatMap((i) => ('branch' in i ? [partOf(i.branch)] : []));
    return !parts[0]!.testOnly && (parts.length > 1 || parts[0]!.kind.drawnAlone !== false);
  });
  return drawn.map(({ id, items }) => ({
    id,
    line: items.some((i) => 'net' in i && points.get(i.net)?.line === true),
    items: items.map((item): DrawnItem => {
      if ('net' in item) {
        const name = model.nets[item.net]!;
        return { kind: 'net', name, point: !name.startsWith('~') };
      }
      const part = partOf(item.branch);
      const branch = model.branches[item.branch]!.name;
      const { id, title, kind, spec } = part;
      return { kind: 'part', part: id, branch, title, short: shortTitle(title), symbol: kind.symbol(branch, spec) };
    }),
  }));
}

/** A part without what only says where it is: "hold magnet of the gas valve" is the hold magnet. */
const shortTitle = (title: string): string =>
  title.replace(/^connector /, '').split(/ \(|, | (?:of|in|on|at|with|behind|to|and) /)[0]!;
