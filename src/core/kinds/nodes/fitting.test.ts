import { expect, test } from '@jest/globals';
import { fittingPort } from './fitting';
import { NODE_KINDS, nodeKind } from './nodes';
import { conversion, PORT_TYPES, type PortType } from './ports';

test('a loose wire is put to a port of its type, else to one that reads it', () => {
  expect(fittingPort(nodeKind('counter'), 'event', 'fromOutput')).toBe('up');
  expect(fittingPort(nodeKind('add'), 'number', 'fromOutput')).toBe('a');
  // Yes is read as 1.
  expect(fittingPort(nodeKind('add'), 'truth', 'fromOutput')).toBe('a');
  expect(fittingPort(nodeKind('add'), 'text', 'fromOutput')).toBeNull();
  expect(fittingPort(nodeKind('writeText'), 'text', 'fromOutput')).toBe('text');
  expect(fittingPort(nodeKind('counter'), 'number', 'fromInput')).toBe('count');
  expect(fittingPort(nodeKind('write'), 'number', 'fromInput')).toBeNull();
});
test.each(Object.keys(PORT_TYPES) as PortType[])(
  'every kind that is offered for %s fits, and no other does',
  (type) => {
    for (const kind of NODE_KINDS) {
      const { inputs, outputs } = nodeKind(kind);
      const into = inputs.filter((port) => conversion(type, port.type) !== undefined).map(({ name }) => name);
      const from = outputs
        .filter((port) => conversion(port.type, type) !== undefined)
        .map(({ name }) => name);
      expect([null, ...into]).toContain(fittingPort(nodeKind(kind), type, 'fromOutput'));
      expect(fittingPort(nodeKind(kind), type, 'fromOutput') === null).toBe(into.length === 0);
      expect([null, ...from]).toContain(fittingPort(nodeKind(kind), type, 'fromInput'));
      expect(fittingPort(nodeKind(kind), type, 'fromInput') === null).toBe(from.length === 0);
    }
  },
);
