// `npm run crash:browser`: a person works in a browser whose pages are killed, whose server comes and goes, with two tabs,
// sign-outs, somebody else on the device, and a disk that is full; then what the page called kept is held against what the
// server has. Options: --rounds N (40).
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import type { NumberedEvent } from '@zetalysis/contract';
import { CHROMIUM } from './browser';
import { Client } from './client';
import { startStack } from './stack.mjs';

const { values } = parseArgs({ options: { rounds: { type: 'string', default: '40' } } });
const ROUNDS = Number(values.rounds);

const folder = mkdtempSync(join(tmpdir(), 'zetalysis-crash-browser-'));
const stack = await startStack(folder);
let context: BrowserContext = await openBrowser();
let away = false;

/** What a page showed as kept, by text: the person in whose name. */
const kept = new Map<string, string>();
const faults: string[] = [];
const did: Record<string, number> = {};
const pick = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;

function openBrowser(): Promise<BrowserContext> {
  return chromium.launchPersistentContext(join(folder, 'profile'), {
    ...CHROMIUM,
    viewport: { width: 1280, height: 800 },
  });
}

async function signIn(page: Page, name: string): Promise<void> {
  await page.goto(`${stack.url}/sign-in`);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('cold-morning');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Today' }).waitFor();
}

/** Adjustments are entries with words of one's own: each here is told apart by its number. */
let made = 0;
async function enter(page: Page, person: string): Promise<void> {
  const words = `screw ${++made}`;
  const work = page.locator('details').filter({ hasText: 'Repaired, adjusted, photo' });
  if ((await work.getAttribute('open')) === null) await work.locator('summary').click();
  await page.getByLabel('Screw or setting').fill(words);
  await page.getByLabel('Where it stood').fill('a');
  await page.getByLabel('Where it stands now').fill('b');
  await page.getByRole('button', { name: 'Note the adjustment' }).click();
  // Only what the log of the page shows counts as kept.
  await page.getByRole('region', { name: 'Evidence' }).getByText(`Adjusted: ${words},`).waitFor({ timeout: 20_000 });
  kept.set(words, person);
}

async function openCall(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.getByRole('region', { name: 'Suspects' }).waitFor({ timeout: 60_000 });
}

const first = context.pages()[0] ?? (await context.newPage());
await signIn(first, 'imre');
await first
  .getByRole('link', { name: /Mill Lane/ })
  .first()
  .click();
await first.getByRole('region', { name: 'Suspects' }).waitFor({ timeout: 60_000 });
const address = first.url();
const call = address.split('/').at(-1)!;
await first.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
await first.reload();
await first.getByRole('region', { name: 'Suspects' }).waitFor({ timeout: 60_000 });

let person = 'imre';
let page = first;

