/** What nodes that are written as code are called. */
import type { SCRIPT_NODES } from '../script-nodes';
import type { WordsOf } from './node-words-kind';

export const SCRIPT_WORDS: WordsOf<typeof SCRIPT_NODES> = {
  script: {
    name: 'Script',
    group: 'Scripts',
    note: 'A few lines of JavaScript or TypeScript with ports of their own.',
    also: 'code program function javascript typescript module game',
  },
};
