import { mkdtempSync, rmSync } from 'node:fs';
import { launch, signInToDemo, choose } from './browser';
import { startStack } from './stack.mjs';
const folder = mkdtempSync('/tmp/zs-');
const stack = await startStack(folder);
const browser = await launch();
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(stack.url);
  await signInToDemo(page);
  const shot = async (n: string) => {
    await page.waitForTimeout(2500);
    await page.screenshot({ path: `/tmp/x/${n}.png` });
  };
  await page.getByRole('link', { name: /Mill Lane/ }).click();
  await page.locator('[data-suspect]').first().waitFor();
  await shot('call');
  await choose(page, 'Change the setup', 'gas valve plug', 'Unplug');
  await choose(page, 'Status light', /^code 6:/);
  const e = page.getByRole('region', { name: 'Circuit and readings' }).getByRole('textbox');
  await e.fill('0.2 ohm gas-valve');
  await e.press('Enter');
  await page.waitForTimeout(1500);
  await page.locator('[data-suspect]').first().click();
  await page.getByText('Repaired or adjusted something').click();
  await shot('proved');
  await page.goto(stack.url);
  await page.getByRole('link', { name: /school pool/ }).click();
  await page.locator('[data-suspect]').first().waitFor();
  await shot('pool');
  await page.getByRole('combobox', { name: 'Change the setup' }).click();
  await shot('menu');
  await page.keyboard.press('Escape');
  await page.setViewportSize({ width: 390, height: 844 });
  await shot('phone');
  await page.evaluate(() => window.scrollTo(0, 1100));
  await shot('phone2');
  await page.evaluate(() => window.scrollTo(0, 2000));
  await shot('phone3');
} finally {
  await browser.close();
  await stack.stop();
  rmSync(folder, { recursive: true, force: true });
}
