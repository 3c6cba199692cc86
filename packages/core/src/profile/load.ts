import { FAMILIES, familyNamed } from '../rules';
import { asIndex, type NetIndex } from './indices';
import type { ControlPort } from '../parts';
import { type Dimension, millis } from '../units';
import { applyBuild } from './apply-build';
import { type Build, withVariant } from './build';
import { compilerOf } from './compiler';
import { type DataMap, SourceFile } from './document';
import { feedsOf } from './feeds';
import { Fields } from './fields';
import { loadIdentity } from './identify';
import { loadActions, loadPlugAsks } from './load-actions';
import { controllerNames, loadController } from './load-controller';
import { dimensionOf, loadParts, type RawPart } from './load-parts';
import { loadQuantities, unitDimension } from './load-quantities';
import { loadCautions, loadGauges, loadLooks, loadPhases, loadPoints } from './load-sections';
import { type Code, ENV, type Model } from './model';
import { unknownName } from './nearest';
import { resolveNames } from './resolve-names';
import { resolveParts, withModes } from './resolve-parts';
import { withPoorContacts } from './poor-contacts';
import { type Netlist, readRungs } from './rungs';
import { mergePatch } from './variant';
import { nominal, type Vary } from './vary';

const PROFILE_FORMAT = 'zetalysis-profile/1';

const SECTIONS = [
  'format',
  'id',
  'version',
  'title',
  'summary',
  'identify',
  'family',
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
  'stops',
  'codes',
  'cautions',
  'variants',
];

export interface LoadOptions {
  /** Which of the profile's variants to apply: short for a build with one option. */
  readonly variant?: string;
  /** How the machine is built, beside its family. */
  readonly build?: Build;
  /** Makes a sound appliance that differs from the nominal one. */
  readonly vary?: Vary;
  /** Fields of parts as another part has them, by part: put in after the build. */
  readonly fitted?: Readonly<Record<string, Readonly<Record<string, string>>>>;
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
  const built = applyBuild(fields, written, build);
  const root = options.fitted ? (mergePatch(built, { parts: options.fitted }) as DataMap) : built;
  const model = loadModel(fields, root, build, options.vary ?? nominal);
  file.throwIfBad();
  return model;
}

/** Reads the sections in the order in which each introduces names for the next. */
function loadModel(fields: Fields, root: DataMap, build: Build, vary: Vary): Model {
  const quantityData = fields.optionalMap(root['quantities'], ['quantities'], 'one entry per quantity');
  const dimension = (id: string): Dimension | undefined => dimensionOf(quantityData, id, unitDimension);
  const rawParts = loadParts(fields, fields.map(root['parts'], ['parts'], 'one entry per part'), dimension);
  const plugData = fields.optionalMap(root['plugs'], ['plugs'], 'one entry per connector');
  const netlist = readRungs(fields, fields.map(root['rungs'], ['rungs'], 'one entry per rung'), rawParts, plugData);
  const control = readControl(fields, root, netlist.parts);
  const actionData = fields.optionalMap(root['actions'], ['actions'], 'one entry per action');
  const settings = [...ENV, ...Object.keys(actionData)];
  const failing = netlist.parts.map(withModes);
  const names = resolveNames({
    parts: failing,
    quantities: Object.keys(quantityData),
    dimension: (id) => dimension(id) ?? 'none',
    control: control?.part?.id,
    controller: control?.names,
    nets: netlist.nets,
    settings,
  });
  const compiler = compilerOf(fields.file, names);
  const { ground, feeds } = readFeeds(fields, root, netlist);
  const branches = netlist.branches.map((b) => ({ ...b, frequency: feeds.branches[b.index]! }));
  const known = { quantities: Object.keys(quantityData), nets: netlist.nets, branches };
  const resolved = resolveParts(fields, failing, known, compiler, vary);
  const parts = withPoorContacts(resolved, branches, netlist.nets.length, ground);
  const quantities = loadQuantities(fields, quantityData, compiler.watched, vary);
  const codes: Code[] = Object.entries(fields.optionalMap(root['codes'], ['codes'], 'code: meaning')).map(
    ([id, title]) => ({ id, title: String(title) }),
  );
  const controlPart = parts.find((p) => p.id === control?.part?.id);
  const controller =
    control && controlPart
      ? loadController(fields, control.data, {
          part: controlPart,
          branches,
          quantities,
          names: control.names,
          codes: codes.map((c) => c.id),
          compile: compiler.guard,
        })
      : undefined;
  for (const { quantity, makes, breaks } of controller?.inputs ?? [])
    if (quantity !== undefined) for (const value of [makes, breaks]) compiler.noteThreshold(quantity, value);
  const phases = loadPhases(fields, root, compiler.watched);
  const points = loadPoints(fields, root, netlist.nets);
  const gauges = loadGauges(fields, root, quantities, phases);
  const looks = loadLooks(fields, root, parts, compiler.untimed);
  const asked = { phases, gauges, looks, nets: netlist.nets };
  return {
    ...loadHead(fields, root),
    build,
    identity: loadIdentity(fields, root),
    nets: netlist.nets,
    ground,
    parts,
    branches,
    rungs: netlist.rungs,
    env: settings,
    levels: feeds.levels,
    frequencies: feeds.nets,
    rectified: feeds.rectified,
    ratedVolts: feeds.volts,
    sources: feeds.sources,
    sourceOf: feeds.sourceOf,
    plugs: netlist.plugs.map((plug) => ({ ...plug, asks: loadPlugAsks(fields, plugData, plug.id, asked) })),
    actions: loadActions(fields, actionData, parts, netlist.plugs, asked),
    points,
    quantities: quantities.map((q) => ({ ...q, thresholds: compiler.thresholdsOf(q.index) })),
    controller,
    comparisons: names.comparisons,
    phases,
    gauges,
    looks,
    codes,
    cautions: loadCautions(fields, root),
    watch: millis(fields.quantity(root, 'watch', [], 'time', 1200)),
  };
}

