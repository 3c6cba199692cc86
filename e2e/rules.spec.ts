import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import { carefully, closeAs, choose, ends, entry, evidence, expect, job, openCall, signIn, step, test } from './stack';

const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };
const next = (page: Page) => page.getByRole('region', { name: 'Next test' });
const ledger = (page: Page) => page.getByRole('region', { name: 'To put back' });
const stop = (page: Page) => page.getByRole('alertdialog');

/** Says a fact by the button that never moves. */
async function says(page: Page, group: string, fact: string, answer: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Danger', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: group }).click();
  await page.locator(`[data-fact="${fact}"]`).getByRole('button', { name: answer }).click();
}

for (const [name, size] of [
  ['at the desk', DESK],
  ['on the phone', PHONE],
] as const)
  test(`the dry boiler, ${name}: stopped before the bypass, and nothing else is proposed`, async ({ call }) => {
    const page = await call('Old Bakery');
    await page.setViewportSize(size);
    const at = (where: Parameters<typeof job>[1]) => (size === PHONE ? job(page, where) : undefined);
    await at('Steps');
    await step(page, 'Damper opens', 'not seen');
    await ends(page, 'Nothing happens at all');
    await at('Circuit');
    await choose(page, 'Look or measure', 'No water to be seen');
    await expect(stop(page)).toContainText('STOP');
    // Unmeasured, a boiler counts as hot: the graver words stand first, the other waits below.
    await expect(stop(page)).toContainText('No water to be seen, and it can fire');
    await expect(stop(page)).toContainText('Waiting below');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
    // What is shut off by an order is how the appliance is set.
    await stop(page).getByRole('button', { name: 'Done' }).click();
    // A second tap before the next order stands there would be one of the same.
    await expect(stop(page).locator('[aria-current]')).toContainText('Switch the power off');
    await stop(page).getByRole('button', { name: 'Done' }).click();
    await expect(stop(page).locator('[aria-current]')).toContainText('Shut the water feed by hand');
    await expect(evidence(page)).toContainText('Set: gas shut');
    await expect(evidence(page)).toContainText('Set: power off');
    // A line in the glass is no water that was drained and seen to refill.
    await stop(page).getByRole('button', { name: 'It is over…' }).click();
    await stop(page).getByRole('button', { name: 'It is over', exact: true }).click();
    await expect(stop(page).getByRole('alert')).toContainText('Still missing');
    await page.reload();
    await expect(stop(page)).toContainText('No water to be seen');
  });

test('found dry with a bypass on: the stop, and the bypass comes off by its order', async ({ call }) => {
  const page = await call('Old Bakery');
  await choose(page, 'Change the setup', 'low-water cut-off', 'A bypass that is on');
  await expect(ledger(page)).toContainText('Bypass on: low-water cut-off, by imre');
  await says(page, 'Water, heat', 'casing', 'Cold');
  await page.getByRole('dialog').getByRole('button', { name: 'Done' }).click();
  await says(page, 'Water, heat', 'glass', 'Looked, no water to be seen');
  for (let done = 1; done <= 5; done++) {
    await stop(page).getByRole('button', { name: 'Done' }).click();
    await expect(stop(page).locator('[data-state="done"]')).toHaveCount(done);
  }
  await expect(stop(page).locator('[aria-current]')).toContainText('Feel the casing');
  await expect(ledger(page)).toBeHidden();
  await expect(evidence(page)).toContainText('Take every bypass off. Done');
  await expect(evidence(page)).toContainText('bypass off low-water cut-off');
});

