import type { JudgementMessage } from '../bench';
import { type Dimension, formatQuantity, formatReading } from '../units';
import { quantityWords, type Reader, valueWords } from './reader';

/** A verdict with its limits, as one would say it. */
export function sayJudgement(m: JudgementMessage, reader: Reader): string {
  switch (m.message) {
    case 'dead-test': {
      const { reading, low, high, verdict } = m.data;
      const shown = formatReading(reading, reader.units);
      const limits = limitsWords(low, high, reading.dimension, reader);
      if (verdict === 'bad') return `${shown} is out of limits (${limits}).`;
      if (verdict === 'marginal') return `${shown} is usable but near its limit (${limits}): note it.`;
      return `${shown} is good (${limits}).`;
    }
    case 'spark-gap': {
      const shown = formatQuantity(m.data.gap, 'length', reader.units);
      switch (m.data.found) {
        case 'closed':
          return `${shown} is closed: the spark does not reach the gas. Set 1/8 in.`;
        case 'too-wide':
          return `${shown} is too wide. Set 1/8 in.`;
        case 'accepted':
          return `${shown} is accepted; note it, 1/8 in is the aim.`;
        case 'right':
          return `${shown} is good (1/8 in).`;
      }
      break;
    }
    case 'thermocouple': {
      const shown = valueWords(m.data.volts, 'voltage', { millivolts: true }, reader);
      const minimum = valueWords(m.data.minimum, 'voltage', { millivolts: true }, reader);
      switch (m.data.found) {
        case 'strong':
          return `${shown} is strong.`;
        case 'enough':
          return `${shown} is enough (minimum ${minimum}); expect it to fall with the years.`;
        case 'under':
          return `${shown} is under the minimum of ${minimum}: clean it, set the flame, test again.`;
        case 'cannot-hold':
          return `${shown} cannot hold the magnet for sure (minimum ${minimum}).`;
      }
    }
  }
}

const limitsWords = (low: number, high: number, dimension: Dimension, reader: Reader): string =>
  high === Infinity
    ? `at least ${quantityWords(low, dimension, reader)}`
    : low === 0
      ? `at most ${quantityWords(high, dimension, reader)}`
      : `${quantityWords(low, dimension, reader)} to ${quantityWords(high, dimension, reader)}`;
