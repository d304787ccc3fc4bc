/** How long one round of an action takes, even while it runs. */
import { cueIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { idText } from '../../schema/values-schema';
import { defineWritable } from './writable-kind';

export const duration = defineWritable({
  kind: 'duration',
  group: 'How long an action takes',
  fields: { cue: toChoose(cueIdSchema, 'Cue that is driven'), action: idText },
  keys: ({ cue, action }) => (cue === null ? [] : [`duration ${action}`]),
  // From twice to half its time, so that more makes it faster.
  ends: ({ cue, action }, facts) => {
    const takes = facts.duration(cue, action) ?? 0;
    return takes > 0 ? [takes * 2, takes / 2] : [2, 0.5];
  },
  unit: () => 'seconds',
  setters: ({ cue, action }, of) => (cue === null ? [] : [of.duration(action)]),
});
