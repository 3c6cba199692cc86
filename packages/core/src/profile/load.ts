import type { ControlPort } from '../parts';
import { findUnit, type Dimension } from '../units';
import { isMap, SourceFile, unknownName, type Data, type DataMap } from './document';
import { compileExpression, ExpressionError, type Expression, type ExpressionType, type Names } from './expression';
import { Fields, type Path } from './fields';
import { controllerNames, loadController, type ControllerNames } from './load-controller';
import { dimensionOf, loadParts } from './load-parts';
import {
  ENV,
  type Caution,
  type Code,
  type Gauge,
  type Look,
  type Model,
  type Part,
  type Phase,
  type Point,
  type Quantity,
} from './model';
import { readRungs } from './rungs';
import { mergePatch } from './variant';

export const PROFILE_FORMAT = 'zetalysis-profile/1';

const SECTIONS = [
  'format',
  'id',
  'version',
  'title',
  'summary',
  'ground',
  'watch',
  'parts',
  'rungs',
  'plugs',
  'points',
  'quantities',
  'controller',
  'phases',
  'gauges',
  'looks',
  'codes',
  'cautions',
  'variants',
];

export type Compile = (text: string, path: Path, wanted: ExpressionType) => Expression;

export interface LoadOptions {
  /** Which of the profile's variants to apply. */
  readonly variant?: string;
  /** Multiplies a value before use; how sound appliances that differ from the nominal one are made. */
  readonly vary?: (path: string, value: number, spread: number) => number;
}

/**
 * Loads and compiles a profile. Throws ProblemError with file, line, place and remedy for everything that is wrong.
 */
