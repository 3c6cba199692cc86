import type { ControlPort } from '../parts';
import { type Data, type DataMap, isMap } from './document';
import type { Fields, Path } from './fields';
import type { Compile } from './load';
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

/** Reads the controller program: parallel regions of states with guards. */
export function loadController(
  fields: Fields,
  data: DataMap,
  part: Part,
  branches: readonly Branch[],
  quantities: readonly Quantity[],
  names: ControllerNames,
  codes: readonly string[],
  compile: Compile,
): Controller {
  const path: Path = ['controller'];
  fields.only(data, path, ['part', 'signals', 'counters', 'regions']);
  const ports = part.spec['ports'] as readonly ControlPort[];
  const branchOf = (port: string): number => branches.findIndex((b) => b.part === part.index && b.name === port);
  const supply = ports.find((p) => p.role === 'supply');
  if (!supply)
    fields.file.problem(
      ['parts', part.id, 'ports'],
      'have no supply; add a port with role: supply between the nets that power the control',
    );

  const signals = fields.optionalMap(data['signals'], [...path, 'signals'], 'name: {of, makes, breaks}');
  const inputs: Input[] = names.inputs.map((id, index) => {
    const port = ports.find((p) => p.role === 'input' && p.name === id);
    if (port)
      return {
        index,
        id,
        branch: branchOf(id),
        quantity: undefined,
        makes: port.volts,
        breaks: port.breaks,
        debounce: port.debounce,
      };
    const at = [...path, 'signals', id];
    const signal = fields.map(signals[id], at, '{of, makes, breaks, debounce}');
    fields.only(signal, at, ['of', 'makes', 'breaks', 'debounce']);
    const of = fields.text(signal, 'of', at);
    const quantity = quantities.find((q) => q.id === of);
    if (!quantity)
      fields.file.problem(
        [...at, 'of'],
        unknownName(
          'quantity',
          of,
          quantities.map((q) => q.id),
        ),
      );
    const dimension = quantity?.dimension ?? 'none';
    return {
      index,
      id,
      branch: undefined,
      quantity: quantity?.index,
      makes: fields.quantity(signal, 'makes', at, dimension),
      breaks: fields.quantity(signal, 'breaks', at, dimension),
      debounce: Math.round(fields.quantity(signal, 'debounce', at, 'time', 0.1) * 1000),
    };
  });
  const outputs: Output[] = names.outputs.map((id, index) => ({ index, id, branch: branchOf(id) }));

  const regionData = fields.map(data['regions'], [...path, 'regions'], 'one entry per parallel region');
  const regions: Region[] = names.regions.map(({ id, states: stateNames }, index) => {
    const at = [...path, 'regions', id];
    const region = fields.map(regionData[id], at, '{start, states}');
    fields.only(region, at, ['start', 'states', 'always']);
    const stateIndex = (name: string, where: Path): number => {
      const found = stateNames.indexOf(name);
      if (found < 0) fields.file.problem(where, unknownName('state', name, stateNames));
      return Math.max(0, found);
    };
    const guards = (raw: Data | undefined, where: Path): Transition[] =>
      fields.list(raw, where, '{to, when}').map((item, i) => {
        const here = [...where, i];
        const guard = fields.map(item, here, '{to, when}');
        fields.only(guard, here, ['to', 'when', 'set', 'except']);
        const set = fields.optionalMap(guard['set'], [...here, 'set'], 'counter: value');
        return {
          to: stateIndex(fields.text(guard, 'to', here), [...here, 'to']),
          when: compile(fields.text(guard, 'when', here, 'true'), [...here, 'when'], 'boolean'),
          set: Object.entries(set).map(([counter, value]) => {
            if (!names.counters.includes(counter))
              fields.file.problem([...here, 'set', counter], unknownName('counter', counter, names.counters));
            return {
              counter: Math.max(0, names.counters.indexOf(counter)),
              value: compile(String(value), [...here, 'set', counter], 'none'),
            };
          }),
        };
      });
    const always = guards(region['always'], [...at, 'always']).map((guard, i) => {
      const rawGuard = (region['always'] as Data[])[i];
      const except = isMap(rawGuard)
        ? fields.list(rawGuard['except'], [...at, 'always', i, 'except'], 'state names')
        : [];
      return { ...guard, except: except.map((name, j) => stateIndex(String(name), [...at, 'always', i, 'except', j])) };
    });
    const stateData = fields.map(region['states'], [...at, 'states'], 'one entry per state');
    const states = stateNames.map((stateId, stateIndexHere) => {
      const where = [...at, 'states', stateId];
      const state = fields.map(stateData[stateId], where, '{on, go}');
      fields.only(state, where, ['on', 'go', 'code', 'lockout']);
      const go = guards(state['go'], [...where, 'go']);
      const code = state['code'] === undefined ? undefined : fields.text(state, 'code', where);
      if (code !== undefined && !codes.includes(code))
        fields.file.problem([...where, 'code'], unknownName('code', code, codes));
      return {
        index: stateIndexHere,
        id: stateId,
        on: fields.list(state['on'], [...where, 'on'], 'output names').map((output, i) => {
          const found = names.outputs.indexOf(String(output));
          if (found < 0) fields.file.problem([...where, 'on', i], unknownName('output', String(output), names.outputs));
          return Math.max(0, found);
        }),
        go,
        timers: timersOf([...always, ...go]),
        code,
        lockout: fields.flag(state, 'lockout', where, false),
      };
    });
    const start = stateIndex(fields.text(region, 'start', at), [...at, 'start']);
    return { index, id, states, start, always, longest: Math.max(0, ...states.flatMap((s) => s.timers)) };
  });

  const spec = part.spec as { readonly [field: string]: number };
  return {
    part: part.index,
    supplyBranch: supply ? branchOf(supply.name) : -1,
    brownOut: spec['brown-out']!,
    restart: spec['restart']!,
    holdUp: Math.round(spec['hold-up']! * 1000),
    boot: Math.round(spec['boot']! * 1000),
    inputs,
    outputs,
    counters: names.counters,
    regions,
  };
}

const timersOf = (guards: readonly Transition[]): number[] =>
  [...new Set(guards.flatMap((guard) => guard.when.durations))].sort((p, q) => p - q);
