import {
  type AskedMessage,
  type CodeShown,
  type Dial,
  type ExpectedMessage,
  type ObservedMessage,
  type OptionMessage,
  type Place,
  readsOpen,
  type TitleMessage,
} from '../question';
import type { Dimension, Reading } from '../units';
import { COMPLAINT_WORDS, OUTCOME_WORDS } from './fixed-words';
import { quantityWords, type Reader, readingWords, roughly, shownOn, valueWords } from './reader';

// The sentences of questions: one function for each thing a question says.

/** What to do and ask, as an instruction to somebody with a meter in one hand. */
export function sayAsked(m: AskedMessage): string {
  switch (m.message) {
    case 'ask':
      return m.data.words;
    case 'watch-a-try':
      return 'Watch one whole try for heat, hands off. What does it do in the end?';
    case 'read-the-light':
      return 'Read the status light through the window before opening the panel. What does it show?';
    case 'measure-volts': {
      const { range, red, black, step } = m.data;
      const when = step === undefined ? 'as it stands' : `at the step "${step}"`;
      return `${RANGES[range]}, red probe on ${sayPlace(red)}, black on ${sayPlace(black)}, ${when}.`;
    }
    case 'measure-dead': {
      const { part, branch, dimension } = m.data;
      const { read, first } = deadWords(dimension);
      return `Power off. Isolate the ${part} and read ${read} across ${branch === '' ? 'it' : `its ${branch} side`}. ${first}`;
    }
    case 'read-gauge':
      return `${m.data.how} ${m.data.title}?`;
    case 'take-time':
      return `How long from the call until "${m.data.step}"?`;
    case 'ask-customer':
      return 'What does the customer say?';
  }
}

const RANGES = { 'dc-millivolts': 'DC millivolts', 'dc-volts': 'DC volts', 'ac-volts': 'AC volts' } as const;

/** A setting of the meter for dead tests: its name, what is read with it, what comes first. */
const DEAD_WORDS: Partial<
  Readonly<Record<Dimension, { readonly title: string; readonly read: string; readonly first: string }>>
> = { resistance: { title: 'Ohms', read: 'ohms', first: 'Zero the leads first.' } };

const deadWords = (dimension: Dimension) => DEAD_WORDS[dimension]!;

const sayPlace = (place: Place): string =>
  'terminalOf' in place
    ? `a terminal of the ${place.terminalOf}`
    : place.reach === undefined
      ? place.net
      : `${place.net} (${place.reach})`;

/** Short name of a question, for lists. */
export function sayTitle(m: TitleMessage): string {
  switch (m.message) {
    case 'titled':
      return m.data.words;
    case 'ending':
      return 'How the try ends';
    case 'light':
      return 'Status light';
    case 'volts': {
      const { red = '·', black = '·', step } = m.data;
      return `Volts ${red}–${black}${step === undefined ? '' : `, ${step.toLowerCase()}`}`;
    }
    case 'dead':
      return `${deadWords(m.data.dimension).title}, ${partWords(m.data.part, m.data.branch)}`;
    case 'time':
      return `Time to "${m.data.step}"`;
    case 'complaint':
      return 'Complaint';
  }
}

/** A part by its title, or one passage of it. */
export const partWords = (title: string, branch: string): string =>
  branch === '' ? title : `${title}, ${branch.replaceAll('-', ' ')}`;

/** What was observed, in a few words. */
export function sayObserved(m: ObservedMessage, reader: Reader): string {
  switch (m.message) {
    case 'seen': {
      const { step, attempt, answer } = m.data;
      return `${step}${attempt === undefined ? '' : ` (try ${attempt})`}: ${answer ? 'yes' : 'no'}`;
    }
    case 'ended':
      return OUTCOME_WORDS[m.data.outcome];
    case 'light-shows':
      return `Status light: ${codeWords(m.data)}`;
    case 'customer-says':
      return `Complaint: ${COMPLAINT_WORDS[m.data.complaint].toLowerCase()}`;
    case 'looked':
      return `${m.data.ask} ${m.data.answer}`;
    case 'read':
      return `${sayTitle(m.data.title)}: ${readingWords(m.data.reading, m.data.dial, reader)}`;
  }
}

