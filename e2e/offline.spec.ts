import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import { entry, evidence, expect, front, lit, menu, openCall, signIn, step, suspects, test } from './stack';

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

/** Everything that is fetched beforehand has come, and the worker keeps the app's files. */
async function ready(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const machines = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const opening = indexedDB.open('zetalysis');
          opening.onsuccess = () => {
            const asked = opening.result.transaction('machines').objectStore('machines').count();
            asked.onsuccess = () => {
              opening.result.close();
              resolve(asked.result);
            };
          };
        }),
    );
  await expect.poll(machines, { timeout: 30_000 }).toBeGreaterThan(5);
  // What was shown is written down a second later.
  await page.waitForTimeout(2000);
}

test('after a first visit every place opens without the server, and a call can be opened', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await ready(page);
  await stack.stopServer();
  try {
    const places = [
      ['/', /Furnace, Mill Lane 14/],
      ['/machines', /Corn Exchange/],
      ['/library', /Condensing combi/],
      ['/library/pool-heater', /^Dead tests$/],
      ['/library/dryer-burner/card', /Likeliest faults/],
      ['/me', /Change the password/],
    ] as const;
    for (const [path, words] of places) {
      await page.goto(stack.url + path);
      await expect(page.getByText(words).first(), path).toBeVisible();
    }
    await page.goto(`${stack.url}/calls/new`);
    await page.getByLabel('Machine from the register').fill('almshouses');
    await page.getByTitle(/Almshouses/).click();
    await page.getByLabel(/Complaint/).fill('Radiators cold.');
    await page.getByRole('button', { name: 'Open the call' }).click();
    await expect(suspects(page).first()).toBeVisible();
    await expect(page.getByText(/Server away: 1 kept here/)).toBeVisible();
    await page.getByRole('link', { name: 'Today', exact: true }).click();
    await expect(page.getByRole('link', { name: /Radiators cold.*not sent yet/ })).toBeVisible();
    await page.goto(`${stack.url}/machines`);
    await expect(page.getByRole('button', { name: '1 to send' })).toBeVisible();
  } finally {
    await stack.restartServer();
  }
  // It goes out from whatever page is open, and a place that failed comes back by itself.
  await expect(page.getByRole('button', { name: '1 to send' })).toBeHidden({ timeout: 20_000 });
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(
    page.getByRole('link', { name: /Boiler, Almshouses.*Radiators cold.*Waits for the next test/ }),
  ).toBeVisible({
    timeout: 20_000,
  });
});

test('signing out without signal takes effect at once; what waits goes out when its owner is back, not before', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  await ready(page);
  await openCall(page, stack.url, 'Weir Cottage');
  const address = page.url();
  await step(page, 'Thermostat calls', 'seen');
  await expect(evidence(page)).toContainText('Thermostat calls');
  await expect(page.getByText('All sent')).toBeVisible();
  await stack.stopServer();
  try {
    await entry(page, '26 R C');
    await expect(evidence(page)).toContainText('R–C: 26 V');
    await menu(page);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('dialog')).toContainText('1 entry of Imre Castellan on this device');
    await page.getByRole('dialog').getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByLabel('Password')).toBeVisible();
    await page.goto(address);
    await expect(page.getByLabel('Password')).toBeVisible();
  } finally {
    await stack.restartServer();
  }
  // With the signal the cookie that is left opens nothing, and its session is ended.
  const ended = () => page.evaluate(() => localStorage.getItem('zetalysis.ending'));
  await expect.poll(ended, { timeout: 20_000 }).toBeNull();

  await signIn(page, `${stack.url}/sign-in`, 'rosa');
  await page.goto(address);
  await expect(evidence(page)).toContainText('Thermostat calls');
  await expect(page.getByText('All sent')).toBeVisible();
  await expect(evidence(page)).not.toContainText('R–C: 26 V');
  await menu(page);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByLabel('Password')).toBeVisible();
  await signIn(page, `${stack.url}/sign-in`);
  await page.goto(address);
  await expect(evidence(page)).toContainText('R–C: 26 V');
  await expect(page.getByText('All sent')).toBeVisible();
});

test('a closed call takes nothing until it is opened again; a late entry opens it, and Today says so', async ({
  call,
  session,
}) => {
  const page = await call('chapel hall');
  const id = page.url().split('/').pop()!;
  const send = (body: object, seq: number) =>
    page.request.post(new URL(`/api/calls/${id}/events`, page.url()).href, {
      data: {
        events: [{ id: v7(), call: id, seq, at: new Date().toISOString(), device: 'elsewhere', person: 'imre', body }],
      },
      headers: { 'x-session-key': session.key },
    });
  await expect(page.getByText('All sent')).toBeVisible();
  expect((await send({ type: 'closed', words: '' }, 2)).ok()).toBe(true);
  await expect(page.getByRole('region', { name: 'Next test' })).toContainText('closed', { timeout: 20_000 });
  await expect(page.getByRole('button', { name: 'Gas on' })).toBeDisabled();
  await step(page, 'Thermostat calls', 'seen');
  await expect(page.getByText(/Not kept: this call is closed/)).toBeVisible();
  await expect(evidence(page)).not.toContainText('Thermostat calls');

  const bypass = { type: 'setup', power: true, gas: true, call: true, unplugged: [], bypassed: ['limit'] };
  expect((await send(bypass, 2)).ok()).toBe(true);
  await expect(page.getByText('Open: a late entry came after this call was closed.')).toBeVisible({ timeout: 20_000 });
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByText('Open: late entry at Furnace, chapel hall')).toBeVisible();
  await page.goBack();
  await page.getByRole('button', { name: 'Open it again' }).click();
  await expect(page.getByText('Write why it is opened again.')).toBeVisible();
  await page.getByLabel('Why it is opened again').fill('the limit was bypassed');
  await page.getByRole('button', { name: 'Open it again' }).click();
  await page.getByRole('button', { name: 'Take the bypass off' }).first().click();
  await expect(page.getByText('All sent')).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByText('Open: late entry at Furnace, chapel hall')).toBeHidden({ timeout: 20_000 });
});
