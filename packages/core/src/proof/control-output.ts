import type { FaultMode } from '../parts';
import type { Branch, Part, Phase } from '../profile';
import { episodeKey } from '../simulation';
import { cleared, disturbers } from './causes';
import { all, type Checklist, need, partly } from './checklist';
import { commandedAt } from './commanded';
import { entry, type Inquiry, is, neverComes, odd } from './inquiry';
import { foundLive, inNotOut, potential } from './voltages';

/** Fed, called, every input right, and the output missing. */
export function ofControl(q: Inquiry, part: Part, { takesAway }: FaultMode): Checklist {
  const { model, h, items } = q;
  const { controller } = model;
  if (!controller || controller.part !== part.index) return partly('control-fed', 0, []);
  const branchOf = (name: string): Branch | undefined => part.branches.find((b) => b.name === name);
  // A control that acts has shown that it is fed and that its inputs work, unless the suspicion says it cannot act.
  const acts = entry(items, (i) =>
    is(i, 'seen', (o) => o.answer && isOwnStep(model.phases[o.phase]!) && !odd(i.fits[h.index], i)),
  );
  const supply = part.branches.find((b) => b.index === controller.supplyBranch)!;
  const needed: Checklist[] = [acts === undefined ? inNotOut(q, supply, 'control-fed') : need('control-fed', acts)];
  if (takesAway === 'everything') needed.push(need('idle-though-fed', idleThoughFed(q, supply)));
  const output = typeof takesAway === 'object' && 'output' in takesAway ? branchOf(takesAway.output) : undefined;
  if (output) needed.push(need('output-missing', outputMissing(q, part, output)));
  if (acts === undefined) needed.push(...inputsRight(q, part));
  const input = typeof takesAway === 'object' && 'input' in takesAway ? branchOf(takesAway.input) : undefined;
  if (input)
    needed.push(
      need(
        'input-live',
        entry(items, (i) => foundLive(model, i, [input.a])),
      ),
    );
  return all(needed);
}

/** A step that begins with a command of the control. */
const isOwnStep = ({ window }: Phase): boolean => {
  const first = window.terms[0];
  return first?.kind === 'output' && !first.negated;
};

function inputsRight(q: Inquiry, part: Part): Checklist[] {
  const { model, items } = q;
  return model.controller!.inputs.flatMap((input) => {
    const needed: Checklist[] = [];
    const branch = part.branches.find((b) => b.index === input.branch);
    if (branch && model.points.some((p) => p.net === branch.a))
      needed.push(
        need(
          'input-measured',
          entry(items, (i) => is(i, 'volts', (o) => o.red === branch.a)),
          model.nets[branch.a],
        ),
      );
    // What one sensor tells it must be looked after at that sensor.
    if (input.quantity !== undefined && disturbers(model, part, [input.quantity]).length === 1)
      needed.push(cleared(q, part, [input.quantity], 'sensor-cleared'));
    return needed;
  });
}

/** A finding that a control is fed, in a try of the kind in which it does not do what a sound one does. */
function idleThoughFed({ model, items }: Inquiry, supply: Branch): string | undefined {
  const idle = items.filter((i) => ['seen', 'outcome', 'code'].includes(i.item.observation.kind) && odd(i.sound, i));
  return entry(
    items,
    (fed) =>
      foundLive(model, fed, [supply.a, supply.b]) &&
      idle.some((i) => episodeKey(i.episode) === episodeKey(fed.episode)),
  );
}

/** Nothing comes out where a sound control would put something out; a weak feed must be relieved of its load first. */
function outputMissing({ model, h, items }: Inquiry, part: Part, output: Branch): string | undefined {
  const feed = part.kind.role(output.name, part.spec) === 'source';
  const plugs = model.plugs.filter((p) =>
    p.pins.some((pin) => [model.branches[pin]!.a, model.branches[pin]!.b].includes(output.b)),
  );
  // Where a step is the output's own, it is read there and not in the pauses between.
  const { index } = model.controller!.outputs.find((o) => o.branch === output.index)!;
  const commands = (p: Phase): boolean => p.window.terms.some((t) => t.kind === 'output' && t.output === index);
  const own = model.phases.filter((p) => p.probe && commands(p)).map((p) => p.index);
  const steps = own.length > 0 ? own : commandedAt(model, index);
  return entry(items, (i) =>
    is(i, 'volts', (o) => {
      if (steps.length > 0 && (!steps.includes(o.phase) || neverComes(h, i))) return false;
      if (o.red !== output.b || potential(model, o) !== 'dead' || !odd(i.sound, i)) return false;
      return !feed || (o.black === output.a && plugs.some((p) => i.episode.setup.unplugged.includes(p.id)));
    }),
  );
}
