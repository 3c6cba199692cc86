import { type Dimension, millis } from '../../units';
import { ExpressionError } from './expression';
import { type Token, tokenize } from './tokenize';

export type Comparator = '>=' | '<=' | '==' | '!=' | '>' | '<';

/** An expression as it is written, before its names are known. */
export type Tree =
  | { readonly op: 'or' | 'and'; readonly left: Tree; readonly right: Tree }
  | { readonly op: 'not'; readonly of: Tree }
  | { readonly op: 'compare'; readonly by: Comparator; readonly left: Tree; readonly right: Tree }
  | { readonly op: 'add'; readonly sign: 1 | -1; readonly left: Tree; readonly right: Tree }
  | { readonly op: 'multiply'; readonly left: Tree; readonly right: Tree }
  | { readonly op: 'number'; readonly value: number; readonly dimension: Dimension }
  | { readonly op: 'name'; readonly name: string }
  /** Milliseconds. */
  | { readonly op: 'after'; readonly ms: number }
  | { readonly op: 'fault'; readonly name: string }
  | { readonly op: 'volts'; readonly a: string; readonly b: string };

const COMPARATORS: readonly Comparator[] = ['>=', '<=', '==', '!=', '>', '<'];

/** Reads an expression. Throws ExpressionError with a remedy. */
export function parse(text: string): Tree {
  const parser = new Parser(text);
  return parser.whole();
}

class Parser {
  private readonly tokens: readonly Token[];
  private at = 0;

  constructor(private readonly text: string) {
    this.tokens = tokenize(text);
  }

  whole(): Tree {
    const tree = this.or();
    if (this.at < this.tokens.length)
      throw new ExpressionError(`"${this.text}" goes on after its end; join conditions with && or ||`);
    return tree;
  }

  private take(symbol: string): boolean {
    const token = this.tokens[this.at];
    if (token?.kind !== 'symbol' || token.text !== symbol) return false;
    this.at++;
    return true;
  }

  private need(symbol: string): void {
    if (!this.take(symbol)) throw new ExpressionError(`expected "${symbol}" in "${this.text}"`);
  }

  private needName(what: string): string {
    const token = this.tokens[this.at++];
    if (token?.kind !== 'name') throw new ExpressionError(`expected ${what} in "${this.text}"`);
    return token.text;
  }

  private or(): Tree {
    let left = this.and();
    while (this.take('||')) left = { op: 'or', left, right: this.and() };
    return left;
  }

  private and(): Tree {
    let left = this.not();
    while (this.take('&&')) left = { op: 'and', left, right: this.not() };
    return left;
  }

  private not(): Tree {
    return this.take('!') ? { op: 'not', of: this.not() } : this.comparison();
  }

  private comparison(): Tree {
    const left = this.sum();
    const by = COMPARATORS.find((symbol) => this.take(symbol));
    return by === undefined ? left : { op: 'compare', by, left, right: this.sum() };
  }

  private sum(): Tree {
    let left = this.product();
    for (;;) {
      const sign = this.take('+') ? 1 : this.take('-') ? -1 : 0;
      if (sign === 0) return left;
      left = { op: 'add', sign, left, right: this.product() };
    }
  }

  private product(): Tree {
    let left = this.primary();
    while (this.take('*')) left = { op: 'multiply', left, right: this.primary() };
    return left;
  }

  private primary(): Tree {
    if (this.take('(')) {
      const inner = this.or();
      this.need(')');
      return inner;
    }
    const token = this.tokens[this.at];
    if (!token || token.kind === 'symbol')
      throw new ExpressionError(`"${this.text}" ends too early or has a stray "${token?.text ?? ''}"`);
    this.at++;
    return token.kind === 'number'
      ? { op: 'number', value: token.value, dimension: token.dimension }
      : this.named(token.text);
  }

  private named(name: string): Tree {
    switch (name) {
      case 'after': {
        this.need('(');
        const token = this.tokens[this.at++];
        if (token?.kind !== 'number' || token.dimension !== 'time')
          throw new ExpressionError(`after() needs a time, for example after(30 s), in "${this.text}"`);
        this.need(')');
        return { op: 'after', ms: millis(token.value) };
      }
      case 'fault': {
        this.need('(');
        const fault = this.needName('part.mode');
        this.need(')');
        return { op: 'fault', name: fault };
      }
      case 'volts': {
        this.need('(');
        const a = this.needName('a net');
        this.need(',');
        const b = this.needName('a net');
        this.need(')');
        return { op: 'volts', a, b };
      }
      default:
        return { op: 'name', name };
    }
  }
}
