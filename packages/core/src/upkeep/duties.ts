import { type Family, FAMILIES } from '../rules';
import type { Build } from '../profile';

/** Something that is tested or cleaned again and again, each time with a day and a result. */
export interface Duty {
  readonly id: DutyId;
  readonly title: string;
  /** How it is done, in a sentence. */
  readonly how: string;
  /** Days from one time to the next. */
  readonly every: number;
  /** How long it takes, minutes (common practice, no source). */
  readonly minutes: number;
  /** A safety is shown to act by it, and an insurer asks for its log. */
  readonly safety?: true;
  /** It is due while people heat only. */
  readonly heating?: true;
  /** It falls due before the season begins. */
  readonly beforeSeason?: true;
  /** Somebody without training can do it, told how. */
  readonly caretaker?: true;
  /** What can hurt, said first. */
  readonly caution?: string;
  /** The component test of the Bench that times it. */
  readonly test?: string;
}

interface Rule extends Omit<Duty, 'id'> {
  readonly families: readonly Family[];
  /** Of these appliances only, by the name of their profile. */
  readonly profiles?: readonly string[];
  /** Only where one of these options is fitted, or where none of them is. */
  readonly withOption?: string;
  readonly withoutOption?: string;
}

const BURNS: readonly Family[] = FAMILIES.filter((family) => family !== 'pool-heat-pump');
const WEEK = 7;
const QUARTER = 91;
const YEAR = 365;
/** The option of a steam boiler whose cut-off is a float. */
const FLOAT = 'float-and-auxiliary';

/** By family and what is fitted; how often is common practice, no source, and a shop may say otherwise for a machine. */
const RULES = {
  'drain-test': {
    minutes: 15,
    title: 'Low-water cut-off, drain test',
    how: 'Burner firing, open the drain of the cut-off: the burner goes out before water leaves the glass. Close it; the level comes back.',
    every: WEEK,
    safety: true,
    heating: true,
    caretaker: true,
    caution: 'Hot water and steam come out of the drain. Stay beside it, hands and face away.',
    test: 'low-water',
    families: ['steam'],
    withOption: FLOAT,
  },
  evaporation: {
    minutes: 60,
    title: 'Low-water cut-off, evaporation test',
    how: 'Feed shut, burner firing, attended throughout: the burner stops before water leaves the glass. End it at once if it does not.',
    every: YEAR,
    safety: true,
    caution: 'A boiler that runs dry can burst when water comes in. Never leave it; end it when the glass empties.',
    test: 'low-water',
    families: ['steam'],
    withOption: FLOAT,
  },
  probe: {
    minutes: 40,
    title: 'Probe of the low-water cut-off',
    how: 'Take the probe out, clean it, look at it, and show that the burner stops without water at it.',
    every: YEAR,
    safety: true,
    test: 'low-water',
    families: ['steam', 'hydronic'],
    withoutOption: FLOAT,
  },
  'relief-lever': {
    minutes: 10,
    title: 'Relief valve, lever',
    how: 'Lift the lever once; it shuts dry.',
    every: YEAR,
    safety: true,
    caution: 'Scalding water comes out: see where the pipe ends first.',
    families: ['storage-heater', 'mobile-heater'],
  },
  anode: {
    minutes: 30,
    title: 'Tank anode',
    how: 'Look at it; replace it when less than half is left.',
    every: YEAR,
    families: ['storage-heater', 'mobile-heater'],
  },
  'rod-and-pilot': {
    minutes: 40,
    title: 'Flame rod and pilot',
    how: 'Clean them and read the flame signal.',
    every: YEAR,
    test: 'flame-signal',
    families: BURNS,
  },
  filter: {
    minutes: 10,
    title: 'Air filter',
    how: 'Look at it; change it when it is grey.',
    every: QUARTER,
    families: ['furnace'],
  },
  'condensate-trap': {
    minutes: 20,
    title: 'Condensate trap',
    how: 'Take it out, rinse it, fill it, see that it drains.',
    every: YEAR,
    families: ['furnace', 'combi'],
    profiles: ['furnace-condensing', 'combi-condensing'],
  },
  combustion: {
    minutes: 30,
    title: 'Combustion test',
    how: 'After ten minutes of fire: air-free CO and oxygen in the flue, CO in the room.',
    every: YEAR,
    safety: true,
    families: BURNS,
  },
  nests: {
    minutes: 20,
    title: 'Nests in burner and flue',
    how: 'Look into burner tube and flue before the first fire of the season.',
    every: YEAR,
    beforeSeason: true,
    families: ['mobile-furnace', 'mobile-heater'],
  },
  'intake-screen': {
    minutes: 15,
    title: 'Intake screen',
    how: 'Brush the screen under the heater clean.',
    every: 2 * QUARTER,
    families: ['storage-heater'],
  },
  'co-alarm': {
    minutes: 10,
    title: 'CO alarms',
    how: 'Press the button of each, read the date on it; one that is past it is replaced.',
    every: YEAR,
    safety: true,
    families: FAMILIES,
  },
} as const satisfies Readonly<Record<string, Rule>>;

export type DutyId = keyof typeof RULES;
export const DUTY_IDS = Object.keys(RULES) as readonly DutyId[];

/** Every duty there is, whatever it applies to. */
export const DUTIES: readonly Duty[] = DUTY_IDS.map((id) => {
  const { families: _f, profiles: _p, withOption: _w, withoutOption: _wo, ...duty } = RULES[id] as Rule;
  return { id, ...duty };
});

export const dutyWith = (id: string): Duty | undefined => DUTIES.find((duty) => duty.id === id);

/** A machine as far as its duties hang on it. */
export interface Upkept {
  readonly profile: string;
  readonly family: Family | undefined;
  readonly build: Build;
}

/** What a machine asks for by its family and by what is fitted. */
export function dutiesOf({ profile, family, build }: Upkept): Duty[] {
  return DUTIES.filter(({ id }) => {
    const rule: Rule = RULES[id];
    const fitted = (option: string): boolean => build.options.includes(option);
    return (
      family !== undefined &&
      rule.families.includes(family) &&
      (rule.profiles === undefined || rule.profiles.includes(profile)) &&
      (rule.withOption === undefined || fitted(rule.withOption)) &&
      (rule.withoutOption === undefined || !fitted(rule.withoutOption))
    );
  });
}
