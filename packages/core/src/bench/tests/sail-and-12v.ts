import { choice, voltsDc } from '../asked';
import type { ComponentTest } from '../spec';

export const TWELVE_VOLTS: ComponentTest = {
  id: 'sail-and-12v',
  number: 21,
  title: 'Sail switch, and 12 V under load',
  question: 'Air, switch, or battery?',
  cautions: ['A fan starts without a warning.'],
  measures: [
    {
      id: 'supply',
      title: 'At the board, blower running',
      setUp: 'live',
      how: 'V ⎓, blower running: idle volts prove nothing.',
      probes: { red: 'plus at the board', black: 'minus', across: 'battery' },
      asks: [choice('blower', 'The blower', { on: 'runs', off: 'is off' }), voltsDc('volts', 'Volts', '11.8')],
      rows: [
        {
          when: { blower: 'off' },
          verdict: 'repeat',
          because: 'Idle volts prove nothing of a battery or its wires: let the blower run.',
        },
      ],
      dimension: 'voltage',
      zones: [{ limit: 'board-12v' }],
      about: 'battery or its wires',
      proves: 'Battery, converter or wires.',
    },
    {
      id: 'sail',
      title: 'Across the sail switch',
      setUp: 'across',
      how: 'Blower running, supply good, air path free. If it is open push the paddle by hand.',
      probes: { red: 'feed side', black: 'load side', across: 'sail switch' },
      asks: [
        choice('blower', 'The blower', { on: 'runs', off: 'is off' }),
        choice('supply', 'Supply under load', { good: 'good', low: 'low' }, { when: { blower: 'on' } }),
        choice(
          'path',
          'Air path',
          { free: 'looked at and free', unknown: 'not looked at' },
          { when: { blower: 'on' } },
        ),
        choice('contact', 'It is', { closed: 'closed', open: 'open' }),
        choice(
          'pushed',
          'Pushed by hand it',
          { closes: 'closes', open: 'stays open' },
          { when: { contact: 'open', blower: 'on' } },
        ),
      ],
      rows: [
        {
          when: { blower: 'off', contact: 'closed' },
          verdict: 'bad',
          because: 'Closed without air: it is stuck, and would let it fire without air.',
        },
        { when: { blower: 'off' }, verdict: 'good', because: 'Open at rest, as it should be.' },
        {
          when: { supply: 'low' },
          verdict: 'repeat',
          because: 'The blower turns too slowly on low volts: put the supply right first.',
        },
        { when: { path: 'unknown' }, verdict: 'repeat', because: 'Look at the air path first.' },
        { when: { contact: 'closed' }, verdict: 'good', because: 'It closes in its air.' },
        {
          when: { pushed: 'closes' },
          verdict: 'marginal',
          about: 'air',
          because: 'By hand it closes: there is too little air, not a bad switch.',
        },
        { when: { pushed: 'open' }, verdict: 'bad', because: 'Pushed by hand it stays open.' },
      ],
      about: 'sail switch',
      proves: 'Air, or the switch.',
    },
  ],
};
