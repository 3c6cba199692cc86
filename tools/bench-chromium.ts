// The part of `npm run bench` that needs the real interface: places, typing, and long tasks at a quarter of the speed.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { profileOf } from './bench-build';
import { median, type EngineFigures } from './bench-engine';
import { line, printEngine } from './bench-print';
import { launch, signInToDemo } from './browser';
import { startStack } from './stack.mjs';

/** Each place, and what is there when it can be used. */
const PLACES: readonly (readonly [string, string, string])[] = [
  ['Today', '/', 'main a[href^="/calls/"]'],
  ['Open a call', '/calls/new', 'main [role="group"] button'],
  ['Machines', '/machines', 'main a[href^="/machines/"]'],
  ['Library', '/library', '[data-profile]'],
  ['an appliance of the Library', '/library/furnace-condensing', '[data-ladder]'],
];

/** Types a reading and gives the milliseconds from the key to the next test that reckons with it on the screen. */
async function typing(page: Page, text: string): Promise<number> {
  const field = page.getByRole('region', { name: 'Next test' }).getByRole('textbox');
  await field.fill(text);
  // Enter is pressed on what is seen: the page has drawn the line that was typed.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
  await page.evaluate(() => {
    const busy = (): boolean => document.querySelector('[aria-label="Next test"][aria-busy="true"]') !== null;
    const bench = window as unknown as { answered: Promise<number> };
    bench.answered = new Promise((resolve) => {
      window.addEventListener(
        'keydown',
        ({ timeStamp }) => {
          const entries = (): string | null | undefined =>
            document.querySelector('section[aria-label="Evidence"]')?.textContent;
          const before = entries();
          const look = (): void => {
            if (entries() !== before && !busy()) resolve(performance.now() - timeStamp);
            else requestAnimationFrame(look);
          };
          look();
        },
        { once: true },
      );
    });
  });
  await field.press('Enter');
  return page.evaluate(() => (window as unknown as { answered: Promise<number> }).answered);
}

/** Each pass has readings of its own: one that is known already leaves the next test as it is. */
const READINGS: Readonly<Record<number, readonly string[]>> = {
  1: ['26 R C @call', '26 W C @call', '25.8 LI C @call', '25.9 RO C @call'],
  4: ['26 SEC C @inducer', '120 L1D N @inducer', '120 IG N @glow', '120 IP N @glow'],
};

/**
 * The engine of one family in a page of its own, at full and at a quarter of the speed. On the call page it works in a
 * worker, which Chromium does not slow down.
 */
async function engineIn(browser: Browser, script: string, family: string): Promise<void> {
  const source = readFileSync(profileOf(family), 'utf8');
  for (const slow of [1, 4]) {
    const page = await browser.newPage();
    await page.addScriptTag({ path: script });
    const session = await page.context().newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slow });
    const figures = await page.evaluate(
      ([text, id]) =>
        (
          window as unknown as { bench: { measureEngine(text: string, id: string): EngineFigures } }
        ).bench.measureEngine(text!, id!),
      [source, family],
    );
    console.log(`\nthe engine in Chromium${slow === 1 ? '' : ', at a quarter of the speed'}: ${family}`);
    printEngine(figures);
    const heap = await page.evaluate(
      () => (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize,
    );
    line('heap of the page', `${(heap / 1e6).toFixed(0)} MB`);
    await page.close();
  }
}

/** `script` is the built benchmark of the engine. */
export async function benchInChromium(script: string, largest: string): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'zetalysis-bench-'));
  const stack = await startStack(folder);
  const browser = await launch();
  try {
    await engineIn(browser, script, largest);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    // The TypeScript runner names functions with a helper that the page does not have.
    await page.addInitScript('window.__name = (f) => f');
    await page.goto(stack.url);
    await signInToDemo(page);
    console.log('\nin Chromium, demo data (aims: a place 1500 ms, typing to the next test that follows 100 ms)');
    const opened = async (path: string, ready: string): Promise<number> => {
      const from = performance.now();
      await page.goto(stack.url + path);
      await page.locator(ready).first().waitFor();
      return performance.now() - from;
    };
    for (const [name, path, ready] of PLACES)
      line(
        name,
        `${median([await opened(path, ready), await opened(path, ready), await opened(path, ready)]).toFixed(0)} ms`,
      );
    await page.goto(stack.url);
    const call = await page.getByRole('link', { name: /Mill Lane/ }).getAttribute('href');
    line('a call, until its suspects stand', `${(await opened(call!, '[data-suspect]')).toFixed(0)} ms`);

    for (const slow of [1, 4]) {
      const session = await page.context().newCDPSession(page);
      await session.send('Emulation.setCPUThrottlingRate', { rate: slow });
      await page.goto(stack.url + call!);
      await page.getByRole('button', { name: 'Can’t', exact: true }).waitFor();
      await page.evaluate(() => {
        const bench = window as unknown as { tasks: number[] };
        bench.tasks = [];
        new PerformanceObserver((list) => list.getEntries().forEach((e) => bench.tasks.push(e.duration))).observe({
          type: 'longtask',
        });
      });
      const times: number[] = [];
      for (const reading of READINGS[slow]!) times.push(await typing(page, reading));
      const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
      const at = slow === 1 ? '' : ', at a quarter of the speed';
      line(
        `typing to the next test that follows${at}`,
        `median ${median(times).toFixed(0)} ms, all ${times.map((t) => t.toFixed(0)).join(' ')}`,
      );
      line(
        `tasks over 50 ms on the page${at}`,
        tasks.length === 0
          ? 'none'
          : `${tasks.length}, longest ${Math.max(...tasks).toFixed(0)} ms (aim: none over 100)`,
      );
      await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    }
  } finally {
    await browser.close();
    await stack.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
