import { COMPONENT_TESTS, WORKSHEETS } from '../packages/core/src/bench';
import { choose, evidence, expect, signIn, test } from './stack';

const judgement = 'Judgement';

test('a coil is judged while one types: bad conditions say repeat, the address holds what was typed', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('searchbox').fill('coil');
  await page.getByRole('link', { name: /24 V coil/ }).click();
  const said = page.getByRole('region', { name: judgement });
  await page.getByLabel('Ohms', { exact: true }).fill('13.4');
  // Whether it stands alone was not said.
  await expect(said).toContainText('Repeat it');
  await expect(said).toContainText('both ends off, nothing parallel');
  await choose(page, 'Both ends off, nothing parallel?', 'yes, isolated');
  await page.getByLabel(/^Ohms of the plate/).fill('15');
  // How warm it is decides.
  await expect(said).toContainText('What was not said decides');
  await page.getByLabel('Temperature of the winding').fill('2');
  await expect(page.getByRole('alert')).toContainText('Add the scale');
  await page.getByLabel('Temperature of the winding').fill('2 C');
  await page.getByLabel('Tips together').fill('0.2');
  await expect(said).toContainText('Good');
  await expect(said).toContainText('14.2 ± 0.58 Ω');
  await page.getByText('Other limits for this one').click();
  await page.getByLabel(/^Plate or maker’s sheet/).fill('14-17');
  await page.getByLabel('Where it stands, and who read it').fill('sheet 12, Imre');
  await expect(page.getByRole('region', { name: 'Which limits counted' })).toContainText('sheet 12, Imre');
  await expect(said).toContainText('Marginal');
  // Somebody else opens the same address.
  await page.reload();
  await expect(said).toContainText('Marginal');
  await page.getByRole('button', { name: 'Begin anew' }).click();
  await expect(said).toContainText('judged while you type');
});

test('several readings of one part say something together', async ({ page, stack }) => {
  await signIn(page, stack.url);
  await page.goto(
    `${stack.url}/bench/tests/low-water?m=evaporation&drain.drain=open&drain.firing=yes&drain.glass=yes&drain.out=out&drain.feed=yes&drain.kind=automatic&evaporation.firing=yes&evaporation.glass=yes&evaporation.pump=yes&evaporation.out=fires`,
  );
  await expect(page.getByRole('region', { name: judgement })).toContainText('Stop it at the switch now');
  await expect(page.getByText('It passes a quick fall and not a slow one')).toBeVisible();
});

