import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { choose, expect, signIn, test } from './stack';

const PROFILE = readFileSync(join(import.meta.dirname, '../profiles/dryer-burner.yaml'), 'utf8');

test('the Library: words and readings find families; a variant is drawn beside its family', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  const shipped = page.locator('[data-profile]').filter({ hasNotText: 'brought in by' });
  await expect(shipped).toHaveCount(13);
  await page.getByLabel(/Search by words/).fill('damper');
  await expect(page.locator('[data-profile]').first()).toContainText('damper');
  await page.getByLabel(/Search by words/).fill('26 V on TH, nothing on SP');
  await expect(page.getByText(/^Found in/)).toBeVisible({ timeout: 90_000 });
  const hit = page.getByRole('article').filter({ hasText: 'Steam boiler, standing pilot' }).first();
  await expect(hit).toContainText('flue gas spills');
  await expect(page.getByRole('region', { name: /Where these readings/ })).not.toContainText('Gas dryer');

  await page.goto(`${stack.url}/library/mobile-furnace?variant=sail-before-limit`);
  await expect(page.locator('[data-changed]')).toHaveCount(2);
  await expect(page.getByRole('region', { name: 'Test points' })).toContainText('board, 12 V in');
  const over = page.getByRole('region', { name: 'Over time' }).getByRole('img');
  await expect(over.first()).toHaveAttribute('aria-label', /^.+: from \S+ to \S+ \S+/);
  await page.getByLabel('What do you see?').fill('gives up gas smelled');
  await expect(page.getByRole('region', { name: 'Faults' })).toContainText('spark electrode');
  await page.getByLabel('What do you see?').fill('unicorn');
  await expect(page.getByRole('region', { name: 'Faults' })).toContainText('Try fewer words');
  await choose(page, 'Beside it', 'Mobile tank water heater, gas side');
  await expect(page.getByRole('region', { name: 'Differences' })).toContainText('Only there: Gas switch on');
});

test('a field card is one page, and prints without the frame', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/library/furnace-condensing/card`);
  await expect(page.getByRole('article')).toContainText('Likeliest faults');
  await expect(page.getByRole('article')).toContainText('Locked out after three tries');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('banner')).toBeHidden();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
});

test('profiles go out and come in as files; what cannot work is refused with its line', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/library/dryer-burner`);
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the profile' }).click(),
  ]);
  expect(readFileSync(await saved.path(), 'utf8')).toBe(PROFILE);

  await page.goto(`${stack.url}/library`);
  const bring = async (text: string) =>
    page.getByLabel('Profile file').setInputFiles({
      name: 'own.yaml',
      mimeType: 'application/yaml',
      buffer: Buffer.from(text),
    });
  await bring(PROFILE);
  await expect(page.getByRole('alert')).toContainText('ships with the program');
  const own = PROFILE.replace('id: dryer-burner', 'id: dryer-own').replace(
    'title: Gas dryer burner',
    'title: Our dryer',
  );
  await bring(own.replace('kind: motor', 'kind: moter'));
  await expect(page.getByRole('alert')).toContainText('did you mean "motor"');
  await bring('just words');
  await expect(page.getByRole('alert')).toBeVisible();
  await bring(own);
  await expect(page.getByRole('status').filter({ hasText: 'is in the Library' })).toBeVisible();
  await expect(page.locator('[data-profile]', { hasText: 'Our dryer' })).toContainText('brought in by imre');
  await bring(own);
  await expect(page.getByRole('alert')).toContainText('Raise its version');

  await page.goto(`${stack.url}/calls/new`);
  await page.getByRole('button', { name: 'Laundry' }).click();
  await expect(page.getByRole('region', { name: 'How it works' })).toBeVisible();
});
