import { SAFETY_KINDS, WORK_IDS } from '../rules';
import { millis } from '../units';
import { asIndex, type NetIndex } from './indices';
import type { Data, DataMap } from './document';
import type { Fields, Path } from './fields';
import type { Action, Ask, Gauge, Look, Part, Phase } from './model';
import { unknownName } from './nearest';

/** What an `asks:` entry can name. */
export interface Asked {
  readonly phases: readonly Phase[];
  readonly gauges: readonly Gauge[];
  readonly looks: readonly Look[];
  readonly nets: readonly string[];
}

/** Reads the `actions:` section. */
export function loadActions(
  fields: Fields,
  data: DataMap,
  parts: readonly Part[],
  plugs: readonly { id: string }[],
  asked: Asked,
): Action[] {
  return Object.entries(data).map(([id, raw]) => {
    const path: Path = ['actions', id];
    const action = fields.map(raw, path, '{title, how}');
    fields.only(action, path, [
      'title',
      'how',
      'minutes',
      'resets',
      'unplugs',
      'wait',
      'ledger',
      'goes-round',
      'work',
      'caution',
      'asks',
    ]);
    if (!/^[a-z][a-z0-9-]*$/.test(id)) fields.file.problem(path, 'action names are lower case words joined by hyphens');
    const resets = fields
      .list(action['resets'], [...path, 'resets'], 'parts whose reset is pressed')
      .flatMap((name, i) => {
        const part = parts.find((p) => p.id === name);
        if (!part)
          fields.file.problem(
            [...path, 'resets', i],
            unknownName(
              'part',
              String(name),
              parts.map((p) => p.id),
            ),
          );
        return part ? [part.index] : [];
      });
    const unplugs = fields.list(action['unplugs'], [...path, 'unplugs'], 'connectors pulled for it').map(String);
    unplugs.forEach((id, i) => {
      if (!plugs.some((p) => p.id === id))
        fields.file.problem(
          [...path, 'unplugs', i],
          unknownName(
            'connector',
            id,
            plugs.map((p) => p.id),
          ),
        );
    });
    return {
      id,
      title: fields.text(action, 'title', path),
      how: fields.text(action, 'how', path),
      minutes: fields.number(action, 'minutes', path, 5),
      resets,
      unplugs,
      wait: millis(fields.quantity(action, 'wait', path, 'time', 0)),
      goesRound: goesRound(fields, action, path),
      work: action['work'] === undefined ? undefined : fields.choice(action, 'work', path, WORK_IDS),
      caution: action['caution'] === undefined ? undefined : fields.text(action, 'caution', path),
      asks:
        action['asks'] === undefined
          ? [{ kind: 'outcome' }]
          : loadAsks(fields, action['asks'], [...path, 'asks'], asked),
    };
  });
}

/** The kind of safety an action goes round; profiles made before safeties had kinds only say that it does. */
function goesRound(fields: Fields, action: DataMap, path: Path): string | undefined {
  if (action['goes-round'] !== undefined) return fields.choice(action, 'goes-round', path, SAFETY_KINDS);
  return fields.flag(action, 'ledger', path, false) ? 'separate-feed' : undefined;
}

/** What is asked while a connector is pulled: how the try ends, unless the profile says more. */
export function loadPlugAsks(fields: Fields, plugs: DataMap, id: string, asked: Asked): Ask[] {
  const entry = fields.optionalMap(plugs[id], ['plugs', id], 'title and minutes');
  return entry['asks'] === undefined
    ? [{ kind: 'outcome' }]
    : loadAsks(fields, entry['asks'], ['plugs', id, 'asks'], asked);
}

const FORMS = 'outcome, code, seen PHASE, gauge NAME, look NAME or volts RED BLACK PHASE';

function loadAsks(fields: Fields, data: Data, path: Path, asked: Asked): Ask[] {
  const index = (what: string, list: readonly { id: string }[], id: string, at: Path): number => {
    const found = list.findIndex((x) => x.id === id);
    if (found < 0)
      fields.file.problem(
        at,
        unknownName(
          what,
          id,
          list.map((x) => x.id),
        ),
      );
    return Math.max(0, found);
  };
  const net = (name: string, at: Path): NetIndex => {
    const found = asked.nets.indexOf(name);
    if (found < 0) fields.file.problem(at, unknownName('net', name, asked.nets));
    return asIndex(Math.max(0, found));
  };
  return fields.list(data, path, FORMS).flatMap((item, i): Ask[] => {
    const at = [...path, i];
    const [kind, ...names] = String(item).split(/\s+/);
    if (kind === 'outcome' || kind === 'code') return [{ kind }];
    if (kind === 'seen' && names.length === 1)
      return [{ kind, phase: asIndex(index('phase', asked.phases, names[0]!, at)) }];
    if (kind === 'gauge' && names.length === 1) return [{ kind, gauge: index('gauge', asked.gauges, names[0]!, at) }];
    if (kind === 'look' && names.length === 1) return [{ kind, look: index('look', asked.looks, names[0]!, at) }];
    if (kind === 'volts' && names.length === 3)
      return [
        {
          kind,
          red: net(names[0]!, at),
          black: net(names[1]!, at),
          phase: asIndex(index('phase', asked.phases, names[2]!, at)),
        },
      ];
    fields.file.problem(at, `cannot read "${String(item)}"; write ${FORMS}`);
    return [];
  });
}
