import { expect, test } from '@jest/globals';
import { fittingKinds, fittingPort } from './fitting';
import { NODE_KINDS, nodeKind } from './nodes';
import { conversion, PORT_TYPES, type PortType } from './ports';

test('a loose wire is put to a port of its type, else to one that reads it', () => {
  expect(fittingPort('counter', 'event', 'fromOutput')).toBe('up');
  expect(fittingPort('add', 'number', 'fromOutput')).toBe('a');
  // Yes is read as 1.
  expect(fittingPort('add', 'truth', 'fromOutput')).toBe('a');
  expect(fittingPort('add', 'text', 'fromOutput')).toBeNull();
  expect(fittingPort('writeText', 'text', 'fromOutput')).toBe('text');
  expect(fittingPort('counter', 'number', 'fromInput')).toBe('count');
  expect(fittingPort('write', 'number', 'fromInput')).toBeNull();
});
test.each(Object.keys(PORT_TYPES) as PortType[])(
  'every kind that is offered for %s fits, and no other does',
  (type) => {
    const into = fittingKinds(type, 'fromOutput');
    for (const kind of NODE_KINDS)
      expect(into.includes(kind)).toBe(
        nodeKind(kind).inputs.some((port) => conversion(type, port.type) !== undefined),
      );
    for (const kind of fittingKinds(type, 'fromInput')) {
      const port = nodeKind(kind).outputs.find(({ name }) => name === fittingPort(kind, type, 'fromInput'))!;
      expect(conversion(port.type, type)).not.toBeUndefined();
    }
  },
);
