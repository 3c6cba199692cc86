import { chromium, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { CHROMIUM } from '../tools/browser';
import {
  choose,
  entry,
  evidence,
  expect,
  job,
  menu,
  openCall,
  signIn,
  step,
  suspects,
  test,
  violations,
} from './stack';

/** How much wider than its window a page is, pixels. */
const excess = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

const PLACES: readonly (readonly [string, string, RegExp])[] = [
  ['Today', '/', /Open a call/],
  ['Open a call', '/calls/new', /\d+ of \d+ left/],
  ['Machines', '/machines', /Corn Exchange/],
  ['Library', '/library', /Condensing combi/],
  ['the Bench', '/bench', /Thermal regulator/],
  [
    'a component test',
    '/bench/tests/coil-24v?dead.iso=yes&dead.ohms=13.4&dead.T=2+C&dead.book=15',
    /Which limits counted/,
  ],
  ['a calculator', '/bench/calculators/copper?ohms=15&T=20+C&to=60+C', /Usual mistake/],
  ['the register of instruments', '/bench/instruments', /ZM-2207/],
  ['an appliance', '/library/storage-water-heater?variant=one-shot-cutoff', /^Dead tests$/],
  ['a field card', '/library/pool-heat-pump/card', /Likeliest faults/],
];

for (const theme of ['by day', 'in the dark'])
  test(`axe finds nothing on any place, ${theme}`, async ({ page, stack }) => {
    await signIn(page, stack.url);
    if (theme !== 'by day') await page.getByRole('button', { name: 'Dark', exact: true }).click();
    for (const [name, path, words] of PLACES) {
      await page.goto(stack.url + path);
      await expect(page.getByText(words).first(), name).toBeVisible();
      expect(await violations(page), name).toEqual([]);
    }
    await page.goto(`${stack.url}/machines`);
    await page
      .getByRole('list', { name: 'Machines' })
      .getByRole('link', { name: /Ferry House/ })
      .click();
    await expect(page.locator('[data-ladder]')).toBeVisible();
    expect(await violations(page), 'a machine').toEqual([]);
  });

test('axe finds nothing on a call with its clock, panel and what-if open, by day and in the dark', async ({ call }) => {
  const page = await call('Tannery Row');
  await page.getByRole('button', { name: 'Before the visit' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'At the machine' }).click();
  await page.getByRole('button', { name: 'Watch a try' }).click();
  await page.getByRole('button', { name: 'It calls now: start the clock' }).click();
  await step(page, 'Fan speeds up', 'not seen');
  await expect(page.getByText(/not yet after \d+ s/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await suspects(page).first().getByRole('button').first().click();
  await page.getByRole('button', { name: /What if it is so/ }).click();
  await expect(page.locator('[data-what-if]')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await menu(page);
  await page.getByRole('button', { name: 'Dark', exact: true }).click();
  expect(await violations(page)).toEqual([]);
});

test('axe finds nothing on a stop, on the ledger with a bypass, on the endings and on the proof', async ({ call }) => {
  const page = await call('Almshouses');
  await choose(page, 'Change the setup', 'low-water cut-off', 'A bypass that is on');
  await expect(page.getByRole('region', { name: 'To put back' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Danger', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page
    .locator('[data-fact="smell"]')
    .getByRole('button', { name: /Within arm/ })
    .click();
  await expect(page.getByRole('alertdialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page
    .getByRole('alertdialog')
    .getByRole('button', { name: /take it back/ })
    .click();
  await page.getByRole('button', { name: 'Take the bypass off' }).first().click();
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await expect(page.getByRole('region', { name: 'Proof of the repair' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Close the call' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('at 200 % zoom nothing is wider than the page, and the call can be worked', async ({ call }) => {
  const page = await call('Hollin Bank');
  // The browser's zoom: half the room for everything.
  await page.setViewportSize({ width: 640, height: 400 });
  await job(page, 'Next');
  await entry(page, '26 TH C @call');
  await expect(evidence(page)).toContainText('TH–C: 26 V');
  expect(await excess(page)).toBeLessThanOrEqual(0);
});

test('letters of twice the size, as set in the browser: nothing is wider than the page', async ({ stack }) => {
  const browser = await chromium.launch({
    ...CHROMIUM,
    args: [...CHROMIUM.args, '--blink-settings=defaultFontSize=32'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    await signIn(page, stack.url);
    for (const [name, path, words] of PLACES.filter(([place]) => place !== 'a field card')) {
      await page.goto(stack.url + path);
      await expect(page.getByText(words).first(), name).toBeVisible();
      expect(await excess(page), name).toBeLessThanOrEqual(0);
    }
    await page.goto(stack.url);
    await page
      .getByRole('link', { name: /Mill Lane/ })
      .first()
      .click();
    await expect(page.getByRole('region', { name: 'Next test' })).toBeVisible();
    expect(await excess(page)).toBeLessThanOrEqual(0);
  } finally {
    await browser.close();
  }
});

test('a log of two hundred entries opens, is worked on and undone', async ({ call, session }) => {
  const page = await call('Lock Cottage');
  const id = page.url().split('/').pop()!;
  const looks = ['dial-look right', 'screen-look clear', 'joint-look right', 'vent-look draws'];
  const events = Array.from({ length: 199 }, (_, i) => {
    const [look, answer] = looks[i % looks.length]!.split(' ');
    return {
      id: v7(),
      call: id,
      seq: i + 2,
      at: new Date(Date.now() + i).toISOString(),
      device: 'elsewhere',
      person: 'imre',
      body: i % 2 === 0 ? { type: 'note', text: `Entry ${i}` } : { type: 'look', look, answer },
    };
  });
  await expect(page.getByRole('status').filter({ hasText: 'All sent' })).toBeVisible();
  const sent = await page.request.post(new URL(`/api/calls/${id}/events`, page.url()).href, {
    data: { events },
    headers: { 'x-session-key': session.key },
  });
  expect(sent.ok()).toBe(true);
  await page.reload();
  await expect(evidence(page).getByRole('listitem')).toHaveCount(200);
  await entry(page, '200mV TV G @pilot');
  await expect(evidence(page)).toContainText('TV–G: 200 mV');
  await expect(suspects(page).first()).toContainText(/thermopile/i);
  await evidence(page)
    .getByRole('button', { name: /Take back: TV–G/ })
    .click();
  await expect(evidence(page)).toContainText('(taken back)');
});

test('a call is opened, worked and left without a word on the console, and nothing jumps while it is drawn', async ({
  page,
  stack,
}) => {
  const said: string[] = [];
  page.on('console', (m) => (m.type() === 'error' || m.type() === 'warning') && said.push(m.text()));
  page.on('pageerror', (e) => said.push(e.message));
  await page.addInitScript(() => {
    const seen = window as unknown as { shifted: number };
    seen.shifted = 0;
    new PerformanceObserver((list) => {
      for (const e of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!e.hadRecentInput) seen.shifted += e.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await signIn(page, stack.url);
  await openCall(page, stack.url, 'Mill Lane 14');
  await step(page, 'Inducer runs', 'not seen');
  await entry(page, '26 R C @call');
  await expect(evidence(page)).toContainText('R–C: 26 V');
  await expect(page.getByText('All sent')).toBeVisible();
  await page.reload();
  await expect(suspects(page).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Next test' })).toHaveAttribute('aria-busy', 'false');
  expect(await page.evaluate(() => (window as unknown as { shifted: number }).shifted)).toBeLessThanOrEqual(0.05);
  for (const [name, path, words] of PLACES) {
    await page.goto(stack.url + path);
    await expect(page.getByText(words).first(), name).toBeVisible();
  }
  expect(said).toEqual([]);
});
