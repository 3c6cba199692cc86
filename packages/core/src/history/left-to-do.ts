import type { MachineEntry } from './reading-lines';

/** Something that was recommended on a machine and not declined. */
interface LeftToDo {
  readonly id: string;
  readonly words: string;
  readonly call: string;
  /** When it was said, milliseconds since 1970. */
  readonly at: number;
  /** The customer wants it done. */
  readonly wanted: boolean;
}

/** What was recommended on a machine's calls and is neither declined nor taken back, the newest first. */
export function leftToDo(entries: readonly MachineEntry[]): LeftToDo[] {
  const settled = new Map<string, 'accepted' | 'declined'>();
  for (const { body } of [...entries].sort((a, b) => a.at - b.at))
    if (body.type === 'recommendation-settled') settled.set(body.event, body.how);
  return entries
    .flatMap(({ id, call, at, body }) =>
      body.type === 'recommended' && settled.get(id) !== 'declined'
        ? [{ id, words: body.words, call, at, wanted: settled.get(id) === 'accepted' }]
        : [],
    )
    .sort((a, b) => b.at - a.at);
}
