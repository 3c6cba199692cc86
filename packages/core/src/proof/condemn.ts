import type { Hypothesis, ItemFit } from '../inference';
import type { FaultMode } from '../parts';
import type { Branch, Model, Part, Phase } from '../profile';
import { answerShows, atTerminal, CONTRADICTS, type Fit, isAbout, looksAt, type Observation } from '../question';
import { type Episode, episodeKey } from '../simulation';
import { LIVE_DEAD } from '../standards';
import { readingValue } from '../units';
import { commandedAt } from './commanded';

/** A look that is right this often condemns by itself; any other finding is this share of a proof. */
const CAREFUL = 0.949;
const FINDING = 0.6;

/** Hypotheses begin with the sound appliance. */
const SOUND = { index: 0 };

/** What is known about one suspect: its hypothesis and the evidence. */
interface Inquiry {
  readonly model: Model;
  readonly h: Hypothesis;
  readonly items: readonly ItemFit[];
}

/**
 * How far a part is condemned by tests of the part itself, whatever else may be wrong: 0 not at all, 1 fully. The ways
 * are those of the trade: dead value out of limits with the part isolated; power in and not out; power across it and no
 * action; every input right and the output missing; what is wrong found by eye or gauge; cured by its repair.
 */
export function condemnation(model: Model, h: Hypothesis, items: readonly ItemFit[]): number {
  const q: Inquiry = { model, h, items };
  const fault = h.faults.find((f) => f.part === (h.cause ?? h.breaks)) ?? h.faults[0]!;
  const part = model.parts[fault.part]!;
  const failure = part.modes[fault.mode]!;
  const mode = failure.id;
  if (curedBy(q, (i) => h.faults.every((f) => i.episode.repaired.includes(f.part)))) return 1;
  if (denied(q, part)) return 0;
  const found = finding(q, part, mode);
  if (h.cause !== undefined) {
    // The break is a switch that opened: it must be shown open, and its cause found.
    const opened = model.parts[h.breaks!]!;
    const shown = [Math.max(ownRoute(q, opened), finding(q, opened, 'tripped')), found];
    const senses = [...opened.senses.values()];
    const about = (gauge: number): boolean => senses.includes(model.gauges[gauge]!.quantity);
    // What the switch senses can be measured: then it must be, and be wrong, or taken at a step that no sound one knows.
    const wrong = (i: ItemFit): boolean => odd(i.sound, i) || (neverComes(SOUND, i) && !odd(i.fits[h.index], i));
    if (model.gauges.some((_, g) => about(g)))
      shown.push(
        items.some((i) => i.item.observation.kind === 'gauge' && about(i.item.observation.gauge) && wrong(i)) ? 1 : 0,
      );
    return mean(shown);
  }
  if (part.kind.nature === 'control') return Math.max(found, controlOutput(q, part, failure));
  const own = ownRoute(q, part);
  // What eyes and ears find broken in a consumer is not taken for it before power was measured there.
  const fed = part.branches.map((b) => fedAt(q, part, b)).filter((share) => share !== undefined);
  if (fed.length > 0) return Math.max(own, finding(q, part, mode, true), 0.5 * found + 0.5 * Math.max(...fed));
  // A blown fuse or a tripped switch is an answer, not a reason: it must hold when it is renewed.
  if (part.kind.nature === 'fuse' || failure.leaves === 'tripped')
    return 0.5 * Math.max(own, found) + 0.5 * (curedBy(q, (i) => renews(model, i, part)) ? 1 : 0);
  if (part.senses.size === 0) return Math.max(found, own);
  const shown =
    failure.leaves === 'closed'
      ? // Power behind it when there should be none.
        items.some((i) => atTerminal(part, i.item.observation) && odd(i.sound, i))
        ? 1
        : 0
      : own;
  // Open is not yet failed: everything that may make it open must have been looked at.
  const needed = [shown, causesCleared(q, part)];
  // A tripped switch looks like a failed one until its reset is pressed.
  if (
    failure.leaves === 'open' &&
    part.kind.manualReset?.(part.spec) === true &&
    model.actions.some((a) => a.resets.includes(part.index))
  )
    needed.push(items.some((i) => renews(model, i, part) || notTripped(q, i, part)) ? 1 : 0);
  return Math.max(found, mean(needed));
}

/** A look at the part found it otherwise than the suspicion says: nothing else proves it then. */
const denied = ({ model, h, items }: Inquiry, part: Part): boolean =>
  items.some((i) => {
    const o = i.item.observation;
    return o.kind === 'look' && looksAt(model, part, o.look) && odd(i.fits[h.index], i);
  });

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

