import { carefully, choose, entry, evidence, expect, front, signIn, step, suspects, test } from './stack';

test('the machine is chosen by questions, and drawn while it is', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/calls/new`);
  await page.getByRole('button', { name: 'Room air' }).click();
  await page
    .getByRole('group', { name: /small flame/ })
    .getByRole('button', { name: 'No' })
    .click();
  await page
    .getByRole('group', { name: /What feeds/ })
    .getByRole('button', { name: 'A 12 V battery' })
    .click();
  await expect(page.getByRole('region', { name: 'How it works' })).toContainText('Mobile furnace, 12 V');
  // Taking an answer back opens the choice again.
  await page
    .getByRole('group', { name: /What feeds/ })
    .getByRole('button', { name: 'A 12 V battery' })
    .click();
  await page
    .getByRole('group', { name: /What feeds/ })
    .getByRole('button', { name: '120 V from the house' })
    .click();
  await page
    .getByRole('group', { name: /pilot light first/ })
    .getByRole('button', { name: 'Yes' })
    .click();
  await page
    .getByRole('group', { name: /What lights it/ })
    .getByRole('button', { name: 'It sparks' })
    .click();
  await expect(page.getByRole('region', { name: 'How it works' })).toContainText('Sparks at the pilot');
  await page.getByLabel(/Complaint/).fill('No heat.');
  await page.getByRole('button', { name: 'Open the call' }).click();
  await expect(page.getByRole('heading', { name: 'Furnace, control on the valve' })).toBeVisible();
});

test('before the visit: safety words, the complaint, questions by telephone, and the van', async ({ call }) => {
  const page = await call('school pool');
  await page.getByRole('button', { name: 'Before the visit' }).click();
  const dialog = page.getByRole('dialog', { name: 'Before the visit' });
  await expect(dialog).toContainText('everybody out');
  await dialog.getByRole('button', { name: 'It heats a little, then stops' }).click();
  await expect(dialog.getByRole('region', { name: 'First suspects' })).toContainText(/regulator|limit|bypass/i);
  await expect(dialog.getByRole('region', { name: 'Load into the van' })).toContainText('thermal regulator');
  await expect(dialog).toContainText('Complaint: it heats a little, then stops');
  await dialog.getByRole('button', { name: 'undo' }).click();
  await expect(dialog).not.toContainText('Complaint: it heats');
  await dialog.getByRole('button', { name: 'At the machine' }).click();
  await expect(dialog).toBeHidden();
});

test('watching a try: steps and times in one tap each; the clock and the timers survive a reload', async ({ call }) => {
  const page = await call('Almshouses');
  await page.getByRole('button', { name: 'Watch a try' }).click();
  await page.getByRole('button', { name: 'It calls now: start the clock' }).click();
  const watching = page.getByRole('group', { name: 'Watching a try' });
  await watching.getByRole('button', { name: /Thermostat calls/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'All sent' })).toBeVisible();
  await page.reload();
  await expect(watching.getByRole('timer')).toBeVisible();
  await watching.getByRole('button', { name: /Zone valve opens/ }).click();
  await expect(evidence(page)).toContainText('Time to Zone valve opens');
  await watching.getByRole('button', { name: 'Nothing more comes' }).click();
  await expect(watching).toBeHidden();
  // Seconds after the call that says nothing against the circulator yet.
  await expect(page.locator('[data-phase]').filter({ hasText: 'Circulator runs' })).toContainText(
    /not yet after \d+ s/,
  );

  await choose(page, 'Change the setup', 'Pause (ignition): 05:00', 'Set a clock');
  const timer = page.getByRole('button', { name: /Pause \(ignition\) 0[45]:/ });
  await expect(timer).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'All sent' })).toBeVisible();
  await page.reload();
  await expect(timer).toBeVisible();
  await timer.click();
  await expect(timer).toBeHidden();
});

test('what if: steps and readings as they would be, the difference marked; back again', async ({ call }) => {
  const page = await call('Quarry Road');
  await step(page, 'Inducer runs', 'not seen');
  await expect(front(page)).toBeVisible();
  await suspects(page).first().getByRole('button').first().click();
  await page.getByRole('button', { name: /What if it is so/ }).click();
  await expect(page.locator('[data-what-if]')).toContainText('What if');
  await expect(page.getByRole('region', { name: 'Sequence' })).toContainText('≠ would not come');
  await expect(page.locator('[data-differs]').first()).toBeVisible();
  await page.locator('[data-what-if]').getByRole('button').click();
  await expect(page.locator('[data-what-if]')).toBeHidden();
  await expect(front(page)).toContainText('broke off here');
});

test('one reading is followed through the suspects; the next test says what it decides', async ({ call }) => {
  const page = await call('Ferry House');
  await step(page, 'Inducer runs', 'seen');
  await step(page, 'Pilot igniter glows', 'not seen');
  await expect(page.getByRole('region', { name: 'Next test' })).toContainText(/decides \d+ %/);
  // The terminal's own name may be typed, and is shown on the ladder.
  await expect(page.getByRole('group', { name: 'Circuit' })).toContainText('plug 3');
  await entry(page, '0.3 BV C @inducer');
  await evidence(page).getByRole('button', { name: 'BV–C: 0.3 V, inducer runs', exact: true }).click();
  await expect(evidence(page)).toContainText('✓ fits');
  await expect(evidence(page)).toContainText('would be');
});

test('a suspect says what it would take to prove it; what was measured drops out', async ({ call }) => {
  const page = await call('chapel hall');
  await step(page, 'Inducer runs', 'seen');
  await step(page, 'Igniter glows', 'not seen');
  await entry(page, '120 IP N @glow');
  const first = suspects(page).first();
  await expect(first).toContainText(/igniter/i);
  await first.getByRole('button').first().click();
  const proof = first.getByRole('group', { name: 'The way to its proof' });
  await expect(proof).toContainText(/To prove it, if it is so, about \d+ min/);
  const listed = await proof.getByRole('listitem').allTextContents();
  expect(listed.length).toBeGreaterThan(0);
  await carefully(page, 'OL igniter', 'OL');
  await expect(first).toContainText('proved');
  await expect(proof).toHaveCount(0);
});

test('wires of this very machine are named in the register, and a reading may be typed with its own names', async ({
  page,
  stack,
  call,
}) => {
  await signIn(page, stack.url);
  await page.getByRole('link', { name: 'Machines' }).click();
  await page
    .getByRole('list', { name: 'Machines' })
    .getByRole('link', { name: /Corn Exchange/ })
    .click();
  await page.getByRole('button', { name: 'Name them' }).click();
  await page.getByLabel('Terminal of MV').fill('TR9');
  await page.getByLabel('Wire colour of MV').fill('violet');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('region', { name: 'Wires of this one' })).toContainText('TR9violet');

  await call('Corn Exchange');
  await expect(page.getByRole('group', { name: 'Circuit' })).toContainText('TR9');
  await entry(page, '25.7 TR9 C @valve');
  await expect(evidence(page)).toContainText('MV–C: 25.7 V');
});
