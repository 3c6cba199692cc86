import { type Data, type DataMap, Fields, isMap, type Model, type Path, SourceFile, unknownName } from '../profile';
import { COMPLAINT_IDS } from '../question';
import { type Outcome, OUTCOMES } from '../simulation';
import { type Dimension, parseReading, type Reading } from '../units';
import type { CallEvent, EventBody } from './event';
import { translate } from './translate';

const CASE_FORMAT = 'zetalysis-case/1';

const EVENT_KEYS = [
  'seen',
  'outcome',
  'code',
  'volts',
  'ohms',
  'gauge',
  'timing',
  'look',
  'told',
  'setup',
  'repaired',
  'adjusted',
  'cannot',
  'will-not',
  'note',
  'expect',
] as const;

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
    const keys = Object.keys(entry);
    if (keys.length !== 1) {
      file.problem(path, `must have exactly one key: ${EVENT_KEYS.join(', ')}`);
      return;
    }
    const key = keys[0]!;
    const value = entry[key]!;
    if (key === 'expect') {
      steps.push({ expect: readExpectation(fields, value, [...path, key], line) });
      return;
    }
    for (const event of readEvents(fields, key, value, [...path, key], model)) {
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
  const reading = (data: Data | undefined, at: Path, dimension: Dimension): { reading: Reading; typed: string } => {
    const typed = typeof data === 'number' || typeof data === 'string' ? String(data) : '';
    const parsed = parseReading(typed, dimension);
    if (parsed.ok) return { reading: parsed.value, typed };
    fields.file.problem(at, parsed.message);
    return { reading: { kind: 'value', value: 0, dimension }, typed };
  };
  const yesNo = (data: Data, at: Path): 'yes' | 'no' | 'unclear' => {
    if (data === true || data === 'yes') return 'yes';
    if (data === false || data === 'no') return 'no';
    if (data !== 'unclear') fields.file.problem(at, 'must be yes, no or unclear');
    return 'unclear';
  };
  switch (key) {
    case 'seen': {
      const map = fields.map(value, path, '{phase: yes | no | unclear}');
      const attempt = map['try'];
      return Object.entries(map)
        .filter(([phase]) => phase !== 'try')
        .map(([phase, answer]) => ({
          type: 'seen',
          phase,
          answer: yesNo(answer, [...path, phase]),
          ...(typeof attempt === 'number' ? { try: attempt } : {}),
        }));
    }
    case 'outcome': {
      const outcome = String(value);
      if (!(OUTCOMES as readonly string[]).includes(outcome))
        fields.file.problem(path, unknownName('outcome', outcome, OUTCOMES));
      return [{ type: 'outcome', outcome: outcome as Outcome }];
    }
    case 'code':
      return [{ type: 'code', code: String(value) }];
    case 'volts': {
      const map = fields.map(value, path, '{red, black, value, phase}');
      fields.only(map, path, ['red', 'black', 'value', 'phase', 'meter']);
      return [
        {
          type: 'volts',
          red: fields.text(map, 'red', path),
          black: fields.text(map, 'black', path),
          ...(map['phase'] === undefined ? {} : { phase: fields.text(map, 'phase', path) }),
          ...(map['meter'] === undefined
            ? {}
            : { meter: fields.choice(map, 'meter', path, ['high-impedance', 'low-impedance'] as const) }),
          ...reading(map['value'], [...path, 'value'], 'voltage'),
        },
      ];
    }
    case 'ohms': {
      const map = fields.map(value, path, '{part, value}');
      fields.only(map, path, ['part', 'branch', 'value']);
      return [
        {
          type: 'ohms',
          part: fields.text(map, 'part', path),
          ...(map['branch'] === undefined ? {} : { branch: fields.text(map, 'branch', path) }),
          ...reading(map['value'], [...path, 'value'], 'resistance'),
        },
      ];
    }
    case 'gauge':
      return Object.entries(fields.map(value, path, '{measurement: value}')).map(([gauge, typed]) => {
        const found = model.gauges.find((g) => g.id === gauge);
        const dimension = found ? model.quantities[found.quantity]!.dimension : 'none';
        return { type: 'gauge', gauge, ...reading(typed, [...path, gauge], dimension) };
      });
    case 'timing':
      return Object.entries(fields.map(value, path, '{phase: time}')).map(([phase, typed]) => ({
        type: 'timing',
        phase,
        ...reading(typed, [...path, phase], 'time'),
      }));
    case 'look':
      return Object.entries(fields.map(value, path, '{question: answer}')).map(([look, answer]) => ({
        type: 'look',
        look,
        answer: answer === true ? 'yes' : answer === false ? 'no' : String(answer),
      }));
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
      fields.only(value, path, ['part', 'measured']);
      const measured = fields.flag(value, 'measured', path, false);
      return [{ type: 'repaired', part: fields.text(value, 'part', path), action: '', measured }];
    }
    case 'adjusted': {
      const map = fields.map(value, path, '{what, original, now}');
      fields.only(map, path, ['what', 'original', 'now']);
      const [what, original, now] = ['what', 'original', 'now'].map((k) => fields.text(map, k, path));
      return [{ type: 'adjusted', what: what!, original: original!, now: now! }];
    }
    case 'told': {
      const complaint = COMPLAINT_IDS.find((c) => c === value);
      if (complaint !== undefined) return [{ type: 'told', complaint }];
      fields.file.problem(path, unknownName('complaint', String(value), COMPLAINT_IDS));
      return [];
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