const odd = (fit: Fit | undefined, i: ItemFit): boolean => fit !== undefined && fit.fit < CONTRADICTS * i.base;

/** Whether the step of a reading never comes if a hypothesis is right. */
function neverComes({ index }: { readonly index: number }, { predictions }: ItemFit): boolean {
  const told = predictions[index];
  return told !== undefined && 'absent' in told && told.absent;
}

/** Whether the appliance ran in an episode in which something had been mended. */
function curedBy({ model, items }: Inquiry, mended: (i: ItemFit) => boolean): boolean {
  const goal = model.phases.findIndex((p) => p.goal);
  return items.some((i) => {
    const o = i.item.observation;
    const runs = (o.kind === 'outcome' && o.outcome === 'runs') || (o.kind === 'seen' && o.phase === goal && o.answer);
    return runs && mended(i);
  });
}

const renews = (model: Model, i: ItemFit, part: Part): boolean =>
  model.actions.some((a) => i.episode.setup.actions.includes(a.id) && a.resets.includes(part.index));

/** Whether a look that would show the part tripped did not. */
function notTripped({ model, h }: Inquiry, i: ItemFit, part: Part): boolean {
  const o = i.item.observation;
  return (
    o.kind === 'look' &&
    !answerShows(model, o.look, o.answer, part, 'tripped') &&
    model.looks[o.look]!.answers.some((_, answer) => answerShows(model, o.look, answer, part, 'tripped')) &&
    !odd(i.fits[h.index], i)
  );
}

/** Share of the things that may rightly make a switch open (or a thermocouple cold) that were found in order. */
const causesCleared = (q: Inquiry, part: Part): number => cleared(q, part, [...part.senses.values()]);

/**
 * Share of what disturbs some quantities, the part itself apart, that was looked at and found in order; the quantities
 * measured speak for all of it. 1 when there is nothing that could be looked at.
 */
function cleared(q: Inquiry, part: Part, quantities: readonly number[]): number {
  const { model, h, items } = q;
  const about = (o: Observation, cause: Part): boolean => {
    if (o.kind === 'gauge') return isAbout(model, cause, model.gauges[o.gauge]!.quantity);
    return o.kind === 'look' && looksAt(model, cause, o.look);
  };
  const measured = (o: Observation): boolean =>
    o.kind === 'gauge' && quantities.includes(model.gauges[o.gauge]!.quantity);
  if (items.some((i) => measured(i.item.observation) && !odd(i.fits[h.index], i))) return 1;
  // It was given what it should sense, and did as little: what may disturb that is out of it.
  const still = (i: ItemFit): boolean =>
    i.item.observation.kind === 'volts' && odd(i.sound, i) && !odd(i.fits[h.index], i);
  if (items.some((i) => still(i) && quantities.every((quantity) => givenByHand(model, i.episode, quantity)))) return 1;
  const askable = disturbers(model, part, quantities).filter(
    (c) =>
      model.looks.some((_, look) => looksAt(model, c, look)) || model.gauges.some((g) => isAbout(model, c, g.quantity)),
  );
  if (askable.length === 0) return 1;
  const cleared = askable.filter((c) => {
    const asked = items.filter((i) => about(i.item.observation, c));
    return asked.length > 0 && asked.every((i) => !odd(i.fits[h.index], i));
  });
  // What can be measured is not believed from looks alone.
  const gauged = model.gauges.some((g) => quantities.includes(g.quantity));
  return Math.min(cleared.length / askable.length, gauged ? FINDING : 1);
}

/** Whether something done in an episode decides a quantity, whatever else is the matter (a probe bridged to ground). */
function givenByHand({ quantities, env }: Model, { setup }: Episode, quantity: number): boolean {
  const given = quantities[quantity]!.rules[0]!.when;
  if (!given || given.faults.length + given.parts.length + given.quantities.length > 0) return false;
  return given.settings.length > 0 && given.settings.every((s) => setup.actions.includes(env[s]!));
}

/** The other parts of which the faults disturb some quantities, or make this part trip by way of others. */
const disturbers = (model: Model, part: Part, quantities: readonly number[]): Part[] =>
  model.parts.filter(
    (c) =>
      c.index !== part.index &&
      (quantities.some((quantity) => isAbout(model, c, quantity)) || c.modes.some((m) => m.trips === part.id)),
  );

