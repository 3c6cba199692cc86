import { asIndex, type NetIndex } from './indices';
import type { Compile } from './compiler';
import type { Data, DataMap } from './document';
import type { Fields, Path } from './fields';
import { factProblem, WORK_IDS } from '../rules';
import type { Caution, Gauge, Look, Means, Part, Phase, Point, Quantity } from './model';
import { loadStops, raisedBy } from './load-stops';
import { unknownName } from './nearest';

export function loadPhases(fields: Fields, root: DataMap, compile: Compile): Phase[] {
  return fields.list(root['phases'], ['phases'], '{id, title, cue}').map((item, index) => {
    const path: Path = ['phases', index];
    const phase = fields.map(item, path, '{id, title, cue}');
    fields.only(phase, path, ['id', 'title', 'ask', 'sense', 'cue', 'window', 'trial', 'goal', 'probe', 'unwanted']);
    const cue = compile(fields.text(phase, 'cue', path), [...path, 'cue'], 'boolean');
    const title = fields.text(phase, 'title', path);
    return {
      index: asIndex(index),
      id: fields.text(phase, 'id', path),
      title,
      ask: fields.text(phase, 'ask', path, `${title}?`),
      sense: fields.choice(phase, 'sense', path, ['look', 'listen', 'smell', 'feel'] as const, 'look'),
      cue,
      window:
        phase['window'] === undefined
          ? cue
          : compile(fields.text(phase, 'window', path), [...path, 'window'], 'boolean'),
      trial: fields.flag(phase, 'trial', path, false),
      goal: fields.flag(phase, 'goal', path, false),
      probe: fields.flag(phase, 'probe', path, false),
      unwanted: fields.flag(phase, 'unwanted', path, false),
    };
  });
}

export function loadPoints(fields: Fields, root: DataMap, nets: readonly string[]): Point[] {
  const net = (name: string, path: Path): NetIndex => {
    const at = nets.indexOf(name);
    if (at < 0) fields.file.problem(path, unknownName('net', name, nets));
    return asIndex(Math.max(0, at));
  };
  return Object.entries(fields.optionalMap(root['points'], ['points'], 'one entry per test point')).map(
    ([name, raw]) => {
      const path: Path = ['points', name];
      const point = fields.map(raw, path, '{reach, black}');
      fields.only(point, path, ['reach', 'black', 'minutes', 'line']);
      return {
        net: net(name, path),
        reach: fields.text(point, 'reach', path),
        black: net(fields.text(point, 'black', path), [...path, 'black']),
        minutes: fields.number(point, 'minutes', path, 1),
        line: fields.flag(point, 'line', path, false),
      };
    },
  );
}

export function loadGauges(
  fields: Fields,
  root: DataMap,
  quantities: readonly Quantity[],
  phases: readonly Phase[],
): Gauge[] {
  return Object.entries(fields.optionalMap(root['gauges'], ['gauges'], 'one entry per measurement')).map(
    ([id, raw]) => {
      const path: Path = ['gauges', id];
      const gauge = fields.map(raw, path, '{of, phase, title, how}');
      fields.only(gauge, path, ['of', 'phase', 'read', 'title', 'how', 'work', 'minutes']);
      const of = fields.text(gauge, 'of', path);
      const quantity = quantities.findIndex((q) => q.id === of);
      if (quantity < 0)
        fields.file.problem(
          [...path, 'of'],
          unknownName(
            'quantity',
            of,
            quantities.map((q) => q.id),
          ),
        );
      const phaseId = fields.text(gauge, 'phase', path);
      const phase = phases.findIndex((p) => p.id === phaseId);
      if (phase < 0)
        fields.file.problem(
          [...path, 'phase'],
          unknownName(
            'phase',
            phaseId,
            phases.map((p) => p.id),
          ),
        );
      return {
        id,
        quantity: Math.max(0, quantity),
        phase: asIndex(Math.max(0, phase)),
        read: fields.choice(gauge, 'read', path, ['settled', 'at-once'] as const, 'settled'),
        title: fields.text(gauge, 'title', path),
        how: fields.text(gauge, 'how', path),
        work: workOf(fields, gauge, path),
        minutes: fields.number(gauge, 'minutes', path, 5),
      };
    },
  );
}

export function loadLooks(fields: Fields, root: DataMap, parts: readonly Part[], compile: Compile): Look[] {
  const stops = loadStops(fields, root);
  return Object.entries(fields.optionalMap(root['looks'], ['looks'], 'one entry per question')).map(([id, raw]) => {
    const path: Path = ['looks', id];
    const look = fields.map(raw, path, '{ask, answers}');
    fields.only(look, path, ['ask', 'answers', 'minutes', 'tells', 'before', 'proposed', 'unclear', 'work']);
    const answers = fields.map(look['answers'], [...path, 'answers'], 'answer: {title, when}');
    return {
      id,
      ask: fields.text(look, 'ask', path),
      answers: Object.entries(answers).map(([answer, entry]) => {
        const at = [...path, 'answers', answer];
        const map = fields.map(entry as Data, at, '{title, when}');
        fields.only(map, at, ['title', 'when', 'means', 'resets', 'raises']);
        return {
          id: answer,
          title: fields.text(map, 'title', at, answer),
          when: compile(fields.text(map, 'when', at), [...at, 'when'], 'boolean'),
          means: loadMeans(fields, map['means'], [...at, 'means']),
          resets: resetPart(fields, map, at, parts),
          raises: raisedBy(fields, map, at, stops),
        };
      }),
      minutes: fields.number(look, 'minutes', path, 1),
      tells: fields.number(look, 'tells', path, 0.96),
      before: fields.flag(look, 'before', path, false),
      proposed: fields.flag(look, 'proposed', path, true),
      unclear: loadMeans(fields, look['unclear'], [...path, 'unclear']),
      work: workOf(fields, look, path),
    };
  });
}

const workOf = (fields: Fields, data: DataMap, path: Path): string | undefined =>
  data['work'] === undefined ? undefined : fields.choice(data, 'work', path, WORK_IDS);

/** Facts of the rules that an answer tells. */
function loadMeans(fields: Fields, data: Data | undefined, path: Path): Means[] {
  return Object.entries(fields.optionalMap(data, path, 'fact: value')).flatMap(([fact, value]): Means[] => {
    if (typeof value !== 'string' && typeof value !== 'number') {
      fields.file.problem([...path, fact], 'must be a word or a number');
      return [];
    }
    const problem = factProblem(fact, value);
    if (problem !== undefined) fields.file.problem([...path, fact], problem);
    return problem === undefined ? [{ fact, value }] : [];
  });
}

function resetPart(fields: Fields, data: DataMap, path: Path, parts: readonly Part[]): Part['index'] | undefined {
  if (data['resets'] === undefined) return undefined;
  const id = fields.text(data, 'resets', path);
  const part = parts.find((p) => p.id === id);
  if (!part) {
    const known = parts.map((p) => p.id);
    fields.file.problem([...path, 'resets'], unknownName('part', id, known));
  }
  return part?.index;
}

export function loadCautions(fields: Fields, root: DataMap): Caution[] {
  return fields.list(root['cautions'], ['cautions'], '{when, text}').map((item, i) => {
    const path: Path = ['cautions', i];
    const caution = fields.map(item, path, '{when, text}');
    fields.only(caution, path, ['when', 'text']);
    return {
      when: fields.choice(caution, 'when', path, ['always', 'gas', 'line', 'bypass', 'trial', 'hot', 'ohms'] as const),
      text: fields.text(caution, 'text', path),
    };
  });
}
