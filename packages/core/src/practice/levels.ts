import type { ExerciseKind } from './exercise';

/** A level of the course. */
export interface Level {
  readonly level: number;
  readonly title: string;
  /** What is learnt there. */
  readonly about: string;
  /** Profiles that it is played on; all of them where none is named. */
  readonly profiles?: readonly string[];
  /** Names of the ways of failing, or of parts, that it hides. */
  readonly hides?: RegExp;
  /** Kinds of exercise and how often each comes; usual shares where nothing is said. */
  readonly kinds?: Readonly<Partial<Record<ExerciseKind, number>>>;
}

/** Of a hundred exercises drawn from everything. */
export const USUAL_SHARES: Readonly<Record<ExerciseKind, number>> = {
  single: 60,
  cause: 15,
  nothing: 10,
  fitful: 5,
  'bad-part': 5,
  refer: 5,
  two: 0,
};

const SINGLE = { single: 90, nothing: 10 } as const;

/** The course, from healthy runs to what comes and goes. */
export const LEVELS: readonly Level[] = [
  {
    level: 0,
    title: 'Healthy runs',
    about: 'What comes in which order, and how long each step takes, when nothing is wrong.',
    kinds: { nothing: 100 },
  },
  {
    level: 1,
    title: 'Meter habits',
    about: 'The right function, lead zero, power off before ohms, where the black probe rests.',
    profiles: ['furnace-condensing', 'furnace-standing-pilot', 'storage-water-heater'],
    hides: /(fuse|transformer|thermopile|thermocouple|igniter)\.(open|primary-open|secondary-open|weak)/,
    kinds: SINGLE,
  },
  {
    level: 2,
    title: 'One series chain and halving',
    about: 'A row of switches in series: the middle tells more than the end.',
    profiles: [
      'steam-standing-pilot',
      'steam-intermittent-pilot',
      'hydronic-boiler',
      'pool-heater',
      'furnace-standing-pilot',
    ],
    hides: /\.(open|tripped)/,
    kinds: SINGLE,
  },
  {
    level: 3,
    title: 'Outputs and loads',
    about: 'Volts at the load while it is commanded: the control did its part, or it did not.',
    hides: /(valve|coil|igniter|inducer|fan|pump|blower|module|board|control|damper|motor|relay)[a-z-]*\./,
    kinds: SINGLE,
  },
  {
    level: 4,
    title: 'Safeties that opened rightly',
    about: 'A safety is open because something heated it: find that, and mend it.',
    kinds: { cause: 85, nothing: 15 },
  },
  {
    level: 5,
    title: 'Supply under load, polarity, grounds, rectification',
    about:
      'What reads well with nothing on it and sags with a load; a return that is open; a flame that cannot rectify.',
    hides: /(supply|transformer|battery|bond|earth|ground|rod|sense|feed|splice|thermopile|capacitor)[a-z-]*\.|\.poor/,
    kinds: SINGLE,
  },
  {
    level: 6,
    title: 'Pilots, steam low-water, 12 V, dryer',
    about: 'Families with habits of their own.',
    profiles: [
      'furnace-standing-pilot',
      'steam-standing-pilot',
      'storage-water-heater',
      'mobile-furnace',
      'mobile-water-heater',
      'dryer-burner',
    ],
  },
  {
    level: 7,
    title: 'All of it',
    about: 'What comes and goes, two at once, a bad new part, nothing wrong, work that is not ours.',
    kinds: { single: 15, cause: 15, nothing: 15, fitful: 15, two: 15, 'bad-part': 10, refer: 15 },
  },
];

export const levelWith = (level: number): Level => LEVELS[level] ?? LEVELS[LEVELS.length - 1]!;
