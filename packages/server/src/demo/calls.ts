import { type Dimension, parseReading, type Reading } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';

const typed = (text: string, dimension: Dimension): { reading: Reading; typed: string } => {
  const parsed = parseReading(text, dimension);
  if (!parsed.ok) throw new Error(parsed.message);
  return { reading: parsed.value, typed: text };
};
const seen = (phase: string, answer: 'yes' | 'no'): EventBody => ({ type: 'seen', phase, answer });
const volts = (red: string, black: string, phase: string, text: string): EventBody => ({
  type: 'volts',
  red,
  black,
  phase,
  ...typed(text, 'voltage'),
});

/** A call of the invented shop, at a machine by its place in the list. */
interface DemoCall {
  readonly machine: number;
  readonly person: string;
  readonly daysAgo: number;
  readonly complaint: string;
  readonly events: readonly EventBody[];
}

export const CALLS: readonly DemoCall[] = [
  {
    machine: 2,
    person: 'imre',
    daysAgo: 21,
    complaint: 'No heat since last night. A click, then nothing.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'no'),
      seen('valve', 'yes'),
      seen('flame', 'no'),
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: '6' },
      volts('IP', 'N', 'glow', '121'),
      { type: 'ohms', part: 'igniter', branch: '', ...typed('OL', 'resistance') },
      {
        type: 'break-recorded',
        part: 'igniter',
        failure: 'cracked: open',
        cause: 'age, eleven seasons',
        standing: 'proved',
        action: 'Igniter replaced, 62 Ω measured before fitting. Three cycles, flame signal 3.1 µA.',
        advice: {
          suspects: [
            { repair: 'igniter:replace', words: 'The igniter (silicon carbide) is cracked: open', probability: 0.998 },
          ],
          standing: 'proved',
        },
      },
      { type: 'closed', words: 'Customer told to change the filter before Christmas.' },
    ],
  },
  {
    machine: 1,
    person: 'rosa',
    daysAgo: 6,
    complaint: 'Heats a few minutes, then blows cold, again and again.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'yes'),
      seen('valve', 'yes'),
      seen('flame', 'yes'),
      seen('steady', 'yes'),
      seen('heating', 'yes'),
      seen('cut-out', 'yes'),
      { type: 'outcome', outcome: 'cycles' },
      volts('R', 'LI', 'cut-out', '25.9'),
      volts('R', 'LI', 'heating', '3mV'),
      { type: 'look', look: 'filter', answer: 'blocked' },
      {
        type: 'break-recorded',
        part: 'limit',
        failure: 'opened, as it should',
        cause: 'air filter blocked',
        standing: 'proved',
        action: 'Filter replaced, return grille cleared of stacked chairs. Limit cycled once on test.',
        advice: {
          suspects: [
            {
              repair: 'filter:replace',
              words: 'The air filter and air flow is blocked: too little air over the exchanger',
              probability: 0.997,
            },
          ],
          standing: 'proved',
        },
      },
      { type: 'closed', words: '' },
    ],
  },
  {
    machine: 0,
    person: 'imre',
    daysAgo: 0,
    complaint: 'No heat since five this morning. Starts, clicks, everything stops, starts again.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'yes'),
      seen('valve', 'no'),
      seen('flame', 'no'),
      { type: 'outcome', outcome: 'starts-over' },
      { type: 'code', code: 'none' },
      volts('GV', 'C', 'valve', '15-18'),
    ],
  },
  {
    machine: 3,
    person: 'rosa',
    daysAgo: 0,
    complaint: 'Boiler dead, hall thermostat is blank.',
    events: [],
  },
  {
    machine: 4,
    person: 'imre',
    daysAgo: 0,
    complaint: 'Furnace runs a few seconds and stops. Lights and stove are fine.',
    events: [
      seen('call', 'yes'),
      seen('blower', 'yes'),
      seen('purge', 'no'),
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: '1' },
      volts('B', 'CH', 'blower', '10.1'),
    ],
  },
  {
    machine: 13,
    person: 'imre',
    daysAgo: 0,
    complaint: 'Pool does not get warm, the heater starts and stops all day and the gas bill is high.',
    events: [
      { type: 'told', complaint: 'short' },
      seen('flame', 'yes'),
      seen('steady', 'yes'),
      seen('long', 'no'),
      seen('short-cycle', 'yes'),
      { type: 'code', code: 'HL' },
    ],
  },
];
