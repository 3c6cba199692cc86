import type { Model, NetIndex } from '../profile';
import type { Question } from '../question';
import type { Test } from '../test-choice';
import { capital } from '../units';
import { questionTitle, questionWords } from './question-words';
import { sentence } from './say';

const actionOf = (model: Model, id: string): Model['actions'][number] => model.actions.find((a) => a.id === id)!;
const plugTitle = (model: Model, id: string): string => model.plugs.find((p) => p.id === id)!.title;
const partTitle = (model: Model, id: string): string => model.parts.find((p) => p.id === id)!.title;

/** What to do, as an instruction to somebody with a meter in one hand. */
export interface Instruction {
  /** What is changed for the test; empty where nothing is. */
  readonly before: string;
  /** What to ask or measure, in a few words. */
  readonly act: string;
  /** Where and when; empty where the few words say it all. */
  readonly how: string;
}

export const instruction = (model: Model, { intervention, question }: Test): Instruction => ({
  before: !intervention
    ? ''
    : 'unplug' in intervention
      ? `Power off, pull the ${plugTitle(model, intervention.unplug)}, power on and let it try once more.`
      : 'action' in intervention
        ? actionOf(model, intervention.action).how
        : `Put a jumper across the ${partTitle(model, intervention.bypass)} for this one test, stay beside it, and take it off again.`,
  ...questionWords(model, question),
});

/** The same in one go, to be read aloud or kept. */
export const instructionWords = ({ before, act, how }: Instruction): string =>
  [before, act, how].filter((words) => words !== '').reduce((said, next) => `${sentence(said)} ${next}`);

/** Short name of a test: the question, and what is done for it. */
export function testTitle(model: Model, { question, intervention }: Test): string {
  const title = questionTitle(model, question);
  if (!intervention) return title;
  if ('unplug' in intervention) return `${capital(plugTitle(model, intervention.unplug))} out: ${title}`;
  if ('action' in intervention) return `${actionOf(model, intervention.action).title}: ${title}`;
  return `Jumper across the ${partTitle(model, intervention.bypass)}: ${title}`;
}

/** For learners: what a live and a dead reading at this point prove. Undefined when it is no voltage reading. */
export function provesWords(model: Model, q: Question): string | undefined {
  if (q.kind !== 'volts') return undefined;
  const at = model.nets[q.red]!.startsWith('~') ? 'this point' : model.nets[q.red]!;
  const branch = model.branches.find((b) => {
    if (![b.a, b.b].includes(q.red) || ![b.a, b.b].includes(q.black)) return false;
    const { kind, spec } = model.parts[b.part]!;
    // What should pass the current on drops next to nothing while it does.
    return ['contact', 'conductor'].includes(kind.role(b.name, spec));
  });
  if (branch)
    return `Nothing across the ${model.parts[branch.part]!.title} while its load is on: it passes. The whole supply across it: it is open. A reading without the load proves nothing about a poor contact.`;
  const before = upstream(model, q.red);
  const passes = before.length === 0 ? 'the source is there' : `${before.join(', ')} pass`;
  return `Live at ${at}: ${passes}, and the break is further on. Dead at ${at}, with the call on and the common good: the break is between the last live point and here.`;
}

/** Titles of the parts that stand before a net in its rung, from the source on. */
function upstream(model: Model, net: NetIndex): string[] {
  for (const rung of model.rungs) {
    const at = rung.items.findIndex((item, i) => i > 0 && 'net' in item && item.net === net);
    if (at > 0)
      return rung.items
        .slice(0, at)
        .flatMap((item) => ('branch' in item ? [model.parts[model.branches[item.branch]!.part]!.title] : []));
  }
  return [];
}
