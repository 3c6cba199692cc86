import jStat from 'jstat';
import type { Model } from '../profile';
import type { LearnedRate } from './rates';

/** How a test of a shop went, summed over its calls. */
export interface CountedTest {
  readonly test: string;
  /** How often it was timed, and the sum of the logarithms of those minutes. */
  readonly timed: number;
  readonly logMinutes: number;
  /** Looks that were held against what was proved, and those that misled. */
  readonly held: number;
  readonly misled: number;
}

/** What was learned of the tests of a family: the minutes of each, and of looks the share that mislead. */
export interface LearnedTests {
  readonly minutes: Readonly<Record<string, LearnedRate>>;
  readonly misleads: Readonly<Record<string, LearnedRate>>;
}

/** What is assumed weighs as much as so many of one's own. Chosen by us. */
const TIMES_ASSUMED = 4;
const LOOKS_ASSUMED = 20;
/** So far single times lie apart, as a factor’s logarithm. Chosen by us. */
const SPREAD = 0.6;
/** Nine in ten within so many standard deviations. */
const NINE_IN_TEN = 1.645;

/**
 * Minutes are log-normal about what is learned, the assumed ones a prior (Gelman et al., Bayesian Data Analysis, section 2.5); shares that
 * mislead are beta–binomial (section 2.4). A test that was never made is as assumed, and left out.
 */
export function learnTests(model: Model, counted: readonly CountedTest[]): LearnedTests {
  const assumed = new Map(testsOf(model).map((t) => [t.test, t]));
  const minutes: Record<string, LearnedRate> = {};
  const misleads: Record<string, LearnedRate> = {};
  for (const { test, timed, logMinutes, held, misled } of counted) {
    const known = assumed.get(test);
    if (!known) continue;
    if (timed > 0) {
      const middle = (TIMES_ASSUMED * Math.log(known.minutes) + logMinutes) / (TIMES_ASSUMED + timed);
      const off = (NINE_IN_TEN * SPREAD) / Math.sqrt(TIMES_ASSUMED + timed);
      const [rate, low, high] = [middle, middle - off, middle + off].map(Math.exp) as [number, number, number];
      minutes[test] = { assumed: known.minutes, cases: timed, rate, low, high };
    }
    if (held > 0 && known.misleads !== undefined) {
      const [wrong, right] = [
        LOOKS_ASSUMED * known.misleads + misled,
        LOOKS_ASSUMED * (1 - known.misleads) + held - misled,
      ];
      const at = (share: number): number => jStat.beta.inv(share, wrong, right);
      misleads[test] = {
        assumed: known.misleads,
        cases: held,
        rate: wrong / (wrong + right),
        low: at(0.05),
        high: at(0.95),
      };
    }
  }
  return { minutes, misleads };
}

interface AssumedTest {
  readonly test: string;
  readonly title: string;
  readonly minutes: number;
  /** Of a look, how often it misleads a careful person. */
  readonly misleads?: number;
}

/** The tests of which a shop can learn, as they are assumed. */
export const testsOf = ({ looks, gauges, points, nets, parts, plugs, actions }: Model): AssumedTest[] => [
  ...looks.map((l) => ({ test: `look ${l.id}`, title: l.ask, minutes: l.minutes, misleads: 1 - l.tells })),
  ...gauges.map((g) => ({ test: `gauge ${g.id}`, title: g.title, minutes: g.minutes })),
  ...points.map((p) => ({ test: `point ${nets[p.net]!}`, title: `Volts at ${nets[p.net]!}`, minutes: p.minutes })),
  ...parts
    .filter(({ testOnly, kind, spec }) => !testOnly && kind.deadTests(spec).length > 0)
    .map((p) => ({ test: `dead ${p.id}`, title: `${p.title}, measured dead`, minutes: p.minutes })),
  ...plugs.map((p) => ({ test: `plug ${p.id}`, title: `Pulling ${p.title}`, minutes: p.minutes })),
  ...actions.map((a) => ({ test: `action ${a.id}`, title: a.title, minutes: a.minutes })),
];

/** A model whose tests take what was learned, and whose looks mislead as often. */
export function withLearnedTests(model: Model, { minutes, misleads }: LearnedTests): Model {
  const takes = <T extends { readonly minutes: number }>(test: string, of: T): T =>
    minutes[test] ? { ...of, minutes: minutes[test].rate } : of;
  return {
    ...model,
    looks: model.looks.map((l) => {
      const look = takes(`look ${l.id}`, l);
      const misleading = misleads[`look ${l.id}`];
      return misleading ? { ...look, tells: 1 - misleading.rate } : look;
    }),
    gauges: model.gauges.map((g) => takes(`gauge ${g.id}`, g)),
    points: model.points.map((p) => takes(`point ${model.nets[p.net]!}`, p)),
    parts: model.parts.map((p) => takes(`dead ${p.id}`, p)),
    plugs: model.plugs.map((p) => takes(`plug ${p.id}`, p)),
    actions: model.actions.map((a) => takes(`action ${a.id}`, a)),
  };
}
