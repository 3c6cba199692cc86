import { readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, extname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import pdfmake from 'pdfmake';
import { Engine } from '@zetalysis/core/diagnosis';
import { reportOf } from '@zetalysis/core/presentation';
import { TRAINED } from '@zetalysis/core/rules';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import { caseEvents, caseHead, loadCase, reduceCall } from '@zetalysis/core/visit';
import {
  type Around,
  customerPaper,
  handoverPaper,
  LETTERS,
  type LetterName,
  type Paper,
  PAPER_SIZES,
  paperHtml,
  paperPdf,
  type PaperSize,
  technicalPaper,
} from '@zetalysis/report';
import { openProfile, readText } from './files';
import type { Command } from './main';
import { UsageError } from './usage';

const REPORT = resolve(dirname(fileURLToPath(import.meta.url)), '../../report');
const FONTS = join(REPORT, 'fonts');
const PAPERS = { customer: customerPaper, technical: technicalPaper, handover: handoverPaper } as const;
const FILES: Readonly<Record<LetterName, string>> = {
  normal: 'b612-400.woff2',
  bold: 'b612-700.woff2',
  italics: 'b612-400-italic.woff2',
};

/** Writes what a case leaves on paper, as PDF or HTML by the name of the file. */
export const report: Command = async (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      for: { type: 'string', default: 'customer' },
      size: { type: 'string', default: 'letter' },
      units: { type: 'string', default: 'us' },
    },
  });
  const [path] = positionals;
  const { out } = values;
  if (path === undefined || positionals.length > 1 || out === undefined)
    throw new UsageError('report needs one case and a file to write: zetalysis report CASE.yaml --out REPORT.pdf');
  const paperFor = oneOf(PAPERS, values.for, '--for');
  const size = values.size.toUpperCase() as PaperSize;
  if (!PAPER_SIZES.includes(size)) throw new UsageError(`--size is a4 or letter, not "${values.size}"`);
  if (values.units !== 'us' && values.units !== 'si')
    throw new UsageError(`--units is us or si, not "${values.units}"`);
  const source = readText(path);
  const head = caseHead(source, path);
  const model = openProfile(head.profile, head.variant === undefined ? {} : { variant: head.variant });
  const engine = new Engine(model);
  const state = reduceCall(model, caseEvents(loadCase(source, path, model).steps), { needs: 'met' });
  const options = { units: values.units, person: TRAINED, standard: USUAL_STANDARD, phase: undefined } as const;
  const paper = paperFor(
    reportOf(engine, state, engine.assess(state.evidence), options),
    aroundCase(path, model.title),
  );
  await write(out, paper, size);
  return { text: `${out} written: ${paper.title}`, exit: 0 };
};

/** A case knows no shop and no machine. */
const aroundCase = (path: string, family: string): Around => ({
  shop: { name: 'Zetalysis', address: '' },
  number: basename(path, extname(path)),
  machine: undefined,
  family,
  customer: '',
  nameOf: (person) => person,
  pictures: new Map(),
  due: [],
  limits: '',
  timeZone: 'UTC',
});

async function write(out: string, paper: Paper, size: PaperSize): Promise<void> {
  const at = (name: LetterName): string => join(FONTS, FILES[name]);
  const names = Object.keys(LETTERS) as LetterName[];
  switch (extname(out)) {
    case '.html': {
      const fonts = Object.fromEntries(
        names.map((name) => [name, `data:font/woff2;base64,${readFileSync(at(name)).toString('base64')}`]),
      ) as Record<LetterName, string>;
      writeFileSync(out, paperHtml(paper, size, { css: readFileSync(join(REPORT, 'src/paper.css'), 'utf8'), fonts }));
      return;
    }
    case '.pdf':
      pdfmake.setFonts({
        B612: { normal: at('normal'), bold: at('bold'), italics: at('italics'), bolditalics: at('bold') },
      });
      // Nothing is fetched, and nothing read but the letters: what a paper shows it brings along.
      pdfmake.setUrlAccessPolicy(() => false);
      pdfmake.setLocalAccessPolicy((path) => dirname(path) === FONTS);
      await pdfmake.createPdf(paperPdf(paper, size)).write(out);
      return;
    default:
      throw new UsageError(`--out ends in .pdf or .html, not "${extname(out)}"`);
  }
}

function oneOf<T>(known: Readonly<Record<string, T>>, given: string, option: string): T {
  const found = Object.hasOwn(known, given) ? known[given] : undefined;
  if (!found) throw new UsageError(`${option} is ${Object.keys(known).join(', ')}, not "${given}"`);
  return found;
}
