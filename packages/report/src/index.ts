/**
 * Report: what a call leaves on paper. The documents put the core's report into blocks of a sheet; the renderers draw any sheet
 * as a page, an HTML file or a PDF. No network and no clock; whoever calls brings letters and pictures.
 */
export type { Around, MachineFacts } from './around';
export { customerPaper } from './documents/customer';
export { handoverPaper } from './documents/handover';
export { type Quote, quotePaper, quoteProblem } from './documents/quote';
export { technicalPaper } from './documents/technical';
export { type Paper, PAPER_SIZES, type PaperSize } from './paper';
export { type Dress, type LetterName, LETTERS, paperHtml } from './render/html';
export { PaperSheet } from './render/PaperSheet';
export { paperPdf } from './render/pdf';
