// `npm run screenshots`: one picture per main view from the demo data, into docs/screenshots.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { choose, launch, signInToDemo } from './browser';
import { startMeter } from './meter.mjs';
import { startStack } from './stack.mjs';

const OUT = join(import.meta.dirname, '../docs/screenshots');
mkdirSync(OUT, { recursive: true });
const folder = mkdtempSync(join(tmpdir(), 'zetalysis-shots-'));
const stack = await startStack(folder);
const meter = await startMeter(['--port', '0', '--machine', 'mobile library']);
const browser = await launch();

const shot = async (page: Page, name: string): Promise<void> => {
  // Let fonts, the engine's second answer and transitions come to rest.
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await page.waitForTimeout(2500);
  await page.screenshot({ path: join(OUT, `${name}.png`) });
};

try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(stack.url);
  await signInToDemo(page);
  await shot(page, 'today');
  await page.getByRole('link', { name: 'Machines' }).click();
  const register = page.getByRole('list', { name: 'Machines' });
  await register.getByRole('link', { name: /Quarry Road/ }).waitFor();
  await shot(page, 'machines');
  await register.getByRole('link', { name: /Mill Lane/ }).click();
  await page.locator('[data-ladder]').waitFor();
  await shot(page, 'machine');
  await page.goto(`${stack.url}/bench`);
  await page.getByText('Thermal regulator').first().waitFor();
  await shot(page, 'bench');
  await page.goto(
    `${stack.url}/bench/tests/coil-24v?dead.iso=yes&dead.ohms=13.4&dead.Lz=0.2&dead.T=2+C&dead.book=15&live.ld=yes&live.volts=25.9`,
  );
  await page.getByRole('region', { name: 'Judgement' }).getByText('Good').waitFor();
  await shot(page, 'bench-test');
  await page.goto(
    `${stack.url}/bench/calculators/supply-under-load?q1=7000&p1=11.2&q2=27000&p2=9.0&all=57000&least=9.5`,
  );
  await page.getByRole('img', { name: /^Pressure with everything on/ }).waitFor();
  await shot(page, 'bench-calculator');

  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByLabel(/Search by words/).fill('26 V on TH, nothing on SP');
  await page.getByText(/^Found in/).waitFor({ timeout: 120_000 });
  await shot(page, 'library-search');
  await page.goto(`${stack.url}/library/furnace-valve-control/card`);
  await page.getByRole('article').waitFor();
  await shot(page, 'field-card');

  await page.goto(stack.url);
  await page
    .getByRole('link', { name: /school pool/ })
    .first()
    .click();
  await page.locator('[data-suspect]').first().waitFor();
  await page.getByRole('button', { name: 'Before the visit' }).click();
  await shot(page, 'before-the-visit');
  await page.getByRole('button', { name: 'At the machine' }).click();
  await page.locator('[data-suspect]').first().click();
  await page.getByRole('button', { name: /What if it is so/ }).click();
  await page.locator('[data-what-if]').waitFor();
  await shot(page, 'what-if');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'Back to what is known' }).first().click();
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  await page.getByRole('button', { name: 'Watch a try' }).click();
  await page.getByRole('button', { name: 'It calls now: start the clock' }).click();
  await page.getByRole('group', { name: 'Watching a try' }).scrollIntoViewIfNeeded();
  await shot(page, 'watch-phone');
  await page.getByRole('button', { name: 'Stop the clock' }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(stack.url);
  await page
    .getByRole('link', { name: /Mill Lane/ })
    .first()
    .click();
  await page.locator('[data-suspect]').first().waitFor();
  await shot(page, 'call');
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'Read a meter’s log' }).click();
  const log = page.getByRole('dialog', { name: 'Log of a meter' });
  await log
    .getByLabel('Log of a meter')
    .setInputFiles(join(import.meta.dirname, '../docs/examples/supply-collapse.csv'));
  await log.getByRole('button', { name: 'Lay it beside the model' }).click();
  await log.getByRole('region', { name: 'The log beside the model' }).waitFor();
  await shot(page, 'log');
  await page.keyboard.press('Escape');
  await page.getByText('Repaired, adjusted, photo').click();

  await page.locator('summary[aria-label^="Menu"]').click();
  await page.getByRole('button', { name: 'Dark', exact: true }).click();
  await page.locator('summary[aria-label^="Menu"]').click();
  await page.setViewportSize({ width: 390, height: 844 });
  await shot(page, 'call-phone-dark');
  await page.locator('summary[aria-label^="Menu"]').click();
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  await page.locator('summary[aria-label^="Menu"]').click();
  await page.setViewportSize({ width: 1280, height: 800 });

  const entry = page.getByRole('region', { name: 'Next test' }).getByRole('textbox');
  await choose(page, 'Change the setup', 'gas valve plug', 'Unplug');
  await choose(page, 'Status light', /^code red-quick:/);
  // Without what it needs a reading proves nothing: the page asks for each thing, then for the reading again.
  await entry.fill('0.2 ohm gas-valve');
  await entry.press('Enter');
  const next = page.getByRole('region', { name: 'Next test' });
  for (const need of ['Switch the power off', 'Prove the meter', 'Pull its plug'])
    await next.getByRole('button', { name: new RegExp(need) }).click();
  await next.getByRole('textbox').fill('0.2');
  await next.getByRole('textbox').press('Enter');
  await page.getByRole('region', { name: 'Suspects' }).getByText('proved', { exact: true }).waitFor();
  await page.locator('[data-suspect]').first().click();
  await shot(page, 'call-proved');
  await page.getByRole('button', { name: 'Record the break' }).click();
  await page.getByRole('dialog').waitFor();
  await page.keyboard.press('Escape');
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await page.getByText('Repaired, adjusted, photo').click();
  await page
    .getByRole('region', { name: 'Proof of the repair' })
    .getByRole('button', { name: /Manifold/ })
    .click();
  await shot(page, 'proof');

  await page.goto(stack.url);
  await page
    .getByRole('link', { name: /Old Bakery/ })
    .first()
    .click();
  await page.locator('[data-suspect]').first().waitFor();
  await page.getByRole('button', { name: 'Damper opens: not seen' }).click();
  await page.locator('[data-state="front"][data-phase]').waitFor();
  await choose(page, 'Change the setup', 'low-water cut-off', 'A bypass that is on');
  await page.getByRole('region', { name: 'To put back' }).waitFor();
  await page.getByRole('button', { name: 'Danger', exact: true }).click();
  await page.getByRole('button', { name: 'Water, heat' }).click();
  await page.locator('[data-fact="glass"]').getByRole('button', { name: 'Cannot tell' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Done' }).click();
  await shot(page, 'stop');
  await page
    .getByRole('alertdialog')
    .getByRole('button', { name: /take it back/ })
    .click();

  await page.goto(stack.url);
  await page
    .getByRole('link', { name: /mobile library/ })
    .first()
    .click();
  await page.locator('[data-suspect]').first().waitFor();
  const bench = await browser.newPage();
  await bench.goto(meter.address);
  await choose(bench, 'Function of Meter 2', 'V DC');
  await choose(bench, 'Red probe of Meter 2', 'B');
  await page.evaluate(
    ([address, code]) => localStorage.setItem('zetalysis.instruments', JSON.stringify({ address, code })),
    [meter.address.replace('http', 'ws'), meter.code],
  );
  await page.reload();
  await page.locator('[data-suspect]').first().waitFor();
  await page
    .locator('[data-ladder]')
    .getByRole('button', { name: /^B[,.]/ })
    .first()
    .click();
  await shot(page, 'meter');
  await page.evaluate(() => localStorage.removeItem('zetalysis.instruments'));
  await page.reload();
  await page.locator('[data-suspect]').first().waitFor();
  await page.getByRole('button', { name: 'How you work' }).click();
  await page.getByRole('dialog', { name: 'How you work' }).waitFor();
  await shot(page, 'how-you-work');
} finally {
  await browser.close();
  await meter.stop();
  await stack.stop();
  rmSync(folder, { recursive: true, force: true });
}
