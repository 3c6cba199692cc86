import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { choose, closeAs, evidence, expect, signIn, test, violations } from './stack';

/** What stands in a PDF, page by page, and the letters that it brings along. */
async function readPdf(file: string): Promise<{ pages: string[]; fonts: string[] }> {
  const pdf = await getDocument({ data: new Uint8Array(readFileSync(file)), useSystemFonts: false }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= pdf.numPages; n++) {
    const { items } = await (await pdf.getPage(n)).getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  const raw = readFileSync(file, 'latin1');
  return { pages, fonts: [...raw.matchAll(/\/FontName \/(\S+)/g)].map((m) => m[1]!) };
}

const save = async (page: Page, button: string): Promise<{ path: string; name: string }> => {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button, exact: true }).click(),
  ]);
  return { path: await download.path(), name: download.suggestedFilename() };
};

/** A call that waits for a part. */
async function waiting(page: Page): Promise<void> {
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByLabel('Part needed').fill('Inducer IB-2');
  await page.getByLabel('From', { exact: true }).fill('Weir Supply');
  await page.getByLabel('Expected').fill('2026-12-04');
  await page.getByRole('button', { name: 'It is needed' }).click();
  await expect(evidence(page)).toContainText('Needed: Inducer IB-2, from Weir Supply, expected 2026-12-04');
  await page.getByLabel('Recommended to the customer').fill('A new CO alarm for the hall.');
  await page.getByRole('button', { name: 'Note it' }).click();
  await page.getByRole('button', { name: 'Declined', exact: true }).click();
  await expect(evidence(page)).toContainText('Declined by the customer');
}

test('a call that waits for a part: what it waits for is said, the handover goes to whoever comes next, the second visit ends it', async ({
  call,
}) => {
  const page = await call('Quarry Road');
  await waiting(page);
  // Gas and power are noted where they are asked for.
  await page.getByRole('button', { name: 'Close the call' }).click();
  const dialog = page.getByRole('dialog', { name: 'How does this call end?' });
  await dialog.getByRole('radio', { name: 'Waiting', exact: true }).click();
  await expect(dialog.getByLabel('For what')).toHaveValue('Inducer IB-2');
  await expect(dialog.getByLabel('From whom')).toHaveValue('Weir Supply');
  await dialog.getByRole('button', { name: /^Note: gas/ }).click();
  await dialog.getByLabel('For whoever comes next').fill('The dog is kind.');
  await dialog.getByRole('button', { name: /^Close:/ }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('link', { name: 'Handover card' }).click();
  const paper = page.getByRole('article');
  await expect(paper).toContainText('The dog is kind.');
  await expect(paper).toContainText('Inducer IB-2, from Weir Supply, expected 2026-12-04 not here yet');
  await expect(paper).toContainText(/Suspected: .*%/);
  expect(await violations(page)).toEqual([]);
  const { path, name } = await save(page, 'PDF');
  expect(name).toMatch(/^Handover-.*\.pdf$/);
  expect((await readPdf(path)).pages.join()).toContain('The dog is kind.');
  // The second visit: the part is there, and it ends otherwise.
  await page.getByRole('link', { name: 'Back to the call' }).click();
  await page.getByLabel('Why it is opened again').fill('The part is here.');
  await page.getByRole('button', { name: 'Open it again' }).click();
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'It has come' }).click();
  await expect(evidence(page)).toContainText('The part has come');
  await closeAs(page, 'Waiting', { 'For what': 'a frost-free day', 'From whom': 'nobody', 'Until when': 'spring' });
  await page.getByRole('link', { name: 'Report', exact: true }).click();
  await expect(page.getByRole('article')).toContainText('Your furnace waits for a frost-free day');
});

test('the customer’s page and the record: on the screen, as HTML and as PDF the same, letters in the file, made without the server', async ({
  call,
}) => {
  const page = await call('Quarry Road');
  await page.getByRole('button', { name: 'Thermostat calls: seen', exact: true }).click();
  await page.getByRole('button', { name: 'Inducer runs: not seen', exact: true }).click();
  await waiting(page);
  await page.getByRole('link', { name: 'Report', exact: true }).click();
  const paper = page.getByRole('article');
  await expect(paper.getByRole('heading', { level: 1 })).toHaveText('Your furnace is still being worked on');
  await expect(paper).toContainText('Tindall Heating');
  await expect(paper).toContainText('A new CO alarm for the hall. Declined');
  await expect(
    paper.getByRole('img', { name: /When we came: Thermostat calls came, Inducer runs did not come/ }),
  ).toBeVisible();
  expect(await violations(page)).toEqual([]);
  const first = await save(page, 'PDF');
  const pdf = await readPdf(first.path);
  expect(pdf.pages).toHaveLength(1);
  for (const words of ['Your furnace is still being worked on', 'Tindall Heating', 'A new CO alarm for the hall.'])
    expect(pdf.pages[0]).toContain(words);
  expect(pdf.fonts.length).toBeGreaterThan(0);
  for (const font of pdf.fonts) expect(font).toMatch(/B612/);
  const html = readFileSync((await save(page, 'HTML')).path, 'utf8');
  expect(html).toContain('A new CO alarm for the hall.');
  expect(html).not.toMatch(/src="http|href="http|<script/);
  const told = readFileSync((await save(page, 'Case file')).path, 'utf8');
  expect(told).toMatch(/^format: zetalysis-case\/1\n/);
  expect(told).toContain('seen: { inducer: no }');
  expect(told).not.toMatch(/Weir Supply|alarm/);
  // The server is gone: papers are made all the same.
  await page.context().route('**/api/**', (route) => route.abort());
  await page.getByRole('button', { name: 'Technical record' }).click();
  await expect(paper).toContainText('Needed: Inducer IB-2');
  const record = await readPdf((await save(page, 'PDF')).path);
  expect(record.pages.join(' ')).toContain('Entries');
});

