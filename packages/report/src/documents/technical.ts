import type { CallReport } from '@zetalysis/core/presentation';
import { type Around, dayOf, timeOf } from '../around';
import { type Cell, type Paper, section } from '../paper';
import { readingsTable } from './customer';
import { headOf } from './head';

const percent = (share: number | undefined): string =>
  share === undefined ? '' : share > 0.99 ? '> 99 %' : share < 0.01 ? '< 1 %' : `${Math.round(share * 100)} %`;

const joined = (...words: readonly (string | undefined)[]): string => words.filter((w) => w).join(', ');

/** Everything that is kept of the call, for the shop, an insurer or a colleague. */
export function technicalPaper(report: CallReport, around: Around): Paper {
  const { technical, customer } = report;
  const { machine } = around;
  let day = '';
  return {
    title: `Technical record ${around.number}`,
    foot: `Technical record ${around.number} · ${around.shop.name}`,
    blocks: [
      headOf(report, around, 'Technical record'),
      { kind: 'title', text: technical.record ?? customer.headline },
      ...(technical.action === '' ? [] : [{ kind: 'text', text: technical.action } as const]),
      ...section('Machine', {
        kind: 'pairs',
        rows: (
          [
            ['Machine', machine?.label ?? ''],
            ['Site', machine?.site ?? ''],
            ['Make, model', `${machine?.make ?? ''} ${machine?.model ?? ''}`.trim()],
            ['Serial', machine?.serial ?? ''],
            ['Made', machine?.made ?? ''],
            ['Fuel, input', joined(machine?.fuel, machine?.input)],
            [
              'Family',
              joined(around.family, `${technical.versions.profile} ${technical.versions.profileVersion}`.trim()),
            ],
            ['Engine, settings', joined(technical.versions.engine, technical.versions.settings)],
            ['Limits', around.limits],
          ] as const
        ).filter(([, value]) => value.trim() !== ''),
      }),
      ...section('Readings', technical.measured.length === 0 ? undefined : readingsTable(technical.measured)),
      ...section('Suspects', {
        kind: 'table',
        head: ['', 'when recorded', 'now'],
        widths: ['*', 'auto', 'auto'],
        rows: technical.suspects.map(({ words, then, now }): Cell[] => [
          words,
          percent(then),
          { strong: percent(now) },
        ]),
      }),
      ...section('Condemned by', {
        kind: 'list',
        items: technical.requirements.map(({ words, met }) => ({ text: words, strong: met ? 'met' : 'open' })),
      }),
      ...section('What speaks against the others', {
        kind: 'list',
        items: technical.excluded.map(({ words, by }) => ({ text: `${words}? No: ${by}` })),
      }),
      ...section('Proof of the repair', {
        kind: 'table',
        head: ['', 'wanted', 'found'],
        widths: ['*', 'auto', 'auto'],
        rows: technical.proof.map(({ do: what, limit, said }): Cell[] => [
          what,
          limit,
          { strong: said === '' ? 'open' : said },
        ]),
      }),
      ...section('Entries', {
        kind: 'table',
        head: ['time', 'who', 'what'],
        widths: ['auto', 'auto', '*'],
        rows: technical.entries.map(({ at, person, words, marks, retracted }): Cell[] => {
          const its = dayOf(at, around);
          const time = its === day ? timeOf(at, around) : `${its}, ${timeOf(at, around)}`;
          day = its;
          const text = [words, ...marks].join(' · ');
          return [time, around.nameOf(person), retracted ? { struck: text } : text];
        }),
      }),
      ...section('Photos', {
        kind: 'photos',
        photos: technical.photos.map(({ photo, words, at }) => ({
          picture: around.pictures.get(photo),
          words: [words, `${dayOf(at, around)}, ${timeOf(at, around)}`].filter((w) => w !== '').join(', '),
        })),
      }),
    ],
  };
}
