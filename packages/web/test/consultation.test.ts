import { EVERYTHING, TRAINED } from '@zetalysis/core/rules';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ViewOptions } from '@zetalysis/core/presentation';
import { loadProfile, PLAIN } from '@zetalysis/core/profile';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import type { EventBody } from '@zetalysis/core/visit';
import { Consultation } from '../src/engine/consultation';
import { logged } from './events';

const source = readFileSync(join(__dirname, '../../../profiles/furnace-condensing.yaml'), 'utf8');
const options: ViewOptions = { units: 'us', person: TRAINED, phase: undefined, standard: USUAL_STANDARD };
const reading = { person: options.person, standard: options.standard };
const fresh = (): Consultation => new Consultation(source, 'furnace-condensing.yaml', PLAIN);

const seen = (phase: string, answer: 'yes' | 'no'): EventBody => ({ type: 'seen', phase, answer });
const noGlow = logged([seen('call', 'yes'), seen('inducer', 'yes'), seen('glow', 'no')]);
const noInducer = logged([seen('call', 'yes'), seen('inducer', 'no')]);

describe('a consultation', () => {
  test('weighs suspects by the rates of a shop: what never breaks there is no suspect', () => {
    const [first] = fresh().view(noGlow, options).suspects;
    const part = first!.repair.split(':')[0]!;
    const nothing = { assumed: 1, cases: 9, rate: 0, low: 0, high: 0 };
    const ways = Object.fromEntries(
      loadProfile(source, 'furnace-condensing.yaml').parts.flatMap((p) =>
        p.id === part ? p.modes.map((m) => [`${p.id}.${m.id}`, nothing]) : [],
      ),
    );
    const of = { profile: 'furnace-condensing' };
    const families = { [of.profile]: { years: 9, ways, makes: {}, ages: {} } };
    const never = { book: { format: 'zetalysis-rates/1', families }, of } as const;
    const weighed = new Consultation(source, 'furnace-condensing.yaml', PLAIN, never).view(noGlow, options).suspects;
    expect(weighed.map((s) => s.repair)).not.toContain(first!.repair);
  });

  test('a record pins the log it names, though a newer one was looked at since', () => {
    const one = fresh();
    one.view(noGlow, options);
    one.next(noGlow, options);
    const before = one.advice(noGlow, reading);
    expect(before.nextTest).toBeDefined();
    one.view(noInducer, options);
    expect(one.advice(noGlow, reading)).toEqual(before);
    expect(one.advice(noInducer, reading)).not.toEqual(before);
  });

  test('an answer does not depend on what was asked before it', () => {
    const used = fresh();
    used.next(noInducer, options);
    used.view(noGlow, { ...options, whatIf: 'healthy' });
    expect(used.next(noGlow, options)).toEqual(fresh().next(noGlow, options));
    // The view now knows of pairs of faults; asked first, it knows single ones until the tests were ranked.
    const asked = fresh();
    const after = asked.next(noGlow, options).view;
    expect(used.view(noGlow, options)).toEqual(after);
  });

  test('another role or standard is advised anew on the same log', () => {
    const one = fresh();
    const asLead = one.next(noGlow, { ...options, person: EVERYTHING }).tests.map((t) => t.id);
    const asApprentice = one
      .next(noGlow, { ...options, person: { role: 'apprentice', grants: [] } })
      .tests.map((t) => t.id);
    expect(one.next(noGlow, { ...options, person: EVERYTHING }).tests.map((t) => t.id)).toEqual(asLead);
    expect(
      fresh()
        .next(noGlow, { ...options, person: { role: 'apprentice', grants: [] } })
        .tests.map((t) => t.id),
    ).toEqual(asApprentice);
  });

  test('in danger nothing is advised, and a record says so', () => {
    const danger = logged([seen('call', 'yes'), { type: 'danger', danger: 'gas' }]);
    expect(fresh().next(danger, options).tests).toEqual([]);
    expect(fresh().advice(danger, reading)).not.toHaveProperty('nextTest');
  });
});
