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
export async function signInToDemo(page: Page, name = 'imre'): Promise<void> {
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('cold-morning');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Today' }).waitFor();
}

/** Chooses one of a list by what is written there; of a list with headings, under the heading that contains this. */
export async function choose(page: Page, label: string, option: string | RegExp, heading?: string): Promise<void> {
  const list = page.getByRole('combobox', { name: label });
  await list.click();
  if (heading !== undefined) await list.fill(heading);
  const open = page.locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden)');
  await open.locator('.ant-select-item-option').getByText(option, { exact: true }).click();
}
