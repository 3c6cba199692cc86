import { entry, evidence, expect, front, lit, step, suspects, test } from './stack';

test('with the server gone the call goes on, says so, survives a reload, and sends when it is back', async ({
  call,
  stack,
}) => {
  const page = await call('Mill Lane 14');
  await step(page, 'Thermostat calls', 'seen');
  await expect(page.getByText('All sent')).toBeVisible();
  // The service worker must have taken over before the reload without a server.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect(page.getByRole('region', { name: 'Suspects' })).toBeVisible();

  await stack.stopServer();
  try {
    await step(page, 'Inducer runs', 'not seen');
    await expect(page.getByText(/Server away: .*kept here, sent when it is back/)).toBeVisible();
    await expect(front(page)).toContainText('Inducer runs');
    await page.reload();
    await expect(front(page)).toContainText('Inducer runs');
    await entry(page, '120 IN N');
    await expect(evidence(page)).toContainText('IN–N: 120 V');
  } finally {
    await stack.restartServer();
  }
  await expect(page.getByText('All sent')).toBeVisible({ timeout: 20_000 });
  await page.reload();
  await expect(evidence(page)).toContainText('IN–N: 120 V');
});

test('a second tab and a second device show the same call', async ({ call, stack, browser }) => {
  const page = await call('Quarry Road');
  const address = page.url();
  const tab = await page.context().newPage();
  await tab.goto(address);
  await expect(suspects(tab).first()).toBeVisible();
  await step(page, 'Inducer runs', 'seen');
  await expect(lit(tab)).toContainText('Inducer runs');

  const device = await browser.newContext();
  const phone = await device.newPage();
  await phone.goto(address);
  await phone.getByLabel('Name').fill('rosa');
  await phone.getByLabel('Password').fill('cold-morning');
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await expect(lit(phone)).toContainText('Inducer runs');
  await step(phone, 'Igniter glows', 'not seen');
  await expect(front(page)).toContainText('Igniter glows', { timeout: 20_000 });
  await expect(page.getByRole('region', { name: 'Suspects' })).toHaveText(
    (await phone.getByRole('region', { name: 'Suspects' }).textContent()) ?? '',
  );
  await device.close();
  void stack;
});
