import {
  type Act,
  type BenchState,
  type Display,
  type FromInstruments,
  type InstrumentCard,
  type MachineSetup,
  notThere,
  SimulatedInstrument,
} from '@zetalysis/core/instruments';
import { findPart, type PartIndex } from '@zetalysis/core/profile';
import { codeShown } from '@zetalysis/core/question';
import { codeWords } from '@zetalysis/core/presentation';
import { LivingAppliance, NORMAL_SETUP, Random, type Setup } from '@zetalysis/core/simulation';
import { inSeconds } from '@zetalysis/core/units';
import type { Adapter } from './adapter';
import { type Appliance, virtual } from './appliances';

/** A display is made anew so often, milliseconds. */
const EVERY = 250;

/** What lies on the bench; the first of them is switched on. */
const CARDS: readonly InstrumentCard[] = [
  { id: 'm2', kind: 'multimeter', title: 'Meter 2', serial: 'ZM-2207' },
  { id: 'm5', kind: 'multimeter', title: 'Meter 5', serial: 'ZM-2511' },
  { id: 'c1', kind: 'clamp', title: 'Clamp 1', serial: 'ZC-0118' },
  { id: 'g1', kind: 'manometer', title: 'Manometer 1', serial: 'ZP-0042' },
  { id: 't1', kind: 'thermometer', title: 'Thermometer 1', serial: 'ZT-0007' },
  { id: 'a1', kind: 'analyser', title: 'Analyser 1', serial: 'ZA-0031' },
];

type Shown = Omit<Display, 'at'>;

/** Simulated instruments in front of a virtual appliance: they show what their own probes meet, wrong point and wrong function included. */
export class SimulatedBench implements Adapter {
  readonly name = 'Simulated bench';
  private machine!: Appliance;
  private living!: LivingAppliance;
  private instruments_: readonly SimulatedInstrument[] = [];
  private on = new Set([CARDS[0]!.id]);
  private shown = new Map<string, Shown>();
  private speed = 1;
  /** Time of the machine at the moment from which `speed` counts. */
  private from = { real: 0, own: 0 };
  private warning: string | undefined;
  private timer: NodeJS.Timeout | undefined;
  private say: (said: FromInstruments) => void = () => undefined;

  constructor(
    private readonly root: string,
    private readonly machines: readonly Appliance[],
    private readonly clock: () => number = Date.now,
  ) {
    this.choose(machines[0]!);
  }

  get simulates() {
    return { profile: this.machine.profile, machine: this.machine.machine };
  }

  get model() {
    return this.living.model;
  }

  instruments(): readonly InstrumentCard[] {
    return CARDS.filter((c) => this.on.has(c.id));
  }

  start(say: (said: FromInstruments) => void): void {
    this.say = say;
    this.timer = setInterval(() => this.show(), EVERY);
  }

  stop(): void {
    clearInterval(this.timer);
  }

  follow({ repaired, ...setup }: MachineSetup): void {
    this.set(
      setup,
      repaired.flatMap((id) => findPart(this.model, id)?.index ?? []),
    );
  }

  /** What somebody does at the bench; in words why it cannot be done. */
  do(act: Act): string | undefined {
    this.warning = undefined;
    switch (act.do) {
      case 'choose': {
        const machine = this.machines.find((m) => m.machine === act.machine);
        if (!machine) return `there is no machine "${act.machine}"`;
        this.choose(machine);
        this.say({ t: 'welcome', protocol: 1, name: this.name, simulates: this.simulates });
        return undefined;
      }
      case 'set':
        this.set({ ...this.living.setup, [act.what]: act.on });
        return undefined;
      case 'again':
        this.living.again(this.own());
        return undefined;
      case 'speed':
        this.from = { real: this.clock(), own: this.own() };
        this.speed = act.times;
        return undefined;
      case 'put': {
        const why = notThere(this.model, act.place);
        return why ?? this.with(act.id, (i) => i.put(act.place));
      }
      case 'turn':
        return this.with(act.id, (i) => i.turn(act.set));
      case 'switch':
        return this.with(act.id, ({ card }) => {
          if (act.on === this.on.has(card.id)) return;
          if (act.on) this.on.add(card.id);
          else this.on.delete(card.id);
          this.shown.delete(card.id);
          this.say(act.on ? { t: 'instrument', ...card } : { t: 'gone', id: card.id });
        });
    }
  }

  state(): Omit<BenchState, 'code' | 'listeners'> {
    const { lived, at } = this.living.now(this.own());
    const { model, setup } = this.living;
    const { trace } = lived;
    const code = trace.codes.findLast((c) => c.at <= at)?.code ?? 'none';
    return {
      machines: this.machines.map((m) => m.machine),
      machine: this.machine.machine,
      noticed: model.phases
        .filter((p) => trace.cues[p.index]!.some((c) => c.from <= at && at <= c.to))
        .map((p) => p.title),
      light: model.codes.length === 0 ? '' : codeWords(codeShown(model, code)),
      setup: { ...setup, apart: setup.apart ?? [], repaired: this.living.repaired.map((p) => model.parts[p]!.id) },
      seconds: Math.round(inSeconds(this.own() - this.living.began)),
      speed: this.speed,
      instruments: this.instruments_.map(({ card, set, place }) => ({
        card,
        on: this.on.has(card.id),
        set,
        place,
        display: this.shown.get(card.id),
      })),
      ...(this.warning !== undefined && { warning: this.warning }),
    };
  }

  /** Every instrument that is on shows what it meets, and says it. */
  show(): void {
    const now = this.own();
    for (const instrument of this.instruments_) {
      const { card } = instrument;
      if (!this.on.has(card.id)) continue;
      const { accident, ...shown } = instrument.show(this.clock(), (ago) => this.living.now(now - ago * this.speed));
      if (accident)
        this.warning = `${card.title}: ohms on a live circuit. The number means nothing, and the meter may not survive it. Power off first.`;
      this.shown.set(card.id, shown);
      this.say({ t: 'shows', id: card.id, ...shown, value: shown.value ?? null });
    }
  }

  private choose(machine: Appliance): void {
    this.machine = machine;
    this.from = { real: this.clock(), own: 0 };
    this.living = new LivingAppliance(virtual(this.root, machine), 0);
    this.shown.clear();
    const random = new Random(machine.seed);
    this.instruments_ = CARDS.map((card) => new SimulatedInstrument(card, this.model, random, machine.flue));
  }

  private set(
    { power, gas, heatCall, unplugged, bypassed, actions, apart = [] }: Setup,
    repaired?: readonly PartIndex[],
  ): void {
    const known = (of: readonly { readonly id: string }[], ids: readonly string[]): readonly string[] =>
      ids.filter((id) => of.some((o) => o.id === id));
    const { model } = this;
    this.living.set(
      {
        ...NORMAL_SETUP,
        power,
        gas,
        heatCall,
        unplugged: known(model.plugs, unplugged),
        bypassed: known(model.parts, bypassed),
        actions: known(model.actions, actions),
        ...(apart.length > 0 && { apart }),
      },
      this.own(),
      repaired,
    );
  }

  private with(id: string, what: (instrument: SimulatedInstrument) => void): string | undefined {
    const instrument = this.instruments_.find((i) => i.card.id === id);
    if (!instrument) return `there is no instrument "${id}"`;
    try {
      what(instrument);
      return undefined;
    } catch (error) {
      if (error instanceof RangeError) return error.message;
      throw error;
    }
  }

  /** The time of the machine, milliseconds since somebody stood in front of it. */
  private own(): number {
    return this.from.own + (this.clock() - this.from.real) * this.speed;
  }
}