/** The same as it stands in a log: of a voltage the points first and the step last, of a time the step as it is called. */
export function sayNoted(m: ObservedMessage, reader: Reader): string {
  if (m.message !== 'read') return sayObserved(m, reader);
  const { title } = m.data;
  const reading = readingWords(m.data.reading, m.data.dial, reader);
  switch (title.message) {
    case 'volts': {
      const { red = '·', black = '·', step } = title.data;
      return `${red}–${black}: ${reading}${step === undefined ? '' : `, ${step.toLowerCase()}`}`;
    }
    case 'time':
      return `Time to ${title.data.step}: ${reading}`;
    default:
      return sayObserved(m, reader);
  }
}

/** A prediction as one would say it: "26 V", "OL", "unsteady, between 0 and 17 V". */
export function sayExpected(m: ExpectedMessage, reader: Reader): string {
  switch (m.message) {
    case 'yes-or-no':
      return m.data.yes ? 'yes' : 'no';
    case 'ends':
      return OUTCOME_WORDS[m.data.outcome].toLowerCase();
    case 'shows-code':
      return codeWords(m.data);
    case 'shows':
      return m.data.title.toLowerCase();
    case 'no-answer':
      return '—';
    case 'volts': {
      const { volts, atTimes, dial } = m.data;
      return atTimesToo(voltsWords(volts, dial, reader), atTimes, (v) => voltsWords(v, dial, reader));
    }
    case 'unsteady': {
      const { low, high, dial } = m.data;
      return `unsteady, between ${roughly(low, dial)} and ${roughly(high, dial)} ${dial.millivolts ? 'mV' : 'V'}`;
    }
    case 'ghost':
      return `a ghost of a few ${m.data.dial.millivolts ? 'millivolts' : 'volts'}, or nothing`;
    case 'ohms':
      return atTimesToo(deadOhms(m.data.ohms, reader), m.data.atTimes, (v) => deadOhms(v, reader));
    case 'number':
      return valueWords(m.data.value, m.data.dimension, m.data.dial, reader);
    case 'never':
      return 'never';
  }
}

const atTimesToo = (words: string, other: number | undefined, say: (value: number) => string): string =>
  other === undefined ? words : `${words}, at times ${say(other)}`;

const voltsWords = (volts: number, dial: Dial, reader: Reader): string => valueWords(volts, 'voltage', dial, reader);

const deadOhms = (ohms: number, reader: Reader): string =>
  readsOpen(ohms) ? 'OL' : quantityWords(Math.max(ohms, 0.1), 'resistance', reader);

/** What a meter shows, in so few characters that it can stand beside a point of a drawing. */
export function sayBriefly(m: ExpectedMessage, reader: Reader): string {
  switch (m.message) {
    case 'volts': {
      const { volts, atTimes, dial } = m.data;
      const main: Reading = { kind: 'value', value: volts, dimension: 'voltage' };
      // The unit once, behind both.
      return atTimes === undefined
        ? readingBriefly(main, dial, reader)
        : `${shownOn(main, dial, reader).figures} / ${voltsWords(atTimes, dial, reader)}`;
    }
    case 'unsteady': {
      const { low, high, dial } = m.data;
      return `${roughly(low, dial)}–${roughly(high, dial)} ${dial.millivolts ? 'mV' : 'V'} ~`;
    }
    case 'ghost':
      return 'ghost';
    default:
      return sayExpected(m, reader);
  }
}

/** A reading of a meter, in as few characters. */
export function readingBriefly(reading: Reading, dial: Dial, reader: Reader): string {
  const { figures, unit, unsteady } = shownOn(reading, dial, reader);
  return `${figures}${unit === '' ? '' : ` ${unit}`}${unsteady ? ' ~' : ''}`;
}

/** One of several answers to choose from, as it stands on its button. */
export function sayOption(m: OptionMessage): string {
  switch (m.message) {
    case 'yes-or-no':
      return m.data.yes ? 'Yes' : 'No';
    case 'cannot-tell':
      return 'Can’t tell';
    case 'ends':
      return OUTCOME_WORDS[m.data.outcome];
    case 'shows-code': {
      const { code, meaning } = m.data;
      return code === 'none' ? 'No fault code' : code === 'dark' ? 'Light is dark' : `${code}: ${meaning ?? ''}`;
    }
    case 'shows':
      return m.data.title;
    case 'would-say':
      return COMPLAINT_WORDS[m.data.complaint];
  }
}

/** A code in words. */
export function codeWords({ code, meaning }: CodeShown): string {
  if (code === 'none') return 'no fault code';
  if (code === 'dark') return 'light is dark';
  return `code ${code}: ${meaning ?? ''}`;
}
