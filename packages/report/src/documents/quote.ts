import type { CallReport } from '@zetalysis/core/presentation';
import { type Around, machineLine } from '../around';
import { type Cell, type Paper, section } from '../paper';
import { headOf } from './head';

/** What a repair would cost, and what stands beside it. */
export interface Quote {
  readonly part: string;
  readonly price: number;
  readonly minutes: number;
  /** What an hour costs, and what prices are in. */
  readonly hour: number;
  readonly currency: string;
  /** Years since the machine was made; nothing where its plate does not say. */
  readonly age: number | undefined;
  /** Calls on it before, and how many of them found a break. */
  readonly calls: number;
  readonly breaks: number;
}

/** Why no quote can be made of it; nothing where one can. */
export function quoteProblem({ part, price, minutes }: Pick<Quote, 'part' | 'price' | 'minutes'>): string | undefined {
  if (part.trim() === '') return 'Write which part.';
  if (!Number.isFinite(price) || price < 0) return 'Type what the part costs, as 184.50; 0 where none is needed.';
  if (!Number.isFinite(minutes) || minutes <= 0) return 'Type how many minutes it takes.';
  return undefined;
}

const money = (currency: string, amount: number): string => `${currency} ${amount.toFixed(2)}`;

/** Part and time, beside the machine's age and history: whoever decides sees both. */
export function quotePaper(report: CallReport, around: Around, quote: Quote): Paper {
  const { customer } = report;
  const { part, price, minutes, hour, currency, age, calls, breaks } = quote;
  const work = (minutes / 60) * hour;
  const rows: readonly (readonly [string, string, number])[] = [
    [part, '1', price],
    ['Work', `${Math.round(minutes)} min at ${money(currency, hour)} an hour`, work],
  ];
  return {
    title: `Quote ${around.number}`,
    foot: `Quote ${around.number} · ${around.shop.name}`,
    blocks: [
      headOf(report, around, 'Quote'),
      { kind: 'title', text: 'What the repair would cost' },
      { kind: 'text', text: machineLine(around) },
      ...section(
        'What failed',
        customer.failed && { kind: 'text', strong: customer.failed.what, text: customer.failed.so },
      ),
      ...section('Cost', {
        kind: 'table',
        head: ['', '', currency],
        widths: ['*', 'auto', 'auto'],
        rows: [
          ...rows.map(([what, of, amount]): Cell[] => [what, of, amount.toFixed(2)]),
          [{ strong: 'Together, without tax' }, '', { strong: (price + work).toFixed(2) }],
        ],
      }),
      ...section('What stands beside it', {
        kind: 'list',
        items: [
          { text: age === undefined ? 'Its plate does not say when it was made.' : `It is ${age} years old.` },
          {
            text: `We were called to it ${calls === 1 ? 'once' : `${calls} times`}; ${breaks === 1 ? 'one part' : `${breaks} parts`} had failed.`,
          },
          ...customer.recommended.map(({ words, said }) => ({ text: `Recommended: ${words}`, strong: said })),
        ],
      }),
      { kind: 'text', text: 'Found more when it is open? We stop and ask before anything else is done.' },
      { kind: 'signed', left: around.nameOf(customer.person), right: 'Accepted:' },
    ],
  };
}
