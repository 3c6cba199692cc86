import { carefully, choose, ends, entry, evidence, expect, light, step, suspects, test } from './stack';

test('12 V: idle volts prove nothing, volts under the blower prove the battery', async ({ call }) => {
  const page = await call('mobile library');
  await step(page, 'Blower starts', 'seen');
  await step(page, 'Blower keeps running', 'not seen');
  await light(page, /^code green-slow:/);
  await entry(page, '10.1 B CH @blower');
  await expect(evidence(page)).toContainText('B–CH: 10.1 V');
  await expect(suspects(page).first()).not.toContainText('sail switch');
  await entry(page, '10.3 BP NEG @blower');
  await expect(suspects(page).first()).toContainText(/battery sinks under load.*proved/is);
});

test('a hand-lit pilot: an action of the profile, a reading in millivolts, judged', async ({ call }) => {
  const page = await call('Weir Cottage');
  await step(page, 'Pilot burns', 'not seen');
  await choose(page, 'Change the setup', 'Thermocouple unscrewed, knob held', 'Do for one test');
  const apart = page.getByRole('region', { name: 'To put back' });
  await expect(apart).toContainText('Thermocouple unscrewed, knob held');
  await entry(page, '9.6mV TC CH @pilot');
  await expect(evidence(page)).toContainText('cannot hold the magnet for sure (minimum 20 mV)');
  await apart.getByRole('button', { name: 'Put it back' }).click();
  await page.getByRole('combobox', { name: /Look/ }).waitFor();
  await entry(page, 'flame-shape good');
  await expect(suspects(page).first()).toContainText('Thermocouple is worn');
});

