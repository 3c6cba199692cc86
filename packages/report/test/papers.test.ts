import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '@zetalysis/core/diagnosis';
import { type CallReport, reportOf } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { TRAINED } from '@zetalysis/core/rules';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import { caseEvents, loadCase, reduceCall } from '@zetalysis/core/visit';
import { type Around, customerPaper, handoverPaper, paperHtml, paperPdf, technicalPaper } from '../src';
import { printable } from '../src/render/pdf';

const ROOT = join(__dirname, '../../..');

function reportOfCase(name: string, profile: string): CallReport {
  const path = join(ROOT, 'cases', name);
  const model = loadProfile(readFileSync(join(ROOT, 'profiles', `${profile}.yaml`), 'utf8'), `${profile}.yaml`);
  const engine = new Engine(model);
  const state = reduceCall(model, caseEvents(loadCase(readFileSync(path, 'utf8'), path, model).steps), {
    needs: 'met',
  });
  const options = { units: 'si', person: TRAINED, standard: USUAL_STANDARD, phase: undefined } as const;
  return reportOf(engine, state, engine.assess(state.evidence), options);
}

const REPORT = reportOfCase('furnace-1-shorted-valve-coil.yaml', 'furnace-condensing');
const AROUND: Around = {
  shop: { name: 'Tindall & Heating <Ltd>', address: '2 Weir Street' },
  number: '26-1',
  machine: undefined,
  family: 'Condensing furnace',
  customer: 'Ms “Hollis”',
  nameOf: (name) => name,
  pictures: new Map(),
  due: ['Filter by 9 January'],
  limits: 'of practice',
  timeZone: 'UTC',
};
const DRESS = {
  css: '.paper{}',
  fonts: {
    normal: 'data:font/woff2;base64,AA',
    bold: 'data:font/woff2;base64,BB',
    italics: 'data:font/woff2;base64,CC',
  },
};
const PAPERS = { customerPaper, technicalPaper, handoverPaper };

test.each(Object.entries(PAPERS))('%s: an HTML file that loads nothing, with what people typed as text', (_, make) => {
  const html = paperHtml(make(REPORT, AROUND), 'A4', DRESS);
  expect(html).toMatch(/^<!doctype html>/);
  expect(html).toContain('Tindall &amp; Heating &lt;Ltd&gt;');
  expect(html).not.toContain('<Ltd>');
  // An address of the name space of SVG is no address that is fetched.
  expect(html.replaceAll('http://www.w3.org/2000/svg', '')).not.toMatch(/https?:|<script|<link|url\((?!'data:)/);
  expect(html).toContain("src:url('data:font/woff2;base64,AA')");
  expect(html).toContain('size:A4');
});

test('a heading stands only over something', () => {
  const { blocks } = customerPaper(
    { ...REPORT, customer: { ...REPORT.customer, did: [], recommended: [] } },
    { ...AROUND, due: [] },
  );
  const headings = JSON.stringify(blocks);
  expect(headings).not.toContain('What we did');
  expect(headings).not.toContain('Due next');
  expect(headings).toContain('How we know');
});

test('the same blocks as PDF: every reading of the page is in it, drawings as SVG', () => {
  const pdf = JSON.stringify(paperPdf(customerPaper(REPORT, AROUND), 'LETTER'));
  for (const { title, was } of REPORT.customer.measured) {
    expect(pdf).toContain(JSON.stringify(printable(title)).slice(1, -1));
    expect(pdf).toContain(JSON.stringify(printable(was)).slice(1, -1));
  }
  expect(pdf).toContain('<svg');
  expect(pdf).toContain('"pageSize":"LETTER"');
});

test.each([
  ['15.4 Ω ± 10 %, 3.2 µA, 20 °C', '15.4 Ω ± 10 %, 3.2 µA, 20 °C'],
  ['Müller, Ångström', 'Müller, Ångström'],
  // The letters that are sent along are cut: an accent that is not among them is left away.
  ['Dvořák, Łódź', 'Dvorák, Lódz'],
  ['5 V⎓', '5 V DC'],
  ['家', '?'],
])('%s is printed as %s', (words, printed) => expect(printable(words)).toBe(printed));
