import { C, type Family } from './family';

/** How a safety of one kind may be gone round, and how often its reset may be pressed. */
export interface Safety {
  readonly kind: string;
  readonly title: string;
  /** Seconds it may be gone round with main gas held back, the answer being electrical; none when it may not. */
  readonly held?: number;
  /** Seconds with the burner. */
  readonly burner?: number;
  /** Burner tries are only for these families. */
  readonly notWithBurner?: readonly Family[];
  /** What must be known or done before, beside what every bypass needs. */
  readonly needs?: readonly string[];
  /** What to keep in sight; what ends it. */
  readonly watch: string;
  readonly endWhen: string;
  /** What to do when it is off again. */
  readonly next: string;
  /** A jumper in place of a call for heat, or a door held: no safety of the burner. */
  readonly rings?: 'only';
  /** False where going round it is no test of its own. */
  readonly proposed?: false;
  /** The rule by which its reset counts; nothing where there is none to press. */
  readonly reset?: 'looked-for' | 'water' | 'automatic-water' | 'one-shot' | 'fuse' | 'breaker' | 'lockout';
}

const never = (kind: string, title: string, reset?: Safety['reset']): Safety => ({
  kind,
  title,
  watch: '',
  endWhen: '',
  next: 'why it opened',
  ...(reset && { reset }),
});

const TEN_MINUTES = 600;

/** By kind: the last guards first, where harm is quicker than a hand; volts or dead ohms tell the same. */
export const SAFETIES: readonly Safety[] = [
  never('roll-out', 'roll-out switch', 'looked-for'),
  never('spill', 'spill or vent thermal switch', 'looked-for'),
  never('flame-sensing', 'flame sensing'),
  never('pilot-magnet', 'pilot magnet'),
  never('one-shot', 'one-shot cut-off or thermal fuse', 'one-shot'),
  never('dryer-limit', 'high limit of a dryer', 'looked-for'),
  never('eco', 'high-temperature cut-off (ECO)', 'looked-for'),
  never('relief', 'relief valve'),
  never('refrigerant-low', 'refrigerant low-pressure switch'),
  never('refrigerant-high', 'refrigerant high-pressure switch', 'looked-for'),
  never('motor-switch', 'belt or motor switch'),
  never('unnamed', 'safety of an unknown kind', 'looked-for'),
  {
    kind: 'low-water',
    title: 'low-water cut-off',
    held: TEN_MINUTES,
    burner: 60,
    notWithBurner: C,
    needs: ['water'],
    watch: 'the glass',
    endWhen: 'the line leaves',
    next: 'level, probe, chamber',
    reset: 'automatic-water',
  },
  {
    kind: 'auxiliary-low-water',
    title: 'auxiliary low-water cut-off',
    held: TEN_MINUTES,
    needs: ['water'],
    watch: 'the glass',
    endWhen: 'the line leaves',
    next: 'test the primary',
    reset: 'water',
  },
  {
    kind: 'steam-limit',
    title: 'steam pressure limit',
    held: TEN_MINUTES,
    watch: 'the gauge',
    endWhen: 'it rises',
    next: 'pigtail, setting',
  },
  {
    kind: 'aquastat',
    title: 'aquastat or heater thermostat',
    burner: 180,
    watch: 'the thermometer',
    endWhen: 'its set point is reached',
    next: 'bulb, dial',
  },
  {
    kind: 'manual-limit',
    title: 'manual-reset limit',
    held: TEN_MINUTES,
    watch: 'the temperature',
    endWhen: 'it rises',
    next: 'temperature, flow',
    reset: 'looked-for',
  },
  {
    kind: 'stack-limit',
    title: 'stack limit',
    held: TEN_MINUTES,
    watch: 'the temperature',
    endWhen: 'it rises',
    next: 'temperature, flow',
    reset: 'looked-for',
  },
  {
    kind: 'furnace-limit',
    title: 'furnace limit',
    burner: 60,
    watch: 'that the blower runs',
    endWhen: 'it smells of scorch',
    next: 'filter, rise, over-fire',
    reset: 'looked-for',
  },
  {
    kind: 'pool-limit',
    title: 'water-out limit',
    burner: 180,
    watch: 'the thermometer',
    endWhen: 'its opening point is reached: it was right',
    next: 'regulator, flow',
    reset: 'looked-for',
  },
  {
    kind: 'air-proof',
    title: 'air proof, blocked-vent or vent switch',
    held: TEN_MINUTES,
    burner: 60,
    notWithBurner: C,
    needs: ['draft'],
    watch: 'flame and fan',
    endWhen: 'either stops',
    next: 'hose, vent, wheel',
  },
  {
    kind: 'condensate',
    title: 'condensate switch',
    burner: 60,
    watch: 'that the trap is free',
    endWhen: 'water stands in it',
    next: 'drain',
  },
  {
    kind: 'sail',
    title: 'sail switch',
    held: 180,
    watch: 'full blower, 10.5 V and more',
    endWhen: 'the blower slows',
    next: 'lint, duct',
  },
  {
    kind: 'water-flow',
    title: 'water or flow switch',
    burner: 60,
    watch: 'that water moves',
    endWhen: 'it stands',
    next: 'filter, tube',
  },
  {
    kind: 'delay',
    title: 'delay of a heat pump',
    burner: 60,
    watch: 'one start, five minutes after the last stop',
    endWhen: 'it started once',
    next: 'wait',
    proposed: false,
  },
  {
    kind: 'damper-end',
    title: 'damper end switch',
    held: TEN_MINUTES,
    burner: 60,
    watch: 'the blade, seen levered open',
    endWhen: 'it moves',
    next: 'travel',
  },
  {
    kind: 'thermal-switch',
    title: 'thermal switch of a storage heater',
    held: 180,
    needs: ['held', 'no-vapour'],
    watch: 'knob at pilot, no vapour, screen clean',
    endWhen: 'the pilot was seen',
    next: 'screen, vent, ohms',
    reset: 'looked-for',
  },
  {
    kind: 'separate-feed',
    title: 'separate 24 V feed',
    burner: 60,
    needs: ['isolated'],
    watch: 'the flame, hand at the switch',
    endWhen: 'it has run its sequence',
    next: 'own supply plugged in',
  },
  {
    kind: 'cycling-thermostat',
    title: 'cycling thermostat',
    burner: 180,
    watch: 'that the drum turns',
    endWhen: 'it stops',
    next: 'outlet temperature',
  },
  {
    kind: 'may-join',
    title: 'thermostat or zone',
    burner: 1800,
    held: 1800,
    watch: 'the clock',
    endWhen: 'it has told',
    next: 'off before closing',
    rings: 'only',
  },
  {
    kind: 'door-switch',
    title: 'door switch',
    burner: TEN_MINUTES,
    held: TEN_MINUTES,
    watch: 'the open panel',
    endWhen: 'it has told',
    next: 'panel on',
    proposed: false,
    rings: 'only',
  },
  { ...never('fuse', 'fuse', 'fuse') },
  { ...never('breaker', 'breaker', 'breaker') },
  { ...never('ignition-lockout', 'ignition lockout', 'lockout') },
];