/** What the profile is called. */
function loadHead(fields: Fields, root: DataMap): Pick<Model, 'id' | 'version' | 'family' | 'title' | 'summary'> {
  const id = fields.text(root, 'id', []);
  if (!ID.test(id)) fields.file.problem(['id'], 'must be lower case words joined by hyphens, at most 80 letters');
  const version = fields.text(root, 'version', []);
  if (!VERSION.test(version)) fields.file.problem(['version'], 'must be three numbers with dots, for example 1.0.0');
  const family = root['family'] === undefined ? familyNamed(id) : fields.choice(root, 'family', [], FAMILIES);
  return { id, version, family, title: fields.text(root, 'title', []), summary: fields.text(root, 'summary', [], '') };
}

/** The `controller:` section with the part it belongs to and the names it introduces. */
function readControl(fields: Fields, root: DataMap, parts: readonly RawPart[]) {
  if (root['controller'] === undefined) return undefined;
  const data = fields.map(root['controller'], ['controller'], '{part, regions}');
  const part = parts.find((p) => p.id === data['part']);
  if (!part) fields.file.problem(['controller', 'part'], 'must name a part of kind control');
  const ports = Array.isArray(part?.spec['ports']) ? (part.spec['ports'] as readonly ControlPort[]) : [];
  const names = controllerNames(data, ports);
  for (const { id } of names.regions)
    if (parts.some((p) => p.id === id) || ['env', 'input'].includes(id))
      fields.file.problem(
        ['controller', 'regions', id],
        'has the name of a part or a keyword; give the region a name of its own',
      );
  return { data, part, names };
}

/** What feeds which wires, seen from the ground. */
function readFeeds(fields: Fields, root: DataMap, netlist: Netlist) {
  const found = netlist.nets.indexOf(fields.text(root, 'ground', []));
  if (found < 0) fields.file.problem(['ground'], unknownName('net', String(root['ground']), netlist.nets));
  const ground = asIndex<NetIndex>(Math.max(0, found));
  const feeds = feedsOf(netlist, ground);
  for (const clash of feeds.clashes)
    fields.file.problem(
      ['rungs'],
      `${clash}: alternating and direct current feed the same wires; keep their circuits apart`,
    );
  return { ground, feeds };
}

/** Part of addresses and file names, and of the record. */
const ID = /^[a-z][a-z0-9-]{0,79}$/;
const VERSION = /^\d{1,5}\.\d{1,5}\.\d{1,5}$/;
