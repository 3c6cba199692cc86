import type { Stand } from '../../practice';
import { TRAINED } from '../../rules';
import { repairWords } from '../test-view';
import { testTitle } from '../test-words';

/** What a hint says. */
export function hintWords(stand: Stand, hint: 'half' | 'test' | 'why'): string {
  const { engine } = stand.laid;
  const { state } = stand;
  const assessment = engine.assess(state.evidence);
  const situation = { evidence: state.evidence, declined: state.declined, person: TRAINED, followed: state.followed };
  const [best] = engine.next(situation, assessment);
  const left = assessment.suspects.filter(({ probability }) => probability > 0.02);
  switch (hint) {
    case 'half':
      return `${left.length} are left that still fit: ${left
        .slice(0, 6)
        .map(({ repair }) => repairWords(engine.model, repair))
        .join('; ')}${left.length > 6 ? ' …' : ''}.`;
    case 'test':
      return best ? `Best now: ${testTitle(engine.model, best.test)}.` : 'No test tells any more: decide.';
    case 'why':
      return best
        ? `${testTitle(engine.model, best.test)} tells ${best.bits.toFixed(1)} bits in ${best.test.minutes} min: of ${left.length} that are left it parts most from the rest for its time.`
        : 'Nothing that is left can be told apart by a test.';
  }
}
