import { choice, INPUT, voltsAc } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { expanded } from '../uncertainty';
import type { Work } from '../work';

const polarity: Work = (given): Worked => {
  const [ln, lg, ng] = [given.number('ln')!, given.number('lg')!, given.number('ng')!];
  const line = Number(given.choice('nominal') ?? '120');
  const [there, nothing] = [(v: number): boolean => v > 0.85 * line, (v: number): boolean => v < 5];
  const low = given.choice('input') === 'low';
  if (there(ln) && there(lg) && nothing(ng))
    return { verdict: 'good', because: 'Line on line, neutral on neutral, and a ground.' };
  if (there(ln) && nothing(lg) && there(ng))
    return { verdict: 'bad', about: 'outlet or switch', because: 'Line and neutral are swapped.' };
  if (there(ln) && nothing(lg) && nothing(ng) && low)
    return { verdict: 'bad', about: 'ground', because: 'There is no ground.' };
  if (there(ln) && !low && lg + ng > 0.85 * line)
    return {
      verdict: 'repeat',
      because: 'Both float: read them on low impedance. What falls to nothing has no ground.',
    };
  if (there(lg) && !there(ln)) return { verdict: 'bad', about: 'neutral', because: 'The neutral is open.' };
  if (nothing(ln) && nothing(lg))
    return { verdict: 'repeat', because: 'Nothing at all: is the meter on V ~, and the switch on?' };
  return { verdict: 'repeat', because: 'These three do not fit together: read them again on low impedance.' };
};

export const LINE: ComponentTest = {
  id: 'line',
  number: 16,
  title: 'Line, polarity, ground',
  question: 'What feeds it?',
  cautions: ['Line voltage: one hand, black probe first, insulated tips.'],
  measures: [
    {
      id: 'volts',
      title: 'Line to neutral, burner running',
      setUp: 'live',
      how: 'At the appliance’s own terminals.',
      probes: { red: 'L', black: 'N', across: 'line' },
      line: true,
      asks: [
        choice('nominal', 'The line is', { '120': '120 V', '240': '240 V' }),
        choice('fn', 'The meter stands on', { ac: 'V ~', dc: 'V ⎓' }),
        voltsAc('volts', 'Volts', '119.9'),
        INPUT,
      ],
      ghosts: { of: 'volts', from: 5, to: 80 },
      rows: [
        {
          when: { fn: 'dc' },
          verdict: 'repeat',
          because: 'V ⎓ shows nothing of a line: set it to V ~. Take it for live until then.',
        },
      ],
      dimension: 'voltage',
      zones: [{ when: { nominal: '240' }, limit: 'line-240' }, { limit: 'line' }],
      about: 'line',
      proves: 'Whether the appliance gets what its plate asks for.',
    },
    {
      id: 'neutral',
      title: 'Neutral to ground',
      setUp: 'live',
      how: 'Burner running.',
      probes: { red: 'N', black: 'G', across: 'neutral' },
      line: true,
      asks: [voltsAc('volts', 'Volts', '0.8')],
      dimension: 'voltage',
      zones: [{ limit: 'neutral-to-ground' }],
      about: 'neutral',
      proves: 'Many volts: a poor neutral, or load on a long run.',
    },
    {
      id: 'polarity',
      title: 'Three readings',
      setUp: 'live',
      how: 'L to N, L to G, N to G.',
      probes: { red: 'L, L, N', black: 'N, G, G', across: 'line' },
      line: true,
      asks: [
        voltsAc('ln', 'L to N', '120'),
        voltsAc('lg', 'L to G', '120'),
        voltsAc('ng', 'N to G', '0.4'),
        choice('input', 'The meter’s input is', { high: 'high impedance', low: 'low impedance' }),
        choice('nominal', 'The line is', { '120': '120 V', '240': '240 V' }, { need: 'maybe' }),
      ],
      work: polarity,
      about: 'line',
      proves: 'Swapped lines, a missing ground, an open neutral.',
    },
    {
      id: 'dip',
      title: 'Fall as the blower starts',
      setUp: 'live',
      how: 'Min kept by the meter while the blower starts.',
      probes: { red: 'L', black: 'N', across: 'line' },
      line: true,
      asks: [voltsAc('before', 'Before', '119'), voltsAc('during', 'Least', '114')],
      work: (given) => {
        const [before, during] = [given.number('before')!, given.number('during')!];
        return {
          x: {
            value: 1 - during / before,
            u: expanded(given.scatter('before') / before, given.scatter('during') / before),
          },
        };
      },
      dimension: 'fraction',
      zones: [{ limit: 'start-dip' }],
      about: 'line',
      proves: 'A poor connection ahead of the appliance.',
    },
  ],
};
