import jsqr from 'jsqr';
import { PNG } from 'pngjs';
import type { Page } from '@playwright/test';
import { choose, expect, signIn, test, violations } from './stack';

const change = (page: Page, what: RegExp) => choose(page, 'Change the register', what);

/** A machine of its own, so that the register of the other tests stays as it was. */
async function added(page: Page, url: string, label: string): Promise<string> {
  await page.goto(`${url}/machines`);
  await page.getByRole('button', { name: 'Add a machine' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What you call it').fill(label);
  await dialog.getByLabel('Site').fill('Test yard');
  await choose(page, 'Family', /^Hot-water boiler, intermittent pilot$/, 'Hot-water boiler, intermittent pilot');
  await dialog.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(dialog).toBeHidden();
  await page.getByLabel('Search the machines').fill(label);
  await page.getByRole('list', { name: 'Machines' }).getByRole('link', { name: label }).click();
  await expect(page.getByRole('heading', { level: 1, name: label })).toBeVisible();
  return page.url();
}

test('the plate is read, a value without its unit is asked for it, and what stood there before is kept', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  await added(page, stack.url, 'Boiler for its plate');
  await expect(page.getByRole('region', { name: 'Readings over time' })).toContainText('Nothing was read');
  const plate = page.getByRole('region', { name: 'Plate' });
  const dialog = page.getByRole('dialog');
  for (const manifold of ['3.5 in w.c.', '3.4 in w.c.']) {
    await plate.getByRole('button', { name: 'Read the plate' }).click();
    await dialog.getByLabel('Made').fill('2011');
    await dialog.getByLabel('Manifold').fill('3.5');
    await expect(dialog).toContainText('With its unit: 3.5 in w.c.');
    await expect(dialog.getByRole('button', { name: 'Save' })).toBeDisabled();
    await dialog.getByLabel('Manifold').fill(manifold);
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(plate).toContainText(manifold);
  }
  await expect(page.getByRole('main')).toContainText(/\d+ years old/);
  await change(page, /What was changed/);
  await expect(dialog).toContainText('Manifold: 3.5 in w.c. → 3.4 in w.c.');
  await expect(dialog).toContainText('Imre Castellan');
  expect(await violations(page)).toEqual([]);
});

test('one that was entered twice is merged and taken apart again; one that is gone stands in no list', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url, 'rosa');
  const stays = await added(page, stack.url, 'Twin that stays');
  const twice = await added(page, stack.url, 'Twin entered again');
  const dialog = page.getByRole('dialog');
  await change(page, /^Merge/);
  await choose(page, 'The one that stays', /Twin that stays/);
  await dialog.getByRole('button', { name: 'Merge', exact: true }).click();
  await page.getByRole('link', { name: 'Twin that stays' }).click();
  await expect(page).toHaveURL(stays);
  await page.goto(`${stack.url}/machines`);
  await page.getByLabel('Search the machines').fill('Twin');
  const list = page.getByRole('list', { name: 'Machines' }).getByRole('link');
  await expect(list).toHaveCount(1);
  await page.goto(twice);
  await change(page, /Take the merge back/);
  await dialog.getByRole('button', { name: 'Take it apart' }).click();
  await expect(page.getByText('Entered twice')).toBeHidden();
  await change(page, /^Retire/);
  await expect(dialog.getByRole('button', { name: 'Retire' })).toBeDisabled();
  await dialog.getByLabel('Why it is there no longer').fill('scrapped in May');
  await dialog.getByRole('button', { name: 'Retire' }).click();
  await expect(page.getByText('Retired: scrapped in May')).toBeVisible();
  await change(page, /Bring it back/);
  await dialog.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByText('Retired: scrapped in May')).toBeHidden();
});

test('who may not merge or retire is told who may', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/machines`);
  await page
    .getByRole('list', { name: 'Machines' })
    .getByRole('link', { name: /Weir Cottage/ })
    .click();
  await change(page, /^Retire/);
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Why it is there no longer').fill('x');
  await dialog.getByRole('button', { name: 'Retire' }).click();
  await expect(dialog).toContainText('A lead or an admin merges and retires machines. Ask one of them.');
});

test('the code of a label opens the machine’s page: read from its picture as a camera reads it', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/machines`);
  await page
    .getByRole('list', { name: 'Machines' })
    .getByRole('link', { name: /Mill Lane/ })
    .click();
  await expect(page.getByRole('region', { name: 'Plate' })).toContainText('HG4471203');
  const machine = page.url();
  await change(page, /label/);
  const code = page.getByRole('img', { name: /Code that opens/ });
  await expect(code).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  const { data, width, height } = PNG.sync.read(await code.screenshot());
  expect(jsqr(new Uint8ClampedArray(data), width, height)?.data).toBe(machine);
});

test('what was photographed on a call hangs small on its machine’s page, opens by a tap, and is gone once it is erased', async ({
  call,
  stack,
}) => {
  const page = await call('Weir Cottage');
  const picture = new PNG({ width: 900, height: 600 });
  picture.data.fill(0xc0);
  await page.getByText('Repaired, adjusted, photo').click();
  const sent = page.waitForResponse((r) => r.url().includes('/api/photos/') && r.request().method() === 'PUT');
  await page
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'plate.png', mimeType: 'image/png', buffer: PNG.sync.write(picture) });
  expect((await sent).status()).toBe(204);
  await page.goto(`${stack.url}/machines`);
  await page
    .getByRole('list', { name: 'Machines' })
    .getByRole('link', { name: /Weir Cottage/ })
    .click();
  const photos = page.getByRole('region', { name: 'Photos' });
  await expect(photos.getByRole('img', { name: /^Photo of/ })).toBeVisible();
  await photos.getByRole('button').first().click();
  const dialog = page.getByRole('dialog', { name: 'Photo' });
  await expect(dialog.getByAltText('Taken on a call')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Erase it for good' }).click();
  await expect(dialog).toContainText('was erased');
  await page.keyboard.press('Escape');
  await expect(photos).toBeHidden();
});
