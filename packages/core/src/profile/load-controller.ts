import { millis } from '../units';
import type { ControlPort } from '../parts';
import type { Compile } from './compiler';
import { type Data, type DataMap, isMap } from './document';
import type { Fields, Path } from './fields';
import type { Branch, Controller, Input, Output, Part, Quantity, Region, Transition } from './model';
import { unknownName } from './nearest';

/** Names the controller introduces, collected before any expression is compiled. */
export interface ControllerNames {
  readonly inputs: string[];
  readonly outputs: string[];
  readonly counters: string[];
  readonly regions: readonly { readonly id: string; readonly states: string[] }[];
}

export function controllerNames(data: DataMap, ports: readonly ControlPort[]): ControllerNames {
  const regions = isMap(data['regions']) ? Object.entries(data['regions']) : [];
  return {
    inputs: [
      ...ports.filter((p) => p.role === 'input').map((p) => p.name),
      ...(isMap(data['signals']) ? Object.keys(data['signals']) : []),
    ],
    outputs: ports.filter((p) => p.role === 'contact' || p.role === 'feed').map((p) => p.name),
    counters: Array.isArray(data['counters']) ? data['counters'].map(String) : [],
    regions: regions.map(([id, region]) => ({
      id,
      states: isMap(region) && isMap(region['states']) ? Object.keys(region['states']) : [],
    })),
  };
}

/** What a control program is read with. */
interface ReadWith {
  readonly part: Part;
  readonly branches: readonly Branch[];
  readonly quantities: readonly Quantity[];
  readonly names: ControllerNames;
  readonly codes: readonly string[];
  readonly compile: Compile;
}

const PATH: Path = ['controller'];

/** Reads the control program: parallel regions of states with transitions. */
export function loadController(fields: Fields, data: DataMap, given: ReadWith): Controller {
  const { part, branches, names } = given;
  fields.only(data, PATH, ['part', 'signals', 'counters', 'regions']);
  const ports = part.spec['ports'] as readonly ControlPort[];
  const branchOf = (port: string): number => branches.findIndex((b) => b.part === part.index && b.name === port);
  const supply = ports.find((p) => p.role === 'supply');
  if (!supply)
    fields.file.problem(
      ['parts', part.id, 'ports'],
      'have no supply; add a port with role: supply between the nets that power the control',
    );
  const signals = fields.optionalMap(data['signals'], [...PATH, 'signals'], 'name: {of, makes, breaks}');
  const inputs: Input[] = names.inputs.map((id, index) => {
    const port = ports.find((p) => p.role === 'input' && p.name === id);
    if (!port) return { index, id, ...loadSignal(fields, signals[id], [...PATH, 'signals', id], given.quantities) };
    const { volts: makes, breaks, debounce } = port;
    return { index, id, branch: branchOf(id), quantity: undefined, makes, breaks, debounce };
  });
  const outputs: Output[] = names.outputs.map((id, index) => ({ index, id, branch: branchOf(id) }));
  const regionData = fields.map(data['regions'], [...PATH, 'regions'], 'one entry per parallel region');
  const regions = names.regions.map((region, index) => loadRegion(fields, regionData[region.id], region, index, given));
  const spec = part.spec as { readonly [field: string]: number };
  return {
    part: part.index,
    supplyBranch: supply ? branchOf(supply.name) : -1,
    brownOut: spec['brown-out']!,
    restart: spec['restart']!,
    holdUp: millis(spec['hold-up']!),
    boot: millis(spec['boot']!),
    inputs,
    outputs,
    counters: names.counters,
    regions,
  };
}

/** An input that senses a quantity of its own. */
function loadSignal(
  fields: Fields,
  data: Data | undefined,
  at: Path,
  quantities: readonly Quantity[],
): Omit<Input, 'index' | 'id'> {
  const signal = fields.map(data, at, '{of, makes, breaks, debounce}');
  fields.only(signal, at, ['of', 'makes', 'breaks', 'debounce']);
  const of = fields.text(signal, 'of', at);
  const quantity = quantities.find((q) => q.id === of);
  const ids = quantities.map((q) => q.id);
  if (!quantity) fields.file.problem([...at, 'of'], unknownName('quantity', of, ids));
  const dimension = quantity?.dimension ?? 'none';
  return {
    branch: undefined,
    quantity: quantity?.index,
    makes: fields.quantity(signal, 'makes', at, dimension),
    breaks: fields.quantity(signal, 'breaks', at, dimension),
    debounce: millis(fields.quantity(signal, 'debounce', at, 'time', 0.1)),
  };
}

