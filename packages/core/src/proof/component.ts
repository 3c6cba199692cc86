import type { Branch, Part } from '../profile';
import { kindOf } from '../question';
import { type Dimension, readingValue } from '../units';
import { any, both, type Checklist, need, partly } from './checklist';
import { entry, type Inquiry, is, odd, tells } from './inquiry';
import { across, blocked, foundLive, inNotOut, lostAcross } from './voltages';

/** The tests of a component by itself: its dead value, or what its passages do in operation. */
export const ofComponent = (q: Inquiry, part: Part): Checklist =>
  any(deadValue(q, part), ...part.branches.map((b) => ofPassage(q, part, b)));

/** What the leads of the meter may add to a dead test, SI. */
const LEADS: Partial<Readonly<Record<Dimension, number>>> = { resistance: 0.5 };

/** A dead value out of limits, the part isolated. */
const deadValue = ({ model, items }: Inquiry, part: Part): Checklist =>
  need(
    'dead-value',
    entry(items, ({ item: { observation: o } }) => {
      if (!('part' in o) || o.part !== part.index || !('reading' in o)) return false;
      const limits = kindOf(o).deadTest?.(model, o);
      const value = readingValue(o.reading);
      const leads = LEADS[o.reading.dimension] ?? 0;
      return limits !== undefined && (value > limits.high * 1.05 + leads || value < limits.low * 0.95);
    }),
  );

function ofPassage(q: Inquiry, part: Part, branch: Branch): Checklist {
  switch (part.kind.role(branch.name, part.spec)) {
    case 'contact': {
      if (part.branches.length === 1) return any(blocked(q, branch), lostAcross(q, branch));
      // A contact that its own part moves must have been seen to be moved.
      const acts = acted(q, part, branch);
      const shut = any(blocked(q, branch), lostAcross(q, branch));
      return {
        share: acts === undefined ? 0.5 * shut.share : shut.share,
        requirements: [...need('seen-to-act', acts).requirements, ...shut.requirements],
      };
    }
    case 'conductor': {
      // Volts lost across a device that should pass them, or in and not out.
      return any(blocked(q, branch), lostAcross(q, branch));
    }
    case 'source':
      return sourceMissing(q, part, branch);
    case 'winding':
      return deadSecondary(q, part);
    case 'consumer':
      return fedAndIdle(q, part, branch);
  }
}

/** What is itself fed may be pulled down by its load: that is taken off first. */
const sourceMissing = ({ items }: Inquiry, part: Part, branch: Branch): Checklist =>
  need(
    'source-missing',
    entry(
      items,
      (i) =>
        across(branch, i.item.observation) &&
        odd(i.sound, i) &&
        (part.branches.length === 1 || i.episode.setup.unplugged.length > 0),
    ),
  );

/** Where the part was seen to act, or, where no step shows it, where what moves its contact was measured live. */
function acted({ model, items }: Inquiry, part: Part, contact: Branch): string | undefined {
  const own = model.phases.find((p) => p.cue.parts.includes(part.index));
  if (own) return entry(items, (i) => is(i, 'seen', (o) => o.answer && o.phase === own.index));
  const coils = part.branches.filter((b) => b !== contact && part.kind.role(b.name, part.spec) !== 'contact');
  return entry(items, (i) => coils.some((b) => foundLive(model, i, [b.a, b.b], part.kind.actsAt?.(part.spec, b.name))));
}

/** Power across it, and it does not act. */
function fedAndIdle(q: Inquiry, part: Part, branch: Branch): Checklist {
  const { model, h, items } = q;
  const phases = model.phases.filter((p) => !p.unwanted && p.cue.parts.includes(part.index));
  const power = (): Checklist => inNotOut(q, branch, 'power-across', part.kind.actsAt?.(part.spec, branch.name));
  // Seen to act, it is not idle, whatever comes after it.
  const own = phases[0]?.index;
  if (own === undefined || items.some((i) => is(i, 'seen', (o) => o.answer && o.phase === own)))
    return { share: 0, requirements: [...power().requirements, ...partly('does-not-act', 0, []).requirements] };
  const idle = (heard: boolean): string | undefined =>
    entry(items, (i) =>
      is(i, 'seen', (o) => {
        const phase = o.answer ? undefined : phases.find((p) => p.index === o.phase);
        return phase !== undefined && (phase.trial && phase.sense === 'listen') === heard;
      }),
    );
  // A click that nobody heard may have been missed: a gauge must show that nothing moved.
  const gauged = entry(items, (i) => i.item.observation.kind === 'gauge' && tells(q, i));
  // Who was wrong about one step may be wrong about this one.
  const doubt = items.some((i) => is(i, 'seen', () => odd(i.fits[h.index], i)));
  const [looked, listened] = [idle(false), idle(true)];
  const still = looked ?? listened;
  const sure = (looked !== undefined && !doubt) || (still !== undefined && gauged !== undefined);
  const by = still === undefined ? [] : gauged === undefined || !doubt ? [still] : [still, gauged];
  const idleShare = still === undefined ? 0 : sure ? 1 : 0.5;
  return both(partly('does-not-act', idleShare, by), 0.5, power());
}

/** Primary live, secondary dead: half of a proof, since a short beyond it looks the same. Ohms decide. */
function deadSecondary(q: Inquiry, part: Part): Checklist {
  const { primary, secondary } = part.kind.couplings![0]!;
  const named = (name: string): Branch => part.branches.find((b) => b.name === name)!;
  const live = inNotOut(q, named(primary), 'primary-live');
  const dead = need(
    'secondary-dead',
    entry(q.items, (i) => across(named(secondary), i.item.observation) && odd(i.sound, i)),
  );
  return {
    share: 0.25 * live.share + 0.25 * dead.share,
    requirements: [...live.requirements, ...dead.requirements, ...need('dead-value', undefined).requirements],
  };
}
