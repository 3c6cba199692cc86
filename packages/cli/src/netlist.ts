import { parseArgs } from 'node:util';
import { toSpice } from '@zetalysis/core/circuit';
import type { Command } from './main';
import { simulateFrom } from './simulate';

export const netlist: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      fault: { type: 'string', multiple: true, default: [] },
      variant: { type: 'string' },
      dc: { type: 'boolean', default: false },
    },
  });
  const { model, trace } = simulateFrom(positionals[0], values.variant, values.fault);
  const last = trace.segments[trace.segments.length - 1]!;
  return { text: toSpice(last.circuit.circuit, model.nets, values.dc ? 'dc' : 'ac', model.title), exit: 0 };
};
