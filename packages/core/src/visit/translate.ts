import { findNet, findPart, type Model, unknownName } from '../profile';
import type { Observation } from '../question';
import type { EventBody } from './event';

/** What an event means to the engine, or why it means nothing for this profile. */
export type Translated =
  | { readonly kind: 'observation'; readonly observation: Observation }
  | { readonly kind: 'nothing' }
  | { readonly kind: 'problem'; readonly message: string };

const problem = (message: string): Translated => ({ kind: 'problem', message });
const observed = (observation: Observation): Translated => ({ kind: 'observation', observation });

/** Index of a named thing, or the problem that there is none. */
function indexOf(list: readonly { readonly id: string }[], id: string, what: string): number | string {
  const found = list.findIndex((x) => x.id === id);
  return found >= 0
    ? found
    : unknownName(
        what,
        id,
        list.map((x) => x.id),
      );
}

/** Translates the names of an event into the model's indices. */
export function translate(model: Model, body: EventBody): Translated {
  switch (body.type) {
    case 'seen': {
      const phase = indexOf(model.phases, body.phase, 'step');
      if (typeof phase === 'string') return problem(phase);
      if (body.answer === 'unclear') return { kind: 'nothing' };
      return observed({
        kind: 'seen',
        phase,
        answer: body.answer === 'yes',
        ...(body.try === undefined ? {} : { attempt: body.try }),
      });
    }
    case 'told':
      return observed({ kind: 'told', complaint: body.complaint });
    case 'outcome':
      return observed({ kind: 'outcome', outcome: body.outcome });
    case 'code': {
      const known = [...model.codes.map((c) => c.id), 'none', 'dark'];
      if (!known.includes(body.code)) return problem(unknownName('code', body.code, known));
      return observed({ kind: 'code', code: body.code });
    }
    case 'volts': {
      const named = model.nets.filter((n) => !n.startsWith('~'));
      const red = findNet(model, body.red);
      const black = findNet(model, body.black);
      if (red < 0) return problem(unknownName('test point', body.red, named));
      if (black < 0) return problem(unknownName('test point', body.black, named));
      if (red === black) return problem(`both probes on ${body.red}: put the black probe on the common`);
      const phase = body.phase === undefined ? -1 : model.phases.findIndex((p) => p.id === body.phase);
      if (body.phase !== undefined && phase < 0)
        return problem(
          unknownName(
            'step',
            body.phase,
            model.phases.map((p) => p.id),
          ),
        );
      if (body.reading.dimension !== 'voltage')
        return problem(`a reading between two test points is in volts; "${body.typed}" is not`);
      return observed({
        kind: 'volts',
        red,
        black,
        phase,
        input: body.meter ?? 'high-impedance',
        reading: body.reading,
      });
    }
    case 'ohms': {
      const part = findPart(model, body.part);
      if (!part)
        return problem(
          unknownName(
            'part',
            body.part,
            model.parts.map((p) => p.id),
          ),
        );
      const branch = body.branch ?? part.branches[0]?.name;
      if (branch === undefined || !part.branches.some((b) => b.name === branch))
        return problem(
          unknownName(
            `side of ${part.id}`,
            branch ?? '',
            part.branches.map((b) => b.name),
          ),
        );
      if (body.reading.dimension !== 'resistance') return problem(`a dead test is in ohms; "${body.typed}" is not`);
      return observed({ kind: 'ohms', part: part.index, branch, reading: body.reading });
    }
    case 'gauge': {
      const gauge = indexOf(model.gauges, body.gauge, 'measurement');
      if (typeof gauge === 'string') return problem(gauge);
      const { dimension } = model.quantities[model.gauges[gauge]!.quantity]!;
      if (body.reading.dimension !== dimension)
        return problem(`${model.gauges[gauge]!.title} is a ${dimension}; "${body.typed}" is not`);
      return observed({ kind: 'gauge', gauge, reading: body.reading });
    }
    case 'timing': {
      const phase = indexOf(model.phases, body.phase, 'step');
      if (typeof phase === 'string') return problem(phase);
      if (body.reading.dimension !== 'time') return problem(`how long it took is a time; "${body.typed}" is not`);
      return observed({ kind: 'timing', phase, reading: body.reading });
    }
    case 'look': {
      const look = indexOf(model.looks, body.look, 'question');
      if (typeof look === 'string') return problem(look);
      const answers = model.looks[look]!.answers;
      const answer = answers.findIndex((a) => a.id === body.answer);
      if (answer < 0)
        return problem(
          unknownName(
            'answer',
            body.answer,
            answers.map((a) => a.id),
          ),
        );
      return observed({ kind: 'look', look, answer });
    }
    case 'setup': {
      for (const plug of body.unplugged)
        if (!model.plugs.some((p) => p.id === plug))
          return problem(
            unknownName(
              'connector',
              plug,
              model.plugs.map((p) => p.id),
            ),
          );
      for (const id of body.actions ?? [])
        if (!model.actions.some((a) => a.id === id))
          return problem(
            unknownName(
              'action',
              id,
              model.actions.map((a) => a.id),
            ),
          );
      for (const id of body.bypassed) {
        const part = findPart(model, id);
        if (!part)
          return problem(
            unknownName(
              'part',
              id,
              model.parts.map((p) => p.id),
            ),
          );
        if (part.spec['never-bypass'] === true)
          return problem(`the ${part.title} is never bypassed: find out why it opened`);
      }
      return { kind: 'nothing' };
    }
    case 'repaired':
      if (!findPart(model, body.part))
        return problem(
          unknownName(
            'part',
            body.part,
            model.parts.map((p) => p.id),
          ),
        );
      return { kind: 'nothing' };
    default:
      return { kind: 'nothing' };
  }
}
