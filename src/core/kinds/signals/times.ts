/** How often a cue has fired. */
import { cueIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineSignal } from './signal-kind';

export const times = defineSignal({
  kind: 'times',
  name: 'Times a cue fired',
  also: 'count fired how often',
  fields: { cue: toChoose(cueIdSchema, 'Which cue') },
  fresh: { cue: null },
  words: ({ cue }, names) => `times “${names.cue(cue)}” fired`,
  read: ({ cue }, from) => (cue === null ? NaN : from.timesFired(cue)),
  sentence: { yes: 'has fired', no: 'has not fired', words: ({ cue }, names) => `“${names.cue(cue)}”` },
});
