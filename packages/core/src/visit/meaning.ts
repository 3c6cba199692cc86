import type { Model } from '../profile';
import { bypassLimit, type DeclaredStop, type Family } from '../rules';
import type { CallEvent } from './event';
import type { EventBody } from './event-kinds';
import type { LedgerLine } from './events/setup';

interface Named {
  readonly id: string;
  readonly title: string;
}

/** What entries of one appliance mean to the rules, so that they can be read without its profile. Plain data. */
export interface Meanings {
  readonly family: Family | undefined;
  /** By look and answer: the facts it tells, and the safety whose reset it pressed. */
  readonly looks: Readonly<Record<string, Readonly<Record<string, Told>>>>;
  /** What can be gone round. */
  readonly safeties: readonly LedgerLine[];
  /** Plugs and actions, as they are called. */
  readonly apart: readonly Named[];
  /** By action: safeties whose reset it presses. */
  readonly resets: Readonly<Record<string, readonly (Named & { readonly kind: string })[]>>;
  readonly parts: Readonly<Record<string, { readonly title: string; readonly touches: readonly string[] }>>;
  /** The step of the try for ignition, and the step at which it lights. */
  readonly lighting: { readonly trial: string; readonly flame: string } | undefined;
}

interface Told {
  readonly means: readonly { readonly fact: string; readonly value: string | number }[];
  readonly pressed: (Named & { readonly kind: string }) | undefined;
  readonly raises: DeclaredStop | undefined;
}

export function meaningsOf(model: Model): Meanings {
  const pressed = (index: number): Named & { kind: string } => {
    const { id, title, safety } = model.parts[index]!;
    return { id, title, kind: safety ?? 'unnamed' };
  };
  const trial = model.phases.findIndex((p) => p.trial);
  const flame = trial < 0 ? undefined : model.phases.slice(trial + 1).find((p) => !p.unwanted);
  return {
    family: model.family,
    looks: Object.fromEntries(
      model.looks.map((look) => [
        look.id,
        Object.fromEntries(
          look.answers.map(({ id, means, resets, raises }) => [
            id,
            { means, pressed: resets === undefined ? undefined : pressed(resets), raises },
          ]),
        ),
      ]),
    ),
    safeties: safetiesOf(model),
    apart: [...model.plugs, ...model.actions].map(({ id, title }) => ({ id, title })),
    resets: Object.fromEntries(model.actions.map(({ id, resets }) => [id, resets.map((r) => pressed(r))])),
    parts: Object.fromEntries(model.parts.map(({ id, title, touches }) => [id, { title, touches }])),
    lighting: flame && { trial: model.phases[trial]!.id, flame: flame.id },
  };
}

/** Parts that are safeties, and actions that go round one, with the time that each may be gone round while gas is on. */
function safetiesOf({ parts, actions, family }: Model): LedgerLine[] {
  const line = (id: string, title: string, kind: string): LedgerLine => ({
    id,
    title,
    kind,
    limit: bypassLimit(kind, false, family),
  });
  return [
    ...parts.flatMap(({ id, title, safety }) => (safety === undefined ? [] : [line(id, title, safety)])),
    ...actions.flatMap(({ id, title, goesRound }) => (goesRound === undefined ? [] : [line(id, title, goesRound)])),
  ];
}

/** The same entry with what it means to readers that do not know the profile. `inForce` are the actions before it. */
export function withMeaning(meanings: Meanings, body: EventBody, inForce: readonly string[] = []): EventBody {
  switch (body.type) {
    case 'look': {
      const told = meanings.looks[body.look]?.[body.answer];
      if (!told) return body;
      return {
        ...body,
        ...(told.means.length > 0 && { means: told.means.map((m) => ({ ...m })) }),
        ...(told.pressed && { pressed: { ...told.pressed } }),
        ...(told.raises && { raises: plain(told.raises) }),
      };
    }
    case 'setup': {
      const actions = body.actions ?? [];
      const ledger = meanings.safeties.filter(({ id }) => body.bypassed.includes(id) || actions.includes(id));
      const apart = meanings.apart.filter(({ id }) => body.unplugged.includes(id) || actions.includes(id));
      const resets = actions.filter((a) => !inForce.includes(a)).flatMap((a) => meanings.resets[a] ?? []);
      const said = new Map((body.ledger ?? []).map((l) => [l.id, l]));
      return {
        ...body,
        ...(ledger.length > 0 && {
          ledger: ledger.map((line) => {
            const { found, why } = said.get(line.id) ?? line;
            return { ...line, ...(found !== undefined && { found }), ...(why !== undefined && { why }) };
          }),
        }),
        ...(apart.length > 0 && { apart: apart.map((a) => ({ ...a })) }),
        ...(resets.length > 0 && { resets: resets.map((r) => ({ ...r })) }),
      };
    }
    case 'repaired': {
      const part = meanings.parts[body.part];
      return part ? { ...body, title: part.title, touches: [...part.touches] } : body;
    }
    case 'seen':
      if (body.phase !== meanings.lighting?.flame || body.answer === 'unclear') return body;
      // Not yet is no failed try.
      if (body.answer === 'no' && body.after !== undefined) return body;
      return { ...body, means: [{ fact: 'try', value: body.answer === 'yes' ? 'lit' : 'no-flame' }] };
    default:
      return body;
  }
}

const plain = ({ orders, allows, evidence, ...stop }: DeclaredStop) => ({
  ...stop,
  orders: [...orders],
  allows: [...allows],
  evidence: [...evidence],
});

/** Entries of older logs and of stories get what newer ones carry themselves. */
export function withMeanings(meanings: Meanings, ordered: readonly CallEvent[]): CallEvent[] {
  let inForce: readonly string[] = [];
  return ordered.map((event) => {
    const body = withMeaning(meanings, event.body, inForce);
    if (body.type === 'setup') inForce = body.actions ?? [];
    return body === event.body ? event : { ...event, body };
  });
}
