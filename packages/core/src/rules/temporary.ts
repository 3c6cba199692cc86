import type { Circumstances, Standing, TemporaryKind } from './circumstances';

/** What is not proposed while something is temporary, and what puts it back. */
export interface WhileOn {
  readonly proposed: string;
  readonly notProposed: string;
  readonly undo: string;
}

export const WHILE_TEMPORARY: Readonly<Record<TemporaryKind, WhileOn>> = {
  plug: {
    proposed: 'tests needing it, then plug it in',
    notProposed: 'gas trial without safety, sensing or ground lead',
    undo: 'Plug it in',
  },
  lead: {
    proposed: 'tests needing it, then put it back',
    notProposed: 'gas trial without safety, sensing or ground lead',
    undo: 'Put the lead back',
  },
  'part-out': { proposed: 'bench tests', notProposed: 'gas or power on, line uncapped', undo: 'The part is in again' },
  joint: { proposed: 'remake, soap', notProposed: 'gas on, spark', undo: 'Remade, soaped, dry for 60 s' },
  panel: { proposed: 'looks, volts', notProposed: 'flue, draft, rise', undo: 'The panel is on' },
  action: { proposed: 'what it was done for', notProposed: 'closing', undo: 'Put it back' },
  adjustment: { proposed: 'the reading it was made for', notProposed: 'closing', undo: 'Put it back' },
};

/** Kinds that stand while the appliance runs: nothing is lit, and nothing gets gas. */
export const keepsGasOff = (standing: Iterable<Standing>): boolean =>
  [...standing].some(({ kind }) => kind === 'joint' || kind === 'part-out');

/** The bypass that has to come off first: those whose time is nearest, then what needs power off to undo, then the rest. */
export function undoFirst(
  c: Circumstances,
): { readonly id: string; readonly title: string; readonly kind: 'bypass' | TemporaryKind } | undefined {
  const [bypass] = [...c.bypasses].sort((a, b) => a.since - b.since);
  if (bypass) return { id: bypass.id, title: bypass.title, kind: 'bypass' };
  const order: readonly TemporaryKind[] = ['plug', 'lead', 'part-out', 'joint', 'action', 'panel', 'adjustment'];
  const [first] = [...c.temporary.values()].sort(
    (a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || a.since - b.since,
  );
  return first && { id: first.id, title: first.title, kind: first.kind };
}
