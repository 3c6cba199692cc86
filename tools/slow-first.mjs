// Without the times of an earlier run Jest starts large files first. These are short files with long tests: begun last,
// they would leave the other cores idle at the end.
import Sequencer from '@jest/test-sequencer';

const SLOW = ['all-answered', 'cli', 'simulated', 'stories'];

const rank = ({ path }) => {
  const at = SLOW.findIndex((name) => path.endsWith(`/${name}.test.ts`));
  return at < 0 ? SLOW.length : at;
};

export default class SlowFirst extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => rank(a) - rank(b));
  }
}
