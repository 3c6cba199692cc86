import {
  type Dress,
  LETTERS,
  type LetterName,
  type Paper,
  paperHtml,
  paperPdf,
  type PaperSize,
} from '@zetalysis/report';
import css from '@zetalysis/report/paper.css?raw';
import bold from '@zetalysis/report/fonts/b612-700.woff2?url';
import italics from '@zetalysis/report/fonts/b612-400-italic.woff2?url';
import normal from '@zetalysis/report/fonts/b612-400.woff2?url';

const ADDRESSES: Readonly<Record<LetterName, string>> = { normal, bold, italics };
const NAMES = Object.keys(LETTERS) as LetterName[];

/** The letters as they are sent along, by name. They lie in this browser: no network is needed. */
async function letters(): Promise<Record<LetterName, string>> {
  const each = await Promise.all(
    NAMES.map(async (name) => {
      const bytes = new Uint8Array(await (await fetch(ADDRESSES[name])).arrayBuffer());
      let text = '';
      for (const byte of bytes) text += String.fromCharCode(byte);
      return [name, btoa(text)] as const;
    }),
  );
  return Object.fromEntries(each) as Record<LetterName, string>;
}

/** The paper as one HTML file that needs nothing else. */
export async function htmlFile(paper: Paper, size: PaperSize): Promise<Blob> {
  const fonts = Object.fromEntries(
    Object.entries(await letters()).map(([name, text]) => [name, `data:font/woff2;base64,${text}`]),
  ) as Dress['fonts'];
  return new Blob([paperHtml(paper, size, { css, fonts })], { type: 'text/html' });
}

/** The paper as PDF, with its letters in it. */
export async function pdfFile(paper: Paper, size: PaperSize): Promise<Blob> {
  const { default: pdfmake } = await import('pdfmake/build/pdfmake');
  const files = await letters();
  pdfmake.addVirtualFileSystem(Object.fromEntries(NAMES.map((name) => [`${name}.woff2`, files[name]])));
  pdfmake.setFonts({
    B612: { normal: 'normal.woff2', bold: 'bold.woff2', italics: 'italics.woff2', bolditalics: 'bold.woff2' },
  });
  return pdfmake.createPdf(paperPdf(paper, size)).getBlob();
}
