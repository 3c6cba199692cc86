import type { Family } from '../rules';

/** How a joint is made tight again. */
export const SEALS = {
  flare: 'Flare: no sealant; two wrenches.',
  machined: 'Machined faces: no sealant, clean and dry.',
  tapered: 'Tapered gas thread: gas-rated tape or dope, not on the first two threads; two wrenches.',
  probe: 'Probe thread: dope only, no tape.',
  orifice: 'Orifice seat: no sealant; never drill or wire it.',
  gasket: 'Gasket: a new one; faces clean.',
} as const;
export type Seal = keyof typeof SEALS;

/** How a kind of part is taken out and how the new one goes in; short enough to be read with dirty hands. */
export interface SwapNote {
  /** What is shut and proved off before anything is loosened. */
  readonly shut: readonly string[];
  /** In this order. */
  readonly out: readonly string[];
  /** Springs, screws, belts and gaskets that get lost. */
  readonly mind: readonly string[];
  readonly in: readonly string[];
  readonly seals: readonly Seal[];
  /** Which way it has to lie or point. */
  readonly lies?: string;
  /** Joints of gas are tested with solution before it fires. */
  readonly leakTest?: true;
  /** What is measured on the new part before it goes in. */
  readonly first: string;
}

const POWER = 'Power off at the switch, tried, locked where it can be.';
const GAS = 'Gas cock shut; the burner has gone out and does not light.';
const DISCHARGE = 'Discharge it through a resistor, and measure that it is empty.';
const COOL = 'Let it cool: igniter, burner and exchanger burn skin.';
const WATER = 'Water shut on both sides, pressure let off, cool enough to touch.';
const STEAM = 'Boiler cold, pressure at nought, water below the tapping.';

