import { type Data, type DataMap, Fields, isMap, type Model, type Path, SourceFile, unknownName } from '../profile';
import { type AnswerBody, kindOfBody, QUESTION_KINDS, withMoment } from '../question';
import type { CallEvent } from './event';
import type { EventBody } from './event-kinds';
import { translate } from './translate';

export const CASE_FORMAT = 'zetalysis-case/1';

const EVENT_KEYS = [
  ...QUESTION_KINDS.map((kind) => kind.kind),
  'setup',
  'repaired',
  'adjusted',
  'cannot',
  'will-not',
  'note',
  'expect',
];

/** What a case says must come out. Repairs are named `part:mend`, breaks and causes by part. */
export interface Expectation {
  readonly oneOf?: readonly string[];
  readonly mustNot?: readonly string[];
  readonly break?: string;
  readonly cause?: string;
  readonly standing?: 'proved' | 'suspected';
  readonly atLeast?: number;
  /** Whether nothing may fit what was found. */
  readonly baffled?: boolean;
  readonly line: number;
}

/** A step of a case: an event, or an expectation about the state reached so far. */
export type CaseStep = { readonly event: EventBody; readonly line: number } | { readonly expect: Expectation };

export interface Case {
  readonly title: string;
  readonly profile: string;
  readonly variant: string | undefined;
  readonly steps: readonly CaseStep[];
}

/** Reads the head of a case (title, profile, variant) so that its profile can be loaded. */
export function caseHead(source: string, fileName: string): { profile: string; variant: string | undefined } {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  const fields = new Fields(file);
  const root = fields.map(file.data, [], 'a case');
  if (root['format'] !== CASE_FORMAT) file.problem(['format'], `must be "${CASE_FORMAT}"`);
  const profile = fields.text(root, 'profile', []);
  file.throwIfBad();
  return { profile, variant: root['variant'] === undefined ? undefined : String(root['variant']) };
}

/** Loads a case against its compiled profile. Throws ProblemError with line, place and remedy for everything wrong. */
export function loadCase(source: string, fileName: string, model: Model): Case {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  const fields = new Fields(file);
  const root = fields.map(file.data, [], 'a case');
  fields.only(root, [], ['format', 'title', 'profile', 'variant', 'story', 'events']);
  if (root['format'] !== CASE_FORMAT) file.problem(['format'], `must be "${CASE_FORMAT}"`);
  const steps: CaseStep[] = [];
  fields.list(root['events'], ['events'], 'one entry per event').forEach((item, i) => {
    const path: Path = ['events', i];
    const entry = fields.map(item, path, 'one event');
    const line = file.lineOf(path);
    // How long after the call for heat it was stands beside what was found.
    const keys = Object.keys(entry).filter((k) => k !== 'after');
    const after = entry['after'] === undefined ? undefined : fields.quantity(entry, 'after', path, 'time');
    if (keys.length !== 1) {
      file.problem(path, `must have exactly one key, and after beside it where it was early: ${EVENT_KEYS.join(', ')}`);
      return;
    }
    const key = keys[0]!;
    const value = entry[key]!;
    if (key === 'expect') {
      steps.push({ expect: readExpectation(fields, value, [...path, key], line) });
      return;
    }
    for (const read of readEvents(fields, key, value, [...path, key], model)) {
      const early = after !== undefined && kindOfBody(read.type) ? withMoment(read as AnswerBody, after) : undefined;
      if (after !== undefined && !early)
        file.problem([...path, 'after'], 'belongs to what is seen or read while it is on');
      const event: EventBody = early ?? read;
      const translated = translate(model, event);
      if (translated.kind === 'problem') file.problem([...path, key], translated.message);
      steps.push({ event, line });
    }
  });
  if (steps.length === 0) file.problem(['events'], 'are empty; write at least one event');
  const result: Case = {
    title: fields.text(root, 'title', []),
    profile: fields.text(root, 'profile', []),
    variant: root['variant'] === undefined ? undefined : String(root['variant']),
    steps,
  };
  file.throwIfBad();
  return result;
}

