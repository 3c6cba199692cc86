import type { Assessment } from './engine';

/** Whether the leading suspect is proved, break and cause. */
export function standingOf(assessment: Assessment): 'proved' | 'suspected' {
  const { proof } = assessment;
  return proof?.standing === 'proved' && proof.cause?.standing === 'proved' ? 'proved' : 'suspected';
}