/** What can happen to somebody at work. */
const HAPPENS: Readonly<Record<string, () => Promise<void>>> = {
  'page killed right after an entry': async () => {
    await enter(page, person);
    const cdp = await context.newCDPSession(page);
    const dead = page;
    page = await context.newPage();
    await Promise.race([cdp.send('Page.crash').catch(() => undefined), wait(1000)]);
    await dead.close().catch(() => undefined);
    await openCall(page, address);
  },
  'browser killed right after an entry': async () => {
    await enter(page, person);
    await context.close();
    context = await openBrowser();
    page = context.pages()[0] ?? (await context.newPage());
    await openCall(page, address);
  },
  'two tabs at once': async () => {
    const tab = await context.newPage();
    await openCall(tab, address);
    await enter(page, person);
    await enter(tab, person);
    await tab.close();
  },
  'server away': async () => {
    if (away) return;
    await stack.stopServer();
    away = true;
    await enter(page, person);
    await page.reload();
    await page.getByRole('region', { name: 'Suspects' }).waitFor({ timeout: 60_000 });
  },
  'server back': async () => {
    if (!away) return;
    await stack.restartServer();
    away = false;
  },
  'signed out, and somebody else signs in': async () => {
    await enter(page, person);
    await page.getByRole('button', { name: 'Sign out' }).click();
    const dialog = page.getByRole('dialog');
    const leaving = await Promise.race([
      dialog.waitFor({ timeout: 5000 }).then(
        () => true,
        () => false,
      ),
      page.waitForURL(/sign-in/, { timeout: 5000 }).then(
        () => false,
        () => false,
      ),
    ]);
    if (leaving) await dialog.getByRole('button', { name: 'Sign out' }).click();
    await page.waitForURL(/sign-in/);
    // Without the server nobody can sign in.
    if (away) await HAPPENS['server back']!();
    person = person === 'imre' ? 'rosa' : 'imre';
    await signIn(page, person);
    await openCall(page, address);
  },
  'disk full': async () => {
    await enter(page, person);
    const words = `screw ${++made}`;
    await page.evaluate(() => {
      const real = IDBObjectStore.prototype.put;
      (window as unknown as { put: unknown }).put = real;
      IDBObjectStore.prototype.put = function () {
        throw new DOMException('no room', 'QuotaExceededError');
      };
    });
    await page.getByLabel('Screw or setting').fill(words);
    await page.getByLabel('Where it stood').fill('a');
    await page.getByLabel('Where it stands now').fill('b');
    await page.getByRole('button', { name: 'Note the adjustment' }).click();
    await page.getByText(/Not kept: this device has no room left/).waitFor();
    if (await page.getByRole('region', { name: 'Evidence' }).getByText(`Adjusted: ${words},`).isVisible())
      faults.push(`${words} is shown as kept`);
    await page.evaluate(() => {
      IDBObjectStore.prototype.put = (window as unknown as { put: typeof IDBObjectStore.prototype.put }).put;
    });
  },
  'just an entry': () => enter(page, person),
};

for (let round = 1; round <= ROUNDS; round++) {
  const what = pick(Object.keys(HAPPENS));
  try {
    await HAPPENS[what]!();
    did[what] = (did[what] ?? 0) + 1;
  } catch (error) {
    faults.push(`${what}: ${(error as Error).message.split('\n')[0]}`);
    page = await context.newPage();
    await openCall(page, address);
  }
  if (round % 10 === 0) console.log(`${round} rounds, ${kept.size} entries kept`);
}

// Everything goes out once each of them is back.
if (away) await stack.restartServer();
for (const name of ['imre', 'rosa']) {
  await context.clearCookies();
  await page.evaluate(() => ['key', 'me', 'ending'].forEach((k) => localStorage.removeItem(`zetalysis.${k}`)));
  await signIn(page, name);
  await page.locator('[data-outbox]').waitFor({ state: 'detached', timeout: 60_000 });
  await wait(2000);
}

const reader = new Client(stack.url, 'office');
await reader.signIn();
const stored: NumberedEvent[] = (await reader.after(call, 0)).body.entries;
const times = new Map<string, string[]>();
for (const { event } of stored)
  if (event.body.type === 'adjusted') times.set(event.body.what, [...(times.get(event.body.what) ?? []), event.person]);
const lost = [...kept].filter(([words]) => !times.has(words));
const doubled = [...times].filter(([, by]) => by.length > 1);
const wrongName = [...kept].filter(([words, by]) => times.has(words) && times.get(words)![0] !== by);
const never = [...times].filter(([words]) => words.startsWith('screw') && !kept.has(words));
console.log(`\n${kept.size} entries shown as kept, ${times.size} stored; ${JSON.stringify(did)}`);
console.log(
  JSON.stringify({
    lost: lost.length,
    doubled: doubled.length,
    wrongName: wrongName.length,
    storedThoughNotShown: never.length,
  }),
);
for (const fault of faults) console.log(fault);
await context.close();
await stack.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(lost.length + doubled.length + wrongName.length + faults.length === 0 ? 0 : 1);