export function loadProfile(source: string, fileName: string, options: LoadOptions = {}): Model {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  const fields = new Fields(file);
  const written = fields.map(file.data, [], 'a profile');
  if (written['format'] !== PROFILE_FORMAT) file.problem(['format'], `must be "${PROFILE_FORMAT}"`);
  fields.only(written, [], SECTIONS);
  const root = applyVariant(fields, written, options.variant);
  const vary = options.vary ?? ((_path: string, value: number) => value);

  const quantityData = fields.optionalMap(root['quantities'], ['quantities'], 'one entry per quantity');
  const quantityIds = Object.keys(quantityData);
  const unitDimension = (unit: string): Dimension | undefined => (unit === '' ? 'none' : findUnit(unit)?.dimension);
  const rawParts = loadParts(fields, fields.map(root['parts'], ['parts'], 'one entry per part'), (id) =>
    dimensionOf(quantityData, id, unitDimension),
  );
  const plugData = fields.optionalMap(root['plugs'], ['plugs'], 'one entry per connector');
  const netlist = readRungs(fields, fields.map(root['rungs'], ['rungs'], 'one entry per rung'), rawParts, plugData);
  const controllerData =
    root['controller'] === undefined ? undefined : fields.map(root['controller'], ['controller'], '{part, regions}');
  const controlPart = controllerData && netlist.parts.find((p) => p.id === controllerData['part']);
  if (controllerData && !controlPart) fields.file.problem(['controller', 'part'], 'must name a part of kind control');
  const ports =
    controlPart && Array.isArray(controlPart.spec['ports'])
      ? (controlPart.spec['ports'] as readonly ControlPort[])
      : [];
  const controllerHas: ControllerNames | undefined = controllerData && controllerNames(controllerData, ports);

  for (const region of controllerHas?.regions ?? [])
    if (netlist.parts.some((p) => p.id === region.id) || ['env', 'input'].includes(region.id))
      file.problem(
        ['controller', 'regions', region.id],
        'has the name of a part or a keyword; give the region a name of its own',
      );
  const names = resolver(
    netlist.parts,
    quantityIds,
    (id) => dimensionOf(quantityData, id, unitDimension) ?? 'none',
    controlPart?.id,
    controllerHas,
    netlist.nets,
  );
  const thresholds = new Map<number, Set<number>>();
  const noteThreshold = (quantity: number, value: number): void => {
    thresholds.set(quantity, (thresholds.get(quantity) ?? new Set()).add(value));
  };
  const compile: Compile = (text, path, wanted) => {
    try {
      const expression = compileExpression(text, names, wanted);
      for (const t of expression.thresholds) noteThreshold(t.quantity, t.value);
      return expression;
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      file.problem(path, error.message);
      return compileExpression('false', names);
    }
  };

  const parts: Part[] = netlist.parts.map((raw, index) => {
    const conditions = new Map<string, Expression>();
    const senses = new Map<string, number>();
    const spec = { ...raw.spec };
    for (const [field, rule] of Object.entries(raw.kind.fields)) {
      const value = spec[field];
      if (rule.type === 'expression') conditions.set(field, compile(String(value), [...raw.path, field], 'boolean'));
      if (rule.type === 'quantity') {
        const found = quantityIds.indexOf(String(value));
        if (found < 0) file.problem([...raw.path, field], unknownName('quantity', String(value), quantityIds));
        else senses.set(field, found);
      }
      if (rule.type === 'net' && value !== '' && !netlist.nets.includes(String(value)))
        file.problem([...raw.path, field], unknownName('net', String(value), netlist.nets));
      if (rule.spread !== undefined && typeof value === 'number')
        spec[field] = vary(`${raw.id}.${field}`, value, rule.spread);
    }
    const branches = netlist.branches.filter((b) => b.part === index);
    for (const t of raw.kind.thresholds?.(spec) ?? []) {
      const quantity = senses.get(t.field);
      if (quantity !== undefined) noteThreshold(quantity, t.value);
    }
    return {
      index,
      id: raw.id,
      title: raw.title,
      kind: raw.kind,
      spec,
      modes: raw.modes.length > 0 ? raw.modes : raw.kind.modes(spec),
      branches,
      conditions,
      senses,
      minutes: raw.minutes,
      ...(raw.caution === undefined ? {} : { caution: raw.caution }),
    };
  });

  const quantities: Quantity[] = quantityIds.map((id, index) => {
    const path: Path = ['quantities', id];
    const entry = fields.map(quantityData[id], path, '{unit, rules}');
    fields.only(entry, path, ['title', 'unit', 'start', 'spread', 'lasting', 'rules']);
    const unitText = fields.text(entry, 'unit', path, '');
    const dimension = unitDimension(unitText);
    if (dimension === undefined)
      file.problem([...path, 'unit'], `"${unitText}" is not a unit; write for example inwc, uA, F`);
    const spread = fields.number(entry, 'spread', path, 0);
    const rules = fields.list(entry['rules'], [...path, 'rules'], '{when, is, over}').map((item, i) => {
      const at = [...path, 'rules', i];
      const rule = fields.map(item, at, '{when, is, over}');
      fields.only(rule, at, ['when', 'is', 'hold', 'after', 'over']);
      const hold = fields.flag(rule, 'hold', at, false);
      const is = fields.quantity(rule, 'is', at, dimension ?? 'none', hold ? 0 : undefined);
      return {
        when:
          rule['when'] === undefined ? undefined : compile(fields.text(rule, 'when', at), [...at, 'when'], 'boolean'),
        is: spread > 0 && is !== 0 ? vary(id, is, spread) : is,
        hold,
        after: Math.round(fields.quantity(rule, 'after', at, 'time', 0) * 1000),
        over: Math.round(fields.quantity(rule, 'over', at, 'time', 0) * 1000),
      };
    });
    if (rules.length === 0 || rules[rules.length - 1]!.when !== undefined)
      file.problem([...path, 'rules'], 'need a last rule without "when": what the quantity is otherwise');
    return {
      index,
      id,
      title: fields.text(entry, 'title', path, id.replaceAll('-', ' ')),
      dimension: dimension ?? 'none',
      start: fields.quantity(entry, 'start', path, dimension ?? 'none', 0),
      rules,
      spread,
      lasting: fields.flag(entry, 'lasting', path, false),
      thresholds: [],
    };
  });

  const codes: Code[] = Object.entries(fields.optionalMap(root['codes'], ['codes'], 'code: meaning')).map(
    ([id, title]) => ({ id, title: String(title) }),
  );
  const controllerPart = parts.find((p) => p.id === controlPart?.id);
  const controller =
    controllerData && controllerHas && controllerPart
      ? loadController(
          fields,
          controllerData,
          controllerPart,
          netlist.branches,
          quantities,
          controllerHas,
          codes.map((c) => c.id),
          compile,
        )
      : undefined;
  for (const input of controller?.inputs ?? [])
    if (input.quantity !== undefined) {
      noteThreshold(input.quantity, input.makes);
      noteThreshold(input.quantity, input.breaks);
    }

  const phases = loadPhases(fields, root, compile);
  const points = loadPoints(fields, root, netlist.nets);
  const gauges = loadGauges(fields, root, quantities, phases);
  const looks = loadLooks(fields, root, compile);
  const ground = netlist.nets.indexOf(fields.text(root, 'ground', []));
  if (ground < 0) file.problem(['ground'], unknownName('net', String(root['ground']), netlist.nets));
  for (const part of parts)
    for (const mode of part.modes)
      if (mode.trips !== undefined && !parts.some((p) => p.id === mode.trips))
        file.problem(
          ['parts', part.id, 'modes', mode.id, 'trips'],
          unknownName(
            'part',
            mode.trips,
            parts.map((p) => p.id),
          ),
        );

  const model: Model = {
    id: fields.text(root, 'id', []),
    version: fields.text(root, 'version', []),
    variant: options.variant,
    title: fields.text(root, 'title', []),
    summary: fields.text(root, 'summary', [], ''),
    nets: netlist.nets,
    ground: Math.max(0, ground),
    parts,
    branches: netlist.branches,
    rungs: netlist.rungs,
    plugs: netlist.plugs,
    points,
    quantities: quantities.map((q) => ({
      ...q,
      thresholds: [...(thresholds.get(q.index) ?? [])].sort((a, b) => a - b),
    })),
    controller,
    phases,
    gauges,
    looks,
    codes,
    cautions: loadCautions(fields, root),
    watch: Math.round(fields.quantity(root, 'watch', [], 'time', 1200) * 1000),
  };
  file.throwIfBad();
  return model;
}

