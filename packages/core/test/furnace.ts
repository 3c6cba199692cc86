import { Engine } from '../src/diagnosis';
import { findNet, findPhase } from '../src/profile';
import type { Evidence, Observation } from '../src/question';
import { NORMAL_SETUP, type Setup } from '../src/simulation';
import { profile } from './models';

/** Observations of the condensing furnace, as somebody in front of it notes them. */
export const model = profile('furnace-condensing');
export const engine = new Engine(model);
export const steam = new Engine(profile('steam-intermittent-pilot'));

export const evidence = (observations: readonly Observation[], setup: Setup = NORMAL_SETUP): Evidence => ({
  episodes: [{ setup, repaired: [] }],
  items: observations.map((observation, i) => ({ id: `e${i}`, episode: 0, observation })),
});
const phase = (id: string) => findPhase(model, id)!.index;
export const seen = (id: string, answer: boolean): Observation => ({ kind: 'seen', phase: phase(id), answer });
export const volts = (red: string, black: string, at: string, value: number): Observation => ({
  kind: 'volts',
  red: findNet(model, red),
  black: findNet(model, black),
  phase: phase(at),
  input: 'high-impedance',
  reading: { kind: 'value', value, dimension: 'voltage' },
});
export const ohms = (part: string, value: number): Observation => ({
  kind: 'ohms',
  part: model.parts.find((p) => p.id === part)!.index,
  branch: '',
  reading:
    value === Infinity ? { kind: 'open', dimension: 'resistance' } : { kind: 'value', value, dimension: 'resistance' },
});
export const share = (e: Engine, ev: Evidence, repair: string): number =>
  e.assess(ev).suspects.find((s) => s.repair === repair)!.probability;
export const noGlow = [
  seen('call', true),
  seen('inducer', true),
  seen('glow', false),
  seen('valve', true),
  seen('flame', false),
  { kind: 'outcome', outcome: 'locks-out' } as const,
];
