import type { ControlPort, FaultMode } from '../parts';
import { type Dimension, findUnit, zeroOf } from '../units';
import { applyBuild, type Build, ordersOf, withVariant } from './build';
import { type DataMap, isMap, SourceFile } from './document';
import { compileExpression } from './expression/compile';
import { type Expression, ExpressionError, type ExpressionType } from './expression/expression';
import { feedsOf } from './feeds';
import { Fields, type Path } from './fields';
import { type Identity, loadIdentity } from './identify';
import { loadActions, loadPlugAsks } from './load-actions';
import { controllerNames, type ControllerNames, loadController } from './load-controller';
import { dimensionOf, loadParts } from './load-parts';
import { loadCautions, loadGauges, loadLooks, loadPhases, loadPoints } from './load-sections';
import { type Code, ENV, type Model, type Part, type Quantity } from './model';
import { unknownName } from './nearest';
import { resolveNames } from './resolve-names';
import { readRungs } from './rungs';

const PROFILE_FORMAT = 'zetalysis-profile/1';

const SECTIONS = [
  'format',
  'id',
  'version',
  'title',
  'summary',
  'identify',
  'ground',
  'watch',
  'parts',
  'rungs',
  'plugs',
  'actions',
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
  /** Which of the profile's variants to apply: short for a build with one option. */
  readonly variant?: string;
  /** How the machine is built, beside its family. */
  readonly build?: Build;
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
  const build = options.build ?? withVariant(options.variant);
  const root = applyBuild(fields, written, build);
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
  const actionData = fields.optionalMap(root['actions'], ['actions'], 'one entry per action');
  const settings = [...ENV, ...Object.keys(actionData)];
  const failing = netlist.parts.map((raw) => {
    const all = raw.modes.length > 0 ? raw.modes : raw.kind.modes(raw.spec);
    return { ...raw, known: all.map((m) => m.id), modes: raw.testOnly ? [] : withRates(all, raw.rates) };
  });
  const names = resolveNames(
    failing,
    quantityIds,
    (id) => dimensionOf(quantityData, id, unitDimension) ?? 'none',
    controlPart?.id,
    controllerHas,
    netlist.nets,
    settings,
  );
  const thresholds = new Map<number, Set<number>>();
  const noteThreshold = (quantity: number, value: number): void => {
    thresholds.set(quantity, (thresholds.get(quantity) ?? new Set()).add(value));
  };
  const compile: Compile = (text, path, wanted) => {
    try {
      return compileExpression(text, names, wanted);
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      file.problem(path, error.message);
      return compileExpression('false', names);
    }
  };
  /** For what is asked all the time while the appliance runs: the moment at which its answer changes must not be missed. */
  const watched =
    (compiled: Compile): Compile =>
    (text, path, wanted) => {
      const expression = compiled(text, path, wanted);
      for (const t of expression.thresholds) noteThreshold(t.quantity, t.value);
      return expression;
    };
  /** For what belongs to no state of the control. */
  const untimed: Compile = (text, path, wanted) => {
    const expression = compile(text, path, wanted);
    if (expression.durations.length > 0)
      file.problem(
        path,
        `"${text}": after(…) counts from when the control entered a state, so it stands in guards alone; give a rule its own "after", or the circuit a part of kind delay`,
      );
    return expression;
  };

  const groundNet = netlist.nets.indexOf(fields.text(root, 'ground', []));
  if (groundNet < 0) file.problem(['ground'], unknownName('net', String(root['ground']), netlist.nets));
  const feeds = feedsOf(netlist, Math.max(0, groundNet));
  for (const clash of feeds.clashes)
    file.problem(['rungs'], `${clash}: alternating and direct current feed the same wires; keep their circuits apart`);
  const branches = netlist.branches.map((b) => ({ ...b, frequency: feeds.branches[b.index]! }));
  const parts: Part[] = failing.map((raw, index) => {
    const conditions = new Map<string, Expression>();
    const senses = new Map<string, number>();
    const spec = { ...raw.spec };
    for (const [field, rule] of Object.entries(raw.kind.fields)) {
      const value = spec[field];
      if (rule.type === 'expression')
        conditions.set(field, watched(untimed)(String(value), [...raw.path, field], 'boolean'));
      if (rule.type === 'quantity') {
        const found = quantityIds.indexOf(String(value));
        if (found < 0) file.problem([...raw.path, field], unknownName('quantity', String(value), quantityIds));
        else senses.set(field, found);
      }
      if (rule.type === 'net' && value !== '' && !netlist.nets.includes(String(value)))
        file.problem([...raw.path, field], unknownName('net', String(value), netlist.nets));
      if (rule.tolerance !== undefined && typeof value === 'number')
        spec[field] = vary(`${raw.id}.${field}`, value, rule.tolerance);
    }
    const own = branches.filter((b) => b.part === index);
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
      modes: raw.modes,
      branches: own,
      conditions,
      senses,
      assembly: raw.assembly === undefined ? index : netlist.parts.findIndex((p) => p.id === raw.assembly),
      minutes: raw.minutes,
      testOnly: raw.testOnly,
      ...(raw.caution === undefined ? {} : { caution: raw.caution }),
    };
  });

  const quantities: Quantity[] = quantityIds.map((id, index) => {
    const path: Path = ['quantities', id];
    const entry = fields.map(quantityData[id], path, '{unit, rules}');
    fields.only(entry, path, ['title', 'unit', 'start', 'spread', 'lasting', 'stands', 'rules']);
    const unitText = fields.text(entry, 'unit', path, '');
    const dimension = unitDimension(unitText);
    if (dimension === undefined)
      file.problem([...path, 'unit'], `"${unitText}" is not a unit; write for example inwc, uA, F`);
    const spread = fields.number(entry, 'spread', path, 0);
    const zero = zeroOf(dimension ?? 'none');
    const rules = fields.list(entry['rules'], [...path, 'rules'], '{when, is, over}').map((item, i) => {
      const at = [...path, 'rules', i];
      const rule = fields.map(item, at, '{when, is, over}');
      fields.only(rule, at, ['when', 'is', 'hold', 'after', 'over']);
      const hold = fields.flag(rule, 'hold', at, false);
      const is = fields.quantity(rule, 'is', at, dimension ?? 'none', hold ? 0 : undefined);
      return {
        when:
          rule['when'] === undefined
            ? undefined
            : watched(untimed)(fields.text(rule, 'when', at), [...at, 'when'], 'boolean'),
        is: spread > 0 ? zero + vary(id, is - zero, spread) : is,
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
      tolerance: spread,
      lasting: fields.flag(entry, 'lasting', path, false) || fields.flag(entry, 'stands', path, false),
      stands: fields.flag(entry, 'stands', path, false),
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
          branches,
          quantities,
          controllerHas,
          codes.map((c) => c.id),
          watched(compile),
        )
      : undefined;
  for (const input of controller?.inputs ?? [])
    if (input.quantity !== undefined) {
      noteThreshold(input.quantity, input.makes);
      noteThreshold(input.quantity, input.breaks);
    }

  const phases = loadPhases(fields, root, watched(untimed));
  const points = loadPoints(fields, root, netlist.nets);
  const gauges = loadGauges(fields, root, quantities, phases);
  const looks = loadLooks(fields, root, untimed);
  const asked = { phases, gauges, looks, nets: netlist.nets };
  for (const raw of rawParts)
    if (raw.assembly !== undefined && !parts.some((p) => p.id === raw.assembly))
      file.problem(
        [...raw.path, 'assembly'],
        unknownName(
          'part',
          raw.assembly,
          parts.map((p) => p.id),
        ),
      );
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

  const id = fields.text(root, 'id', []);
  if (!ID.test(id)) file.problem(['id'], 'must be lower case words joined by hyphens, at most 80 letters');
  const version = fields.text(root, 'version', []);
  if (!VERSION.test(version)) file.problem(['version'], 'must be three numbers with dots, for example 1.0.0');
  const model: Model = {
    id,
    version,
    build,
    title: fields.text(root, 'title', []),
    summary: fields.text(root, 'summary', [], ''),
    identity: loadIdentity(fields, root),
    nets: netlist.nets,
    ground: Math.max(0, groundNet),
    parts,
    branches,
    rungs: netlist.rungs,
    env: settings,
    levels: feeds.levels,
    frequencies: feeds.nets,
    ratedVolts: feeds.volts,
    plugs: netlist.plugs.map((plug) => ({ ...plug, asks: loadPlugAsks(fields, plugData, plug.id, asked) })),
    actions: loadActions(fields, actionData, parts, netlist.plugs, asked),
    points,
    quantities: quantities.map((q) => ({
      ...q,
      thresholds: [...(thresholds.get(q.index) ?? [])].sort((a, b) => a - b),
    })),
    controller,
    comparisons: names.comparisons,
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

/** Part of addresses and file names, and of the record. */
const ID = /^[a-z][a-z0-9-]{0,79}$/;
const VERSION = /^\d{1,5}\.\d{1,5}\.\d{1,5}$/;

/** Applies a profile's own rates; a way of failing with rate 0 is left out. */
function withRates(modes: readonly FaultMode[], rates: ReadonlyMap<string, number>): FaultMode[] {
  return modes
    .map((m) => ({ ...m, relativeRate: rates.get(m.id) ?? rates.get('*') ?? m.relativeRate }))
    .filter((m) => m.relativeRate > 0);
}

/** Names, titles and identities of a profile's variants, without compiling it. */
export function variantsOf(source: string, fileName: string): { id: string; title: string; identity: Identity }[] {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  if (!isMap(file.data) || !isMap(file.data['variants'])) return [];
  const fields = new Fields(file);
  return Object.entries(file.data['variants']).map(([id, v]) => ({
    id,
    title: isMap(v) ? String(v['title'] ?? id) : id,
    identity: loadIdentity(fields, applyBuild(fields, file.data as DataMap, withVariant(id))),
  }));
}

/** Where switches can change places on a machine of this build: by rung, the switches in their present order. */
export function ordersOfProfile(source: string, fileName: string, build: Build): Readonly<Record<string, string[]>> {
  const file = new SourceFile(source, fileName);
  file.throwIfBad();
  const orders = ordersOf(new Fields(file), file.data as DataMap, build);
  file.throwIfBad();
  return orders;
}
