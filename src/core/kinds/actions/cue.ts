import { cueIdSchema } from '../../schema/behave-ids';
import { choice } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { defineAction } from './action-kind';

export const cue = defineAction({
  kind: 'cue',
  name: 'start or stop a cue',
  group: 'Effect',
  summary: (action, names) => `${action.do} “${names.cue(action.cue)}”`,
  fields: {
    do: choice('Start or stop', { start: 'start', stop: 'stop' }),
    cue: toChoose(cueIdSchema, 'Which cue'),
  },
  fresh: { cue: null, do: 'start', duration: 0 },
  pace: 'atOnce',
  actsOn: 'effect',
  bid: (action, write) => {
    if (action.cue !== null) write.bid({ kind: action.do, id: action.cue });
  },
});
