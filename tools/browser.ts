// Debian's Chromium as the tools and the interface tests start it, and how they sign in to the demo.
import { chromium, type Browser, type Page } from '@playwright/test';

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export const launch = (): Promise<Browser> => chromium.launch(CHROMIUM);

/** Signs in to the demo as its technician, and waits for the first call of the day. */
export async function signInToDemo(page: Page): Promise<void> {
  await page.getByLabel('Name').fill('imre');
  await page.getByLabel('Password').fill('cold-morning');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.locator('.call-card').first().waitFor();
}
