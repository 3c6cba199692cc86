import type { CallReport, MeasuredLine } from '@zetalysis/core/presentation';
import { type Around, machineLine, timeOf } from '../around';
import { type Block, type Cell, type Paper, section } from '../paper';
import { headOf } from './head';

/** One page for the customer: what failed, how we know, what was done, what to watch. */
export function customerPaper(report: CallReport, around: Around): Paper {
  const { customer } = report;
  const { headline, complaint, runs, failed, measured, excluded, did, watch, recommended, told } = customer;
  return {
    title: `Report ${around.number}`,
    foot: `Report ${around.number} · ${around.shop.name}`,
    blocks: [
      headOf(report, around, 'Report'),
      { kind: 'title', text: headline },
      { kind: 'text', text: machineLine(around) },
      ...(complaint === '' ? [] : [{ kind: 'text', text: 'You said:', said: complaint } as const]),
      { kind: 'runs', runs },
      ...section('What failed', failed && { kind: 'text', strong: failed.what, text: failed.so }),
      ...section('How we know', measured.length === 0 ? undefined : readingsTable(measured)),
      {
        kind: 'columns',
        left: [
          ...section('Why it was nothing else', {
            kind: 'list',
            items: excluded.map(({ words, by }) => ({ text: `${words}? No: ${by}` })),
          }),
          ...section('Watch, please', { kind: 'list', items: watch.map((text) => ({ text })) }),
          ...section('Due next', { kind: 'list', items: around.due.map((text) => ({ text })) }),
        ],
        right: [
          ...section('What we did', { kind: 'list', items: inShort(did).map((text) => ({ text })) }),
          ...section('We recommend', {
            kind: 'list',
            items: recommended.map(({ words, said }) => ({ text: words, strong: said })),
          }),
        ],
      },
      {
        kind: 'signed',
        left: around.nameOf(customer.person),
        right: [around.customer, told === undefined ? '' : `told at ${timeOf(told, around)}`]
          .filter((w) => w !== '')
          .join(', '),
      },
    ],
  };
}

/** As many lines of what was done as fit on the page; the technical record has them all. */
const LINES = 11;
const inShort = (did: readonly string[]): readonly string[] =>
  did.length <= LINES
    ? did
    : [...did.slice(0, LINES - 1), `and ${did.length - LINES + 1} more, in the technical record`];

/** What was read, beside what it should be. */
export const readingsTable = (lines: readonly MeasuredLine[]): Block => ({
  kind: 'table',
  head: ['We measured', 'should be', 'was', 'now', '▽ was · ▼ now'],
  widths: ['*', 'auto', 'auto', 'auto', 'auto'],
  rows: lines.map(({ title, should, was, now, mark }): Cell[] => [
    title,
    should,
    { strong: was === '' ? '–' : was },
    { strong: now === '' ? '–' : now },
    { mark },
  ]),
});
