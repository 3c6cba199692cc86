import type { Requirement, RequirementName } from '../proof';

/** What a proof asks for, in words: shown when it is met, wanted when it is not. */
const WORDS: Readonly<Record<RequirementName, { readonly met: string; readonly open: string }>> = {
  cured: { met: 'It runs since it was repaired', open: 'It runs once it is repaired' },
  'not-denied': { met: 'Nothing seen at it speaks against it', open: 'A look at it found it otherwise' },
  'dead-value': { met: 'Its dead value is out of limits', open: 'Its dead value out of limits, isolated' },
  'in-not-out': { met: 'Power goes in and not out', open: 'Power in and not out, measured on both sides' },
  'volts-across': { met: 'It loses volts that it should pass', open: 'Volts across it while its load is on' },
  'source-missing': { met: 'Nothing comes from it', open: 'Nothing from it, its load taken off' },
  'seen-to-act': { met: 'It was seen to act', open: 'It seen to act' },
  'power-across': { met: 'Power arrives at it', open: 'Power at it, measured across it' },
  'does-not-act': { met: 'It does not act', open: 'It does nothing, seen or measured' },
  'primary-live': { met: 'Its primary is live', open: 'Its primary live' },
  'secondary-dead': { met: 'Its secondary is dead', open: 'Its secondary dead' },
  found: { met: 'What is wrong was found', open: 'What is wrong found by eye or gauge' },
  'power-behind': {
    met: 'Power behind it where there should be none',
    open: 'Power behind it where there should be none',
  },
  'causes-cleared': {
    met: 'What may rightly make it open was looked at and is in order',
    open: 'All that may rightly make it open looked at and in order',
  },
  'reset-pressed': { met: 'Its reset was pressed, or does not stand out', open: 'Its reset pressed' },
  'holds-when-renewed': { met: 'It holds, renewed', open: 'It holds when it is renewed' },
  'sensed-wrong': { met: 'What it senses was measured and is wrong', open: 'What it senses measured, and wrong' },
  'control-fed': { met: 'It is fed', open: 'Power at the control' },
  'input-measured': { met: 'Its input was measured', open: 'Its input measured' },
  'sensor-cleared': { met: 'Its sensor is in order', open: 'Its sensor looked at and in order' },
  'idle-though-fed': { met: 'Fed, it does nothing', open: 'Fed, it does nothing, in the same try' },
  'output-missing': {
    met: 'Its output is missing where it is commanded',
    open: 'Its output missing where it is commanded',
  },
  'input-live': { met: 'Its input is live', open: 'Its input live' },
  'explains-all': { met: 'It explains what was found', open: 'Everything that was found explained by it' },
  'rival-excluded': { met: 'Excluded', open: 'Not excluded yet' },
  'rivals-excluded': { met: 'Everything else is excluded', open: 'Everything else excluded' },
  'likely-enough': {
    met: 'No doubt is left',
    open: 'What was found leaves a doubt: one more of the tests listed settles it',
  },
};

export function sayRequirement({ requirement, of, met }: Requirement): string {
  const words = WORDS[requirement][met ? 'met' : 'open'];
  return of === undefined ? words : `${words}: ${of}`;
}
