// Runs SPICE decks through ngspice (WebAssembly) in a process of its own: JSON list of decks in, JSON list of node voltages out.
import { Simulation } from 'eecircuit-engine';

let input = '';
for await (const chunk of process.stdin) input += chunk;
const spice = new Simulation();
await spice.start();
const results = [];
for (const deck of JSON.parse(input)) {
  spice.setNetList(deck);
  const result = await spice.runSim();
  results.push(
    Object.fromEntries(
      result.data.map((d) => [
        d.name.toLowerCase(),
        result.dataType === 'complex' ? [d.values[0].real, d.values[0].img] : [d.values[0], 0],
      ]),
    ),
  );
}
process.stdout.write(JSON.stringify(results), () => process.exit(0));
