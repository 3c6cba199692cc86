import { type Complaint, complainsOf } from '../question';
import type { Model } from '../profile';
import { type Lived, pick, type Random } from '../simulation';

/** What customers say of a machine that does so; all of them invented. */
const STORIES: Readonly<Record<Complaint, readonly string[]>> = {
  nothing: [
    'Nothing at all since last night. Not a sound out of it.',
    'I turn it up and it just sits there.',
    'Dead. The neighbour pressed every button.',
  ],
  tries: [
    'It makes its noises, over and over, and never gets warm.',
    'You hear it start, then a click, and that was it.',
    'It tries. Cold as a church in here.',
  ],
  short: [
    'It comes on, runs a little, and stops again. All day.',
    'Warm for a minute, then it quits.',
    'On and off, on and off, and the house stays cool.',
  ],
  poor: [
    'It runs, but it is not right. It was better last year.',
    'Something is different, it sounds and smells different.',
    'It heats, only it takes for ever.',
  ],
  'fine-now': [
    'Of course it works now that you are here. It did not this morning.',
    'It was off twice this week. Right now it is fine.',
    'It takes its time to start. Is that normal?',
  ],
  'after-reset': [
    'I push the button and it runs, and later it is off again.',
    'The red button pops, I press it, it goes. Until the next day.',
  ],
};

/** In this order: the more it does, the more there is to say. */
const ORDER: readonly Complaint[] = ['nothing', 'after-reset', 'tries', 'short', 'poor', 'fine-now'];

/** What somebody says who lives with a machine that does this. */
export function storyOf(model: Model, lived: Lived, random: Random): string {
  const fitting = ORDER.find((complaint) => complainsOf(model, lived, complaint));
  return pick(STORIES[fitting ?? 'fine-now'], random);
}
