import { lerp } from '../../maths/scalar';
import { choice } from '../../schema/properties';
import { finite, text } from '../../schema/values-schema';
import { fieldOfNumber, numbersOf, readNumber, writeNumber } from '../numbers';
import { defineAction } from './action-kind';

/** Any number of an object, by its path. */
export const number = defineAction({
  kind: 'number',
  name: 'change a number',
  group: 'Values',
  summary: ({ property, mode, value }, names) =>
    property === ''
      ? 'change a number to be chosen'
      : `${names.number(property)} ${mode} ${names.amountOf(property, value)}`,
  fields: { property: text(40), mode: choice('To or by', { to: 'to', by: 'by' }), value: finite },
  fresh: { property: '', mode: 'to', value: 0 },
  pace: 'eases',
  actsOn: 'objects',
  changes: ({ property }, object) => [fieldOfNumber(object, property)],
  unsuited: ({ property }, object) =>
    property === '' || Object.hasOwn(numbersOf(object), property) ? null : 'has no such number',
  isIdle: ({ mode, value }) => mode === 'by' && value === 0,
  act: ({ action, object, values, from, k, rounds }) => {
    const { property, mode, value } = action;
    const was = readNumber(object, from, property);
    if (was === null) return;
    writeNumber(object, values, property, mode === 'to' ? lerp(was, value, k) : was + value * (k + rounds));
  },
});
