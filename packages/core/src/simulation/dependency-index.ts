import type { Controller, Expression, Model, Source } from '../profile';

/** What can change while an appliance runs: what expressions look at, and how the circuit drives a part. */
type Changing = Source['kind'] | 'drive';

/**
 * Who looks at what in one appliance. Those who are asked where they are heading are its moving parts, its quantities, the
 * regions of its control and its phases, numbered in this order.
 */
export class DependencyIndex {
  /** Number of the first quantity, region and phase; a part has its own index. */
  readonly quantities: number;
  readonly regions: number;
  readonly phases: number;
  readonly count: number;
  /** By what can change and its index: the numbers of those who look at it. */
  readonly of: Readonly<Record<Changing, readonly (readonly number[])[]>>;

  constructor({ parts, quantities, controller, comparisons, env, phases }: Model) {
    this.quantities = parts.length;
    this.regions = this.quantities + quantities.length;
    this.phases = this.regions + (controller?.regions.length ?? 0);
    this.count = this.phases + phases.length;
    const of = {
      part: nobody(parts),
      drive: nobody(parts),
      quantity: nobody(quantities),
      output: nobody(controller?.outputs),
      input: nobody(controller?.inputs),
      region: nobody(controller?.regions),
      counter: nobody(controller?.counters),
      comparison: nobody(comparisons),
      env: nobody(env),
      alive: nobody([controller]),
    };
    const listens = (number: number, kind: Changing, index: number): void => {
      const list = of[kind][index]!;
      if (!list.includes(number)) list.push(number);
    };
    const asks = (number: number, expressions: Iterable<Expression>): void => {
      for (const { sources } of expressions) for (const { kind, index } of sources) listens(number, kind, index);
    };
    for (const { index, kind, senses, conditions } of parts) {
      if (!kind.move) continue;
      listens(index, 'part', index);
      listens(index, 'drive', index);
      for (const quantity of senses.values()) listens(index, 'quantity', quantity);
      asks(index, conditions.values());
    }
    for (const { index, rules } of quantities)
      asks(
        this.quantities + index,
        rules.flatMap(({ when }) => when ?? []),
      );
    for (const region of controller?.regions ?? []) {
      listens(this.regions + region.index, 'region', region.index);
      listens(this.regions + region.index, 'alive', 0);
      asks(this.regions + region.index, askedBy(region));
    }
    for (const { index, cue, window } of phases) asks(this.phases + index, [cue, window]);
    this.of = of;
  }
}

const nobody = (of: readonly unknown[] = []): number[][] => of.map(() => []);

/** Every expression that a region of a control asks. */
export function* askedBy({ always, states }: Controller['regions'][number]): Iterable<Expression> {
  for (const { when, set } of [...always, ...states.flatMap((s) => s.go)]) {
    yield when;
    for (const { value } of set) yield value;
  }
}

/** Who has to be asked in one run: at first everybody, then those who look at something that changed. */
export class Due {
  private readonly due: Uint8Array;

  constructor(readonly index: DependencyIndex) {
    this.due = new Uint8Array(index.count).fill(1);
  }

  changed(kind: Changing, index: number): void {
    const looking = this.index.of[kind][index]!;
    for (let i = 0; i < looking.length; i++) this.due[looking[i]!] = 1;
  }

  /** Whether somebody is due, who then is no more. */
  take(number: number): boolean {
    if (this.due[number] === 0) return false;
    this.due[number] = 0;
    return true;
  }
}
