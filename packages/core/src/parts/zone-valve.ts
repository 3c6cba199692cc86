import type { PartKind } from './part-kind';
import { ventDamper } from './vent-damper';

const WORDS: Readonly<Record<string, string>> = {
  'motor-open': 'has an open motor winding',
  'blade-stuck': 'is fed but stays shut: stuck',
  'held-open': 'is held open by its manual lever: water passes and the end switch does not make',
  'end-switch-open': 'opens, but its end switch does not pass',
};

/** A motorised zone valve: it opens the way for the water, then its end switch calls for heat. Moves like a damper. */
export const zoneValve: PartKind = {
  ...ventDamper,
  name: 'zone-valve',
  title: 'zone valve',
  modes: (spec) => ventDamper.modes(spec).map((mode) => ({ ...mode, words: WORDS[mode.id] ?? mode.words })),
};
