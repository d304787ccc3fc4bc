import { controlIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineTrigger } from './trigger-kind';

export const control = defineTrigger({
  kind: 'control',
  fields: { control: toChoose(controlIdSchema, 'Which control') },
  words: (trigger, names) => `${names.control(trigger.control)} is used`,
  watch: (trigger, { happened }) => trigger.control !== null && happened.controls.has(trigger.control),
});
