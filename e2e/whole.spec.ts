import type { Page } from '@playwright/test';
import { carefully, choose, closeAs, evidence, expect, job, proveAll, signIn, step, test } from './stack';

/** The page as somebody has it in front of them: everything beside each other, or one job after the other. */
interface Seat {
  readonly page: Page;
  readonly phone: boolean;
}

/** On a phone: the job that has what comes next. */
const turnTo = async ({ page, phone }: Seat, name: Parameters<typeof job>[1]): Promise<void> => {
  if (phone) await job(page, name);
};

/** What is done beside the tests lies folded away. */
const beside = async (seat: Seat): Promise<void> => {
  await turnTo(seat, 'Log');
  await seat.page.getByText('Repaired, adjusted, photo').click();
};

const MACHINE = 'Quarry Road';

/** From the telephone to the part that is not in the van: the call ends waiting. */
async function firstVisit(seat: Seat, url: string): Promise<void> {
  const { page } = seat;
  await page.goto(`${url}/calls/new`);
  await page.getByLabel('Machine from the register').fill(MACHINE);
  const options = page.locator('.ant-select-item-option');
  await expect.poll(() => options.count()).toBeLessThan(4);
  await page.getByTitle(new RegExp(MACHINE)).click();
  await page.getByLabel(/Complaint/).fill('Cold since the morning, it clicks and gives up.');
  await page.getByRole('button', { name: 'Open the call' }).click();
  await page.locator('[data-suspect]').first().waitFor({ state: 'attached' });
  // On the telephone.
  await page.getByRole('button', { name: 'Before the visit' }).click();
  const telephone = page.getByRole('dialog', { name: 'Before the visit' });
  await telephone.getByRole('group', { name: 'Complaint' }).getByRole('button').first().click();
  await expect(telephone).toContainText('Complaint: ');
  await telephone.getByRole('button', { name: 'At the machine' }).click();
  await expect(telephone).toBeHidden();
  // At the machine.
  await turnTo(seat, 'Steps');
  await step(page, 'Thermostat calls', 'seen');
  await step(page, 'Inducer runs', 'seen');
  await step(page, 'Igniter glows', 'not seen');
  await turnTo(seat, 'Next');
  await carefully(page, 'OL igniter', 'OL');
  await beside(seat);
  await page.getByLabel('Part needed').fill('Igniter HS-41');
  await page.getByLabel('From', { exact: true }).fill('Weir Supply');
  await page.getByLabel('Expected').fill('2026-12-04');
  await page.getByRole('button', { name: 'It is needed' }).click();
  await page.getByRole('button', { name: 'Close the call' }).click();
  const dialog = page.getByRole('dialog', { name: 'How does this call end?' });
  await dialog.getByRole('radio', { name: 'Waiting', exact: true }).click();
  await expect(dialog.getByLabel('For what')).toHaveValue('Igniter HS-41');
  await dialog.getByRole('button', { name: /^Close:/ }).click();
  await expect(dialog).toBeHidden();
}

/** The part has come: repair, proof line by line, the break, the closing, and the page for the customer. */
async function secondVisit(seat: Seat): Promise<void> {
  const { page } = seat;
  await turnTo(seat, 'Log');
  await page.getByLabel('Why it is opened again').fill('The part is here.');
  await page.getByRole('button', { name: 'Open it again' }).click();
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'It has come' }).click();
  await choose(page, 'Part repaired', 'igniter (silicon carbide)');
  await page.getByRole('checkbox', { name: /measured good before fitting/ }).check();
  await page.getByLabel('Number of the new part').fill('HS-41-B');
  await page.getByLabel('Under warranty until').fill('2027-11-30');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await page.getByRole('button', { name: /^Power/ }).click();
  await turnTo(seat, 'Next');
  await expect(page.getByRole('group', { name: 'Next line of the proof' })).toBeVisible();
  await proveAll(page, { '3 cycles': '30', CO: '2' });
  await turnTo(seat, 'Log');
  await page.getByRole('button', { name: 'Record the break' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Record', exact: true }).click();
  await closeAs(page, 'Repair proved');
  await page.getByRole('link', { name: 'Report', exact: true }).click();
  const paper = page.getByRole('article');
  await expect(paper).toContainText('number HS-41-B, under warranty until 2027-11-30');
  await expect(paper).toContainText('Tindall Heating');
}

for (const [where, width, height] of [
  ['at 1280 × 800', 1280, 800],
  ['at 390 × 844', 390, 844],
] as const)
  test(`from the telephone to the report ${where}: a part that has to come, and a second visit`, async ({
    page,
    stack,
  }) => {
    test.setTimeout(180_000);
    const seat = { page, phone: width < 500 };
    await page.setViewportSize({ width, height });
    await signIn(page, stack.url);
    await firstVisit(seat, stack.url);
    // Whoever opens Today sees what it waits for.
    await page.goto(stack.url);
    const call = page.getByRole('link', { name: /Quarry Road.*Igniter HS-41/ }).first();
    await expect(call).toBeVisible();
    await call.click();
    await page.locator('[data-suspect]').first().waitFor({ state: 'attached' });
    await secondVisit(seat);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    // The machine knows what is in it from now on.
    await page.goto(`${stack.url}/machines`);
    await page
      .getByRole('link', { name: /Quarry Road/ })
      .first()
      .click();
    const parts = page.getByRole('group', { name: 'Parts fitted' });
    await expect(parts).toContainText('HS-41-B');
    await expect(parts).toContainText('until 2027-11-30');
  });

test('the same wholly without signal: kept on the device from the opening to the report, and sent when it is back', async ({
  page,
  stack,
}) => {
  test.setTimeout(180_000);
  const seat = { page, phone: false };
  await signIn(page, stack.url);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.goto(`${stack.url}/machines`);
  await expect(page.getByRole('link', { name: new RegExp(MACHINE) }).first()).toBeVisible();
  // What was shown is written down a second later.
  await page.waitForTimeout(2500);
  await stack.stopServer();
  let kept: string | null;
  try {
    await firstVisit(seat, stack.url);
    await secondVisit(seat);
    await page.getByRole('link', { name: 'Back to the call' }).click();
    const away = page.getByText(/Server away: \d+ kept here/);
    await expect(away).toBeVisible();
    kept = await away.textContent();
    await expect(evidence(page)).toContainText('The part has come');
  } finally {
    await stack.restartServer();
  }
  expect(Number(/\d+/.exec(kept ?? '')![0])).toBeGreaterThan(20);
  await expect(page.getByText('All sent')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('button', { name: 'Closed' }).click();
  await expect(page.getByRole('link', { name: /Quarry Road/ }).first()).toContainText('igniter', {
    ignoreCase: true,
  });
});