/** Names and titles of a profile's variants, without compiling it. */
export function variantsOf(source: string, fileName: string): { id: string; title: string }[] {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  if (!isMap(file.data) || !isMap(file.data['variants'])) return [];
  return Object.entries(file.data['variants']).map(([id, v]) => ({
    id,
    title: isMap(v) ? String(v['title'] ?? id) : id,
  }));
}

function applyVariant(fields: Fields, root: DataMap, variant: string | undefined): DataMap {
  const variants = fields.optionalMap(root['variants'], ['variants'], 'one entry per variant');
  if (variant === undefined) return root;
  const chosen = variants[variant];
  if (!isMap(chosen)) {
    fields.file.problem(['variants'], unknownName('variant', variant, Object.keys(variants)));
    return root;
  }
  return mergePatch(root, chosen['change'] ?? {}) as DataMap;
}

function loadPhases(fields: Fields, root: DataMap, compile: Compile): Phase[] {
  return fields.list(root['phases'], ['phases'], '{id, title, cue}').map((item, index) => {
    const path: Path = ['phases', index];
    const phase = fields.map(item, path, '{id, title, cue}');
    fields.only(phase, path, ['id', 'title', 'ask', 'sense', 'cue', 'window', 'trial', 'goal', 'probe', 'unwanted']);
    const cue = compile(fields.text(phase, 'cue', path), [...path, 'cue'], 'boolean');
    const title = fields.text(phase, 'title', path);
    return {
      index,
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

function loadPoints(fields: Fields, root: DataMap, nets: readonly string[]): Point[] {
  const net = (name: string, path: Path): number => {
    const at = nets.indexOf(name);
    if (at < 0) fields.file.problem(path, unknownName('net', name, nets));
    return Math.max(0, at);
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

function loadGauges(fields: Fields, root: DataMap, quantities: readonly Quantity[], phases: readonly Phase[]): Gauge[] {
  return Object.entries(fields.optionalMap(root['gauges'], ['gauges'], 'one entry per measurement')).map(
    ([id, raw]) => {
      const path: Path = ['gauges', id];
      const gauge = fields.map(raw, path, '{of, phase, title, how}');
      fields.only(gauge, path, ['of', 'phase', 'title', 'how', 'minutes']);
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
        phase: Math.max(0, phase),
        title: fields.text(gauge, 'title', path),
        how: fields.text(gauge, 'how', path),
        minutes: fields.number(gauge, 'minutes', path, 5),
      };
    },
  );
}

function loadLooks(fields: Fields, root: DataMap, compile: Compile): Look[] {
  return Object.entries(fields.optionalMap(root['looks'], ['looks'], 'one entry per question')).map(([id, raw]) => {
    const path: Path = ['looks', id];
    const look = fields.map(raw, path, '{ask, answers}');
    fields.only(look, path, ['ask', 'answers', 'minutes', 'tells', 'before']);
    const answers = fields.map(look['answers'], [...path, 'answers'], 'answer: {title, when}');
    return {
      id,
      ask: fields.text(look, 'ask', path),
      answers: Object.entries(answers).map(([answer, entry]) => {
        const at = [...path, 'answers', answer];
        const map = fields.map(entry as Data, at, '{title, when}');
        fields.only(map, at, ['title', 'when']);
        return {
          id: answer,
          title: fields.text(map, 'title', at, answer),
          when: compile(fields.text(map, 'when', at), [...at, 'when'], 'boolean'),
        };
      }),
      minutes: fields.number(look, 'minutes', path, 1),
      tells: fields.number(look, 'tells', path, 0.96),
      before: fields.flag(look, 'before', path, false),
    };
  });
}

function loadCautions(fields: Fields, root: DataMap): Caution[] {
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

/** Resolves the names of expressions: `part.state`, `board.output`, `input.x`, `env.x`, `region.state`, quantities, counters. */
function resolver(
  parts: readonly { id: string; kind: Part['kind']; modes: Part['modes']; spec: Part['spec'] }[],
  quantities: readonly string[],
  dimension: (id: string) => Dimension,
  control: string | undefined,
  controller: ControllerNames | undefined,
  nets: readonly string[],
): Names {
  const partIds = parts.map((p) => p.id);
  return {
    resolve(name) {
      const dot = name.indexOf('.');
      if (dot < 0) {
        const quantity = quantities.indexOf(name);
        if (quantity >= 0) return { kind: 'quantity', quantity, dimension: dimension(name) };
        const counter = controller?.counters.indexOf(name) ?? -1;
        if (counter >= 0) return { kind: 'counter', counter };
        throw new ExpressionError(
          unknownName('name', name, [...quantities, ...(controller?.counters ?? []), ...partIds.map((p) => `${p}.…`)]),
        );
      }
      const head = name.slice(0, dot);
      const tail = name.slice(dot + 1);
      if (head === 'env') {
        const env = ENV.findIndex((e) => e === tail);
        if (env < 0) throw new ExpressionError(unknownName('setting', tail, ENV));
        return { kind: 'env', env };
      }
      if (head === 'input') {
        const input = controller?.inputs.indexOf(tail) ?? -1;
        if (input < 0) throw new ExpressionError(unknownName('input', tail, controller?.inputs ?? []));
        return { kind: 'input', input };
      }
      if (head === control && controller) {
        const port = controller.outputs.indexOf(tail);
        if (port < 0) throw new ExpressionError(unknownName(`output of ${head}`, tail, controller.outputs));
        return { kind: 'output', port };
      }
      const region = controller?.regions.findIndex((r) => r.id === head) ?? -1;
      if (region >= 0) {
        const states = controller!.regions[region]!.states;
        if (!states.includes(tail)) throw new ExpressionError(unknownName(`state of ${head}`, tail, states));
        return { kind: 'region', region, state: states.indexOf(tail) };
      }
      const part = partIds.indexOf(head);
      if (part < 0)
        throw new ExpressionError(
          unknownName('name', head, [...partIds, ...(controller?.regions.map((r) => r.id) ?? []), 'env', 'input']),
        );
      const states = parts[part]!.kind.states;
      if (!states.includes(tail)) throw new ExpressionError(unknownName(`state of ${head}`, tail, states));
      return { kind: 'part', part, state: states.indexOf(tail) };
    },
    resolveFault(name) {
      const dot = name.lastIndexOf('.');
      const part = partIds.indexOf(name.slice(0, dot));
      if (part < 0) throw new ExpressionError(unknownName('part', name.slice(0, dot), partIds));
      const { modes, kind, spec } = parts[part]!;
      const ids = (modes.length > 0 ? modes : kind.modes(spec)).map((m) => m.id);
      const mode = ids.indexOf(name.slice(dot + 1));
      if (mode < 0) throw new ExpressionError(unknownName(`fault of ${name.slice(0, dot)}`, name.slice(dot + 1), ids));
      return { part, mode };
    },
    resolveNet(name) {
      const net = nets.indexOf(name);
      if (net < 0) throw new ExpressionError(unknownName('net', name, nets));
      return net;
    },
  };
}
