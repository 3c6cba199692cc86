import { type CallReport, neededWords } from '@zetalysis/core/presentation';
import { type Around, machineLine } from '../around';
import { type Block, type Paper, section } from '../paper';
import { headOf } from './head';

const boxes = (items: readonly string[]): Block => ({
  kind: 'list',
  items: items.map((text) => ({ text, box: true })),
});
const lines = (items: readonly string[]): Block => ({ kind: 'list', items: items.map((text) => ({ text })) });

/** A card for whoever comes next: what is proved, what is off, what to bring, what is left to do. */
export function handoverPaper(report: CallReport, around: Around): Paper {
  const { handover, customer } = report;
  return {
    title: `Handover ${around.number}`,
    foot: `Handover ${around.number} · ${around.shop.name}`,
    blocks: [
      headOf(report, around, 'Handover'),
      { kind: 'title', text: 'For whoever comes next' },
      { kind: 'text', text: machineLine(around) },
      ...(customer.complaint === '' ? [] : [{ kind: 'text', text: 'They said:', said: customer.complaint } as const]),
      { kind: 'runs', runs: customer.runs },
      ...section('What is known', { kind: 'text', strong: handover.found, text: handover.words }),
      {
        kind: 'columns',
        left: [
          ...section('Proved', lines(handover.proved)),
          ...section('Not proved yet', lines(handover.open)),
          ...section('To test', boxes(handover.tests)),
          ...section('To prove the repair', boxes(handover.prove)),
        ],
        right: [
          ...section('How it stands', lines(handover.off)),
          ...section('Apart, or there for now', boxes(handover.loose)),
          ...section('Stops that stand', lines(handover.stops)),
          ...section('Parts', {
            kind: 'list',
            items: handover.needed.map((part) => ({
              text: neededWords(part),
              strong: part.here ? 'here' : 'not here yet',
              box: true,
            })),
          }),
          ...section('To bring', boxes(handover.bring)),
        ],
      },
    ],
  };
}
