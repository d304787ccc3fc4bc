import { z } from 'zod';
import { variableIdSchema } from '../../schema/behave-ids';
import { finite } from '../../schema/values-schema';
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
  fields: { variable: toChoose(variableIdSchema), mode: z.enum(['to', 'by']), value: finite },
  fresh: { variable: null, mode: 'to', value: 1, duration: 0 },
  pace: 'atOnce',
  actsOn: 'effect',
  bid: ({ variable: id, mode, value }, write) =>
    write.setVariable(id, mode === 'to' ? value : write.variable(id) + value),
});
