import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { renderToStaticMarkup } from 'react-dom/server';
import { MarkDrawing } from '../drawings/MarkDrawing';
import { RunsDrawing } from '../drawings/RunsDrawing';
import type { Block, Cell, ListItem, Paper, PaperSize } from '../paper';

/** Width of what is printed, points, by the size of the page. */
const WIDE = { A4: 505, LETTER: 522 } as const;
const MARGIN = 45;
const PHOTO_WIDE = 160;

/** A paper as what the PDF library takes. */
export const paperPdf = (paper: Paper, size: PaperSize): TDocumentDefinitions => ({
  pageSize: size,
  pageMargins: [MARGIN, 34, MARGIN, 40],
  info: { title: paper.title },
  defaultStyle: { font: 'B612', fontSize: 9.5, lineHeight: 1.15 },
  styles: {
    shop: { fontSize: 14, bold: true },
    title: { fontSize: 19, bold: true, margin: [0, 10, 0, 3] },
    heading: { fontSize: 11, bold: true, margin: [0, 9, 0, 2] },
    small: { fontSize: 8 },
  },
  footer: (page, pages) => ({
    text: `${printable(paper.foot)} · page ${page} of ${pages}`,
    style: 'small',
    margin: [MARGIN, 10, MARGIN, 0],
  }),
  content: paper.blocks.flatMap((block) => contentOf(block, WIDE[size])),
});

/** The letters that are sent along, by what they look like. */
const KNOWN =
  /[^\u0020-\u007e\u00a0-\u00ff\u2010-\u2026\u2080-\u2089\u0394\u03a9\u03bc\u2264\u2265\u2260\u2192\u2212\n]/gu;
/** Signs that the letters lack, by what they can be written with. */
const INSTEAD: Readonly<Record<string, string>> = {
  '⎓': ' DC',
  '∿': ' AC',
  '▽': 'open',
  '▼': 'full',
  '○': 'o',
  ł: 'l',
  Ł: 'L',
  đ: 'd',
  Đ: 'D',
};

/** Words as far as the letters reach: a sign with an accent that is not among them is written without it. */
export const printable = (words: string): string =>
  words.replace(KNOWN, (sign) => INSTEAD[sign] ?? sign.normalize('NFD').replace(/\p{M}/gu, '').replace(KNOWN, '?'));

const rule = (wide: number, thick: number): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: wide, y2: 0, lineWidth: thick }],
  margin: [0, 0, 0, 4],
});

function contentOf(block: Block, wide: number): Content[] {
  switch (block.kind) {
    case 'letterhead':
      return [
        {
          columns: [
            [
              { text: printable(block.shop), style: 'shop' },
              { text: printable(block.address), style: 'small' },
            ],
            {
              stack: block.right.map((line) => ({
                text: printable(line),
                style: 'small',
                alignment: 'right' as const,
              })),
            },
          ],
          margin: [0, 0, 0, 6],
        },
        rule(wide, 4),
      ];
    case 'title':
      return [{ text: printable(block.text), style: 'title' }];
    case 'heading':
      return [{ text: printable(block.text), style: 'heading', headlineLevel: 1 }, rule(wide, 1.4)];
    case 'text':
      return [
        {
          text: [
            ...(block.strong === undefined ? [] : [{ text: `${printable(block.strong)} `, bold: true }]),
            printable(block.text),
            ...(block.said === undefined ? [] : [{ text: ` “${printable(block.said)}”`, italics: true }]),
          ],
          margin: [0, 0, 0, 2],
        },
      ];
    case 'list':
      return [{ ul: block.items.map(itemOf), margin: [0, 0, 0, 2] }];
    case 'pairs':
      return [
        {
          layout: 'noBorders',
          table: {
            widths: [80, '*'],
            body: block.rows.map(([name, value]) => [printable(name), { text: printable(value), bold: true }]),
          },
        },
      ];
    case 'table':
      return [
        {
          layout: LINES,
          table: {
            headerRows: 1,
            dontBreakRows: true,
            widths: [...(block.widths ?? block.head.map(() => '*'))],
            body: [
              block.head.map((text) => ({ text: printable(text), style: 'small' })),
              ...block.rows.map((row) => row.map(cellOf)),
            ],
          },
        },
      ];
    case 'runs':
      return [{ svg: renderToStaticMarkup(<RunsDrawing runs={block.runs} />), width: wide, margin: [0, 6, 0, 0] }];
    case 'columns': {
      const half = (wide - 20) / 2;
      return [
        {
          columns: [
            { width: half, stack: block.left.flatMap((b) => contentOf(b, half)) },
            { width: half, stack: block.right.flatMap((b) => contentOf(b, half)) },
          ],
          columnGap: 20,
        },
      ];
    }
    case 'photos':
      return chunks(block.photos, 3).map((row) => ({
        columns: row.map(({ picture, words }) => ({
          width: PHOTO_WIDE,
          stack: [
            picture === undefined
              ? { text: 'The picture is not at hand.' }
              : { image: picture, fit: [PHOTO_WIDE, PHOTO_WIDE] as [number, number] },
            { text: printable(words), style: 'small' },
          ],
        })),
        columnGap: 12,
        margin: [0, 0, 0, 10] as [number, number, number, number],
      }));
    case 'signed':
      return [
        { ...(rule(wide, 0.8) as object), margin: [0, 16, 0, 4] } as Content,
        { columns: [{ text: printable(block.left) }, { text: printable(block.right), alignment: 'right' }] },
      ];
  }
}

const LINES = {
  hLineWidth: (i: number, { table }: { table: { body: unknown[] } }) => (i === 0 || i === table.body.length ? 0 : 0.6),
  vLineWidth: () => 0,
  hLineColor: () => '#999999',
  paddingLeft: (i: number) => (i === 0 ? 0 : 5),
  paddingRight: () => 5,
};

const itemOf = ({ text, strong, box }: ListItem): Content => ({
  text: [printable(text), ...(strong === undefined ? [] : [{ text: ` ${printable(strong)}`, bold: true }])],
  ...(box && { listType: 'square' as const }),
});

function cellOf(cell: Cell): TableCell {
  if (typeof cell === 'string') return { text: printable(cell) };
  if ('strong' in cell) return { text: printable(cell.strong), bold: true };
  if ('struck' in cell) return { text: printable(cell.struck), decoration: 'lineThrough' };
  return cell.mark ? { svg: renderToStaticMarkup(<MarkDrawing mark={cell.mark} />), width: 110 } : { text: '' };
}

const chunks = <T,>(all: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, i) => all.slice(i * size, (i + 1) * size));
