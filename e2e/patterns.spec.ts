import type { Page } from '@playwright/test';
import { choose, expect, openCall, signIn, test, violations } from './stack';

/** Opens a tab of the place, when every closed call is read. */
async function open(page: Page, url: string, tab: '' | '/advice' = ''): Promise<void> {
  await page.goto(`${url}/patterns${tab}`);
  await expect(page.getByText(/\d+ breaks on \d+ machines/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Reading closed calls')).toHaveCount(0, { timeout: 60_000 });
}

test('closed calls are read into the book; a bar leads to its calls, and what is chosen stands in the address', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url, 'rosa');
  await open(page, stack.url);
  const breaks = page.getByRole('region', { name: 'What breaks' });
  await expect(breaks.getByText(/In \d+ of \d+ the part was right/)).toBeVisible();
  await breaks.getByRole('button', { name: /flame rod: \d+ calls/ }).click();
  const behind = page.getByRole('dialog', { name: 'flame rod' });
  await expect(behind.getByRole('link').first()).toBeVisible();
  const saved = page.waitForEvent('download');
  await behind.getByRole('button', { name: 'CSV' }).click();
  expect((await saved).suggestedFilename()).toBe('calls.csv');
  await behind.getByRole('link', { name: 'Review' }).first().click();
  await expect(page.getByRole('region', { name: 'The way taken' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'What would have come' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goto(`${stack.url}/patterns/trends`);
  const slides = page.getByRole('region', { name: 'What slides' });
  await expect(slides.getByRole('row', { name: /Mill Lane 14.*Flame signal/s })).toContainText(/marginal/);
  expect(await violations(page)).toEqual([]);
  await page.goto(`${stack.url}/patterns`);
  await page.getByRole('button', { name: /Family, make, age, site/ }).click();
  await choose(page, 'Family', 'Condensing furnace, glow igniter');
  await expect(page).toHaveURL(/profile=furnace-condensing/);
  await page.getByRole('dialog').getByLabel('From').fill('2001-01-01');
  await page.getByRole('dialog').getByLabel('Before').fill('2001-02-01');
  await page.keyboard.press('Escape');
  await expect(breaks.getByText('No break was recorded on these calls.')).toBeVisible();
  await page.reload();
  await expect(breaks.getByText('No break was recorded on these calls.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a lead publishes what was learned, a new call pins it, and it is taken back', async ({ page, stack }) => {
  await signIn(page, stack.url, 'rosa');
  await open(page, stack.url);
  const rates = page.getByRole('region', { name: /Rates, learned beside assumed/ });
  await expect(rates.getByText('New calls are worked with the rates that ship')).toBeVisible();
  await rates.getByRole('button', { name: 'Tests' }).click();
  const tests = page.getByRole('dialog', { name: 'Tests, learned beside assumed' });
  await expect(tests.getByRole('region', { name: 'Minutes of a test' }).getByRole('row').nth(1)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await tests.getByRole('button', { name: 'Close' }).last().click();
  await rates.getByRole('button', { name: 'Publish' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Publish' })).toBeDisabled();
  await dialog.getByLabel('Why, in a few words').fill('Counted since spring');
  await dialog.getByRole('button', { name: 'Publish' }).click();
  await expect(rates.getByText(/New calls are worked with version \d+/)).toBeVisible();
  const [version] = /\d+/.exec(await rates.getByText(/New calls are worked with version/).innerText())!;

  await page.goto(`${stack.url}/calls/new`);
  await choose(page, 'The family it belongs to', 'Condensing furnace, glow igniter');
  await page.getByLabel(/complaint/i).fill('No heat since this morning');
  const opened = page.waitForRequest((r) => r.method() === 'POST' && /\/events$/.test(r.url()));
  await page.getByRole('button', { name: 'Open the call' }).click();
  const { events } = (await opened).postDataJSON() as {
    events: { body: { settings?: { rates?: { version: number } } } }[];
  };
  expect(String(events[0]!.body.settings?.rates?.version)).toBe(version);
  await expect(page.getByRole('heading', { name: /Suspects/ })).toBeVisible();
  await expect(page.getByText(/rates of the shop, \d+ cases/)).toBeVisible();

  await open(page, stack.url);
  await rates.getByRole('button', { name: 'Versions' }).click();
  await dialog.getByLabel('Why, in a few words').fill('Too few cases');
  await dialog.getByRole('button', { name: 'Go back to it' }).click();
  await expect(rates.getByText('New calls are worked with the rates that ship')).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('a technician sees what the advice on their own calls came to, and may publish nothing', async ({
    page,
    stack,
  }) => {
    await signIn(page, stack.url, 'imre');
    await open(page, stack.url, '/advice');
    await expect(page.getByText('The shop’s, for leads')).toHaveCount(0);
    await expect(page.getByRole('region', { name: 'Along a call' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    // A figure leads to its calls.
    const families = page.getByRole('region', { name: /^First suspect right/ });
    const counted = families.getByRole('button', { name: /^\d+$/ }).first();
    const calls = Number(await counted.textContent());
    await counted.click();
    const behind = page.getByRole('dialog');
    await expect(behind.getByRole('link', { name: 'Review' })).toHaveCount(calls);
    expect(await violations(page)).toEqual([]);
    await behind.getByRole('button', { name: 'Close' }).last().click();
    await open(page, stack.url);
    await expect(page.getByRole('button', { name: 'Publish' })).toHaveCount(0);
    // As tall as the page is: nothing lies half under the bar of the places, where nobody would tap it.
    await page.setViewportSize({ width: 390, height: 4000 });
    expect(await violations(page)).toEqual([]);
  });
});

test('a van is loaded for a day: what is needed comes from the shelf, what is not kept is written down, refusals are said', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url, 'imre');
  // A day of its own: whatever other calls there are, parts of the one lie on the shelf, and most of the other are not kept.
  const day = '2031-03-03';
  for (const label of ['Mill Lane 14', 'Tannery Row']) {
    await openCall(page, stack.url, label);
    expect(await plan(page, day)).toBe(201);
  }
  await page.goto(`${stack.url}/patterns/van?day=${day}`);
  const set = page.getByRole('region', { name: 'This set' });
  const parts = page.getByRole('region', { name: /Parts, by the chance/ });
  await expect(page.getByText('is being worked out')).toHaveCount(0, { timeout: 60_000 });
  await expect(set.getByText('calls mended at the first visit, expected')).toBeVisible();
  const first = parts
    .getByRole('row')
    .filter({ hasText: /shelf \d/ })
    .first();
  const goes = first.getByRole('button', { pressed: true });
  if ((await goes.count()) === 0) await first.getByRole('button').first().click();
  const load = set.getByRole('button', { name: /^Load: \d+ from the shelf/ });
  await expect(load).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await load.click();
  await expect(set.getByRole('button', { name: 'Nothing to load' })).toBeVisible();
  await set.getByRole('button', { name: '250' }).click();
  await expect(page).toHaveURL(/for=250/);
  await set.getByLabel('Another amount').fill('15 kg');
  await expect(set.getByRole('alert')).toContainText('room as 15 l');
  await set.getByLabel('Another amount').fill('15 l');
  await expect(page).toHaveURL(/for=15(\+|%20)l/);
  await expect(set.getByText(/of 15 litres/)).toBeVisible();

  await parts.getByRole('button', { name: 'write it down' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'A part that is not kept yet' });
  await dialog.getByLabel('Price').fill('dear');
  await expect(dialog.getByRole('alert')).toContainText('A number, as 31.50');
  await dialog.getByLabel('Price').fill('18,50');
  await dialog.getByLabel('What it is').fill('Sensor of the demo');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(parts.getByText('Sensor of the demo')).toBeVisible();

  await page.goto(`${stack.url}/patterns/stock`);
  await page.getByRole('searchbox').or(page.getByPlaceholder('name or number')).first().fill('sensor of the');
  await page.getByRole('button', { name: 'Sensor of the demo' }).click();
  const item = page.getByRole('dialog', { name: 'Sensor of the demo' });
  await item.getByRole('button', { name: 'Fitted', exact: true }).click();
  await expect(item.getByRole('alert').filter({ hasText: 'none lies on the shelf' })).toBeVisible();
  await item.getByLabel('Units').fill('3');
  await item.getByRole('button', { name: 'Came in' }).click();
  await expect(item.getByText('Shelf: 3')).toBeVisible();
});

/** Puts the call on the screen last in the day of whoever is signed in. */
const plan = (page: Page, day: string): Promise<number> =>
  page.evaluate(async (on) => {
    const key = localStorage.getItem('zetalysis.key')!;
    const { id: person } = JSON.parse(localStorage.getItem('zetalysis.me')!) as { id: string };
    const call = location.pathname.split('/')[2]!;
    const body = JSON.stringify({ day: on, person, call, machine: null, duty: null, slot: '', priority: 'usual' });
    const headers = { 'content-type': 'application/json', 'x-session-key': key };
    return (await fetch('/api/days', { method: 'POST', headers, body })).status;
  }, day);
