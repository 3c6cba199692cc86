import { readFileSync } from 'node:fs';
import { choose, expect, signIn, test, violations } from './stack';

test('what is due: done is put off, failed stands red on Today, a caretaker says so without an account', async ({
  page,
  stack,
  browser,
}) => {
  await signIn(page, stack.url, 'rosa');
  await page.goto(`${stack.url}/machines`);
  await page
    .getByRole('link', { name: /Corn Exchange/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Upkeep and its log' }).click();
  // Its cut-off is a float here: the weekly test is asked of it.
  await choose(page, 'Ask something else of it', 'Low-water cut-off, drain test');
  const duty = page.getByRole('listitem').filter({ hasText: 'Low-water cut-off, drain test' });
  await expect(duty).toContainText('every 7 days');
  await duty.getByRole('button', { name: 'Done…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Day').fill('2999-01-01');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('has not come yet');
  const today = new Date().toISOString().slice(0, 10);
  await dialog.getByLabel('Day').fill(today);
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog).toBeHidden();
  await expect(duty).toContainText(/last \d{4}-\d\d-\d\d, good/);
  expect(await violations(page)).toEqual([]);

  await page.goto(`${stack.url}/due`);
  await page.getByRole('button', { name: 'Calendars and caretakers' }).click();
  await choose(page, 'What for', /caretaker/);
  await choose(page, 'Machine', /Corn Exchange/);
  await dialog.getByLabel('Whose').fill('Mr Lund');
  await dialog.getByRole('button', { name: 'Give an address' }).click();
  const address = (await dialog.locator('code').textContent())!;
  expect(await violations(page)).toEqual([]);

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const form = await phone.newPage();
  await form.goto(address);
  await expect(form.getByRole('heading', { level: 1 })).toContainText('Corn Exchange');
  await expect(form.getByRole('alert').first()).toContainText('Hot water and steam');
  await form.getByRole('button', { name: /It did not/ }).click();
  await expect(form.getByText('Write your name')).toBeVisible();
  await form.getByLabel('Your name').fill('Lund');
  expect(await violations(form)).toEqual([]);
  await form.getByRole('button', { name: /It did not/ }).click();
  await expect(form.getByRole('alert')).toContainText('Burner off');
  await expect(form.getByRole('alert')).toContainText('555 0142');
  await phone.close();

  await page.goto(stack.url);
  const due = page.getByRole('region', { name: 'Due' });
  await expect(due.getByRole('alert')).toContainText('Low-water cut-off, drain test: failed');
  // Taken back, the address is worth nothing.
  await page.goto(`${stack.url}/due`);
  await page.getByRole('button', { name: 'Calendars and caretakers' }).click();
  await dialog.getByRole('listitem').filter({ hasText: 'Mr Lund' }).getByRole('button').click();
  await expect(dialog.getByText('Mr Lund')).toBeHidden();
  await page.goto(address);
  await expect(page.getByText('This form cannot be shown')).toBeVisible();
});

test('an account: opened, its password told once, its own chosen first, shut', async ({ page, stack, browser }) => {
  await signIn(page, stack.url, 'office');
  await page.goto(`${stack.url}/people`);
  const open = async (name: string): Promise<void> => {
    await page.getByRole('button', { name: 'Open an account' }).click();
    await page.getByLabel('Signs in as').fill(name);
    await page.getByLabel('Full name').fill('Tove Brandt');
    await page.getByRole('button', { name: 'Open it', exact: true }).click();
  };
  await open('Tove B');
  await expect(page.getByRole('alert')).toContainText('small letters');
  await page.keyboard.press('Escape');
  await open('tove');
  const password = (await page.locator('code').textContent())!;
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'I have told it' }).click();

  const context = await browser.newContext();
  const tove = await context.newPage();
  await tove.goto(stack.url);
  await tove.getByLabel('Name').fill('tove');
  await tove.getByLabel('Password').fill(password);
  await tove.getByRole('button', { name: 'Sign in' }).click();
  await expect(tove.getByText('Choose your own')).toBeVisible();
  await tove.getByLabel('Old password').fill(password);
  await tove.getByLabel('New password').fill('a-password-of-mine');
  await tove.getByRole('button', { name: 'Change the password' }).click();
  await expect(tove.getByRole('heading', { name: /^Today/ })).toBeVisible();

  const row = page.getByRole('row').filter({ hasText: 'Tove Brandt' });
  await row.getByRole('button', { name: /gas/ }).click();
  await expect(row.getByRole('button', { name: /gas/ })).toHaveAttribute('aria-pressed', 'true');
  await row.getByRole('button', { name: 'Account…' }).click();
  await page.getByRole('button', { name: 'Shut the account' }).click();
  await expect(row).toContainText('shut');
  await expect(page.getByRole('region', { name: /What was done/ })).toContainText('tove');
  await tove.goto(stack.url);
  await expect(tove.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await context.close();
});

test('the day: put in, moved by keys, what does not go together is said, and how long each takes', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url, 'rosa');
  await page.goto(`${stack.url}/day`);
  const put = async (what: RegExp, who: string, slot: string): Promise<void> => {
    await page.getByRole('button', { name: 'Put into the day' }).click();
    await choose(page, 'What', what);
    await choose(page, 'Who', who);
    await page.getByLabel('They were told').fill(slot);
    await page.getByRole('button', { name: 'Put it in' }).click();
  };
  await put(/^Furnace of the mobile library: Furnace runs/, 'Bea Oduya', 'soon');
  await expect(page.getByRole('alert')).toContainText('as 9-11');
  await page.getByLabel('They were told').fill('14-16');
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await put(/^Pool heater, school pool: Pool does/, 'Bea Oduya', '9-10');
  await expect(page.getByRole('dialog')).toBeHidden();
  const day = page.getByRole('region', { name: 'Bea Oduya' });
  const items = day.getByRole('listitem');
  await expect(items).toHaveCount(2);
  await expect(items.nth(1)).toContainText('Change their order');
  await items.nth(1).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(items.first()).toContainText('Pool heater');
  await expect(items.first()).toContainText(/about \d+ min/, { timeout: 30_000 });
  await expect(day).toContainText('To load');
  await expect(day).not.toContainText('Change their order');
  expect(await violations(page)).toEqual([]);
  await choose(page, 'Move Pool heater, school pool', /^To Imre/);
  await expect(items).toHaveCount(1);
});

test('the shop’s data out and in: a table, and the whole shop that changes nothing when it comes back', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url, 'office');
  await page.goto(`${stack.url}/people`);
  const part = page.getByRole('region', { name: 'Out and in' });
  const save = async (button: string): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      part.getByRole('button', { name: button, exact: true }).click(),
    ]);
    return download.path();
  };
  expect(readFileSync(await save('machines'), 'utf8')).toContain('Furnace, Mill Lane 14');
  const shop = await save('The whole shop');
  expect(readFileSync(shop, 'utf8').split('\n')[0]).toContain('zetalysis-shop/1');
  await part.locator('input[type=file]').setInputFiles(shop);
  await expect(part.getByRole('status')).toContainText('0 new', { timeout: 60_000 });
  await expect(part.getByRole('button', { name: 'Bring 0 lines in' })).toBeDisabled();
  await part.locator('input[type=file]').setInputFiles({
    name: 'other.jsonl',
    mimeType: 'application/jsonl',
    buffer: Buffer.from('{"format":"other/1"}\n'),
  });
  await expect(part).toContainText('not zetalysis-shop/1');
  expect(await violations(page)).toEqual([]);
});
