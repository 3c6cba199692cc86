import type { SourceFile } from './document';
import type { Expression } from './expression/expression';
import type { Model, Region } from './model';

/**
 * Finds what cannot work though every name is known: rungs that end nowhere, cues that nobody can see, states that nothing
 * leads to or out of. Reports to `file` with the place and what to do.
 */
export function checkStructure(file: SourceFile, model: Model): void {
  danglingNets(file, model);
  for (const phase of model.phases)
    if (!visible(phase.cue))
      file.problem(
        ['phases', phase.index, 'cue'],
        `"${phase.cue.text}" is something inside the control that nobody can see; use a part's state, a quantity or env`,
      );
  for (const region of model.controller?.regions ?? []) states(file, region);
}

/** A net with one passage only carries nothing. */
function danglingNets(file: SourceFile, model: Model): void {
  model.nets.forEach((name, net) => {
    const ends = model.branches.filter((b) => b.a === net || b.b === net);
    if (ends.length !== 1 || net === model.ground) return;
    // A short or a swapped wire may be all that a net is for.
    const rung = model.rungs[ends[0]!.rung]!;
    file.problem(
      ['rungs', rung.id],
      `ends nowhere: nothing else is joined to ${name.startsWith('~') ? 'its last net' : `=${name}`}; lead it back to the source`,
    );
  });
}

/** Whether a cue rests on something outside the control's own state. */
const visible = (cue: Expression): boolean =>
  cue.parts.length > 0 ||
  cue.quantities.length > 0 ||
  cue.asksVolts ||
  cue.settings.length > 0 ||
  cue.faults.length > 0;

function states(file: SourceFile, region: Region): void {
  if (region.states.length < 2) return;
  const reached = new Set([region.start]);
  for (let grown = true; grown;) {
    grown = false;
    for (const at of reached) {
      const exits = [...region.states[at]!.go, ...region.always.filter((g) => !g.except.includes(at))];
      for (const { to } of exits)
        if (!reached.has(to)) {
          reached.add(to);
          grown = true;
        }
    }
  }
  for (const state of region.states) {
    const path = ['controller', 'regions', region.id, 'states', state.id];
    if (!reached.has(state.index)) file.problem(path, 'can never be reached; let a guard lead to it, or take it out');
    const leaves =
      state.go.length > 0 || region.always.some((g) => g.to !== state.index && !g.except.includes(state.index));
    // A lockout may be one that only switching off and on ends.
    if (!leaves && !state.lockout)
      file.problem(path, 'has no way out; give it a guard, for example {to: idle, when: after(1 h)}');
  }
}
