import type { Hypothesis, ItemFit } from '../inference';
import type { FaultMode } from '../parts';
import type { Model, Part } from '../profile';
import { answerShows, atTerminal, looksAt } from '../question';
import { causesCleared } from './causes';
import { all, any, both, type Checklist, need, partly } from './checklist';
import { ofComponent } from './component';
import { ofControl } from './control-output';
import { found } from './found';
import { entry, type Inquiry, is, neverComes, odd, SOUND } from './inquiry';
import { fedAt } from './voltages';

/**
 * What condemns a part by tests of the part itself, whatever else may be wrong, and how much of it is shown. The ways
 * are those of the trade: dead value out of limits with the part isolated; power in and not out; power across it and no
 * action; every input right and the output missing; what is wrong found by eye or gauge; cured by its repair. Of several
 * ways the one that is gone furthest.
 */
export function condemn(model: Model, h: Hypothesis, items: readonly ItemFit[]): Checklist {
  const q: Inquiry = { model, h, items };
  const fault = h.faults.find((f) => f.part === (h.cause ?? h.breaks)) ?? h.faults[0]!;
  const part = model.parts[fault.part]!;
  const failure = part.modes[fault.mode]!;
  const cured = curedBy(q, (i) => h.faults.every((f) => i.episode.repaired.includes(f.part)));
  if (cured !== undefined) return need('cured', cured);
  const denial = denied(q, part);
  if (denial !== undefined) return partly('not-denied', 0, [denial]);
  if (h.cause !== undefined) return openedRightly(q, model.parts[h.breaks!]!, found(q, part, failure.id));
  return byItself(q, part, failure);
}

/** A part that failed by itself. */
function byItself(q: Inquiry, part: Part, failure: FaultMode): Checklist {
  const shown = found(q, part, failure.id);
  if (part.kind.nature === 'control') return any(shown, ofControl(q, part, failure));
  const own = ofComponent(q, part);
  // What eyes and ears find broken in a consumer is not taken for it before power was measured there.
  const fed = part.branches.flatMap((b) => fedAt(q, part, b) ?? []);
  if (fed.length > 0)
    return any(own, found(q, part, failure.id, true), both(shown, 0.5, any(fed[0]!, ...fed.slice(1))));
  // A blown fuse or a tripped switch is an answer, not a reason: it must hold when it is renewed.
  if (part.kind.nature === 'fuse' || failure.leaves === 'tripped')
    return both(
      any(own, shown),
      0.5,
      need(
        'holds-when-renewed',
        curedBy(q, (i) => renews(q.model, i, part)),
      ),
    );
  // Volts lost in a contact that is made are nothing that its sensor does.
  return part.senses.size === 0 || failure.inSeries ? any(shown, own) : any(shown, failedSwitch(q, part, failure, own));
}

/** A switch that senses something: open, or closed, is not yet failed. */
function failedSwitch(q: Inquiry, part: Part, failure: FaultMode, own: Checklist): Checklist {
  const { model, items } = q;
  const stands =
    failure.leaves === 'closed'
      ? // Power behind it when there should be none.
        need(
          'power-behind',
          entry(items, (i) => atTerminal(part, i.item.observation) && odd(i.sound, i)),
        )
      : own;
  // Everything that may make it open must have been looked at.
  const needed = [stands, causesCleared(q, part)];
  // A tripped switch looks like a failed one until its reset is pressed.
  if (
    failure.leaves === 'open' &&
    part.kind.manualReset?.(part.spec) === true &&
    model.actions.some((a) => a.resets.includes(part.index))
  )
    needed.push(
      need(
        'reset-pressed',
        entry(items, (i) => renews(model, i, part) || notTripped(q, i, part)),
      ),
    );
  return all(needed);
}

/** The break is a switch that opened: it must be shown open, and its cause found. */
function openedRightly(q: Inquiry, opened: Part, cause: Checklist): Checklist {
  const { model, h, items } = q;
  const needed = [any(ofComponent(q, opened), found(q, opened, 'tripped')), cause];
  const senses = [...opened.senses.values()];
  const about = (gauge: number): boolean => senses.includes(model.gauges[gauge]!.quantity);
  // What the switch senses can be measured: then it must be, and be wrong, or taken at a step that no sound one knows.
  const wrong = (i: ItemFit): boolean => odd(i.sound, i) || (neverComes(SOUND, i) && !odd(i.fits[h.index], i));
  if (model.gauges.some((_, g) => about(g)))
    needed.push(
      need(
        'sensed-wrong',
        entry(items, (i) => is(i, 'gauge', (o) => about(o.gauge) && wrong(i))),
        opened.title,
      ),
    );
  return all(needed);
}

/** A look at the part that found it otherwise than the suspicion says: nothing else proves it then. */
const denied = ({ model, h, items }: Inquiry, part: Part): string | undefined =>
  entry(items, (i) => is(i, 'look', (o) => looksAt(model, part, o.look) && odd(i.fits[h.index], i)));

/** Where the appliance ran in an episode in which something had been repaired. */
function curedBy({ model, items }: Inquiry, repaired: (i: ItemFit) => boolean): string | undefined {
  const goal = model.phases.findIndex((p) => p.goal);
  return entry(items, (i) => {
    const runs = is(i, 'outcome', (o) => o.outcome === 'runs') || is(i, 'seen', (o) => o.phase === goal && o.answer);
    return runs && repaired(i);
  });
}

const renews = (model: Model, i: ItemFit, part: Part): boolean =>
  model.actions.some((a) => i.episode.setup.actions.includes(a.id) && a.resets.includes(part.index));

/** Whether a look that would show the part tripped did not. */
const notTripped = ({ model, h }: Inquiry, i: ItemFit, part: Part): boolean =>
  is(
    i,
    'look',
    (o) =>
      !answerShows(model, o.look, o.answer, part, 'tripped') &&
      model.looks[o.look]!.answers.some((_, answer) => answerShows(model, o.look, answer, part, 'tripped')) &&
      !odd(i.fits[h.index], i),
  );
