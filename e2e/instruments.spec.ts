import type { Page } from '@playwright/test';
import { startMeter } from '../tools/meter.mjs';
import { choose, closeAs, evidence, expect, meetNeeds, proveAll, suspects, test as base, violations } from './stack';

type Meter = Awaited<ReturnType<typeof startMeter>>;

/** Simulated instruments in front of a machine with something hidden in it, and their page. */
const test = base.extend<{ meter: Meter; bench: Page }>({
  // eslint-disable-next-line no-empty-pattern
  meter: async ({}, use: (meter: Meter) => Promise<void>) => {
    const meter = await startMeter(['--port', '0', '--machine', 'Old Bakery']);
    await use(meter);
    await meter.stop();
  },
  // A window of its own: both are in sight, as the machine and the phone are.
  bench: async ({ browser, meter }, use) => {
    const context = await browser.newContext({ reducedMotion: 'reduce' });
    const page = await context.newPage();
    await page.goto(meter.address);
    await expect(page.getByRole('heading', { name: 'Simulated instruments' })).toBeVisible();
    await use(page);
    await context.close();
  },
});

const next = (page: Page) => page.getByRole('region', { name: 'Next test' });
const instrument = (bench: Page, title: string) => bench.getByRole('region', { name: title });

/** The red probe goes to a point, the black one to its common. */
const probe = (bench: Page, point: string, title = 'Meter 2') => choose(bench, `Red probe of ${title}`, point);
const hang = (bench: Page, title = 'Meter 2') => choose(bench, `${title} is put`, 'Nowhere: it hangs');

/** The page is told where the instruments are. */
async function pair(page: Page, { address, code }: Meter): Promise<void> {
  await next(page).getByRole('button', { name: 'A meter listens…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Let a meter listen in' });
  await dialog.getByLabel('Pairing code').fill(code);
  await dialog.getByLabel('Address').fill(address.replace('http', 'ws'));
  await dialog.getByRole('button', { name: 'Pair', exact: true }).click();
  await expect(dialog).toBeHidden();
}

/** As far as the first test that needs a meter, by keys alone. */
async function toTheMeter(page: Page): Promise<void> {
  for (const [asked, key] of [
    ['What does it do in the end?', '1'],
    ['lamp of the low-water cut-off', '1'],
  ] as const) {
    await expect(next(page)).toContainText(asked);
    await page.keyboard.press(key);
  }
  await expect(next(page)).toContainText(/L1S/);
  await meetNeeds(page, 'Next test', next(page).getByText('A meter listens…'));
}

