import { type ProofLine, rangeOf } from '../rules';
import type { EventBody } from '../visit';

/**
 * A line of the proof as it is done on a machine that runs: the entry, with a number well within what it may be, and the minutes that
 * it has to run for it. The model knows nothing of most of these numbers.
 */
export function lineDone(line: ProofLine): {
  readonly runs: number;
  readonly body: Extract<EventBody, { type: 'proof-line' }>;
} {
  const range = line.number && rangeOf(line, 'natural');
  const { least = 0, most = least } = range ?? {};
  // A third of what it may be at most, where there is no least.
  const within = range?.least === undefined ? most / 3 : (least + most) / 2;
  const value = line.number?.runs ? least : Math.round(within * 100) / 100;
  return {
    runs: line.number?.runs ? least : 0,
    body: {
      type: 'proof-line',
      line: line.id,
      answer: 'done',
      ...(range && { value }),
      ...(line.number?.fuels && { fuel: 'natural' as const }),
    },
  };
}