test('repair, then go on: the second fault leads; an adjustment bars the closing until it is settled', async ({
  call,
}) => {
  const page = await call('Quarry Road');
  for (const title of ['Inducer runs', 'Gas valve clicks']) await step(page, title, 'seen');
  for (const title of ['Igniter glows', 'Burners light']) await step(page, title, 'not seen');
  await carefully(page, 'OL igniter', 'OL');
  await expect(suspects(page).first()).toContainText('is cracked');
  await page.getByRole('button', { name: 'Power off', exact: true }).click();
  await page.getByText('Repaired, adjusted, photo').click();
  await expect(page.getByRole('region', { name: 'Record' }).getByTitle('igniter (silicon carbide)')).toBeVisible();
  await page.getByRole('checkbox', { name: /measured good before fitting/ }).check();
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await expect(evidence(page)).toContainText('measured before fitting');
  for (const title of ['Igniter glows', 'Burners light']) await step(page, title, 'seen');
  await step(page, 'Flame stays', 'not seen');
  await entry(page, 'rod-look coated');
  await expect(suspects(page).first()).toContainText('Flame rod is dirty, besides what was repaired');

  await page.getByRole('button', { name: 'Note the adjustment' }).click();
  await expect(page.getByRole('alert')).toContainText('Write what was turned');
  await page.getByLabel('Screw or setting').fill('regulator screw');
  await page.getByLabel('Where it stood').fill('three turns in');
  await page.getByLabel('Where it stands now').fill('two turns in');
  await page.getByRole('button', { name: 'Note the adjustment' }).click();
  await page.getByRole('button', { name: 'Record the break' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Record', exact: true }).click();
  const proof = page.getByRole('region', { name: 'Lines of the proof' });
  await expect(proof.getByRole('button', { name: /Temporary things undone/ })).toContainText('nothing is left');
  await page.getByRole('button', { name: 'Close the call' }).click();
  const end = page.getByRole('dialog', { name: 'How does this call end?' });
  await end.getByRole('radio', { name: 'Repaired, not proved' }).click();
  await end.getByRole('button', { name: /^Close:/ }).click();
  await expect(end.getByRole('alert')).toContainText('adjustments settled');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Put back' }).click();
  // A screw of the gas was turned: its list of proof stays.
  await expect(proof).toContainText('Gas control, regulator, orifice');
  await expect(evidence(page)).toContainText('proves nothing without: Connect the gauge');
});

test('a guess is put back; a lead of a point with several is lifted by the part it goes to', async ({ call }) => {
  const page = await call('Mill Lane 14');
  await step(page, 'Inducer runs', 'not seen');
  await page.getByText('Repaired, adjusted, photo').click();
  await choose(page, 'Part repaired', 'control board');
  await page.getByRole('button', { name: 'Repaired: try again' }).click();
  await expect(evidence(page)).toContainText('Repaired: control board');
  await choose(page, 'Part repaired', 'control board');
  await page.getByRole('button', { name: 'Old part in again' }).click();
  await expect(evidence(page)).toContainText('Put back: the old control board');
  const circuit = page.getByRole('region', { name: 'Circuit and readings' });
  await circuit.getByRole('button', { name: /^R,/ }).first().click();
  await choose(page, 'Its lead is lifted', 'lead from R to the thermostat');
  await expect(page.getByRole('region', { name: 'To put back' })).toContainText('lead from R to the thermostat');
});

test('terminal by terminal: the learner is told what each point proves, and the choice is kept', async ({ call }) => {
  const page = await call('launderette');
  await step(page, 'Drum turns', 'seen');
  for (const title of ['Igniter glows', 'Sensor opens, valve clicks', 'Glow goes out', 'Burner lights', 'Flame stays'])
    await step(page, title, 'not seen');
  for (const title of ['Lights again and again', 'Glows on and on']) await step(page, title, 'not seen');
  await ends(page, 'Nothing happens at all');
  await page.getByRole('button', { name: 'How you work' }).click();
  await choose(page, 'Order of tests', 'Terminal by terminal, from source to load');
  await page.getByRole('dialog', { name: 'How you work' }).getByRole('button', { name: 'Done' }).click();
  const next = page.getByRole('region', { name: 'Next test' });
  await expect(next).toContainText(/Live at .* and the break is further on/);
  await page.reload();
  await expect(next).toContainText(/Live at .* and the break is further on/);
});

test('nothing fits: the page says so, names the reading, and asks on', async ({ call }) => {
  const page = await call('Mill Lane 14');
  for (const title of ['Igniter glows', 'Burners light']) await step(page, title, 'seen');
  await step(page, 'Inducer runs', 'not seen');
  await entry(page, 'draft 2.4 inwc');
  await expect(evidence(page)).toContainText('2.4 in w.c.');
  await entry(page, '41 W C @call');
  await expect(evidence(page)).toContainText('W–C: 41 V');
  const region = page.getByRole('region', { name: 'Suspects' });
  await expect(region).toContainText('Something this model does not know');
  await expect(region).toContainText(/Fits nothing: .*41 V/);
});

test('two minutes after the call: the answer counts for two minutes, its clock runs, and it is asked again', async ({
  call,
}) => {
  const page = await call('Hollin Bank');
  const next = page.getByRole('region', { name: 'Next test' });
  await expect(next.getByText('Does the contactor pull in with a clunk?')).toBeVisible();
  await next.getByRole('button', { name: 'Still runs' }).click();
  await expect(next.getByLabel('Minutes after the call')).toHaveValue(/^2/);
  await next.getByRole('button', { name: 'No', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Evidence' })).toContainText(
    'Contactor pulls in: no, 2 min after the call',
  );
  await expect(page.getByRole('region', { name: 'Sequence' })).toContainText('not yet after 2 min');
  await expect(page.getByRole('region', { name: 'State of the appliance' })).toContainText(
    /Contactor pulls in: look again in 0\d:\d\d/,
  );
  // The reading is typed with its moment as well; a dead test has none.
  await next.getByRole('textbox').first().fill('0.2 V TD C after soon');
  await next.getByRole('textbox').first().press('Enter');
  await expect(page.getByText('After how long?')).toBeVisible();
  await next.getByRole('textbox').first().fill('0.2 V TD C after 3 min');
  await next.getByRole('textbox').first().press('Enter');
  await expect(page.getByRole('region', { name: 'Evidence' })).toContainText('3 min after the call');
});
