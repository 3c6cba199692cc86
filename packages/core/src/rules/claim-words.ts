import { endingWith } from './endings';
import type { Claim, Followed } from './followed';
import { proofLineWith } from './proof-lists';

/** What somebody claims, in words. */
export function claimWords({ what }: Claim, { raisedStops }: Pick<Followed, 'raisedStops'>): string {
  switch (what.type) {
    case 'stop-ended':
      return `The stop is over: ${raisedStops.get(what.stop)?.title ?? what.stop}`;
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
