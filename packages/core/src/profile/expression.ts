import { type Dimension, findUnit } from '../units';

/** What an expression can ask of the running appliance. Everything is by index, resolved once at load. */
export interface Scope {
  partIs(part: number, state: number): boolean;
  /** Whether the program commands this output of the control (not whether power arrives). */
  outputOn(port: number): boolean;
  input(index: number): boolean;
  quantity(index: number): number;
  env(index: number): boolean;
  fault(part: number, mode: number): boolean;
  regionIs(region: number, state: number): boolean;
  /** Milliseconds since the region whose guard is being asked entered its state. */
  sinceEntry(): number;
  counter(index: number): number;
  /** Whether a comparison of voltages holds in the present circuit. */
  compared(comparison: number): boolean;
  alive(): boolean;
}

/** Volts between two nets of a circuit. */
type Voltmeter = (netA: number, netB: number) => number;

/** A condition about voltages, such as `volts(A, B) >= 18 V`; all that an expression can ask of the circuit. */
export type Comparison = (volts: Voltmeter) => boolean;

export type ExpressionType = 'boolean' | Dimension;

/** Something that an expression looks at and that can change while the appliance runs; `index` as in the model. */
export interface Source {
  readonly kind:
    | 'part'
    | 'output'
    | 'input'
    | 'quantity'
    | 'env'
    | 'region'
    | 'counter'
    | 'comparison'
    /** Whether the control is up; there is one. */
    | 'alive';
  readonly index: number;
}

export interface Expression {
  readonly text: string;
  readonly type: ExpressionType;
  /** Booleans are 0 and 1. */
  readonly evaluate: (scope: Scope) => number;
  /** Durations in `after(…)`, milliseconds: moments at which the answer may change by itself. */
  readonly durations: readonly number[];
  /** Constants that single quantities are compared with. */
  readonly thresholds: readonly { readonly quantity: number; readonly value: number }[];
  /** Parts whose state the expression looks at. */
  readonly parts: readonly number[];
  readonly quantities: readonly number[];
  /** Ways of failing the expression asks about. */
  readonly faults: readonly { readonly part: number; readonly mode: number }[];
  /** Settings it asks about, by place in the model's `env`. */
  readonly settings: readonly number[];
  readonly asksVolts: boolean;
  /** Everything whose change may change the answer; besides, only the passing of its durations does. */
  readonly sources: readonly Source[];
}

/** A name resolved against the profile. */
type Resolved =
  | { readonly kind: 'part'; readonly part: number; readonly state: number }
  | { readonly kind: 'output'; readonly port: number }
  | { readonly kind: 'input'; readonly input: number }
  | { readonly kind: 'quantity'; readonly quantity: number; readonly dimension: Dimension }
  | { readonly kind: 'env'; readonly env: number }
  | { readonly kind: 'region'; readonly region: number; readonly state: number }
  | { readonly kind: 'counter'; readonly counter: number };

export interface Names {
  /** Throws an ExpressionError with a remedy when the name is unknown. */
  resolve(name: string): Resolved;
  /** A way of failing; its mode is undefined when the profile says that it does not happen. */
  resolveFault(name: string): { part: number; mode: number | undefined };
  resolveNet(name: string): number;
  /** Takes a comparison of voltages into the model; gives its number. */
  addComparison(comparison: Comparison): number;
}

/** What is wrong with an expression, and what to write instead. */
export class ExpressionError extends Error {}

type Token =
  | { kind: 'number'; value: number; dimension: Dimension }
  | { kind: 'name'; text: string }
  | { kind: 'symbol'; text: string };