function readEvents(fields: Fields, key: string, value: Data, path: Path, model: Model): EventBody[] {
  const kind = kindOfBody(key);
  if (kind) return [...kind.readCase(fields, value, path, model)];
  switch (key) {
    case 'setup': {
      const map: DataMap = isMap(value)
        ? value
        : fields.map(value, path, '{power, gas, call, unplugged, bypassed, actions}');
      fields.only(map, path, ['power', 'gas', 'call', 'unplugged', 'bypassed', 'actions']);
      return [
        {
          type: 'setup',
          power: fields.flag(map, 'power', path, true),
          gas: fields.flag(map, 'gas', path, true),
          call: fields.flag(map, 'call', path, true),
          unplugged: fields.list(map['unplugged'], [...path, 'unplugged'], 'connector ids').map(String),
          bypassed: fields.list(map['bypassed'], [...path, 'bypassed'], 'part ids').map(String),
          actions: fields.list(map['actions'], [...path, 'actions'], 'action ids').map(String),
        },
      ];
    }
    case 'repaired': {
      if (!isMap(value)) return [{ type: 'repaired', part: String(value), action: '' }];
      fields.only(value, path, ['part', 'measured', 'old']);
      const measured = fields.flag(value, 'measured', path, false);
      return [
        {
          type: 'repaired',
          part: fields.text(value, 'part', path),
          action: '',
          measured,
          old: fields.flag(value, 'old', path, false),
        },
      ];
    }
    case 'adjusted': {
      const map = fields.map(value, path, '{what, original, now}');
      fields.only(map, path, ['what', 'original', 'now']);
      const [what, original, now] = ['what', 'original', 'now'].map((k) => fields.text(map, k, path));
      return [{ type: 'adjusted', what: what!, original: original!, now: now! }];
    }
    case 'cannot':
    case 'will-not':
      return [{ type: 'declined', test: String(value), why: key }];
    case 'note':
      return [{ type: 'note', text: String(value) }];
    default:
      fields.file.problem(path, unknownName('event', key, EVENT_KEYS));
      return [];
  }
}

function readExpectation(fields: Fields, value: Data, path: Path, line: number): Expectation {
  const map = fields.map(value, path, '{oneOf, mustNot, break, cause, standing}');
  fields.only(map, path, ['oneOf', 'mustNot', 'break', 'cause', 'standing', 'atLeast', 'baffled']);
  const texts = (key: string): { [k: string]: string[] } =>
    map[key] === undefined ? {} : { [key]: fields.list(map[key], [...path, key], 'repairs as part:mend').map(String) };
  return {
    ...texts('oneOf'),
    ...texts('mustNot'),
    ...(map['break'] === undefined ? {} : { break: fields.text(map, 'break', path) }),
    ...(map['cause'] === undefined ? {} : { cause: fields.text(map, 'cause', path) }),
    ...(map['standing'] === undefined
      ? {}
      : { standing: fields.choice(map, 'standing', path, ['proved', 'suspected'] as const) }),
    ...(map['atLeast'] === undefined ? {} : { atLeast: fields.number(map, 'atLeast', path, 0) }),
    ...(map['baffled'] === undefined ? {} : { baffled: fields.flag(map, 'baffled', path, false) }),
    line,
  };
}

/** The log a case amounts to; ids and times are made up in order. */
export function caseEvents(steps: readonly CaseStep[]): CallEvent[] {
  return steps
    .filter((s): s is { event: EventBody; line: number } => 'event' in s)
    .map((s, i) => ({
      id: `case-${String(i + 1).padStart(4, '0')}`,
      call: 'case',
      seq: i + 1,
      at: new Date(0).toISOString(),
      device: 'case',
      person: 'case',
      body: s.event,
    }));
}
