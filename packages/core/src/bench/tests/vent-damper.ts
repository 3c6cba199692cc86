import { choice, plate } from '../asked';
import type { ComponentTest, Worked } from '../spec';
import { expanded } from '../uncertainty';

export const DAMPER: ComponentTest = {
  id: 'vent-damper',
  number: 20,
  title: 'Vent damper',
  question: 'Blade, motor, or end switch?',
  cautions: [
    'A blade that stands shut while it fires sends carbon monoxide into the room. Never bridge its end switch.',
  ],
  measures: [
    {
      id: 'travel',
      title: 'Travel and end switch',
      setUp: 'by-eye',
      how: 'Lever on automatic. See it travel on this call; its end switch closes only when it is fully open.',
      asks: [
        choice('lever', 'Its lever stands on', { automatic: 'automatic', hold: 'hold open' }),
        choice('seen', 'Seen travelling on this call?', { yes: 'yes', no: 'no' }),
        choice('blade', 'The blade', { open: 'stands open', shut: 'stands shut' }),
        choice('end', 'Its end switch is', { closed: 'closed', open: 'open' }),
        choice('fed', 'Volts at its motor', { yes: '18 V or more', no: 'less, or not read' }, { need: 'maybe' }),
        plate.seconds('time', 'It took', '13', { need: 'maybe', when: { blade: 'open' } }),
        plate.seconds('plate', 'Time of its plate', '12', { need: 'maybe' }),
      ],
      rows: [
        {
          when: { blade: 'shut', end: 'closed' },
          verdict: 'bad',
          atOnce: true,
          about: 'end switch',
          because: 'Closed with the blade shut: it would fire into a shut vent. Switch it off.',
        },
        {
          when: { lever: 'hold', blade: 'open', end: 'open' },
          verdict: 'good',
          about: 'lever',
          because: 'Held open by its lever: put it back to automatic.',
        },
        {
          when: { lever: 'hold' },
          verdict: 'repeat',
          because: 'Its lever holds it: put it to automatic, and call again.',
        },
        {
          when: { blade: 'shut', fed: 'yes' },
          verdict: 'bad',
          about: 'motor or blade',
          because: 'It is fed and does not travel.',
        },
        { when: { blade: 'shut' }, verdict: 'repeat', because: 'Read the volts at its motor: unfed it stays shut.' },
        {
          when: { seen: 'no' },
          verdict: 'repeat',
          because: 'Call again and see it travel: a blade that stands open may be stuck there.',
        },
        {
          when: { end: 'open' },
          verdict: 'bad',
          about: 'end switch',
          because: 'Fully open, and its end switch does not close.',
        },
      ],
      work: (given): Worked => {
        const [time, book] = [given.number('time'), given.number('plate')];
        if (time === undefined || book === undefined)
          return { verdict: 'good', because: 'It travels, and its end switch closes when it is open.' };
        return {
          x: { value: time, u: expanded(0.5) },
          zones: { good: { to: 1.3 * book }, marginal: { to: 2 * book } },
        };
      },
      dimension: 'time',
      about: 'damper',
      proves: 'Blade, motor, end switch or lever.',
    },
  ],
};