test('no bypass is placed before water was drained and seen to refill', async ({ call }) => {
  const page = await call('Old Bakery');
  await step(page, 'Damper opens', 'not seen');
  await ends(page, 'Nothing happens at all');
  await entry(page, '26 R C @call');
  await entry(page, '2 LW C @call');
  await choose(page, 'Look or measure', 'About half full');
  await expect(next(page)).toContainText('This goes round a safety');
  await expect(next(page).getByRole('group', { name: 'First' })).toContainText(
    'Drain the glass, see it refill to a line',
  );
  await next(page).getByRole('button', { name: 'Cannot tell' }).click();
  await expect(stop(page)).toContainText('No water to be seen, and it can fire');
  await stop(page)
    .getByRole('button', { name: /take it back/ })
    .click();
  await next(page).getByRole('button', { name: 'At a line' }).click();
  await next(page).getByRole('button', { name: 'Switch the power off and note it.' }).click();
  await next(page).getByRole('button', { name: 'Stay beside it, hand at the switch.' }).click();
  await next(page).getByRole('button', { name: 'It is on, power on: watch' }).click();
  await expect(ledger(page)).toContainText('Bypass on: Lead of the cut-off');
  // Its one answer, and then it comes off.
  await next(page).getByRole('textbox').fill('0.4');
  await next(page).getByRole('textbox').press('Enter');
  await expect(next(page)).toContainText('Nothing else is proposed while it is on');
  await next(page).getByRole('button', { name: 'Take the bypass off' }).click();
  await expect(ledger(page)).toBeHidden();
});

test('a bypass that was forgotten stops the work, and Today is red; twice its time, a lead signs', async ({
  call,
  session,
  browser,
  stack,
}) => {
  const page = await call('chapel hall');
  const id = page.url().split('/').pop()!;
  await expect(page.getByText('All sent')).toBeVisible();
  const at = new Date(Date.now() - 4 * 60_000).toISOString();
  const body = {
    type: 'setup',
    power: true,
    gas: true,
    call: true,
    unplugged: [],
    bypassed: ['limit'],
    ledger: [{ id: 'limit', title: 'high limit', kind: 'furnace-limit', limit: 60 }],
  };
  const sent = await page.request.post(new URL(`/api/calls/${id}/events`, page.url()).href, {
    data: { events: [{ id: v7(), call: id, seq: 2, at, device: 'phone', person: 'imre', body }] },
    headers: { 'x-session-key': session.key },
  });
  expect(sent.ok()).toBe(true);
  await expect(stop(page)).toContainText('A bypass that must come off', { timeout: 20_000 });
  await stop(page).getByRole('button', { name: 'Done' }).click();
  await expect(stop(page).locator('[data-state="done"]')).toHaveCount(1);
  await stop(page).getByRole('button', { name: 'Done' }).click();
  await stop(page).getByRole('button', { name: 'It is over…' }).click();
  await stop(page).getByLabel('Why it was on, and that it is off').fill('I was called away; it is off');
  await stop(page).getByRole('button', { name: 'It is over', exact: true }).click();
  await expect(stop(page)).toContainText('waits for a countersignature');

  const lead = await (await browser.newContext()).newPage();
  await signIn(lead, stack.url, 'rosa');
  await expect(lead.getByRole('alert').filter({ hasText: 'A bypass that must come off' })).toContainText('chapel hall');
  // Whatever else is looked at, it stays in sight.
  for (const name of [/^Mine/, 'Closed']) {
    await lead.getByRole('button', { name }).click();
    await expect(lead.getByRole('alert').filter({ hasText: 'A bypass that must come off' })).toBeVisible();
  }
  const queue = lead.getByRole('region', { name: 'Wait for a name' });
  await queue.getByRole('listitem').filter({ hasText: 'chapel hall' }).getByRole('link').click();
  await lead.getByRole('alertdialog').getByRole('button', { name: 'Countersign' }).click();
  await expect(stop(page)).toBeHidden({ timeout: 20_000 });
  await lead.context().close();
});