function loadRegion(
  fields: Fields,
  data: Data | undefined,
  { id, states: stateNames }: ControllerNames['regions'][number],
  index: number,
  given: ReadWith,
): Region {
  const at = [...PATH, 'regions', id];
  const region = fields.map(data, at, '{start, states}');
  fields.only(region, at, ['start', 'states', 'always']);
  const stateIndex = indexIn(fields, 'state', stateNames);
  const transitions = (raw: Data | undefined, where: Path): Transition[] =>
    fields
      .list(raw, where, '{to, when}')
      .map((item, i) => loadTransition(fields, item, [...where, i], stateIndex, given));
  const always = transitions(region['always'], [...at, 'always']).map((transition, i) => {
    const written = (region['always'] as Data[])[i];
    const where = [...at, 'always', i, 'except'];
    const except = isMap(written) ? fields.list(written['except'], where, 'state names') : [];
    return { ...transition, except: except.map((name, j) => stateIndex(String(name), [...where, j])) };
  });
  const stateData = fields.map(region['states'], [...at, 'states'], 'one entry per state');
  const outputIndex = indexIn(fields, 'output', given.names.outputs);
  const states = stateNames.map((name, i) => {
    const where = [...at, 'states', name];
    const state = fields.map(stateData[name], where, '{on, go}');
    fields.only(state, where, ['on', 'go', 'code', 'lockout']);
    const go = transitions(state['go'], [...where, 'go']);
    const code = state['code'] === undefined ? undefined : fields.text(state, 'code', where);
    if (code !== undefined && !given.codes.includes(code))
      fields.file.problem([...where, 'code'], unknownName('code', code, given.codes));
    return {
      index: i,
      id: name,
      on: fields
        .list(state['on'], [...where, 'on'], 'output names')
        .map((output, j) => outputIndex(String(output), [...where, 'on', j])),
      go,
      timers: timersOf([...always, ...go]),
      code,
      lockout: fields.flag(state, 'lockout', where, false),
    };
  });
  const start = stateIndex(fields.text(region, 'start', at), [...at, 'start']);
  return { index, id, states, start, always, longest: Math.max(0, ...states.flatMap((s) => s.timers)) };
}

function loadTransition(
  fields: Fields,
  item: Data,
  here: Path,
  stateIndex: (name: string, where: Path) => number,
  { names, compile }: ReadWith,
): Transition {
  const transition = fields.map(item, here, '{to, when}');
  fields.only(transition, here, ['to', 'when', 'set', 'except']);
  const set = fields.optionalMap(transition['set'], [...here, 'set'], 'counter: value');
  const counterIndex = indexIn(fields, 'counter', names.counters);
  return {
    to: stateIndex(fields.text(transition, 'to', here), [...here, 'to']),
    when: compile(fields.text(transition, 'when', here, 'true'), [...here, 'when'], 'boolean'),
    set: Object.entries(set).map(([counter, value]) => ({
      counter: counterIndex(counter, [...here, 'set', counter]),
      value: compile(String(value), [...here, 'set', counter], 'none'),
    })),
  };
}

/** Finds names by number; an unknown one is a problem of the file, and the first stands for it. */
const indexIn =
  (fields: Fields, what: string, names: readonly string[]) =>
  (name: string, where: Path): number => {
    const found = names.indexOf(name);
    if (found < 0) fields.file.problem(where, unknownName(what, name, names));
    return Math.max(0, found);
  };

const timersOf = (guards: readonly Transition[]): number[] =>
  [...new Set(guards.flatMap((guard) => guard.when.durations))].sort((p, q) => p - q);