test('what was recommended stands with the machine until the customer declines it', async ({ call, stack }) => {
  const page = await call('Almshouses');
  const here = page.url();
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByLabel('Recommended to the customer').fill('A drip leg before the valve.');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('All sent')).toBeVisible();
  const left = page.getByRole('region', { name: 'Recommended' });
  const machine = async (): Promise<void> => {
    await page.goto(`${stack.url}/machines`);
    await page.getByLabel('Search the machines').fill('Almshouses');
    await page.getByRole('list', { name: 'Machines' }).getByRole('link', { name: 'Almshouses' }).first().click();
    await expect(page.getByRole('heading', { level: 1, name: /Almshouses/ })).toBeVisible();
  };
  await machine();
  await expect(left.getByRole('listitem').filter({ hasText: 'A drip leg before the valve.' })).toContainText(
    'not answered',
  );
  expect(await violations(page)).toEqual([]);
  await page.goto(here);
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'Declined', exact: true }).click();
  await expect(page.getByText('All sent')).toBeVisible();
  await machine();
  await expect(page.getByRole('region', { name: 'Readings over time' })).toBeVisible();
  await expect(left.getByText('A drip leg before the valve.')).toHaveCount(0);
});

test('a part is swapped: the note, a wire list that is ticked off, and whether the new one goes with the others', async ({
  call,
}) => {
  const page = await call('Quarry Road');
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'Part out and in' }).click();
  const dialog = page.getByRole('dialog', { name: 'Part out and in' });
  await choose(page, 'Which part', 'gas valve', 'gas valve');
  await expect(dialog).toContainText('Gas cock shut');
  await expect(dialog).toContainText('gas-rated tape or dope');
  const wires = dialog.getByRole('region', { name: 'Wire list' });
  await wires.getByLabel('Wire', { exact: true }).fill('yellow');
  await wires.getByRole('button', { name: 'Add it' }).click();
  await expect(wires.getByRole('alert')).toContainText('its terminal');
  await wires.getByLabel('Terminal').fill('MV');
  await wires.getByRole('button', { name: 'Add it' }).click();
  await expect(wires).toContainText('1 to go back');
  await wires.getByRole('button', { name: 'It is on again' }).click();
  await expect(wires).toContainText('all back');
  const fit = dialog.getByRole('region', { name: 'Will it fit?' });
  await fit.getByLabel(/^pull in/).fill('90 V');
  await fit.getByRole('button', { name: 'Run every step' }).click();
  await expect(fit).toContainText('It does not run with it.');
  await fit.getByLabel(/^pull in/).fill('17 V');
  await fit.getByRole('button', { name: 'Run every step' }).click();
  await expect(fit).toContainText('Every step comes.');
  await fit.getByLabel(/^pull in/).fill('much');
  await fit.getByRole('button', { name: 'Run every step' }).click();
  await expect(fit.getByRole('alert')).toContainText('is not a reading');
  expect(await violations(page)).toEqual([]);
  // What the shop keeps of it, and one that is fitted leaves the van.
  const kept = dialog.getByRole('region', { name: 'What the shop keeps of it' });
  await expect(kept).toContainText('MV-GV');
  await choose(page, 'Which part', 'flame rod', 'flame rod');
  await expect(kept).toContainText('MV-FR');
  const along = async (): Promise<number> => Number(/own van (\d+)/.exec((await kept.textContent())!)![1]);
  const before = await along();
  await kept.getByRole('button', { name: 'One is fitted' }).click();
  await expect(kept.getByRole('status')).toContainText('It left your van');
  expect(await along()).toBe(before - 1);
});

test('on a phone the page for the customer can be read', async ({ page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, stack.url);
  const opened = page.getByRole('link', { name: /Mill Lane/ }).first();
  const address = await opened.getAttribute('href');
  await page.goto(`${stack.url}${address}/report`);
  await expect(page.getByRole('article')).toContainText('Your furnace');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});
