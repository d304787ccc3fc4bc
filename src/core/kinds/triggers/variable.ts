import { variableIdSchema } from '../../schema/behave-ids';
import { toChoose } from '../../schema/references';
import { defineTrigger } from './trigger-kind';

export const variable = defineTrigger({
  kind: 'variable',
  fields: { variable: toChoose(variableIdSchema, 'Which variable') },
  words: (trigger, names) => `${names.variable(trigger.variable)} changes`,
  watch: (trigger, { happened }) => trigger.variable !== null && happened.variables.has(trigger.variable),
});
