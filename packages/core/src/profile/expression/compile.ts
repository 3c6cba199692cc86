import { asIndex, type PartIndex } from '../indices';
import {
  type Expression,
  ExpressionError,
  type ExpressionType,
  type Names,
  type Scope,
  type Source,
  type Term,
  type Voltmeter,
} from './expression';
import { type Comparator, parse, type Tree } from './parse';

interface Node {
  readonly type: ExpressionType;
  readonly evaluate: (scope: Scope) => number;
  /** Set when the node is one bare quantity or one constant, so that a comparison can note its threshold. */
  readonly quantity?: number;
  readonly constant?: number;
  /** Its value from voltages alone, for a node that asks for nothing else. */
  readonly metered?: (volts: Voltmeter) => number;
  readonly asksVolts?: boolean;
}

/** A voltage by itself: it can only be compared. */
const neverAsked = (): never => {
  throw new RangeError('a voltage is compared, not asked for');
};

/**
 * Compiles an expression such as `input.PS && after(15 s)` or `draft >= 0.6 inwc`, checking names, types and units.
 * Throws ExpressionError with a remedy.
 */
export function compileExpression(text: string, names: Names, wanted?: ExpressionType): Expression {
  return new Compiler(text, names).expression(wanted);
}

class Compiler {
  private readonly durations: number[] = [];
  private readonly thresholds: { quantity: number; value: number }[] = [];
  private readonly sources: Source[] = [];
  private readonly faults: { part: PartIndex; mode: number }[] = [];
  private readonly terms: Term[] = [];

  constructor(
    private readonly text: string,
    private readonly names: Names,
  ) {}

  expression(wanted: ExpressionType | undefined): Expression {
    const root = this.node(parse(this.text), false);
    if (wanted !== undefined && root.type !== wanted)
      throw new ExpressionError(
        `"${this.text}" is a ${root.type}, where a ${wanted === 'boolean' ? 'condition' : wanted} is needed`,
      );
    const looked = (kind: Source['kind']): number[] => this.sources.filter((s) => s.kind === kind).map((s) => s.index);
    return {
      text: this.text,
      type: root.type,
      evaluate: root.evaluate,
      durations: this.durations,
      thresholds: this.thresholds,
      parts: looked('part').map((at) => asIndex<PartIndex>(at)),
      quantities: looked('quantity'),
      faults: this.faults,
      settings: looked('env'),
      asksVolts: looked('comparison').length > 0,
      terms: this.terms,
      sources: this.sources,
    };
  }

  private looksAt(kind: Source['kind'], index: number): void {
    if (!this.sources.some((s) => s.kind === kind && s.index === index)) this.sources.push({ kind, index });
  }

  /** `negated`: whether the node stands under an odd number of negations. */
  private node(tree: Tree, negated: boolean): Node {
    switch (tree.op) {
      case 'or': {
        const [a, b] = this.conditions(tree, '||', negated);
        return { type: 'boolean', evaluate: (s) => (a.evaluate(s) !== 0 || b.evaluate(s) !== 0 ? 1 : 0) };
      }
      case 'and': {
        const [a, b] = this.conditions(tree, '&&', negated);
        return { type: 'boolean', evaluate: (s) => (a.evaluate(s) !== 0 && b.evaluate(s) !== 0 ? 1 : 0) };
      }
      case 'not': {
        const inner = this.condition(this.node(tree.of, !negated), '!');
        return { type: 'boolean', evaluate: (s) => (inner.evaluate(s) === 0 ? 1 : 0) };
      }
      case 'compare':
        return this.comparison(tree, negated);
      case 'add': {
        const [a, b] = [this.node(tree.left, negated), this.node(tree.right, negated)];
        if (a.type !== b.type || a.type === 'boolean')
          throw new ExpressionError(`"${this.text}" adds ${a.type} and ${b.type}; both must measure the same`);
        const { sign } = tree;
        return joined(a, b, a.type, (p, q) => (s) => p(s) + sign * q(s));
      }
      case 'multiply': {
        const [a, b] = [this.node(tree.left, negated), this.node(tree.right, negated)];
        if (a.type !== 'none' && b.type !== 'none')
          throw new ExpressionError(`"${this.text}" multiplies two measured values; one must be a plain number`);
        return joined(a, b, a.type === 'none' ? b.type : a.type, (p, q) => (s) => p(s) * q(s));
      }
      case 'number': {
        const { value, dimension } = tree;
        return { type: dimension, evaluate: () => value, constant: value, metered: () => value };
      }
      case 'after': {
        const { ms } = tree;
        this.durations.push(ms);
        return { type: 'boolean', evaluate: (s) => (s.sinceEntry() >= ms ? 1 : 0) };
      }
      case 'fault': {
        const { part, mode } = this.names.resolveFault(tree.name);
        if (mode === undefined) return { type: 'boolean', evaluate: () => 0 };
        this.faults.push({ part, mode });
        return { type: 'boolean', evaluate: (s) => (s.fault(part, mode) ? 1 : 0) };
      }
      case 'volts': {
        const a = this.names.resolveNet(tree.a);
        const b = this.names.resolveNet(tree.b);
        return { type: 'voltage', evaluate: neverAsked, metered: (volts) => volts(a, b), asksVolts: true };
      }
      case 'name':
        return this.named(tree.name, negated);
    }
  }