const TOKEN =
  /\s*(?:(\d+(?:\.\d+)?)(?:\s*([A-Za-zµ°%Ω"][A-Za-zµ°%Ω.]*))?|([A-Za-z][\w./-]*)|(&&|\|\||>=|<=|==|!=|[-+*/()<>!,]))/y;

function tokenize(text: string): Token[] {
  const tokens: Token[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < text.length) {
    const at = TOKEN.lastIndex;
    const match = TOKEN.exec(text);
    if (!match) {
      if (text.slice(at).trim() === '') break;
      throw new ExpressionError(
        `cannot read "${text.slice(at).trim()}"; use names, numbers with units, && || ! and comparisons`,
      );
    }
    if (match[1] !== undefined) {
      const unit = match[2] === undefined ? undefined : findUnit(match[2]);
      if (match[2] !== undefined && !unit)
        throw new ExpressionError(`"${match[2]}" is not a unit; write for example 30 s, 0.6 inwc, 0.8 uA`);
      tokens.push({
        kind: 'number',
        value: Number(match[1]) * (unit?.factor ?? 1) + (unit?.offset ?? 0),
        dimension: unit?.dimension ?? 'none',
      });
    } else if (match[3] !== undefined) tokens.push({ kind: 'name', text: match[3] });
    else tokens.push({ kind: 'symbol', text: match[4]! });
  }
  return tokens;
}

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
  const tokens = tokenize(text);
  let at = 0;
  const durations: number[] = [];
  const thresholds: { quantity: number; value: number }[] = [];
  const sources: Source[] = [];
  const looksAt = (kind: Source['kind'], index: number): void => {
    if (!sources.some((s) => s.kind === kind && s.index === index)) sources.push({ kind, index });
  };
  const looked = (kind: Source['kind']): number[] => sources.filter((s) => s.kind === kind).map((s) => s.index);
  const faults: { part: number; mode: number }[] = [];

  const peek = (): Token | undefined => tokens[at];
  const take = (symbol: string): boolean => {
    const token = tokens[at];
    if (token?.kind !== 'symbol' || token.text !== symbol) return false;
    at++;
    return true;
  };
  const need = (symbol: string): void => {
    if (!take(symbol)) throw new ExpressionError(`expected "${symbol}" in "${text}"`);
  };
  const needName = (what: string): string => {
    const token = tokens[at++];
    if (token?.kind !== 'name') throw new ExpressionError(`expected ${what} in "${text}"`);
    return token.text;
  };
  const boolean = (node: Node, around: string): Node => {
    if (node.type !== 'boolean')
      throw new ExpressionError(
        `"${around}" needs conditions on both sides in "${text}"; compare the value with something`,
      );
    return node;
  };

  const orExpression = (): Node => {
    let left = andExpression();
    while (take('||')) {
      const a = boolean(left, '||');
      const b = boolean(andExpression(), '||');
      left = { type: 'boolean', evaluate: (s) => (a.evaluate(s) !== 0 || b.evaluate(s) !== 0 ? 1 : 0) };
    }
    return left;
  };
  const andExpression = (): Node => {
    let left = notExpression();
    while (take('&&')) {
      const a = boolean(left, '&&');
      const b = boolean(notExpression(), '&&');
      left = { type: 'boolean', evaluate: (s) => (a.evaluate(s) !== 0 && b.evaluate(s) !== 0 ? 1 : 0) };
    }
    return left;
  };
  const notExpression = (): Node => {
    if (!take('!')) return comparison();
    const inner = boolean(notExpression(), '!');
    return { type: 'boolean', evaluate: (s) => (inner.evaluate(s) === 0 ? 1 : 0) };
  };
  const comparison = (): Node => {
    const left = sum();
    const operator = ['>=', '<=', '==', '!=', '>', '<'].find((symbol) => take(symbol));
    if (operator === undefined) return left;
    const right = sum();
    if (left.type !== right.type)
      throw new ExpressionError(`"${text}" compares ${left.type} with ${right.type}; give the number the right unit`);
    if (left.asksVolts || right.asksVolts) {
      if (!left.metered || !right.metered)
        throw new ExpressionError(`"${text}": compare volts with plain numbers or other volts`);
      const holds = COMPARE[operator]!(left.metered, right.metered);
      const index = names.addComparison((volts) => holds(volts) !== 0);
      looksAt('comparison', index);
      return { type: 'boolean', evaluate: (s) => (s.compared(index) ? 1 : 0) };
    }
    if (left.quantity !== undefined || right.quantity !== undefined) {
      const quantity = left.quantity ?? right.quantity!;
      const constant = left.quantity !== undefined ? right.constant : left.constant;
      if (constant === undefined)
        throw new ExpressionError(
          `"${text}": compare a quantity with a plain constant, so that the moment of crossing is known`,
        );
      thresholds.push({ quantity, value: constant });
    }
    return { type: 'boolean', evaluate: COMPARE[operator]!(left.evaluate, right.evaluate) };
  };
  const sum = (): Node => {
    let left = product();
    for (;;) {
      const operator = take('+') ? 1 : take('-') ? -1 : 0;
      if (operator === 0) return left;
      const a = left;
      const b = product();
      if (a.type !== b.type || a.type === 'boolean')
        throw new ExpressionError(`"${text}" adds ${a.type} and ${b.type}; both must measure the same`);
      left = joined(a, b, a.type, (p, q) => (s) => p(s) + operator * q(s));
    }
  };
  const product = (): Node => {
    let left = primary();
    while (take('*')) {
      const a = left;
      const b = primary();
      if (a.type !== 'none' && b.type !== 'none')
        throw new ExpressionError(`"${text}" multiplies two measured values; one must be a plain number`);
      left = joined(a, b, a.type === 'none' ? b.type : a.type, (p, q) => (s) => p(s) * q(s));
    }
    return left;
  };
  const primary = (): Node => {
    if (take('(')) {
      const inner = orExpression();
      need(')');
      return inner;
    }
    const token = peek();
    if (!token || token.kind === 'symbol')
      throw new ExpressionError(`"${text}" ends too early or has a stray "${token?.text ?? ''}"`);
    at++;
    if (token.kind === 'number') {
      const value = token.value;
      return { type: token.dimension, evaluate: () => value, constant: value, metered: () => value };
    }
    return named(token.text);
  };
  const named = (name: string): Node => {
    if (name === 'true' || name === 'false') {
      const value = name === 'true' ? 1 : 0;
      return { type: 'boolean', evaluate: () => value };
    }
    if (name === 'alive') {
      looksAt('alive', 0);
      return { type: 'boolean', evaluate: (s) => (s.alive() ? 1 : 0) };
    }
    if (name === 'after') {
      need('(');
      const token = tokens[at++];
      if (token?.kind !== 'number' || token.dimension !== 'time')
        throw new ExpressionError(`after() needs a time, for example after(30 s), in "${text}"`);
      need(')');
      const ms = Math.round(token.value * 1000);
      durations.push(ms);
      return { type: 'boolean', evaluate: (s) => (s.sinceEntry() >= ms ? 1 : 0) };
    }
    if (name === 'fault') {
      need('(');
      const { part, mode } = names.resolveFault(needName('part.mode'));
      need(')');
      if (mode === undefined) return { type: 'boolean', evaluate: () => 0 };
      faults.push({ part, mode });
      return { type: 'boolean', evaluate: (s) => (s.fault(part, mode) ? 1 : 0) };
    }
    if (name === 'volts') {
      need('(');
      const a = names.resolveNet(needName('a net'));
      need(',');
      const b = names.resolveNet(needName('a net'));
      need(')');
      return { type: 'voltage', evaluate: neverAsked, metered: (volts) => volts(a, b), asksVolts: true };
    }
    const found = names.resolve(name);
    switch (found.kind) {
      case 'part':
        looksAt('part', found.part);
        return { type: 'boolean', evaluate: (s) => (s.partIs(found.part, found.state) ? 1 : 0) };
      case 'output':
        looksAt('output', found.port);
        return { type: 'boolean', evaluate: (s) => (s.outputOn(found.port) ? 1 : 0) };
      case 'input':
        looksAt('input', found.input);
        return { type: 'boolean', evaluate: (s) => (s.input(found.input) ? 1 : 0) };
      case 'quantity':
        looksAt('quantity', found.quantity);
        return { type: found.dimension, evaluate: (s) => s.quantity(found.quantity), quantity: found.quantity };
      case 'env':
        looksAt('env', found.env);
        return { type: 'boolean', evaluate: (s) => (s.env(found.env) ? 1 : 0) };
      case 'region':
        // A region of a control that is down is in no state.
        looksAt('alive', 0);
        looksAt('region', found.region);
        return { type: 'boolean', evaluate: (s) => (s.regionIs(found.region, found.state) ? 1 : 0) };
      case 'counter':
        looksAt('counter', found.counter);
        return { type: 'none', evaluate: (s) => s.counter(found.counter) };
    }
  };

  const root = orExpression();
  if (at < tokens.length) throw new ExpressionError(`"${text}" goes on after its end; join conditions with && or ||`);
  if (wanted !== undefined && root.type !== wanted)
    throw new ExpressionError(
      `"${text}" is a ${root.type}, where a ${wanted === 'boolean' ? 'condition' : wanted} is needed`,
    );
  return {
    text,
    type: root.type,
    evaluate: root.evaluate,
    durations,
    thresholds,
    parts: looked('part'),
    quantities: looked('quantity'),
    faults,
    settings: looked('env'),
    asksVolts: looked('comparison').length > 0,
    sources,
  };
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

const COMPARE: Readonly<Record<string, Join>> = {
  '>=': (a, b) => (s) => (a(s) >= b(s) - 1e-12 ? 1 : 0),
  '<=': (a, b) => (s) => (a(s) <= b(s) + 1e-12 ? 1 : 0),
  '>': (a, b) => (s) => (a(s) > b(s) ? 1 : 0),
  '<': (a, b) => (s) => (a(s) < b(s) ? 1 : 0),
  '==': (a, b) => (s) => (a(s) === b(s) ? 1 : 0),
  '!=': (a, b) => (s) => (a(s) !== b(s) ? 1 : 0),
};
