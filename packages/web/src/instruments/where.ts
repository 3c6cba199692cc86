import type { InstrumentKind, Place } from '@zetalysis/core/instruments';
import type { Drawing } from '@zetalysis/core/presentation';

/** What an instrument that is put on a tap or in series measures there. */
const MEASURES: Readonly<Record<InstrumentKind, string>> = {
  multimeter: 'current',
  clamp: 'current',
  manometer: 'pressure',
  thermometer: 'temperature',
  analyser: 'fraction',
};

interface Option {
  readonly value: string;
  readonly label: string;
}

/** Where an instrument can be put on an appliance beside its points, to be chosen from a list. */
export function placesFor(
  drawing: Drawing,
  kind: InstrumentKind,
): readonly (Option | { readonly label: string; readonly options: readonly Option[] })[] {
  const gauges = drawing.gauges
    .filter((g) => g.dimension === MEASURES[kind])
    .map((g) => ({ value: `gauge ${g.id}`, label: g.title }));
  const parts = drawing.parts.flatMap((p) =>
    p.branches.map((b) => ({ value: `part ${p.id} ${b}`, label: b === '' ? p.title : `${p.title}, ${b}` })),
  );
  switch (kind) {
    case 'multimeter':
      return [
        { label: 'In series', options: gauges },
        { label: 'At the terminals of a part, its leads off', options: parts },
      ];
    case 'clamp':
      return [{ label: 'Round the wire of', options: parts }];
    case 'analyser':
      return [{ value: 'flue', label: 'In the flue' }];
    default:
      return gauges;
  }
}

/** A place as the value of a list. */
export function keyOfPlace(place: Place): string {
  switch (place.at) {
    case 'part':
      return `part ${place.part} ${place.branch}`;
    case 'gauge':
      return `gauge ${place.gauge}`;
    default:
      return place.at;
  }
}

/** The place that a value of the list stands for. */
export function placeOfKey(key: string): Place {
  const [at, name = '', branch = ''] = key.split(' ');
  if (at === 'part') return { at, part: name, branch };
  if (at === 'gauge') return { at, gauge: name };
  return { at: at === 'flue' ? 'flue' : 'nowhere' };
}