test('a whole call is played with the meter: keys for what is seen, the meter for everything else', async ({
  call,
  bench,
  meter,
}) => {
  const page = await call('Old Bakery');
  await toTheMeter(page);
  await pair(page, meter);
  await expect(next(page)).toContainText('armed');
  // Line voltage stands behind the switch: taken by itself.
  expect(await violations(page), 'a call that listens').toEqual([]);
  await probe(bench, 'L1S');
  expect(await violations(bench), 'the bench').toEqual([]);
  await expect(evidence(page)).toContainText(/L1S–N: 12\d V, thermostat calls · Meter 2/);
  await expect(next(page)).toContainText('red SEC, black C');
  // Nothing behind the transformer: that is said, and taken by a key only.
  await probe(bench, 'SEC');
  await expect(next(page)).toContainText('nothing: is it meant?');
  await page.locator('h1').click();
  await page.keyboard.press('Space');
  await expect(evidence(page)).toContainText(/SEC–C: \d (m?)V/);
  await expect(suspects(page).first()).toContainText(/Transformer/);
  // What condemns it is dead: the power goes off, here and at the machine, which follows.
  await expect(next(page)).toContainText('Ohms, transformer, primary');
  await meetNeeds(page, 'Next test', next(page).getByText('Take what it shows'));
  await expect(bench.getByRole('group', { name: 'Power' }).getByRole('button', { name: 'off' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(next(page)).toContainText('wrong function: not taken');
  await choose(bench, 'Function of Meter 2', 'Ohms');
  await choose(bench, 'Meter 2 is put', 'transformer, primary');
  await expect(evidence(page)).toContainText(/Ohms, transformer, primary: \d+(\.\d)? Ω is good.*Meter 2/);
  await expect(next(page)).toContainText('transformer, secondary');
  await choose(bench, 'Meter 2 is put', 'transformer, secondary');
  await expect(next(page)).toContainText('OL: is it meant?');
  await page.keyboard.press('Space');
  await expect(evidence(page)).toContainText(/transformer, secondary: OL.*Meter 2/);
  await expect(suspects(page).first()).toContainText(/Transformer has an open secondary/);
  await expect(suspects(page).first()).toContainText('proved');
  await expect(next(page)).toContainText('Proved');
  // Recorded and repaired, at the machine too; what the new one gives stands beside what the old one gave.
  await page.keyboard.press('b');
  const record = page.getByRole('dialog');
  await record.getByLabel('What was done').fill('Transformer replaced.');
  await record.getByRole('button', { name: 'Record', exact: true }).click();
  await page.getByText('Repaired, adjusted, photo').click();
  await choose(page, 'Part repaired', 'transformer');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await page.getByRole('button', { name: 'Power off', exact: true }).click();
  await expect(bench.getByText(/transformer repaired/)).toBeVisible();
  await expect(bench.getByRole('list', { name: 'Seen and heard now' })).toContainText('Damper opens', {
    timeout: 30_000,
  });
  // The lines of the proof stand where the circuit stood.
  await page.getByRole('button', { name: 'The circuit' }).click();
  await page
    .locator('[data-ladder]')
    .getByRole('button', { name: /^SEC[,.]/ })
    .first()
    .click();
  await expect(next(page)).toContainText('red SEC, black C');
  await choose(bench, 'Function of Meter 2', 'V AC');
  await probe(bench, 'SEC');
  const beside = page.getByRole('table', { name: 'Old beside new' });
  await expect(beside).toContainText(/SEC–C.*\d (m?)V.*2[4-9](\.\d)? V/);
  // What is apart is put back, every line of the proof is done, and it is closed.
  await proveAll(page, {
    '3 cycles': '30',
    Line: '120',
    Secondary: '26.4',
    Drop: '0.02',
    'Condemning reading again': '0.9',
    CO: '2',
    'Stops by itself': '1.5',
  });
  await closeAs(page, 'Repair proved');
  await expect(next(page)).toContainText('closed');
});

test('probes that hang, on the wrong point and in the wrong function teach nothing', async ({ call, bench, meter }) => {
  const page = await call('Old Bakery');
  await toTheMeter(page);
  await pair(page, meter);
  await expect(next(page)).toContainText('armed');
  const entries = await evidence(page).getByRole('listitem').count();
  // They hang: what couples in wanders, and is not taken.
  await hang(bench);
  await bench.waitForTimeout(4500);
  await expect(next(page)).toContainText('armed');
  // On the wrong point: a dead wire there is not taken by itself for the one that is asked about.
  await probe(bench, 'R');
  await bench.waitForTimeout(4500);
  await expect(next(page).getByRole('button', { name: 'Take what it shows' })).toBeVisible();
  // In the wrong function: said, and not even by force.
  await choose(bench, 'Function of Meter 2', 'V DC');
  await probe(bench, 'L1S');
  await expect(next(page)).toContainText('wrong function: not taken');
  await expect(next(page)).toContainText('Turn it to V AC or V AC, low impedance');
  await expect(next(page).getByRole('button', { name: 'Take what it shows' })).toBeDisabled();
  await page.locator('h1').click();
  await page.keyboard.press('Space');
  expect(await evidence(page).getByRole('listitem').count()).toBe(entries);
  await expect(evidence(page)).not.toContainText('Meter 2');
  // Turned to what it asks for, it is taken.
  await choose(bench, 'Function of Meter 2', 'V AC');
  await expect(evidence(page)).toContainText(/L1S–N: 12\d V, thermostat calls · Meter 2/);
});

test('two of a kind, one that goes, a bench that ends, and a wrong code: each is said, and nothing is lost', async ({
  call,
  bench,
  meter,
}) => {
  const page = await call('Old Bakery');
  await toTheMeter(page);
  await pair(page, { ...meter, code: meter.code === '000000' ? '111111' : '000000' });
  await expect(next(page)).toContainText('That is not the code.');
  await next(page).getByRole('button', { name: 'Pair again' }).click();
  const dialog = page.getByRole('dialog', { name: 'Let a meter listen in' });
  await dialog.getByLabel('Pairing code').fill('12');
  await dialog.getByRole('button', { name: 'Pair', exact: true }).click();
  await expect(dialog).toContainText('Six figures');
  await dialog.getByLabel('Pairing code').fill(meter.code);
  await dialog.getByRole('button', { name: 'Pair', exact: true }).click();
  await expect(next(page)).toContainText('armed');
  // Two of a kind: which of them answers is chosen, and the other one is listened to where it is said to be.
  await instrument(bench, 'Meter 5').getByRole('button', { name: 'Switch on' }).click();
  await expect(next(page).getByRole('group', { name: 'Which of them answers' })).toBeVisible();
  await choose(page, 'Where Meter 5 is', 'L1 to N');
  await probe(bench, 'L1', 'Meter 5');
  await expect(evidence(page)).toContainText(/L1–N: 12\d V.*Meter 5/);
  await next(page).getByRole('button', { name: 'Meter 5' }).click();
  await instrument(bench, 'Meter 5').getByRole('button', { name: 'Switch off' }).click();
  await expect(next(page)).toContainText('Meter 2');
  await instrument(bench, 'Meter 2').getByRole('button', { name: 'Switch off' }).click();
  await expect(next(page)).toContainText('none is switched on');
  await instrument(bench, 'Meter 2').getByRole('button', { name: 'Switch on' }).click();
  await expect(next(page)).toContainText('armed');
  // The bench ends: what was taken stays, and one types on.
  await meter.stop();
  await expect(next(page)).toContainText('The instruments are gone');
  await expect(bench.getByRole('alert')).toContainText('npm run meter');
  await expect(evidence(page)).toContainText(/L1–N: 12\d V.*Meter 5/);
  await next(page).getByRole('button', { name: 'Type it' }).click();
  await next(page).getByRole('textbox').last().fill('121');
  await next(page).getByRole('textbox').last().press('Enter');
  await expect(evidence(page)).toContainText('L1S–N: 121 V');
});
