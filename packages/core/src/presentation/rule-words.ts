import {
  type Family,
  type Followed,
  factWith,
  type FactValue,
  type Mark,
  METER_AFTER,
  needOf,
  needSentence,
  NEED_IDS,
} from '../rules';
import type { EventBody } from '../visit';

/** A fact as it was answered. */
export function factWords(id: string, value: FactValue): string {
  const fact = factWith(id);
  if (!fact) return `${id}: ${value}`;
  if ('unit' in fact.is) return `${fact.ask} ${value} ${fact.is.unit}`;
  return `${fact.ask} ${fact.is.find((a) => a.id === value)?.title ?? value}`;
}

export const needTitle = (id: string, family: Family | undefined): string =>
  NEED_IDS.includes(id) ? needSentence(needOf(id), family) : id;

export const NEED_ANSWERS = { met: 'Done', cannot: 'Cannot', wont: 'Will not', over: 'Over' } as const;

export const LOOSE_WORDS = {
  lead: 'Lead lifted',
  'part-out': 'Part out',
  joint: 'Joint open',
  panel: 'Panel off',
} as const;

/** An order of a stop with what became of it. */
export function orderWords(
  { stop, order, answer, words = '' }: Extract<EventBody, { type: 'stop-order' }>,
  { raisedStops }: Followed,
): string {
  const sentence = raisedStops.get(stop)?.orders.find((o) => o.id === order)?.sentence ?? order;
  const more = words === '' ? '' : `: ${words}`;
  return answer === 'done' ? `${sentence} Done${more}` : `${sentence} Cannot${more}`;
}

/** What somebody has to see about an entry; what it lacked is said together. */
export function sayMarks(marks: readonly Mark[], family: Family | undefined): string[] {
  const lacked = marks.flatMap((m) => (m.mark === 'without-need' && m.need !== METER_AFTER ? [m.need] : []));
  const others = marks.flatMap((m) => {
    if (m.mark !== 'without-need') return [MARK_WORDS[m.mark]];
    return m.need === METER_AFTER ? ['proves nothing: prove the meter again on a live source within five minutes'] : [];
  });
  if (lacked.length === 0) return others;
  return [...others, `proves nothing without: ${lacked.map((need) => needTitle(need, family)).join(' ')}`];
}

const MARK_WORDS = {
  'without-right': 'made without the right to',
  forbidden: 'against the rules',
  late: 'entered late',
  'too-early': 'came too early and does not count: something it asks for was open',
  'out-of-limits': 'does not count: not within its limits',
  'beyond-clock': 'more minutes than it could run since the repair, by the entries',
} as const;
