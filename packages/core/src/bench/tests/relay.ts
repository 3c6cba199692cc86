import { choice, plate, seconds } from '../asked';
import type { ComponentTest } from '../spec';

export const RELAY: ComponentTest = {
  id: 'relay',
  number: 19,
  title: 'Relay',
  question: 'Coil, contact, or socket?',
  cautions: ['Line voltage may stand on its contacts while its coil is dead.'],
  measures: [
    {
      id: 'contact',
      title: 'Contacts, at rest and energised',
      setUp: 'across',
      how: 'At rest COM to NC is closed and COM to NO open; energised the other way round. Its coil by test 6.',
      probes: { red: 'COM', black: 'NO or NC', across: 'contact' },
      line: true,
      asks: [
        choice('state', 'The relay is', { rest: 'at rest', on: 'energised' }),
        choice('coil', 'Volts at its coil', { yes: '20 V or more, read', no: 'not read' }, { when: { state: 'on' } }),
        choice('pair', 'Read from COM to', { no: 'NO', nc: 'NC' }),
        choice('found', 'It is', {
          closed: 'closed: under 0.3 V across it',
          open: 'open: its supply across it, or OL',
        }),
        choice('wiggle', 'Pushed or wiggled it', { same: 'stays so', cures: 'comes right' }, { need: 'maybe' }),
        choice('winding', 'Its coil by test 6', { good: 'good', unknown: 'not read' }, { need: 'maybe' }),
      ],
      rows: [
        {
          when: { state: 'on', coil: 'no' },
          verdict: 'repeat',
          because: 'Read its coil first: without 20 V it does nothing.',
        },
        {
          when: { wiggle: 'cures' },
          verdict: 'bad',
          about: 'socket',
          because: 'Pushed in it comes right: the socket, not the relay.',
        },
        {
          when: { state: 'rest', pair: 'no', found: 'closed' },
          verdict: 'bad',
          about: 'contact',
          because: 'Closed at rest: welded. What it feeds runs by itself; switch it off at the line.',
        },
        {
          when: { state: 'rest', pair: 'nc', found: 'open' },
          verdict: 'bad',
          about: 'contact',
          because: 'Open at rest.',
        },
        {
          when: { state: 'on', pair: 'no', found: 'open', winding: 'good' },
          verdict: 'bad',
          about: 'contact or armature',
          because: 'Coil good and fed, and nothing changes.',
        },
        {
          when: { state: 'on', pair: 'no', found: 'open' },
          verdict: 'bad',
          because: 'Fed, and it does not close: read its coil to know which of the two.',
        },
        {
          when: { state: 'on', pair: 'nc', found: 'closed' },
          verdict: 'bad',
          about: 'contact',
          because: 'Fed, and it does not open.',
        },
        { when: { found: ['open', 'closed'] }, verdict: 'good', because: 'As it should be.' },
      ],
      about: 'relay',
      proves: 'Contact, armature, coil or socket.',
    },
    {
      id: 'delay',
      title: 'On-delay',
      setUp: 'by-eye',
      how: 'From volts at its coil to the click.',
      asks: [seconds('time', 'Seconds', '45'), plate.seconds('longest', 'Longest of its plate', '45')],
      work: (given) => {
        const longest = given.number('longest')!;
        return { x: given.measured('time'), zones: { good: { to: 1.3 * longest }, marginal: { to: 1.3 * longest } } };
      },
      dimension: 'time',
      about: 'relay',
      proves: 'Late beyond 1.3 times its longest: the relay.',
    },
  ],
};
