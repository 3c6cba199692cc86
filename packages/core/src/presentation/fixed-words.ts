import type { Complaint } from '../question';
import type { Danger } from '../rules';
import type { Outcome } from '../simulation';

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  dead: 'Nothing happens at all',
  stuck: 'Stops at a step and waits',
  'starts-over': 'Stops and starts over, again and again',
  'locks-out': 'Gives up: locked out',
  cycles: 'Heats, stops, heats again',
  runs: 'Runs normally',
};

/** What a customer says on the telephone. */
export const COMPLAINT_WORDS: Readonly<Record<Complaint, string>> = {
  nothing: 'It does nothing at all',
  tries: 'It tries, and gives no heat',
  short: 'It heats a little, then stops',
  poor: 'It runs, and something is not as it should be',
  'fine-now': 'It stopped once, and works now',
};

export const DANGER_WORDS: Readonly<Record<Danger, string>> = {
  gas: 'Strong smell of gas. No switches, no phone in the room. Everybody out, doors open on the way, gas shut outside if it can be reached safely. Call the gas emergency number from outside. Nobody goes back until they clear it.',
  co: 'Carbon monoxide. Everybody out into fresh air, open what opens on the way, appliance off from outside. Call the emergency number; anyone with headache or dizziness sees a doctor. The appliance stays off and tagged.',
  fire: 'Fire, scorching or sparks at the appliance. Power and gas off if that is safe, everybody out, call the fire service.',
};
