import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { startStack } from './stack.mjs';
const folder = mkdtempSync(join(tmpdir(), 'zz-'));
const stack = await startStack(folder);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-background-networking','--disable-component-update','--disable-sync'] });
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 200)));
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
  await page.goto(stack.url);
  await page.getByLabel('Name').fill('imre');
  await page.getByLabel('Password').fill('cold-morning');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.locator('.call-card').first().waitFor();
  const mod = await import(process.argv[2]!);
  await mod.default(page, stack.url, (n: string, full = false) => page.screenshot({ path: `/tmp/shot-${n}.png`, fullPage: full }));
} catch (e) { console.log(String(e).slice(0, 1500)); } finally { await browser.close(); await stack.stop(); rmSync(folder, { recursive: true, force: true }); }
