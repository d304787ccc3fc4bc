// The suites that take longest begin first; the others go as Jest orders them.
import Sequencer from '@jest/test-sequencer';

/** The slowest first. Others may be missing here: it is for balance only. */
const LONG = [
  'src/server/kills.test.ts',
  'src/atelier/components/bench/fields.test.ts',
  'src/atelier/components/stack/fields.test.ts',
  'src/server/database.test.ts',
  'src/core/face/morph/sculpted.test.ts',
  'stock/stock.test.ts',
  'src/core/face/seen/cover-model.test.ts',
];
const rank = ({ path }) => {
  const at = LONG.findIndex((suite) => path.endsWith(suite));
  return at < 0 ? LONG.length : at;
};

export default class LongestFirst extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => rank(a) - rank(b));
  }
}