test('an apprentice without signal places a bypass: on at once, marked, to be taken off first', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url, 'bea');
  await openCall(page, stack.url, 'Quarry Road');
  await expect(page.getByText('All sent')).toBeVisible();
  await stack.stopServer();
  try {
    await choose(page, 'Change the setup', 'high limit', 'A bypass that is on');
    await expect(ledger(page)).toContainText('Bypass on: high limit, by bea');
    await expect(evidence(page)).toContainText('made without the right to');
    await next(page).getByRole('button', { name: 'Runs normally' }).click();
    await next(page).getByRole('button', { name: 'Take the bypass off' }).click();
    await expect(ledger(page)).toBeHidden();
  } finally {
    await stack.restartServer();
  }
  await expect(page.getByText('All sent')).toBeVisible({ timeout: 20_000 });
});

test('a bypass placed without signal stays on, whatever others set meanwhile', async ({ call, browser, stack }) => {
  const desk = await call('Quarry Road');
  await expect(desk.getByText('All sent')).toBeVisible();
  const phone = await (await browser.newContext()).newPage();
  await signIn(phone, stack.url);
  await phone.goto(desk.url());
  await expect(phone.getByRole('region', { name: 'Suspects' })).toBeVisible();
  await phone.context().setOffline(true);
  await choose(phone, 'Change the setup', 'high limit', 'A bypass that is on');
  await expect(ledger(phone)).toContainText('Bypass on: high limit');
  await desk.getByRole('button', { name: 'Gas on' }).click();
  await expect(desk.getByText('All sent')).toBeVisible();
  await phone.context().setOffline(false);
  for (const page of [desk, phone]) {
    await expect(ledger(page)).toContainText('Bypass on: high limit', { timeout: 20_000 });
    const state = page.getByRole('region', { name: 'State of the appliance' });
    await expect(state.getByRole('button', { name: 'Gas shut' })).toBeVisible({ timeout: 20_000 });
  }
  await phone.context().close();
});

test('a call is not closed too early: what is missing is said at the button, for every ending', async ({ call }) => {
  const page = await call('Weir Cottage');
  await page.getByRole('button', { name: 'Close the call' }).click();
  const dialog = page.getByRole('dialog', { name: 'How does this call end?' });
  const wants = [
    ['Repair proved', 'A repair is noted'],
    ['Repaired, not proved', 'Why it cannot be proved today'],
    ['Waiting', 'For what'],
    ['Left off and tagged', 'Gas and power are off, both noted'],
    ['Nothing found', 'Smell and CO are read'],
    ['Opened by mistake', 'The reason'],
    ['Referred', 'To whom'],
  ] as const;
  for (const [ending, words] of wants) {
    await dialog.getByRole('radio', { name: ending, exact: true }).click();
    await dialog.getByRole('button', { name: /^Close:/ }).click();
    await expect(dialog.getByRole('alert')).toContainText(words);
  }
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Gas on' }).click();
  await page.getByRole('button', { name: 'Power on' }).click();
  await closeAs(page, 'Left off and tagged', {
    Why: 'the pilot does not hold',
    'Who was told': 'Mr Quill',
    'Where the tag hangs': 'at the switch',
  });
  await expect(next(page)).toContainText('closed');
});

test('an apprentice’s ending waits for a name', async ({ page, stack }) => {
  await signIn(page, stack.url, 'bea');
  await openCall(page, stack.url, 'Ferry House');
  await page.getByRole('button', { name: 'Close the call' }).click();
  const dialog = page.getByRole('dialog', { name: 'How does this call end?' });
  await dialog.getByRole('radio', { name: 'Opened by mistake' }).click();
  await expect(dialog).toContainText('It waits for a countersignature');
  await dialog.getByLabel('The reason').fill('the other Ferry House');
  await dialog.getByRole('button', { name: /^Close:/ }).click();
  await expect(page.getByRole('region', { name: 'Waits for a countersignature' })).toContainText('opened by mistake');
  await expect(page.getByRole('button', { name: 'Countersign' })).toHaveCount(0);
});

