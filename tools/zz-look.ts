import { mkdtempSync, rmSync, mkdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { choose, launch, signInToDemo } from './browser';
import { startStack } from './stack.mjs';
mkdirSync('/tmp/shots', { recursive: true });
const folder = mkdtempSync(join(tmpdir(), 'zz-'));
const stack = await startStack(folder);
const browser = await launch();
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
  const shot = async (n: string) => {
    await page.waitForTimeout(1200);
    await page.screenshot({ path: `/tmp/shots/${n}.png` });
  };
  await page.goto(stack.url);
  await signInToDemo(page);
  await shot('today');
  await page
    .getByRole('link', { name: /Old Bakery/ })
    .first()
    .click();
  await page.locator('[data-suspect]').first().waitFor();
  await shot('call');
  await page.getByRole('button', { name: 'Danger' }).click();
  await shot('danger');
  await page.getByRole('button', { name: 'Water, heat' }).click();
  await page
    .locator('[data-fact="glass"]')
    .getByRole('button', { name: /Cannot tell/ })
    .click();
  await shot('stop');
  await page.setViewportSize({ width: 390, height: 844 });
  await shot('stop-phone');
  await page.getByRole('button', { name: 'It was not so: take it back' }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await choose(page, 'Change the setup', 'low-water cut-off', 'A bypass');
  await shot('bypass');
  await page.setViewportSize({ width: 390, height: 844 });
  await shot('bypass-phone');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('button', { name: 'Take the bypass off' }).first().click();
  await page.getByRole('button', { name: 'Close the call' }).click();
  await page.getByRole('button', { name: /^Close: waiting/ }).click();
  await shot('end');
  await page.keyboard.press('Escape');
  await page.getByText('Repaired, adjusted, photo').click();
  await choose(page, 'Part repaired', 'probe of the cut-off');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await shot('proof');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('region', { name: 'Proof of the repair' }).scrollIntoViewIfNeeded();
  await shot('proof-phone');
} finally {
  await browser.close();
  await stack.stop();
  rmSync(folder, { recursive: true, force: true });
}
