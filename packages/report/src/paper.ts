import type { MeasuredMark, Runs } from '@zetalysis/core/presentation';

/** What a sheet of paper is made of, whoever prints it: the documents build it, the renderers draw it. */
export interface Paper {
  readonly title: string;
  readonly blocks: readonly Block[];
  /** Stands at the foot of every page. */
  readonly foot: string;
}

export type Block =
  | { readonly kind: 'letterhead'; readonly shop: string; readonly address: string; readonly right: readonly string[] }
  | { readonly kind: 'title'; readonly text: string }
  | { readonly kind: 'heading'; readonly text: string }
  | { readonly kind: 'text'; readonly strong?: string; readonly text: string; readonly said?: string }
  | { readonly kind: 'list'; readonly items: readonly ListItem[] }
  | { readonly kind: 'pairs'; readonly rows: readonly (readonly [string, string])[] }
  | {
      readonly kind: 'table';
      readonly head: readonly string[];
      readonly rows: readonly (readonly Cell[])[];
      readonly widths?: readonly Width[];
    }
  | { readonly kind: 'runs'; readonly runs: Runs }
  | { readonly kind: 'columns'; readonly left: readonly Block[]; readonly right: readonly Block[] }
  | { readonly kind: 'photos'; readonly photos: readonly Photo[] }
  | { readonly kind: 'signed'; readonly left: string; readonly right: string };

/** A line of a list; `strong` comes after it: what was answered. */
export interface ListItem {
  readonly text: string;
  readonly strong?: string;
  /** It is a box to be ticked by hand. */
  readonly box?: true;
}

export type Cell =
  string | { readonly strong: string } | { readonly struck: string } | { readonly mark: MeasuredMark | undefined };
/** Of a column: as wide as it needs, or a share of what is left. */
type Width = 'auto' | '*';

/** A picture as a data URI; nothing where it is not at hand. */
interface Photo {
  readonly picture: string | undefined;
  readonly words: string;
}

export const PAPER_SIZES = ['A4', 'LETTER'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

/** Without headings that nothing stands under. */
export const section = (heading: string, ...blocks: readonly (Block | undefined)[]): Block[] => {
  const there = blocks.filter((b) => b !== undefined && !isEmpty(b)) as Block[];
  return there.length === 0 ? [] : [{ kind: 'heading', text: heading }, ...there];
};

function isEmpty(block: Block): boolean {
  switch (block.kind) {
    case 'list':
      return block.items.length === 0;
    case 'table':
    case 'pairs':
      return block.rows.length === 0;
    case 'photos':
      return block.photos.length === 0;
    case 'text':
      return block.text === '' && (block.strong ?? '') === '';
    default:
      return false;
  }
}