/** Ohms out of limits, the part isolated. */
function deadValue({ items }: Inquiry, part: Part): number {
  const bad = items.some(({ item: { observation: o } }) => {
    if (o.kind !== 'ohms' || o.part !== part.index) return false;
    const limits = part.kind.deadTests(part.spec).find((d) => d.branch === o.branch);
    const ohms = readingValue(o.reading);
    return limits !== undefined && (ohms > limits.high * 1.05 + 0.5 || ohms < limits.low * 0.95);
  });
  return bad ? 1 : 0;
}

const ownRoute = (q: Inquiry, part: Part): number =>
  Math.max(deadValue(q, part), ...part.branches.map((b) => branchRoute(q, part, b)));

function branchRoute(q: Inquiry, part: Part, branch: Branch): number {
  switch (part.kind.role(branch.name, part.spec)) {
    case 'contact':
      // A contact that its own part moves must have been seen to be moved.
      if (part.branches.length > 1 && !acted(q, part, branch)) return 0.5 * blocked(q, branch);
      return blocked(q, branch);
    case 'conductor':
      // Volts lost across a device that should pass them, or in and not out.
      return q.items.some((i) => across(branch, i.item.observation) && odd(i.sound, i) && !odd(i.fits[q.h.index], i))
        ? 1
        : blocked(q, branch);
    case 'source':
      // What is itself fed may be pulled down by its load: that is taken off first.
      return q.items.some(
        (i) =>
          across(branch, i.item.observation) &&
          odd(i.sound, i) &&
          (part.branches.length === 1 || i.episode.setup.unplugged.length > 0),
      )
        ? 1
        : 0;
    case 'winding':
      return deadSecondary(q, part);
    case 'consumer':
      return fedAndIdle(q, part, branch);
  }
}

/** Whether the part was seen to act, or, where no step shows it, whether what moves its contact was measured live. */
function acted({ model, items }: Inquiry, part: Part, contact: Branch): boolean {
  const own = model.phases.find((p) => p.cue.parts.includes(part.index));
  if (own) return items.some(({ item: { observation: o } }) => o.kind === 'seen' && o.answer && o.phase === own.index);
  const coils = part.branches.filter((b) => b !== contact && part.kind.role(b.name, part.spec) !== 'contact');
  return coils.some((b) => items.some((i) => foundLive(model, i, [b.a, b.b], part.kind.actsAt?.(part.spec, b.name))));
}

const across = ({ a, b }: Branch, o: Observation): boolean =>
  o.kind === 'volts' && ((o.red === a && o.black === b) || (o.red === b && o.black === a));

/** What a voltage reading says about the pair of nets it was taken between; `enough` is what the load there needs. */
function potential(model: Model, o: Observation, enough?: number): 'live' | 'dead' | undefined {
  if (o.kind !== 'volts') return undefined;
  const rated = Math.max(model.ratedVolts[o.red]!, o.black === model.ground ? 0 : model.ratedVolts[o.black]!);
  const volts = Math.abs(readingValue(o.reading));
  return volts >= (enough ?? LIVE_DEAD.provedLive * rated)
    ? 'live'
    : volts < LIVE_DEAD.provedDead * rated
      ? 'dead'
      : undefined;
}

/** Whether the red probe found one of some nets live; `enough` as above. */
const foundLive = (
  model: Model,
  { item: { observation: o } }: ItemFit,
  nets: readonly number[],
  enough?: number,
): boolean => o.kind === 'volts' && nets.includes(o.red) && potential(model, o, enough) === 'live';

/** Power in and not out, at a step at which a sound one would let it through. */
const blocked = (q: Inquiry, branch: Branch): number => inNotOut(q, branch, undefined, (i) => odd(i.sound, i));

/**
 * The whole supply across a device, or one side live and the other dead against one common: half of it is worth 0.5.
 * `counts` says which readings across it, and which second ones of a pair, may be taken so.
 */
function inNotOut(
  { model, items }: Inquiry,
  branch: Branch,
  enough?: number,
  counts: (i: ItemFit) => boolean = () => true,
): number {
  const whole = (i: ItemFit): boolean =>
    across(branch, i.item.observation) && potential(model, i.item.observation, enough) === 'live' && counts(i);
  if (items.some(whole)) return 1;
  let best = 0;
  for (const one of items) {
    const { item: first } = one;
    const o = first.observation;
    if (o.kind !== 'volts' || across(branch, o) || (o.red !== branch.a && o.red !== branch.b)) continue;
    const is = potential(model, o, enough);
    if (is === undefined) continue;
    best = 0.5;
    const there = o.red === branch.a ? branch.b : branch.a;
    const opposite = is === 'live' ? 'dead' : 'live';
    const other = items.some((second) => {
      const { observation: p, episode } = second.item;
      if (episode !== first.episode || p.kind !== 'volts' || !(counts(one) || counts(second))) return false;
      return p.red === there && p.black === o.black && p.phase === o.phase && potential(model, p, enough) === opposite;
    });
    if (other) return 1;
  }
  return best;
}

