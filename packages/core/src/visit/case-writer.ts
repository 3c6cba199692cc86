import { stringify } from 'yaml';
import type { Data } from '../profile';
import { type AnswerBody, kindOfBody } from '../question';
import { formatReading, type Reading } from '../units';
import { CASE_FORMAT } from './case';
import type { EventBody } from './event-kinds';
import type { CallState } from './reduce';

/** What a case says of itself. */
interface CaseTitle {
  readonly title: string;
  readonly profile: string;
  /** The one option of its family that the machine has; a case knows no others. */
  readonly variant: string | undefined;
}

/**
 * A call as a case file: what was seen, read and done, in order, and as the last line what its record says must come out of it. Left out are
 * entries that were taken back, words that somebody wrote, rules and their proofs, and leads that were lifted: a case has no such lines.
 */
export function caseOf({ title, profile, variant }: CaseTitle, { log, record }: CallState): string {
  const lines = log.flatMap(({ event, retracted, problem }) =>
    retracted || problem !== undefined ? [] : linesOf(event.body),
  );
  if (record) lines.push({ expect: expected(record) });
  const head = { format: CASE_FORMAT, title, profile, ...(variant !== undefined && { variant }) };
  const events = lines.map((line) => `  - ${stringify(line, { collectionStyle: 'flow', lineWidth: 0 }).trim()}\n`);
  return `${stringify(head)}events:\n${events.join('')}`;
}

type Line = Readonly<Record<string, Data>>;

/** The line of a case that an entry becomes; none for what a case does not hold. */
function linesOf(body: EventBody): Line[] {
  if (kindOfBody(body.type)) {
    const answer = body as AnswerBody;
    const line: Line = { [answer.type]: answerOf(answer) };
    return ['after' in answer && answer.after !== undefined ? { ...line, after: `${answer.after} s` } : line];
  }
  switch (body.type) {
    case 'setup': {
      const { power, gas, call, unplugged, bypassed, actions = [] } = body;
      return [
        { setup: { power, gas, call, unplugged: [...unplugged], bypassed: [...bypassed], actions: [...actions] } },
      ];
    }
    case 'repaired': {
      const { part, measured = false, old = false } = body;
      return [{ repaired: measured || old ? { part, measured, old } : part }];
    }
    case 'adjusted':
      return [{ adjusted: { what: body.what, original: body.original, now: body.now } }];
    case 'declined':
      return [{ [body.why]: body.test }];
    default:
      return [];
  }
}

function answerOf(body: AnswerBody): Data {
  switch (body.type) {
    case 'seen':
      return { [body.phase]: body.answer, ...(body.try !== undefined && { try: body.try }) };
    case 'outcome':
      return body.outcome;
    case 'code':
      return body.code;
    case 'told':
      return body.complaint;
    case 'look':
      return { [body.look]: body.answer };
    case 'joint':
      return { [body.joint]: body.found };
    case 'gauge':
      return { [body.gauge]: valueOf(body) };
    case 'timing':
      return { [body.phase]: valueOf(body) };
    default: {
      // All others name their fields as the case does.
      const {
        type: _type,
        after: _after,
        reading,
        typed,
        by: _by,
        judged,
        means: _means,
        ...rest
      } = {
        after: undefined,
        reading: undefined,
        typed: '',
        by: undefined,
        judged: undefined,
        means: undefined,
        ...body,
      };
      return { ...rest, ...(reading !== undefined && { value: valueOf({ reading, typed, judged }) }) };
    }
  }
}

/** As it was typed; one that was corrected on the Bench as what it came to. */
const valueOf = ({
  reading,
  typed,
  judged,
}: {
  readonly reading: Reading;
  readonly typed: string;
  readonly judged?: unknown;
}): string => (judged === undefined ? typed : formatReading(reading, 'us'));

/** The cause is in somebody’s words, and is left out. */
const expected = ({ part, standing }: NonNullable<CallState['record']>): { [key: string]: Data } => ({
  break: part,
  ...(standing === 'proved' && { standing }),
});
