import type { Measure } from '@zetalysis/core/book';

/** What may be loaded for a day: for so much money in the currency of the shop, or into so many litres of room. */
export interface Budget {
  readonly measure: Measure;
  readonly most: number;
}

/** Those that are one tap away. */
export const BUDGETS: readonly Budget[] = [
  { measure: 'price', most: 250 },
  { measure: 'price', most: 400 },
  { measure: 'price', most: 700 },
  { measure: 'room', most: 12 },
];
export const USUAL: Budget = BUDGETS[1]!;

/** `550`, or `15 l`; nothing for what is neither. */
export function readBudget(typed: string): Budget | undefined {
  const [, number, litres] = /^([1-9]\d{0,5})\s*(l|litres?)?$/i.exec(typed.trim()) ?? [];
  return number === undefined ? undefined : { measure: litres === undefined ? 'price' : 'room', most: Number(number) };
}

export const sayBudget = ({ measure, most }: Budget): string => (measure === 'room' ? `${most} l` : String(most));
