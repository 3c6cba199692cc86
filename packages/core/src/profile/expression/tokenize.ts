import { type Dimension, findUnit } from '../../units';
import { ExpressionError } from './expression';

export type Token =
  | { kind: 'number'; value: number; dimension: Dimension }
  | { kind: 'name'; text: string }
  | { kind: 'symbol'; text: string };

const TOKEN =
  /\s*(?:(\d+(?:\.\d+)?)(?:\s*([A-Za-zµ°%Ω"][A-Za-zµ°%Ω.]*))?|([A-Za-z][\w./-]*)|(&&|\|\||>=|<=|==|!=|[-+*/()<>!,]))/y;

/** Cuts an expression into numbers with their units, names and symbols. Throws ExpressionError. */
export function tokenize(text: string): Token[] {
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
