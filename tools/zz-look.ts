import { mkdtempSync } from 'node:fs';
import { choose, launch, signInToDemo } from './browser';
import { startStack } from './stack.mjs';
const stack = await startStack(mkdtempSync('/tmp/zl-'));
const b = await launch();
try {
  const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
  p.on('console', (m) => {
    if (m.type() === 'error') console.log('ERR', m.text().slice(0, 300), JSON.stringify(m.location()));
  });
  await p.goto(stack.url);
  await p.getByLabel('Password').waitFor();
  await signInToDemo(p);
  await p.waitForTimeout(1500);
  await p.screenshot({ path: '/tmp/shots/today.png' });
  await p.goto(stack.url + '/calls/new');
  await p.getByLabel('Machine from the register').fill('Mill Lane 14');
  await p.waitForTimeout(800);
  await p.getByTitle(/Mill Lane 14/).click();
  await p
    .getByLabel(/Complaint/)
    .fill('No heat since five this morning. Starts, clicks, everything stops, starts again.');
  await p.getByRole('button', { name: 'Open the call' }).click();
  await p.getByRole('region', { name: 'Suspects' }).waitFor();
  for (const t of ['Thermostat calls', 'Inducer runs', 'Igniter glows'])
    await p.getByRole('button', { name: `${t}: seen`, exact: true }).click();
  await p.getByRole('button', { name: 'Gas valve clicks: not seen', exact: true }).click();
  const f = p.getByRole('region', { name: 'Circuit and readings' }).getByRole('textbox');
  await f.fill('15-18 GV C');
  await f.press('Enter');
  await choose(p, 'Change the setup', 'gas valve plug', 'Unplug');
  await p.waitForTimeout(3500);
  await p.screenshot({ path: '/tmp/shots/call.png' });
  await p.setViewportSize({ width: 390, height: 844 });
  await p.waitForTimeout(800);
  await p.screenshot({ path: '/tmp/shots/phone.png' });
  for (const j of ['Steps', 'Circuit', 'Log']) {
    await p.getByRole('button', { name: j, exact: true }).click();
    await p.waitForTimeout(500);
    await p.screenshot({ path: `/tmp/shots/phone-${j}.png` });
  }
} finally {
  await b.close();
  await stack.stop();
}