/** How far power was measured across a consumer that stands between test points; nothing for anything else. */
function fedAt(q: Inquiry, part: Part, branch: Branch): number | undefined {
  const enough = part.kind.actsAt?.(part.spec, branch.name);
  const reached = [branch.a, branch.b].some((net) => q.model.points.some((p) => p.net === net));
  return enough === undefined || !reached ? undefined : inNotOut(q, branch, enough);
}

/** Power across it, and it does not act. */
function fedAndIdle(q: Inquiry, part: Part, branch: Branch): number {
  const { model, h, items } = q;
  const phases = model.phases.filter((p) => !p.unwanted && p.cue.parts.includes(part.index));
  // Seen to act, it is not idle, whatever comes after it.
  const own = phases[0]?.index;
  if (
    own === undefined ||
    items.some(({ item: { observation: o } }) => o.kind === 'seen' && o.answer && o.phase === own)
  )
    return 0;
  const idle = (heard: boolean): boolean =>
    items.some(({ item: { observation: o } }) => {
      if (o.kind !== 'seen' || o.answer) return false;
      const phase = phases.find((p) => p.index === o.phase);
      return phase !== undefined && (phase.trial && phase.sense === 'listen') === heard;
    });
  // A click that nobody heard may have been missed: a gauge must show that nothing moved.
  const gauged = items.some((i) => {
    const o = i.item.observation;
    return o.kind === 'gauge' && odd(i.sound, i) && !odd(i.fits[h.index], i);
  });
  // Who was wrong about one step may be wrong about this one.
  const doubt = items.some((i) => i.item.observation.kind === 'seen' && odd(i.fits[h.index], i));
  const seen = idle(false) && !doubt;
  const still = seen ? 0.5 : idle(false) || idle(true) ? (gauged ? 0.5 : 0.25) : 0;
  return still + 0.5 * inNotOut(q, branch, part.kind.actsAt?.(part.spec, branch.name));
}

/** The two windings of a part that couples them. */
function coupled({ kind, branches }: Part): { readonly primary: Branch; readonly secondary: Branch } {
  const { primary, secondary } = kind.couplings![0]!;
  const named = (name: string): Branch => branches.find((b) => b.name === name)!;
  return { primary: named(primary), secondary: named(secondary) };
}

/** Primary live, secondary dead: half of a proof, since a short beyond it looks the same. Ohms decide. */
function deadSecondary(q: Inquiry, part: Part): number {
  const { primary, secondary } = coupled(part);
  const gone = q.items.some((i) => across(secondary, i.item.observation) && odd(i.sound, i));
  return 0.25 * inNotOut(q, primary) + (gone ? 0.25 : 0);
}

/** A step that begins with a command of the control. */
const isOwnStep = ({ window }: Phase): boolean => {
  const first = window.terms[0];
  return first?.kind === 'output' && !first.negated;
};

/** Fed, called, every input right, and the output missing: the share of these that is shown. */
function controlOutput(q: Inquiry, part: Part, { takesAway }: FaultMode): number {
  const { model, h, items } = q;
  const { controller } = model;
  if (!controller || controller.part !== part.index) return 0;
  const branchOf = (name: string | undefined): Branch | undefined => part.branches.find((b) => b.name === name);
  // A control that acts has shown that it is fed and that its inputs work, unless the suspicion says it cannot act.
  const acts = items.some((i) => {
    const o = i.item.observation;
    const own = o.kind === 'seen' && o.answer && isOwnStep(model.phases[o.phase]!);
    return own && !odd(i.fits[h.index], i);
  });
  const supply = part.branches.find((b) => b.index === controller.supplyBranch)!;
  const shown: number[] = [acts ? 1 : inNotOut(q, supply)];
  if (takesAway === 'everything') shown.push(idleThoughFed(q, supply) ? 1 : 0);
  const output = branchOf(typeof takesAway === 'object' && 'output' in takesAway ? takesAway.output : undefined);
  if (output) shown.push(outputMissing(q, part, output) ? 1 : 0);
  if (!acts)
    for (const input of controller.inputs) {
      const branch = part.branches.find((b) => b.index === input.branch);
      if (branch && model.points.some((p) => p.net === branch.a))
        shown.push(items.some(({ item: { observation: o } }) => o.kind === 'volts' && o.red === branch.a) ? 1 : 0);
      // What one sensor tells it must be looked after at that sensor.
      if (input.quantity !== undefined && disturbers(model, part, [input.quantity]).length === 1)
        shown.push(cleared(q, part, [input.quantity]));
    }
  const input = branchOf(typeof takesAway === 'object' && 'input' in takesAway ? takesAway.input : undefined);
  if (input) {
    shown.push(items.some((i) => foundLive(model, i, [input.a])) ? 1 : 0);
  }
  return mean(shown);
}

