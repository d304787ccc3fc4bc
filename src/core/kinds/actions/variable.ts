import { variableIdSchema } from '../../schema/behave-ids';
import { choice, number } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { written } from '../written';
import { defineAction } from './action-kind';

export const variable = defineAction({
  kind: 'variable',
  name: 'set a variable',
  group: 'Values',
  summary: (action, names) => {
    const name = names.variable(action.variable);
    return action.mode === 'to'
      ? `set ${name} to ${written(action.value)}`
      : `change ${name} by ${written(action.value)}`;
  },
  fields: {
    variable: toChoose(variableIdSchema, 'Which variable'),
    mode: choice('To or by', { to: 'to', by: 'by' }),
    value: number({ name: 'Value', low: -1e6, high: 1e6, unit: 'plain' }),
  },
  fresh: { variable: null, mode: 'to', value: 1, duration: 0 },
  pace: 'atOnce',
  actsOn: 'effect',
  bid: ({ variable: id, mode, value }, write) =>
    write.setVariable(id, mode === 'to' ? value : write.variable(id) + value),
});
