import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '@zetalysis/core/diagnosis';
import { drawingOf, guideOf } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { changedRungs, compareGuides } from '../src/places/library/compare';

const load = (id: string, variant?: string) => {
  const source = readFileSync(join(__dirname, `../../../profiles/${id}.yaml`), 'utf8');
  const model = loadProfile(source, id, variant === undefined ? {} : { variant });
  return { guide: guideOf(new Engine(model), { units: 'us' }), drawing: drawingOf(model) };
};
const family = load('steam-standing-pilot');
const plain = load('steam-standing-pilot', 'no-damper');

test('a variant beside its family: what is only in one, what is wired otherwise, and nothing else', () => {
  const differences = compareGuides(family.guide, plain.guide);
  const steps = differences.find((d) => d.section === 'Steps')!;
  expect(steps.onlyFirst).toEqual(['Damper opens', 'Blade stands open']);
  expect(steps.onlySecond).toEqual([]);
  expect(differences.find((d) => d.section === 'Test points')!.onlyFirst).toContain('ES');
  expect([...changedRungs(plain.drawing.rungs, family.drawing.rungs)]).toEqual(['safety']);
  expect([...changedRungs(family.drawing.rungs, plain.drawing.rungs)].sort()).toEqual(['burner', 'safety']);
});

test('an appliance does not differ from itself', () => {
  expect(compareGuides(family.guide, family.guide)).toEqual([]);
  expect(changedRungs(family.drawing.rungs, family.drawing.rungs).size).toBe(0);
});

test('what is brought along for a test is neither drawn nor listed', () => {
  const valve = load('furnace-valve-control');
  expect(valve.drawing.rungs.map((r) => r.id)).not.toContain('test');
  expect(valve.drawing.parts.map((p) => p.id)).not.toContain('test-feed');
  expect(valve.guide.deadTests.map((d) => d.part).join()).not.toContain('separate');
});
