/** Nodes by what is no number, or a number without end: whatever comes by a wire, a step goes on. */
import { expect, test } from '@jest/globals';
import { z } from 'zod';
import { NODE_KINDS, nodeKind, portsOf, type NodeKind } from './nodes';
import type { PortType, PortValue } from './ports';
import { stepped } from './run-alone';

const ODD = [NaN, Infinity, -Infinity, -1e300, 1e300, -0.5, 1e9] as const;
/** A value of a type whose numbers are all this one. */
const oddOf = (type: PortType, n: number): PortValue | null => {
  switch (type) {
    case 'number':
    case 'truth':
    case 'event':
      return n;
    case 'point':
      return [n, n];
    case 'vector':
    case 'colour':
      return [n, n, n];
    case 'rotation':
      return [n, n, n, n];
    case 'list':
      return [n, 1, n];
    default:
      return null;
  }
};
/** Every way a node can be set by its choices. */
const ways = (kind: NodeKind): object[] => {
  const { fields, fresh } = nodeKind(kind);
  return Object.entries(fields).reduce<object[]>(
    (sets, [name, field]) =>
      field instanceof z.ZodEnum
        ? sets.flatMap((set) => field.options.map((option) => ({ ...set, [name]: option })))
        : sets,
    [fresh],
  );
};
const inputsOf = (kind: NodeKind, set: object) => portsOf({ kind, set: set as never }).inputs;

test.each(NODE_KINDS.filter((kind) => inputsOf(kind, nodeKind(kind).fresh).length > 0))(
  '%s goes on by numbers that are none',
  (kind) => {
    for (const set of ways(kind))
      for (const n of ODD) {
        const odd = inputsOf(kind, set).flatMap(({ name, type }) => {
          const value = oddOf(type, n);
          return value === null ? [] : [{ [name]: value }];
        });
        // One at a time, then all at once; twice each, since what is kept of a step goes into the next.
        for (const given of [...odd, Object.assign({}, ...odd) as Record<string, PortValue>])
          for (const out of stepped(kind, [given, given, {}], { set }))
            expect(out).toHaveLength(portsOf({ kind, set: set as never }).outputs.length);
      }
  },
);
