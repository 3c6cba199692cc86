import { mkdtempSync } from 'node:fs';
import { launch, signInToDemo } from './browser';
import { startStack } from './stack.mjs';
const stack = await startStack(mkdtempSync('/tmp/zl-'));
const b = await launch();
try {
  const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
  await p.goto(stack.url); await p.getByLabel('Password').waitFor(); await signInToDemo(p);
  for (const label of ['Tannery Row', 'Almshouses']) {
  await p.goto(stack.url + '/calls/new');
  await p.getByLabel('Machine from the register').fill(label);
  await p.waitForTimeout(800);
  await p.getByTitle(new RegExp(label)).first().click();
  await p.getByLabel(/Complaint/).fill('No heat since five this morning.');
  await p.getByRole('button', { name: 'Open the call' }).click();
  await p.getByRole('region', { name: 'Suspects' }).waitFor();
  await p.waitForTimeout(3500);
  await p.screenshot({ path: `/tmp/shots/fam-${label.slice(0,4)}.png` });
  }
} finally { await b.close(); await stack.stop(); }
