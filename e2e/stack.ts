import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { choose } from '../tools/browser';
import { startStack } from '../tools/stack.mjs';

type Stack = Awaited<ReturnType<typeof startStack>>;

/** Somebody who has signed in: what their browser holds. */
interface Session {
  readonly cookie: string;
  readonly key: string;
  readonly me: object;
}

/** Tests against a private installation with demo data: its own database, server and web app. */
export const test = base.extend<{ call: (label: string) => Promise<Page> }, { stack: Stack; session: Session }>({
  stack: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'zetalysis-e2e-'));
      const stack = await startStack(folder);
      await use(stack);
      await stack.stop();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  /** Somebody who has signed in before the day's tests. */
  session: [
    async ({ stack }, use) => {
      const reply = await fetch(`${stack.url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: 'imre', password: 'cold-morning' }),
      });
      expect(reply.status).toBe(200);
      const cookie = reply.headers.getSetCookie().find((c) => c.startsWith('zetalysis='))!;
      await use({ cookie: cookie.split(';')[0]!, ...((await reply.json()) as Omit<Session, 'cookie'>) });
    },
    { scope: 'worker' },
  ],
  /** Opens a new call on a machine of the register. */
  call: async ({ page, stack, session }, use) => {
    await use(async (label) => {
      const [name, value] = session.cookie.split('=') as [string, string];
      await page.addInitScript(({ key, me }) => {
        localStorage.setItem('zetalysis.key', key);
        localStorage.setItem('zetalysis.me', JSON.stringify(me));
      }, session);
      await page.context().addCookies([{ name, value, url: stack.url, httpOnly: true, sameSite: 'Strict' }]);
      await openCall(page, stack.url, label);
      return page;
    });
  },
});

/** Opens a new call on a machine of the register, as whoever is signed in. */
export async function openCall(page: Page, url: string, label: string): Promise<void> {
  await page.goto(`${url}/calls/new`);
  await page.getByLabel('Machine from the register').fill(label);
  // The server looks for it; until then the list is the old one.
  const options = page.locator('.ant-select-item-option');
  await expect.poll(() => options.count()).toBeLessThan(4);
  await page.getByTitle(new RegExp(label)).click();
  await page.getByLabel(/Complaint/).fill('No heat since this morning.');
  await page.getByRole('button', { name: 'Open the call' }).click();
  await expect(page.getByRole('region', { name: 'Suspects' })).toBeVisible();
}

export async function signIn(page: Page, url: string, name = 'imre'): Promise<void> {
  await page.goto(url);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('cold-morning');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
}

/** Opens the menu of a call, where one can go elsewhere. */
export const menu = (page: Page): Promise<void> => page.locator('summary[aria-label^="Menu"]').click();

/** On a phone: what is on the screen. */
export const job = (page: Page, name: 'Steps' | 'Circuit' | 'Next' | 'Suspects' | 'Log'): Promise<void> =>
  page.getByRole('navigation', { name: 'On the screen' }).getByRole('button', { name }).click();

/** Answers a step of the cord. */
export const step = (page: Page, title: string, answer: 'seen' | 'not seen' | 'can’t tell') =>
  page.getByRole('button', { name: `${title}: ${answer}`, exact: true }).click();

/** The page's one field, on the sheet of what is to be done; what asks for words of its own stands above it. */
export const field = (page: Page): Locator =>
  page
    .getByRole('region', { name: /^(Next test|Proof of the repair)$/ })
    .getByRole('textbox')
    .last();

/** Types into the page's one field. */
export async function entry(page: Page, line: string): Promise<void> {
  // The sheet may just be drawn anew for the next test, with another field.
  await expect(async () => {
    await field(page).fill(line);
    await expect(field(page)).toHaveValue(line, { timeout: 500 });
  }).toPass({ timeout: 30_000 });
  await field(page).press('Enter');
}

/** What has to be done first is done, one thing after another as the page asks for it, until it asks for what was wanted. */
export async function meetNeeds(page: Page, region: string, wanted: Locator): Promise<void> {
  const first = page.getByRole('region', { name: region }).getByRole('group', { name: 'First' });
  await expect(async () => {
    // A group that is just being drawn anew is looked for once more.
    if (!(await wanted.isVisible())) await first.getByRole('button').first().click({ timeout: 1000 });
    await expect(wanted).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 30_000 });
}

/** A reading typed without what it needs proves nothing; the page asks for each thing, and then for the reading again. */
export async function carefully(page: Page, line: string, value: string): Promise<void> {
  await entry(page, line);
  const next = page.getByRole('region', { name: 'Next test' });
  await expect(next).toContainText('proves nothing yet');
  await meetNeeds(page, 'Next test', next.getByText('Now read it again'));
  await entry(page, value);
  await expect(next).not.toContainText('proves nothing yet');
}

/** Does every open line of the proof; numbers by what stands in front of them. */
export async function proveAll(page: Page, numbers: Readonly<Record<string, string>>): Promise<void> {
  const proof = page.getByRole('region', { name: 'Proof of the repair' });
  const line = proof.getByRole('group', { name: 'Next line of the proof' });
  while (await line.isVisible()) {
    const words = (await line.locator('strong').first().textContent())!;
    const number = Object.entries(numbers).find(([start]) => words.startsWith(start))?.[1];
    if (await line.locator('[data-fuel=""]').isVisible())
      await line.getByRole('button', { name: 'Natural gas', exact: true }).click();
    if (words === 'Condemning reading again' && number !== undefined) {
      await meetNeeds(page, 'Proof of the repair', line.getByRole('textbox'));
      await line.getByRole('textbox').fill(number);
      await line.getByRole('textbox').press('Enter');
      await line.getByRole('button', { name: 'Now good' }).click();
    } else if (number !== undefined) {
      await line.getByRole('textbox').fill(number);
      await line.getByRole('button', { name: 'Enter' }).click();
    } else await line.getByRole('button').first().click();
    await expect(line.getByText(words, { exact: true })).toBeHidden();
  }
  await expect(proof.getByRole('heading', { name: /^Repair proved \d/ })).toBeVisible();
}

/** Everything that a call asks for at its end is there. */
export async function closeAs(page: Page, ending: string, given: Readonly<Record<string, string>> = {}): Promise<void> {
  await page.getByRole('button', { name: 'Close the call' }).click();
  const dialog = page.getByRole('dialog', { name: 'How does this call end?' });
  await dialog.getByRole('radio', { name: ending, exact: true }).click();
  for (const [label, words] of Object.entries(given)) await dialog.getByLabel(label).fill(words);
  await dialog.getByRole('button', { name: /^Close:/ }).click();
  await expect(dialog).toBeHidden();
}

/** What axe finds wrong on a page (WCAG 2.2 AA). */
export const violations = async (page: Page): Promise<string[]> =>
  (await new AxeBuilder({ page }).options(AXE).setLegacyMode().analyze()).violations.map(
    (v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`,
  );

/** What passes is not gathered, and no page of ours has frames that would need a page of axe's own: it takes half the time. */
const AXE = {
  runOnly: { type: 'tag' as const, values: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] },
  resultTypes: ['violations' as const],
};

/** How the try ends, and what the status light shows. */
export const ends = (page: Page, words: string) => choose(page, 'How the try ends', words);
export const light = (page: Page, words: string | RegExp) => choose(page, 'Status light', words);

/** The step at which the sequence broke off, and the steps that came. */
export const front = (page: Page) => page.locator('[data-state="front"][data-phase]');
export const lit = (page: Page) => page.locator('[data-state="lit"][data-phase]');

export const suspects = (page: Page) => page.getByRole('region', { name: 'Suspects' }).getByRole('listitem');
/** The log, also where a phone does not show it. */
export const evidence = (page: Page) => page.locator('section[aria-label="Evidence"]');
export { choose, expect };