/** By part kind (common practice, no source); a note for a family stands before the one for all. */
const NOTES: Readonly<Record<string, SwapNote>> = {
  solenoid: {
    shut: [POWER, GAS],
    out: [
      'Photo and wire list.',
      'Wires off.',
      'Union or flange loose, then the manifold side.',
      'Out with its manifold where that turns easier.',
    ],
    mind: ['The orifices drop out of a manifold held upside down.', 'Small screws of the flange: a magnet below.'],
    in: [
      'Same fuel and outlet pressure on its plate.',
      'Started by hand, tightened against the second wrench.',
      'Wires as listed.',
    ],
    seals: ['tapered', 'flare', 'gasket'],
    lies: 'Its arrow in the direction of the gas; coil up, or as its sheet allows.',
    leakTest: true,
    first: 'Ohms of its coil, beside the old one’s and its sheet.',
  },
  stepper: {
    shut: [POWER, GAS],
    out: ['Photo and wire list.', 'Plug off.', 'Screws crosswise.'],
    mind: ['O-ring under it.', 'The spring under the regulator’s cap.'],
    in: ['New O-ring, faces dry.', 'Screws crosswise, a little at a time.', 'Run its calibration as the sheet says.'],
    seals: ['machined', 'gasket'],
    lies: 'As it lay: mark it before.',
    leakTest: true,
    first: 'Its windings, beside each other.',
  },
  'pilot-magnet': {
    shut: [GAS, 'Pilot out, and cold.'],
    out: ['Thermocouple off.', 'Cover screws.', 'Magnet or valve out.'],
    mind: ['Spring and washer under the magnet.'],
    in: ['Seat clean and dry.', 'Finger-tight, then a quarter turn for the thermocouple.'],
    seals: ['machined'],
    leakTest: true,
    first: 'That it holds with a good thermocouple and lets go when it cools.',
  },
  thermocouple: {
    shut: [GAS, 'Pilot out, and cold.'],
    out: ['Nut at the valve.', 'Clip at the pilot.'],
    mind: ['The clip’s screw.', 'Do not kink the new lead.'],
    in: [
      'Tip in the outer third of the pilot flame.',
      'Nut finger-tight, then a quarter turn: tighter crushes its contact.',
    ],
    seals: ['machined'],
    leakTest: true,
    first: 'Length and thread beside the old one.',
  },
  thermopile: {
    shut: [GAS, 'Pilot out, and cold.'],
    out: ['Two wires.', 'Clip or screw at the pilot.'],
    mind: ['Gasket of the burner door, where it has one.'],
    in: ['Pushed home into its clip.', 'New gasket at the door: the chamber is sealed by it.'],
    seals: ['gasket'],
    first: 'Length and plug beside the old one.',
  },
  'glow-igniter': {
    shut: [POWER, COOL],
    out: ['Plug off.', 'Bracket screw.', 'Straight out: carbide breaks at a touch.'],
    mind: ['The screw falls into the burner box.', 'Fingers off the element: grease cracks it.'],
    in: ['Its bracket touches nothing but its seat.', 'Gap to the burner as before.', 'Gasket of the box.'],
    seals: ['gasket'],
    lies: 'As before: it glows into the first burner’s gas.',
    first: 'Ohms, cold, beside the book: carbide 40–90 Ω, nitride 10–20 Ω.',
  },
  'spark-gap': {
    shut: [POWER, GAS, COOL],
    out: ['Cable off.', 'Screw of the electrode.'],
    mind: ['Porcelain cracks when its screw is forced.'],
    in: ['Gap by gauge, 1/8 in where its sheet says nothing.', 'Cable away from metal.'],
    seals: ['gasket'],
    first: 'Porcelain whole, cable between 0 and 10 kΩ.',
  },
  'flame-rod': {
    shut: [POWER, COOL],
    out: ['Wire off.', 'Screw.'],
    mind: ['Gasket under its flange.'],
    in: ['Tip in the flame, away from metal.', 'Clean, not sanded.'],
    seals: ['gasket'],
    first: 'OL from the rod to its flange.',
  },
  transformer: {
    shut: [POWER],
    out: ['Photo and wire list.', 'Secondary, then primary.'],
    mind: ['Spade lugs that pull the wire off.'],
    in: [
      'Volts and VA as the old one or more.',
      'Primary to the line’s volts; unused taps capped.',
      'Find what overloaded the old one first.',
    ],
    seals: [],
    first: 'Primary and secondary ohms; no ground between them.',
  },
  motor: {
    shut: [POWER, DISCHARGE],
    out: ['Wheel’s screw loose.', 'Housing out, motor off its mount.'],
    mind: ['Set screw of the wheel: on the flat of the shaft.', 'Gasket between housing and exchanger.'],
    in: [
      'Turns the same way, same speed taps.',
      'Wheel free by hand, in the middle.',
      'New capacitor with a new motor.',
    ],
    seals: ['gasket'],
    lies: 'Weep holes down.',
    first: 'Windings against each other and to the frame.',
  },
  capacitor: {
    shut: [POWER, DISCHARGE],
    out: ['Wires off, one at a time.'],
    mind: ['The strap’s screw.'],
    in: ['Same microfarads; volts the same or more.', 'C, FAN and HERM as they were.'],
    seals: [],
    first: 'Its microfarads, within 6 % of what is written on it.',
  },
  interlock: {
    shut: [POWER],
    out: ['Photo and wire list.', 'Hose or screws.'],
    mind: ['Small screws; hose ends crack.'],
    in: ['Same set point, on the same spot.', 'Hose pushed home, no water in it.', 'Make it act once before leaving.'],
    seals: ['gasket'],
    lies: 'Air switches: diaphragm upright, as the old one.',
    first: 'Closed or open as it should be at rest.',
  },
  relay: {
    shut: [POWER],
    out: ['Photo and wire list: COM, NO and NC differ from make to make.'],
    mind: ['Jumpers between its lugs go over to the new one.'],
    in: ['Coil volts and contact rating as the old one or more.'],
    seals: [],
    first: 'Coil ohms; NC closed, NO open.',
  },
  control: {
    shut: [POWER, 'Touch bare metal first: boards die of sparks.'],
    out: ['Photo and wire list.', 'Plugs by their bodies, not by their wires.'],
    mind: ['Standoffs break.', 'Switches and jumpers on it: note how they stand.'],
    in: ['Same settings as the old one.', 'Find what killed the old one first: a coil, a shorted cable, water.'],
    seals: [],
    first: 'Its number, its supply, and that nothing shorts its outputs.',
  },
  fuse: {
    shut: [POWER],
    out: ['Pull it straight.'],
    mind: ['The short that blew it is still there.'],
    in: ['Same amperes, never more.'],
    seals: [],
    first: 'Nought ohms.',
  },
  supply: {
    shut: ['Breaker off, locked, and proved dead.'],
    out: ['A licensed electrician’s work in most places.'],
    mind: [],
    in: ['Polarity and ground proved.'],
    seals: [],
    first: 'Line to neutral, line to ground, neutral to ground.',
  },
  element: {
    shut: [POWER, WATER],
    out: ['Wires off.', 'Drain below it.', 'Out with its wrench.'],
    mind: ['Old gasket left on the seat.'],
    in: ['Same volts and watts.', 'New gasket.', 'Fill and bleed before power: a dry element burns out in seconds.'],
    seals: ['gasket'],
    first: 'Ohms from its plate; OL to its sheath.',
  },
  'vent-damper': {
    shut: [POWER, GAS],
    out: ['Plug off.', 'Vent pipe screws.'],
    mind: ['Blade shuts by its spring: fingers.'],
    in: ['Same size as the vent.', 'Blade opens fully; its switch makes only then.'],
    seals: [],
    lies: 'Arrow with the flue gas.',
    first: 'Its motor’s ohms; end switch open when the blade is shut.',
  },
  'zone-valve': {
    shut: [POWER, WATER],
    out: ['Head off first: often it is all that is needed.'],
    mind: ['O-ring of the stem.'],
    in: ['Lever on manual to bleed, then back.'],
    seals: ['tapered'],
    lies: 'Arrow with the water.',
    first: 'Motor ohms; end switch.',
  },
  battery: {
    shut: ['Fuse out first; negative off first.'],
    out: ['Negative, then positive.'],
    mind: ['A wrench from plus to metal welds.'],
    in: ['Positive, then negative.'],
    seals: [],
    first: 'Volts at rest and under load.',
  },
  converter: {
    shut: ['Shore power off and battery fuse out.'],
    out: ['Photo and wire list.'],
    mind: [],
    in: ['Polarity.'],
    seals: [],
    first: 'Volts out with nothing on it.',
  },
  wire: {
    shut: [POWER],
    out: ['One wire at a time.'],
    mind: ['Same gauge and heat rating.'],
    in: ['Crimped, tugged, away from heat and edges.'],
    seals: [],
    first: 'Nought ohms end to end, OL to chassis.',
  },
};

