import { promptIdSchema } from '../../schema/behave-ids';
import { yesNo } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { defineAction } from './action-kind';

export const prompt = defineAction({
  kind: 'prompt',
  name: 'prompt',
  group: 'Effect',
  summary: (action, names) => `${action.show ? 'show' : 'hide'} the prompt “${names.prompt(action.prompt)}”`,
  fields: {
    show: yesNo('Show or hide the prompt', { words: { yes: 'show', no: 'hide' } }),
    prompt: toChoose(promptIdSchema, 'Which prompt'),
  },
  fresh: { prompt: null, show: true, duration: 0 },
  pace: 'atOnce',
  actsOn: 'effect',
  bid: ({ prompt: id, show }, write) => {
    if (id !== null) write.bid({ kind: show ? 'show' : 'hide', id });
  },
});
