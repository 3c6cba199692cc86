import type { Page } from '@playwright/test';
import { choose, expect, signIn, test, violations } from './stack';

/** Opens a tab of the place, when every closed call is read. */
async function open(page: Page, url: string, tab: '' | '/advice' = ''): Promise<void> {
  await page.goto(`${url}/patterns${tab}`);
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
  await behind.getByRole('button', { name: 'Close' }).last().click();
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
    await open(page, stack.url);
    await expect(page.getByRole('button', { name: 'Publish' })).toHaveCount(0);
    expect(await violations(page)).toEqual([]);
  });
});
