import type { NewInstrument } from '@zetalysis/contract';

const DAY = 86_400_000;
const day = (ago: number): string => new Date(Date.now() - ago * DAY).toISOString().slice(0, 10);
const usual = { classes: {}, leadZero: null, retired: false } as const;

/** The instruments of the invented shop; those of the simulated bench are among them. */
export const INSTRUMENTS: readonly NewInstrument[] = [
  {
    ...usual,
    kind: 'multimeter',
    title: 'Meter 2',
    serial: 'ZM-2207',
    classes: { ohms: { percent: 0.9, digits: 2 }, 'volts-ac': { percent: 0.8, digits: 3 } },
    calibrated: day(120),
    due: day(-245),
    leadZero: 0.3,
  },
  {
    ...usual,
    kind: 'multimeter',
    title: 'Meter 5',
    serial: 'ZM-2511',
    calibrated: day(420),
    due: day(55),
    leadZero: 0.2,
  },
  { ...usual, kind: 'clamp', title: 'Clamp 1', serial: 'ZC-0118', calibrated: day(200), due: day(-165) },
  {
    ...usual,
    kind: 'manometer',
    title: 'Manometer 1',
    serial: 'ZP-0042',
    classes: { manometer: { percent: 0.5, digits: 2 } },
    calibrated: day(90),
    due: day(-275),
  },
  { ...usual, kind: 'thermometer', title: 'Thermometer 1', serial: 'ZT-0007', calibrated: null, due: null },
  { ...usual, kind: 'analyser', title: 'Analyser 1', serial: 'ZA-0031', calibrated: day(30), due: day(-150) },
  {
    ...usual,
    kind: 'multimeter',
    title: 'Meter 1',
    serial: 'ZM-0990',
    calibrated: day(900),
    due: day(535),
    retired: true,
  },
];