/** Of some families otherwise. */
const OF_FAMILY: Readonly<Partial<Record<Family, Readonly<Record<string, Partial<SwapNote>>>>>> = {
  steam: {
    interlock: {
      shut: [POWER, STEAM],
      out: ['Photo and wire list.', 'Out at its tapping, two wrenches.'],
      seals: ['probe', 'tapered'],
      in: [
        'Pigtail clear and full of water under a pressure control.',
        'Probe thread with dope only.',
        'Make it act once before leaving.',
      ],
    },
  },
  hydronic: { interlock: { shut: [POWER, WATER], seals: ['probe', 'tapered'] } },
  dryer: {
    motor: {
      mind: ['The belt: photo of its way round the idler.', 'Front screws fall into the lint duct.'],
      out: ['Front off.', 'Belt off the idler.', 'Wheel off the shaft.'],
    },
    'glow-igniter': { mind: ['Two screws of the bracket fall under the drum: a magnet.', 'Fingers off the element.'] },
  },
  'mobile-furnace': {
    control: { shut: ['Fuse out at the 12 V panel before it is opened.', 'Gas shut at the bottle.'] },
  },
};

/** The note for a kind of part in a family; nothing for kinds that nobody swaps. */
export function swapNoteFor(kind: string, family: Family | undefined): SwapNote | undefined {
  const note = NOTES[kind];
  const own = family && OF_FAMILY[family]?.[kind];
  return note && { ...note, ...own };
}

export const SWAPPED_KINDS: readonly string[] = Object.keys(NOTES);
