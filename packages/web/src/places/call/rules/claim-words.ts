import { type Claim, endingWith, proofLineWith, stopWith } from '@zetalysis/core/rules';

/** What somebody claims, in words. */
export function claimWords({ what }: Claim): string {
  switch (what.type) {
    case 'stop-ended':
      return `The stop is over: ${stopWith(what.stop)?.title ?? what.stop}`;
    case 'retracted':
      return 'What brought a stop was not so';
    case 'break':
      return 'The break, as it is recorded';
    case 'proof-line':
      return `${what.answer === 'done' ? 'Proof' : 'Does not apply'}: ${proofLineWith(what.line)?.do ?? what.line}`;
    case 'closed':
      return `The call ends: ${endingWith(what.ending ?? '')?.title.toLowerCase() ?? 'closed'}`;
    default:
      return what.type;
  }
}
