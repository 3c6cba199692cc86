import {
  CLOSED,
  type ControlPort,
  type FaultMode,
  num,
  ohms,
  OPEN,
  other,
  type PartKind,
  type Spec,
} from './part-kind';

const portsOf = (spec: Spec): readonly ControlPort[] => spec['ports'] as readonly ControlPort[];

/**
 * A burner control: relay contacts and feeds that its program switches, and inputs that it senses. The program itself is
 * data in the profile. The simulator moves its outputs: a branch of an output is closed when its name is in the state.
 */
export const control: PartKind = {
  name: 'control',
  title: 'control',
  fields: {
    ports: { type: 'ports' },
    'brown-out': { type: 'voltage', default: 15 },
    restart: { type: 'voltage', default: 18 },
    'hold-up': { type: 'time', default: 0.06 },
    boot: { type: 'time', default: 2 },
    weight: { type: 'none', default: 0.5 },
  },
  branches: (spec) => portsOf(spec).map((port) => port.name),
  // The outputs that are on are the simulator's business; here the control is only itself.
  states: ['idle'],
  modes: (spec) => {
    const weight = num(spec, 'weight');
    const modes: FaultMode[] = [
      {
        id: 'dead',
        words: 'is dead though it is powered',
        relativeRate: weight * 1.5,
        repair: 'replace',
        takesAway: 'everything',
      },
    ];
    for (const port of portsOf(spec)) {
      if (port.role === 'contact')
        modes.push({
          id: `${port.name}-dead`,
          words: `never switches its ${port.name} output on`,
          takesAway: { output: port.name },
          relativeRate: weight,
          repair: 'replace',
        });
      if (port.role === 'contact' && port.sticks > 0)
        modes.push({
          id: `${port.name}-stuck`,
          words: `keeps its ${port.name} output on: a welded relay`,
          relativeRate: port.sticks,
          repair: 'replace',
        });
      if (port.role === 'feed')
        modes.push({
          id: `${port.name}-dead`,
          words: `puts nothing out at ${port.name}`,
          takesAway: { output: port.name },
          relativeRate: weight * 0.5,
          repair: 'replace',
        });
      if (port.role === 'input')
        modes.push({
          id: `${port.name}-deaf`,
          words: `does not notice its ${port.name} input`,
          takesAway: { input: port.name },
          relativeRate: weight * 0.4,
          repair: 'replace',
        });
    }
    modes.push(other(0.2));
    return modes;
  },
  electrical: (spec, state, fault, branch, frequency) => {
    const port = portsOf(spec).find((p) => p.name === branch)!;
    const on = state.split(' ').includes(branch) && fault !== `${branch}-dead`;
    switch (port.role) {
      case 'contact':
        return on || fault === `${branch}-stuck` ? CLOSED : OPEN;
      case 'feed':
        if (frequency === 'dc' || !on) return ohms(port.ohms);
        return { type: 'source', volts: port.volts, r: port.ohms, x: 0 };
      case 'input':
      case 'supply':
        return ohms(port.ohms);
    }
  },
  yields: true,
  deadTests: () => [],
  nature: 'control',
  drawnAlone: false,
  role: (branch, spec) => {
    const { role } = portsOf(spec).find((p) => p.name === branch)!;
    return role === 'contact' ? 'contact' : role === 'feed' ? 'source' : 'consumer';
  },
  symbol: (branch, spec) => {
    const role = portsOf(spec).find((p) => p.name === branch)!.role;
    return role === 'contact' ? 'contact' : role === 'feed' ? 'source' : 'load';
  },
};
