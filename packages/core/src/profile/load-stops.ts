import { ALLOWED, type DeclaredStop, OWN_ENDERS, OWN_GRADES } from '../rules';
import type { DataMap } from './document';
import type { Fields, Path } from './fields';
import { unknownName } from './nearest';

/** Stops of this kind of appliance, beside the general ones: `stops: {id: {title, grade, orders, ...}}`. */
export function loadStops(fields: Fields, root: DataMap): DeclaredStop[] {
  return Object.entries(fields.optionalMap(root['stops'], ['stops'], 'one entry per stop')).map(([id, raw]) => {
    const path: Path = ['stops', id];
    const stop = fields.map(raw, path, '{title, grade, orders, meanwhile, evidence, ended-by}');
    fields.only(stop, path, ['title', 'grade', 'orders', 'meanwhile', 'allows', 'evidence', 'ended-by']);
    const sentences = (key: string): string[] => {
      const list = fields.list(stop[key], [...path, key], 'sentences');
      if (list.length === 0) fields.file.problem([...path, key], 'needs at least one sentence');
      return list.map((sentence, i) => fields.sentence(sentence, [...path, key, i]));
    };
    return {
      id,
      title: fields.text(stop, 'title', path),
      grade: fields.choice(stop, 'grade', path, OWN_GRADES),
      orders: sentences('orders'),
      meanwhile: fields.text(stop, 'meanwhile', path),
      allows: fields.choices(stop['allows'], [...path, 'allows'], 'kinds of tests', ALLOWED),
      evidence: sentences('evidence'),
      endedBy: fields.choice(stop, 'ended-by', path, OWN_ENDERS),
    };
  });
}

/** The stop that an answer brings. */
export function raisedBy(
  fields: Fields,
  answer: DataMap,
  path: Path,
  stops: readonly DeclaredStop[],
): DeclaredStop | undefined {
  if (answer['raises'] === undefined) return undefined;
  const id = fields.text(answer, 'raises', path);
  const stop = stops.find((s) => s.id === id);
  if (!stop) {
    const known = stops.map((s) => s.id);
    fields.file.problem([...path, 'raises'], unknownName('stop', id, known));
  }
  return stop;
}
