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

/** Asks the server as whoever is signed in on a page. */
const asked = <T>(page: Page, method: string, path: string, body?: object): Promise<T> =>
  page.evaluate(
    async ([m, address, text]) => {
      const reply = await fetch(`/api${address}`, {
        method: m!,
        headers: { 'x-session-key': localStorage.getItem('zetalysis.key')!, 'content-type': 'application/json' },
        ...(text === undefined ? {} : { body: text }),
      });
      if (!reply.ok) throw new Error(`${address}: ${await reply.text()}`);
      return (await reply.json()) as never;
    },
    [method, path, body && JSON.stringify(body)] as const,
  );

/** What the calls of a season add up to, and what to load for a day of it. */
async function patterns(): Promise<void> {
  const seasonal = await startStack(mkdtempSync(join(folder, 'season-')), {
    season: join(import.meta.dirname, '../packages/season/season.jsonl.gz'),
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(seasonal.url);
    await signInToDemo(page, 'rosa');
    await page.getByRole('link', { name: 'Patterns' }).click();
    await page.getByText(/^Reading closed calls/).waitFor();
    await page.getByText(/^Reading closed calls/).waitFor({ state: 'detached', timeout: 600_000 });
    await page.getByText(/breaks on \d+ machines/).waitFor();
    await shot(page, 'patterns');
    await page.getByRole('link', { name: 'Load the van' }).click();
    await choose(page, 'Whose van', 'Van of Imre Castellan');
    await page.getByText('first visit mends it').first().waitFor({ timeout: 120_000 });
    await page.waitForTimeout(15_000);
    await shot(page, 'van');
  } finally {
    await seasonal.stop();
  }
}

/** An exercise that a lead has set, from its machine to its lesson, and the course. */
async function practise(page: Page): Promise<void> {
  // A furnace in which something is hidden.
  await page.goto(`${stack.url}/practice/3.b6kcg4.s0l.furnace-condensing`);
  await page.getByRole('region', { name: 'Machine' }).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Times 10' }).click();
  await page
    .getByRole('region', { name: 'Machine' })
    .getByText(/Inducer runs\s*came|Igniter glows\s*came/)
    .first()
    .waitFor();
  await page.getByRole('button', { name: 'Write the try down' }).click();
  await choose(page, 'How the try ended', 'Stops and starts over, again and again');
  await page.getByRole('button', { name: 'Times 1', exact: true }).click();
  await page.getByRole('button', { name: 'Panel ON' }).click();
  await page.getByRole('button', { name: 'Door switch OPEN' }).click();
  const point = page.locator('[data-ladder] [role=button][aria-label^="GV,"] rect').first();
  await point.click();
  await page.waitForTimeout(3000);
  await page.getByRole('button', { name: 'Note it' }).click();
  await shot(page, 'practice');
  for (const name of ['Door switch HELD', 'Panel OFF', 'Switch ON', 'Gas ON'])
    await page.getByRole('button', { name, exact: true }).click();
  await page.getByRole('button', { name: 'I know: name it' }).click();
  await choose(page, 'The part', 'gas valve');
  await page.getByRole('button', { name: 'Write it down' }).click();
  const leftOff = page.getByRole('listitem').filter({ hasText: 'Left off and tagged' });
  for (const field of await leftOff.getByRole('textbox').all()) await field.fill('told the owner');
  await leftOff.getByRole('button').click();
  await page.getByText('of 100').waitFor({ timeout: 90_000 });
  await shot(page, 'practice-lesson');
  await page.getByRole('link', { name: 'Another exercise' }).click();
  await page.getByRole('button', { name: 'Begin an exercise' }).waitFor();
  await shot(page, 'practice-course');
}

try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(stack.url);
  await signInToDemo(page);
  await shot(page, 'today');
  await page.getByRole('link', { name: 'Machines' }).click();
  const register = page.getByRole('list', { name: 'Machines' });
  await register.getByRole('link', { name: /Quarry Road/ }).waitFor();
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
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByLabel(/Search by words/).fill('26 V on TH, nothing on SP');
  await page.getByText(/^Found in/).waitFor({ timeout: 120_000 });
  await shot(page, 'library-search');
  await practise(page);
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
    .getByRole('region', { name: 'Lines of the proof' })
    .getByRole('button', { name: /Manifold/ })
    .click();
  await shot(page, 'proof');

  // What a closed call leaves on paper, a day, and what is due.
  const closed = await asked<{ calls: { id: string; overview: { ending: string; record: object | null } }[] }>(
    page,
    'GET',
    '/calls?state=closed&size=100',
  );
  const proved = closed.calls.find(({ overview }) => overview.ending === 'proved' && overview.record !== null)!;
  await page.goto(`${stack.url}/calls/${proved.id}/report`);
  await page.getByRole('article').waitFor();
  await shot(page, 'report');
  const me = await asked<{ id: string }>(page, 'GET', '/session');
  const open = await asked<{ calls: { id: string }[] }>(page, 'GET', '/calls?state=open&size=4');
  const day = new Date().toISOString().slice(0, 10);
  for (const [i, { id }] of open.calls.entries())
    await asked(page, 'POST', '/days', {
      ...{ day, person: me.id, call: id, machine: null, duty: null },
      slot: ['8-10', '', '10-11', '14-16'][i],
      priority: i === 0 ? 'danger' : 'usual',
    });
  await page.goto(`${stack.url}/day`);
  await page.getByText('To load').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(8000);
  await shot(page, 'day');

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
  await patterns();
} finally {
  await browser.close();
  await meter.stop();
  await stack.stop();
  rmSync(folder, { recursive: true, force: true });
}
