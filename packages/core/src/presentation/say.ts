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
import { capital, type Dimension, type Reading } from '../units';
import { COMPLAINT_WORDS, JOINT_WORDS, OUTCOME_WORDS } from './fixed-words';
import { quantityWords, type Reader, readingWords, roughly, shownOn, valueWords } from './reader';

// The sentences of questions: one function for each thing a question says.

/** What to do and ask, for somebody with a meter in one hand: in a few words, and how it is done. */
export interface Asked {
  readonly act: string;
  /** Empty where the few words say it all. */
  readonly how: string;
}

export function sayAsked(m: AskedMessage): Asked {
  switch (m.message) {
    case 'ask':
      return plainly(m.data.words);
    case 'watch-a-try':
      return { act: 'What does it do in the end?', how: 'Watch one whole try for heat, hands off.' };
    case 'read-the-light':
      return { act: 'What does the status light show?', how: 'Through the window: an opened panel loses the code.' };
    case 'measure-volts': {
      const { range, red, black, step } = m.data;
      return {
        act: `${RANGES[range]}: red ${sayPlace(red)}, black ${sayPlace(black)}`,
        how: `${sayReach(red)}${sayReach(black)}${whenOf(step)}`,
      };
    }
    case 'measure-dead': {
      const { part, branch, dimension } = m.data;
      const { title, first } = deadWords(dimension);
      return { act: `${title}: ${partWords(part, branch)}`, how: `Power off, isolate it. ${first}` };
    }
    case 'measure-amps':
      return {
        act: `Amps: ${partWords(m.data.part, m.data.branch)}`,
        how: `A clamp round one of its wires${m.data.direct ? ' that reads direct current: others show nothing' : ''}. ${whenOf(m.data.step)}`,
      };
    case 'put-a-lamp': {
      const { red, black, step } = m.data;
      return {
        act: `Test lamp: ${sayPlace(red)} to ${sayPlace(black)}`,
        how: `${sayReach(red)}${sayReach(black)}${whenOf(step)}`,
      };
    }
    case 'measure-between': {
      const { red, black } = m.data;
      return {
        act: `Ohms: ${sayPlace(red)} to ${sayPlace(black)}`,
        how: `Power off, everything as it is wired. ${sayReach(red)}${sayReach(black)}`,
      };
    }
    case 'beep-across':
      return {
        act: `Beeper: ${partWords(m.data.part, m.data.branch)}`,
        how: 'Power off, isolate it. It sounds below some 20 to 50 Ω: that clears no contact.',
      };
    case 'look-at-joint':
      return { act: `How is it joined: ${m.data.joint}?`, how: 'Power off. Look along it and tug every wire.' };
    case 'read-gauge':
      return { act: m.data.title, how: m.data.how };
    case 'take-time':
      return plainly(`How long from the call until “${m.data.step}”?`);
    case 'ask-customer':
      return plainly('What does the customer say?');
  }
}

const whenOf = (step: string | undefined): string => (step === undefined ? 'As it stands.' : `At the step “${step}”.`);

/** With its full stop, where it does not end yet. */
export const sentence = (words: string): string => (/[.?!]$/.test(words) ? words : `${words}.`);

/** What is broken, without what it comes from, what it shows and of what make it is. */
export const inBrief = (words: string): string =>
  capital(words.replace(/(?:: | though )(?:(?!; |, besides |, off and on).)*| \([^)]*\)/g, '').replace(/^The /, ''));

const plainly = (act: string): Asked => ({ act, how: '' });

const RANGES = { 'dc-millivolts': 'DC millivolts', 'dc-volts': 'DC volts', 'ac-volts': 'AC volts' } as const;

/** Minutes as one would say them: no decimals. */
export const minutesWords = (minutes: number): string =>
  minutes < 0.75 ? 'half a minute' : `${Math.round(minutes)} min`;

/** A setting of the meter for dead tests: its name, and what comes first. */
const DEAD_WORDS: Partial<Readonly<Record<Dimension, { readonly title: string; readonly first: string }>>> = {
  resistance: { title: 'Ohms', first: 'Zero the leads first.' },
  capacitance: { title: 'Microfarads', first: 'Discharge it first, and take one side off.' },
};

const deadWords = (dimension: Dimension) => DEAD_WORDS[dimension]!;

const sayPlace = (place: Place): string =>
  'terminalOf' in place ? `a terminal of the ${place.terminalOf}` : place.net;

/** Where a named point is reached, as a sentence. */
const sayReach = (place: Place): string =>
  'reach' in place && place.reach !== undefined ? `${place.net}: ${place.reach}. ` : '';

/** Short name of a question, for lists. */
export function sayTitle(m: TitleMessage): string {
  switch (m.message) {
    case 'titled':
      return m.data.words;
    case 'ending':
      return 'How the try ends';
    case 'light':
      return 'Status light';
    case 'volts':
    case 'lamp': {
      const { red = '·', black = '·', step } = m.data;
      const what = m.message === 'volts' ? 'Volts' : 'Test lamp';
      return `${what} ${red}–${black}${step === undefined ? '' : `, ${step.toLowerCase()}`}`;
    }
    case 'between':
      return `Ohms ${m.data.red ?? '·'}–${m.data.black ?? '·'}, as wired`;
    case 'dead':
      return `${deadWords(m.data.dimension).title}, ${partWords(m.data.part, m.data.branch)}`;
    case 'amps':
      return `Amps, ${partWords(m.data.part, m.data.branch)}${m.data.step === undefined ? '' : `, ${m.data.step.toLowerCase()}`}`;
    case 'beeper':
      return `Beeper, ${partWords(m.data.part, m.data.branch)}`;
    case 'time':
      return `Time to “${m.data.step}”`;
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
    case 'beeped':
      return `Beeper, ${partWords(m.data.part, m.data.branch)}: ${m.data.sounds ? 'it beeps' : 'silent'}`;
    case 'lamp-lights': {
      const { lights, ...probed } = m.data;
      return `${sayTitle({ message: 'lamp', data: probed })}: ${lights ? 'it lights' : 'dark'}`;
    }
    case 'joint-found':
      return `${capital(m.data.joint)}: ${JOINT_WORDS[m.data.found]}`;
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
    case 'beeps':
      return m.data.sounds ? 'it beeps' : 'silent';
    case 'lights':
      return m.data.lights ? 'it lights' : 'dark';
    case 'joint-is':
      return JOINT_WORDS[m.data.found];
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
    case 'beeps':
      return m.data.sounds ? 'It beeps' : 'Silent';
    case 'lights':
      return m.data.lights ? 'It lights' : 'Dark';
    case 'joint-is':
      return capital(JOINT_WORDS[m.data.found]);
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
