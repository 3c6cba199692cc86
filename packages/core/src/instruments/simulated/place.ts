import { findPart, type Model, type NetIndex, unknownName } from '../../profile';

/**
 * Where an instrument is put, by names: two points, a wire, the terminals of a part that is isolated,
 * a tap, the flue, or nowhere.
 */
export type Place =
  | { readonly at: 'nowhere' }
  | { readonly at: 'points'; readonly red: string; readonly black: string }
  /** The passage of a part: a clamp goes round its wire, probes go to its terminals with both leads off. */
  | { readonly at: 'part'; readonly part: string; readonly branch: string; readonly turns?: number }
  | { readonly at: 'gauge'; readonly gauge: string }
  /** The probe of an analyser is in the flue. */
  | { readonly at: 'flue' };

/** Most turns of a wire through the jaw of a clamp. */
const MOST_TURNS = 50;

/** Why nothing can be put there; nothing where it can. */
export function notThere(model: Model, place: Place): string | undefined {
  switch (place.at) {
    case 'nowhere':
    case 'flue':
      return undefined;
    case 'points':
      for (const net of [place.red, place.black])
        if (netOf(model, net) < 0) return unknownName('test point', net, model.nets);
      return place.red === place.black ? 'both probes are on the same point' : undefined;
    case 'part': {
      const part = findPart(model, place.part);
      if (!part)
        return unknownName(
          'part',
          place.part,
          model.parts.map((p) => p.id),
        );
      if (!part.branches.some((b) => b.name === place.branch))
        return unknownName(
          `side of ${part.id}`,
          place.branch,
          part.branches.map((b) => b.name),
        );
      const { turns = 1 } = place;
      return Number.isInteger(turns) && turns >= 1 && turns <= MOST_TURNS
        ? undefined
        : `a wire goes through the jaw 1 to ${MOST_TURNS} times`;
    }
    case 'gauge':
      return model.gauges.some((g) => g.id === place.gauge)
        ? undefined
        : unknownName(
            'measurement',
            place.gauge,
            model.gauges.map((g) => g.id),
          );
  }
}

export const netOf = (model: Model, name: string): NetIndex => model.nets.indexOf(name) as NetIndex;
