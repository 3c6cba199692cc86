import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '@zetalysis/core/diagnosis';
import { type CallReport, reportOf } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { TRAINED } from '@zetalysis/core/rules';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import { caseEvents, loadCase, reduceCall } from '@zetalysis/core/visit';
import {
  type Around,
  customerPaper,
  handoverPaper,
  paperHtml,
  paperPdf,
  quotePaper,
  quoteProblem,
  technicalPaper,
} from '../src';
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

test('what was done is told in as many lines as fit; the last says how many more there are', () => {
  const lines = (many: number): string => {
    const did = Array.from({ length: many }, (_, i) => `Line ${i + 1}`);
    return JSON.stringify(customerPaper({ ...REPORT, customer: { ...REPORT.customer, did } }, AROUND).blocks);
  };
  expect(lines(11)).toContain('Line 11');
  expect(lines(11)).not.toContain('more, in the technical record');
  expect(lines(14)).toContain('Line 10');
  expect(lines(14)).not.toContain('Line 11');
  expect(lines(14)).toContain('and 4 more, in the technical record');
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

describe('a quote', () => {
  const QUOTE = {
    part: 'Gas valve HV-24',
    price: 184.5,
    minutes: 80,
    hour: 118,
    currency: '$',
    age: 12,
    calls: 3,
    breaks: 1,
  };
  test('part and time at the shop’s rate, added up, beside age and history', () => {
    const words = JSON.stringify(quotePaper(REPORT, AROUND, QUOTE).blocks);
    // 80 minutes at 118 an hour are 157.33; with the part 341.83 (by hand).
    expect(words).toContain('157.33');
    expect(words).toContain('341.83');
    expect(words).toContain('It is 12 years old.');
    expect(words).toContain('called to it 3 times; one part had failed');
  });
  test.each([
    [{ part: ' ', price: 1, minutes: 1 }, /which part/],
    [{ part: 'x', price: NaN, minutes: 1 }, /what the part costs/],
    [{ part: 'x', price: -1, minutes: 1 }, /what the part costs/],
    [{ part: 'x', price: 0, minutes: 0 }, /how many minutes/],
  ])('%j makes none', (given, says) => expect(quoteProblem(given)).toMatch(says));
  test('a part for nothing is one', () => expect(quoteProblem({ part: 'x', price: 0, minutes: 5 })).toBeUndefined());
});