test('a lead looks on: sees the same, pins a question and a test, and both know', async ({ call, browser, stack }) => {
  const page = await call('Tannery Row');
  const address = page.url();
  await page.getByRole('button', { name: 'Show it to a lead' }).click();
  await expect(page.getByText('All sent')).toBeVisible();

  const lead = await (await browser.newContext()).newPage();
  await signIn(lead, stack.url, 'rosa');
  await lead
    .getByRole('region', { name: 'Shown to the leads' })
    .getByRole('link', { name: /Tannery Row/ })
    .first()
    .click();
  await expect(lead).toHaveURL(address);
  await expect(page.getByRole('button', { name: 'Rosa Tindall looks on' })).toBeVisible({ timeout: 20_000 });
  await lead.getByPlaceholder(/Ask, it stays/).fill('Was the meter proved?');
  await lead.getByRole('button', { name: 'Pin the question' }).click();
  const asked = page.getByRole('region', { name: 'Looking on' });
  await expect(asked).toContainText('Was the meter proved?', { timeout: 20_000 });
  await asked.getByLabel('Answer to 1').fill('yes, on the receptacle');
  await asked.getByRole('button', { name: 'Answer 1' }).click();
  await expect(lead.getByRole('region', { name: 'Looking on' })).toContainText('yes, on the receptacle', {
    timeout: 20_000,
  });
  await lead.context().close();
});

test('a winding is measured by tapping it and by typing it, and is named everywhere', async ({ call }) => {
  const page = await call('Tannery Row');
  await page
    .getByRole('button', { name: /stepper.*a2|a2.*stepper/i })
    .first()
    .click();
  await entry(page, 'OL');
  await expect(evidence(page)).toContainText(/stepper.*a2.*OL/i);
  await entry(page, 'b1 OL stepper');
  await expect(evidence(page)).toContainText(/stepper.*b1.*OL/i);
  await entry(page, 'OL stepper');
  await expect(page.getByRole('alert')).toContainText('Which of it: a1, a2, b1, b2');
});

test('a fault that came and went: the condemning reading is good again, and one stays until the clock is up', async ({
  call,
}) => {
  const page = await call('Mill Lane 14');
  await carefully(page, 'OL igniter', 'OL');
  await page.getByText('Repaired, adjusted, photo').click();
  await choose(page, 'Part repaired', 'igniter (silicon carbide)');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  const proof = page.getByRole('region', { name: 'Proof of the repair' });
  const line = proof.getByRole('group', { name: 'Next line of the proof' });
  // Power is still off: what is read dead comes first.
  await expect(line).toContainText('It was: Ohms, igniter');
  await expect(line).toContainText(/Read it again/);
  await line.getByRole('textbox').fill('OL');
  await line.getByRole('textbox').press('Enter');
  await expect(line).toContainText('That is not good');
  await line.getByRole('textbox').fill('62');
  await line.getByRole('textbox').press('Enter');
  await line.getByRole('button', { name: 'Now good' }).click();
  const lines = page.getByRole('region', { name: 'Lines of the proof' });
  await lines.getByRole('button', { name: /Stay with it/ }).click();
  await line.getByRole('button', { name: 'It came and went' }).click();
  await expect(line).toContainText('Stay 60 min');
  await line.getByRole('textbox').fill('10');
  await line.getByRole('textbox').press('Enter');
  await expect(line).toContainText('Stay 20 min');
  await expect(line.getByRole('timer')).toBeVisible();
  await expect(line.getByRole('button', { name: 'It did not come back' })).toBeDisabled();
  // Minutes that it cannot have run by then are kept, and marked.
  await lines.getByRole('button', { name: /3 cycles/ }).click();
  await line.getByRole('textbox').fill('30');
  await line.getByRole('button', { name: 'Enter' }).click();
  await expect(evidence(page)).toContainText('more minutes than it could run since the repair');
  await page.getByRole('button', { name: 'Close the call' }).click();
  const end = page.getByRole('dialog', { name: 'How does this call end?' });
  await end.getByRole('radio', { name: 'Repair proved' }).click();
  await end.getByRole('button', { name: /^Close:/ }).click();
  await expect(end.getByRole('alert')).toContainText('Every line of the proof is done');
});