  private conditions(
    { left, right }: { readonly left: Tree; readonly right: Tree },
    around: string,
    negated: boolean,
  ): [Node, Node] {
    const [a, b] = [this.node(left, negated), this.node(right, negated)];
    return [this.condition(a, around), this.condition(b, around)];
  }

  private condition(node: Node, around: string): Node {
    if (node.type !== 'boolean')
      throw new ExpressionError(
        `"${around}" needs conditions on both sides in "${this.text}"; compare the value with something`,
      );
    return node;
  }

  private comparison(tree: Extract<Tree, { op: 'compare' }>, negated: boolean): Node {
    const { text } = this;
    const [left, right] = [this.node(tree.left, negated), this.node(tree.right, negated)];
    if (left.type !== right.type)
      throw new ExpressionError(`"${text}" compares ${left.type} with ${right.type}; give the number the right unit`);
    if (left.asksVolts || right.asksVolts) {
      if (!left.metered || !right.metered)
        throw new ExpressionError(`"${text}": compare volts with plain numbers or other volts`);
      const holds = COMPARE[tree.by](left.metered, right.metered);
      const index = this.names.addComparison((volts) => holds(volts) !== 0);
      this.looksAt('comparison', index);
      return { type: 'boolean', evaluate: (s) => (s.compared(index) ? 1 : 0) };
    }
    if (left.quantity !== undefined || right.quantity !== undefined) {
      const quantity = left.quantity ?? right.quantity!;
      const constant = left.quantity !== undefined ? right.constant : left.constant;
      if (constant === undefined)
        throw new ExpressionError(
          `"${text}": compare a quantity with a plain constant, so that the moment of crossing is known`,
        );
      this.thresholds.push({ quantity, value: constant });
    }
    return { type: 'boolean', evaluate: COMPARE[tree.by](left.evaluate, right.evaluate) };
  }

  private named(name: string, negated: boolean): Node {
    if (name === 'true' || name === 'false') {
      const value = name === 'true' ? 1 : 0;
      return { type: 'boolean', evaluate: () => value };
    }
    if (name === 'alive') {
      this.looksAt('alive', 0);
      return { type: 'boolean', evaluate: (s) => (s.alive() ? 1 : 0) };
    }
    const found = this.names.resolve(name);
    switch (found.kind) {
      case 'part':
        this.looksAt('part', found.part);
        this.terms.push({ kind: 'part', part: found.part, state: found.state, negated });
        return { type: 'boolean', evaluate: (s) => (s.partIs(found.part, found.state) ? 1 : 0) };
      case 'output':
        this.looksAt('output', found.port);
        this.terms.push({ kind: 'output', output: found.port, negated });
        return { type: 'boolean', evaluate: (s) => (s.outputOn(found.port) ? 1 : 0) };
      case 'input':
        this.looksAt('input', found.input);
        return { type: 'boolean', evaluate: (s) => (s.input(found.input) ? 1 : 0) };
      case 'quantity':
        this.looksAt('quantity', found.quantity);
        return { type: found.dimension, evaluate: (s) => s.quantity(found.quantity), quantity: found.quantity };
      case 'env':
        this.looksAt('env', found.env);
        return { type: 'boolean', evaluate: (s) => (s.env(found.env) ? 1 : 0) };
      case 'region':
        // A region of a control that is down is in no state.
        this.looksAt('alive', 0);
        this.looksAt('region', found.region);
        return { type: 'boolean', evaluate: (s) => (s.regionIs(found.region, found.state) ? 1 : 0) };
      case 'counter':
        this.looksAt('counter', found.counter);
        return { type: 'none', evaluate: (s) => s.counter(found.counter) };
    }
  }
}

type Value<S> = (from: S) => number;
type Join = <S>(a: Value<S>, b: Value<S>) => Value<S>;

/** Two values joined into one, whether they come from the appliance or from voltages alone. */
const joined = (a: Node, b: Node, type: ExpressionType, join: Join): Node => ({
  type,
  evaluate: join(a.evaluate, b.evaluate),
  ...(a.metered && b.metered ? { metered: join(a.metered, b.metered) } : {}),
  asksVolts: a.asksVolts === true || b.asksVolts === true,
});

const COMPARE: Readonly<Record<Comparator, Join>> = {
  '>=': (a, b) => (s) => (a(s) >= b(s) - 1e-12 ? 1 : 0),
  '<=': (a, b) => (s) => (a(s) <= b(s) + 1e-12 ? 1 : 0),
  '>': (a, b) => (s) => (a(s) > b(s) ? 1 : 0),
  '<': (a, b) => (s) => (a(s) < b(s) ? 1 : 0),
  '==': (a, b) => (s) => (a(s) === b(s) ? 1 : 0),
  '!=': (a, b) => (s) => (a(s) !== b(s) ? 1 : 0),
};