test('a calculator works out while one types, says what is outside of it, and draws its curve', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/bench/calculators/supply-under-load`);
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result).toContainText('Still to be typed: Input that burns, first');
  await page.getByLabel('Input that burns, first').fill('7000');
  await page.getByLabel('Pressure, first').fill('11.2');
  await page.getByLabel('Input that burns, second').fill('8000');
  await page.getByLabel('Pressure, second').fill('9.0');
  await page.getByLabel('With everything on').fill('57000');
  await expect(result).toContainText('half as much again');
  await page.getByLabel('Input that burns, second').fill('27000');
  await expect(result).toContainText('0.8471 in w.c.');
  await page.getByLabel('Least that the appliance needs').fill('9.5');
  await expect(result).toContainText('starves');
  await expect(page.getByRole('img', { name: /^Pressure with everything on/ })).toBeVisible();
});

test('inside a call a coil is judged by this machine’s book, and goes into the log corrected, with its width', async ({
  call,
}) => {
  const page = await call('Mill Lane 14');
  const circuit = page.getByRole('region', { name: 'Circuit and readings' });
  await circuit
    .getByRole('button', { name: /^gas valve(,|$)/ })
    .first()
    .click();
  await page.getByRole('button', { name: /judge it/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Ohms', { exact: true }).fill('13.4');
  await expect(dialog.getByRole('button', { name: 'Into the call as evidence' })).toBeDisabled();
  await choose(page, 'Both ends off, nothing parallel?', 'yes, isolated');
  await dialog.getByLabel('Tips together').fill('0.2');
  await dialog.getByLabel('Temperature of the winding').fill('36 F');
  await expect(dialog.getByRole('region', { name: judgement })).toContainText('Good');
  await dialog.getByRole('button', { name: 'Into the call as evidence' }).click();
  await expect(evidence(page)).toContainText(/Ohms, gas valve: 14\.2 Ω ± 0\.58 Ω, corrected: good/);
  // What a manometer shows is judged as well, by its fuel.
  await choose(page, 'Look or measure', /inlet/i);
  await page.getByRole('button', { name: /judge it/ }).click();
  await dialog.getByLabel('Pressure', { exact: true }).fill('4.6');
  await expect(dialog.getByRole('region', { name: judgement })).toContainText('Not judged without: fuel');
  await choose(page, 'Fuel', 'natural gas');
  await expect(dialog.getByRole('region', { name: judgement })).toContainText('Bad');
  await dialog.getByRole('button', { name: 'Into the call as evidence' }).click();
  await expect(evidence(page)).toContainText(/4\.6 in w\.c\. ± 0\.076 in w\.c\., corrected: bad/);
});

test('every test and calculator opens at its address, nothing wider than the page, at the desk and on a phone', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  const errors: string[] = [];
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  page.on('pageerror', (e) => errors.push(e.message));
  for (const [path, title] of [
    ...COMPONENT_TESTS.map((t) => [`tests/${t.id}`, t.title] as const),
    ...WORKSHEETS.map((w) => [`calculators/${w.id}`, w.title] as const),
  ]) {
    await page.goto(`${stack.url}/bench/${path}`);
    for (const [width, height] of [
      [1280, 800],
      [390, 844],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
      expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(width);
    }
  }
  expect(errors).toEqual([]);
});

test('by keyboard alone: from the Bench to a verdict; printed, it stands without the frame', async ({
  page,
  stack,
}) => {
  await signIn(page, stack.url);
  await page.goto(`${stack.url}/bench/tests/line?m=neutral`);
  const field = page.getByLabel('Volts', { exact: true });
  for (let i = 0; i < 40 && !(await field.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await page.keyboard.type('3.1');
  await expect(page.getByRole('region', { name: judgement })).toContainText('Marginal');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('banner')).toBeHidden();
  await expect(page.getByRole('region', { name: judgement })).toBeVisible();
});

test('the log of a meter: where to hang it, what is recognised, where it parts from the model, and into the call', async ({
  call,
}) => {
  const page = await call('chapel hall');
  await page.getByText('Repaired, adjusted, photo').click();
  await page.getByRole('button', { name: 'Read a meter’s log' }).click();
  const dialog = page.getByRole('dialog', { name: 'Log of a meter' });
  await dialog.getByRole('button', { name: 'Where to hang it' }).click();
  await expect(dialog.getByRole('list', { name: 'Where to hang the logger' })).toContainText(
    /tells \d+ % of what is open/,
  );
  const file = dialog.getByLabel('Log of a meter');
  await file.setInputFiles({ name: 'words.csv', mimeType: 'text/csv', buffer: Buffer.from('no log at all') });
  await expect(dialog.getByRole('alert')).toContainText('a log has a time and at least one channel');
  await file.setInputFiles('docs/examples/supply-collapse.csv');
  await expect(dialog).toContainText('601 rows · commas between cells · decimal point');
  await dialog.getByRole('button', { name: 'Lay it beside the model' }).click();
  const laid = dialog.getByRole('region', { name: 'The log beside the model' });
  await expect(laid).toContainText('R shows 22 V, a sound one 26.1 V', { timeout: 30_000 });
  const shares = laid.getByRole('list', { name: 'How well each suspect draws this log' });
  await expect(shares.getByRole('listitem').first()).toContainText('The transformer is weak');
  await expect(laid.getByRole('list', { name: 'Steps, cut from the log' })).toContainText('they part: R');
  const curve = laid.getByRole('img', { name: /^R to C/ });
  await expect(curve).toHaveAccessibleName(/dashed sound:/);
  await laid.getByRole('button', { name: 'Both', exact: true }).click();
  await expect(curve).toHaveAccessibleName(/dashed sound, dotted The transformer is weak/);
  await dialog.getByRole('button', { name: 'Into the call as evidence' }).click();
  await expect(evidence(page)).toContainText('R–C: 22 V');
});

test('volts are judged in a call; a plate is kept with its machine; the new part’s ohms stand beside the old one’s', async ({
  call,
}) => {
  const page = await call('Quarry Road');
  const next = page.getByRole('region', { name: 'Next test' });
  const ladder = page.locator('[data-ladder]');
  const dialog = page.getByRole('dialog');
  await ladder
    .getByRole('button', { name: /^R[,.]/ })
    .first()
    .click();
  await next.getByRole('textbox').last().fill('25.9');
  await next.getByRole('button', { name: /judge it/ }).click();
  await expect(dialog.getByRole('region', { name: 'Judgement' })).toContainText('Repeat it');
  await choose(page, 'Read', 'with all on');
  await dialog.getByLabel('Volts of its primary').fill('118');
  await expect(dialog.getByRole('region', { name: 'Judgement' })).toContainText('26.3 ± 0.51 V');
  await dialog.getByRole('button', { name: 'Into the call as evidence' }).click();
  // What was read goes into the call, not what it would be at the plate’s primary.
  await expect(evidence(page)).toContainText(/R–C: 25.9 V, .*judged: good/);

  const valve = ladder.getByRole('button', { name: /^gas valve($|,)/ }).last();
  await valve.click();
  await next.getByRole('button', { name: /judge it/ }).click();
  await dialog.getByText('Other limits for this one').click();
  await dialog.getByLabel(/^Plate or maker/).fill('plenty');
  await dialog.getByRole('button', { name: 'Keep with this machine' }).click();
  await expect(dialog.getByRole('alert').last()).toContainText('is not a reading');
  await dialog.getByLabel(/^Plate or maker/).fill('14-16');
  await dialog.getByLabel('Where it stands, and who read it').fill('sheet 12');
  await dialog.getByRole('button', { name: 'Keep with this machine' }).click();
  await expect(dialog.getByText('Kept.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await next.getByRole('button', { name: /judge it/ }).click();
  await expect(dialog.getByLabel(/^Plate or maker/)).toHaveValue('14-16');
  await choose(page, 'Both ends off, nothing parallel?', /^yes/);
  await dialog.getByLabel('Ohms', { exact: true }).fill('13.2');
  await dialog.getByLabel('Temperature of the winding').fill('20 C');
  await expect(dialog.getByRole('region', { name: 'Which limits counted' })).toContainText('sheet 12, imre');
  await dialog.getByRole('button', { name: 'Cancel' }).click();

  await page.getByText('Repaired, adjusted, photo').click();
  await choose(page, 'Part repaired', 'gas valve');
  await page.getByRole('checkbox', { name: /measured good before fitting/ }).check();
  await page.getByLabel('The new one reads, ohms').fill('much');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await expect(page.getByRole('region', { name: 'Record' })).toContainText('is not a reading');
  await page.getByLabel('The new one reads, ohms').fill('15.2');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await expect(page.getByRole('table', { name: 'Old beside new' })).toContainText('15.2 Ω before it was fitted');
});