/** Whether a control was found fed in a try of the kind in which it does not do what a sound one does. */
function idleThoughFed({ model, items }: Inquiry, supply: Branch): boolean {
  const fed = items.filter((i) => foundLive(model, i, [supply.a, supply.b]));
  const idle = items.filter((i) => ['seen', 'outcome', 'code'].includes(i.item.observation.kind) && odd(i.sound, i));
  return fed.some((f) => idle.some((i) => episodeKey(i.episode) === episodeKey(f.episode)));
}

/** Nothing comes out where a sound control would put something out; a weak feed must be relieved of its load first. */
function outputMissing({ model, h, items }: Inquiry, part: Part, output: Branch): boolean {
  const feed = part.kind.role(output.name, part.spec) === 'source';
  const plugs = model.plugs.filter((p) =>
    p.pins.some((pin) => [model.branches[pin]!.a, model.branches[pin]!.b].includes(output.b)),
  );
  // Where a step is the output's own, it is read there and not in the pauses between.
  const { index } = model.controller!.outputs.find((o) => o.branch === output.index)!;
  const commands = (p: Phase): boolean => p.window.terms.some((t) => t.kind === 'output' && t.output === index);
  const own = model.phases.filter((p) => p.probe && commands(p)).map((p) => p.index);
  const steps = own.length > 0 ? own : commandedAt(model, index);
  return items.some((i) => {
    const o = i.item.observation;
    if (o.kind !== 'volts' || (steps.length > 0 && (!steps.includes(o.phase) || neverComes(h, i)))) return false;
    if (o.red !== output.b || potential(model, o) !== 'dead' || !odd(i.sound, i)) return false;
    return !feed || (o.black === output.a && plugs.some((p) => i.episode.setup.unplugged.includes(p.id)));
  });
}

/**
 * How far a quantity that is measured shows this fault: wholly when nothing else changes it (a spark gap, the water in a
 * system), in part when nothing else disturbs it or the fault is a condition.
 */
function shownByGauge(model: Model, part: Part, quantity: number): number {
  if (!isAbout(model, part, quantity)) return 0;
  const alone = disturbers(model, part, [quantity]).length === 0;
  const stands = model.quantities[quantity]!.rules.every(
    ({ when }) => when === undefined || (when.parts.length === 0 && when.quantities.length === 0 && !when.asksVolts),
  );
  if (alone && stands) return 1;
  return alone || part.kind.nature === 'condition' ? FINDING : 0;
}

/** What is wrong was found: by a careful look or gauge, or by two findings; `measured` lets no looks count. */
function finding({ model, h, items }: Inquiry, part: Part, mode: string, measured = false): number {
  let weight = 0;
  const counted = new Set<string>();
  // A look does not decide alone against what was seen of the part itself.
  const doubt = items.some((i) => {
    const o = i.item.observation;
    return o.kind === 'seen' && model.phases[o.phase]!.cue.parts.includes(part.index) && odd(i.fits[h.index], i);
  });
  for (const i of items) {
    const own = i.fits[h.index];
    if (!own || odd(own, i) || !odd(i.sound, i) || counted.has(i.group)) continue;
    const o = i.item.observation;
    if (o.kind === 'look' && !measured && answerShows(model, o.look, o.answer, part, mode)) {
      counted.add(i.group);
      weight += !doubt && 1 - own.blunder >= CAREFUL ? 1 : FINDING;
    } else if (o.kind === 'gauge') {
      counted.add(i.group);
      weight += shownByGauge(model, part, model.gauges[o.gauge]!.quantity);
    }
  }
  return Math.min(1, weight);
}
