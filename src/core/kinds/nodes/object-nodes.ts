/** Objects and pictures as values: chosen, told apart, written to. */
import { assetIdSchema } from '../../schema/asset-schema';
import { objectIdSchema, type ObjectId } from '../../schema/placed-schema';
import { choice } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { POSE_WORDS } from '../numbers';
import { keyOfNumber } from '../writables/number';
import type { Setter } from '../writables/writable-kind';
import { defineNode, input, num, output, pure, truth } from './node-kind';
import type { PortType } from './ports';

const four = (type: PortType) => ['a', 'b', 'c', 'd'].map((name) => input(name, type, null));
/** The one of that number, from 1; beyond the ends none. */
const which = (type: 'object' | 'picture') =>
  pure(
    [num('which', 1), ...four(type)],
    [output(type, type)],
    ([n, ...all]: readonly [number, ...string[]]) => [all[Math.round(n) - 1] ?? ''],
  );
/** Numbers that every object has. */
const OF_ALL = { ...POSE_WORDS, visible: 'shown', opacity: 'opacity' } as const;

export const OBJECT_NODES = {
  theObject: defineNode({
    inputs: [],
    outputs: [output('object', 'object')],
    fields: { object: toChoose(objectIdSchema, 'Which object', { ask: 'Choose the object' }) },
    fresh: { object: null },
    title: ({ object }, names) => (object === null ? null : names.object(object)),
    gives: ({ object }) => object,
    run: { as: 'values', of: (_none: readonly never[], { object }) => [object ?? ''] },
  }),
  whichObject: which('object'),
  sameObject: pure(
    [input('a', 'object', null), input('b', 'object', null)],
    [output('same', 'truth')],
    ([a, b]: readonly string[]) => [a !== '' && a === b ? 1 : 0],
  ),
  thePicture: defineNode({
    inputs: [],
    outputs: [output('picture', 'picture')],
    fields: { picture: toChoose(assetIdSchema, 'Which picture', { ask: 'Choose the picture' }) },
    fresh: { picture: null },
    run: { as: 'values', of: (_none: readonly never[], { picture }) => [picture ?? ''] },
  }),
  whichPicture: which('picture'),
};

/** Nodes that write to what is at their inputs, or a picture. */
export const OBJECT_WRITERS = {
  writeOf: defineNode({
    inputs: [
      input('object', 'object', null, { needed: true }),
      num('value', 0, { needed: true }),
      truth('while', 1),
    ],
    outputs: [],
    fields: { property: choice('Which number', OF_ALL) },
    fresh: { property: 'size' },
    steersKey: ({ property }, object) => keyOfNumber(object as ObjectId, property),
    steers: ({ property }, of) => {
      const setters = new Map<string, Setter | null>();
      return ([object, value]) => {
        const id = object as ObjectId;
        if (!setters.has(id)) setters.set(id, of.number(id, property));
        setters.get(id)?.(value as number);
      };
    },
    run: { as: 'values', of: () => [] },
  }),
  writePicture: defineNode({
    inputs: [input('picture', 'picture', null, { needed: true }), truth('while', 1)],
    outputs: [],
    fields: { object: toChoose(objectIdSchema, 'Which card', { ask: 'Choose the card' }) },
    fresh: { object: null },
    title: ({ object }, names) => (object === null ? null : `picture of ${names.object(object)}`),
    lays: {
      key: ({ object }) => object && `picture ${object}`,
      setter: ({ object }, of) => (object === null ? null : (of.picture(object) as never)),
    },
    run: { as: 'values', of: () => [] },
  }),
};
