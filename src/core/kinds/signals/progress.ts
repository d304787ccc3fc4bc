/** How far a cue is, 0 to 1; 0 while it rests. */
import { cueIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

export const progress = defineSignal({
  kind: 'progress',
  name: 'Progress of a cue',
  fields: { cue: toChoose(cueIdSchema, 'Which cue') },
  fresh: { cue: null },
  words: ({ cue }, names) => `progress of “${names.cue(cue)}”`,
  measures: () => 'share',
  read: ({ cue }, from) => (cue === null ? NaN : from.progress(cue)),
  reach: () => ZERO_TO_ONE,
});