const BY_KIND = new Map(SAFETIES.map((safety) => [safety.kind, safety]));

/** Words of logs that were made before safeties had kinds of their own. */
const FORMERLY: Readonly<Record<string, string>> = {
  'call-jumper': 'may-join',
  safety: 'furnace-limit',
  never: 'roll-out',
};

/** The rules of a kind; one that nobody knows here is never gone round. */
export const safetyOf = (kind: string): Safety =>
  BY_KIND.get(kind) ?? BY_KIND.get(FORMERLY[kind] ?? '') ?? never(kind, kind);

export const SAFETY_KINDS: readonly string[] = SAFETIES.map(({ kind }) => kind);

/** Whether nobody may go round it, not even for a moment. */
export const isNeverBypassed = ({ held, burner }: Safety): boolean => held === undefined && burner === undefined;

/** Whether a try with the burner may be made round it. */
export const mayBypassBurning = ({ burner, notWithBurner }: Safety, family: Family | undefined): boolean =>
  burner !== undefined && !(notWithBurner && family !== undefined && notWithBurner.includes(family));

/** How long something of a kind may stay gone round, seconds from placing: longer while main gas is held back. */
export function bypassLimit(kind: string, gasHeld: boolean, family?: Family): number {
  const safety = safetyOf(kind);
  const burning = mayBypassBurning(safety, family) ? safety.burner! : 0;
  return gasHeld ? Math.max(safety.held ?? 0, burning) : burning;
}

/** How often one safety may be gone round in a call. */
export const MOST_BYPASSES = 2;
/** The share of its time after which a bypass rings. */
export const RINGS_AT = 0.75;
