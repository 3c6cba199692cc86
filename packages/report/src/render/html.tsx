import { renderToStaticMarkup } from 'react-dom/server';
import type { Paper, PaperSize } from '../paper';
import { PaperSheet } from './PaperSheet';

/** What an HTML file brings with it, so that it looks the same without us and without network. */
export interface Dress {
  /** The rules of `paper.css`. */
  readonly css: string;
  /** The letters as data URIs. */
  readonly fonts: Readonly<Record<LetterName, string>>;
}

/** The letters of a paper. */
export const LETTERS = { normal: [400, 'normal'], bold: [700, 'normal'], italics: [400, 'italic'] } as const;
export type LetterName = keyof typeof LETTERS;

/** A paper as one HTML file: nothing is loaded from elsewhere. */
export function paperHtml(paper: Paper, size: PaperSize, { css, fonts }: Dress): string {
  const faces = Object.entries(LETTERS).map(
    ([name, [weight, style]]) =>
      `@font-face{font-family:'B612';font-weight:${weight};font-style:${style};src:url('${fonts[name as LetterName]}') format('woff2')}`,
  );
  const page = `@page{size:${size === 'A4' ? 'A4' : 'letter'};margin:14mm 15mm}`;
  return `<!doctype html>${renderToStaticMarkup(
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{paper.title}</title>
        <style dangerouslySetInnerHTML={{ __html: [...faces, page, 'body{margin:0}', css].join('\n') }} />
      </head>
      <body>
        <PaperSheet paper={paper} />
      </body>
    </html>,
  )}`;
}
