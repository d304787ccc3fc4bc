/** What runs along the wires of a behaviour circuit, and what is read as something else where that loses nothing. */
import { z } from 'zod';
import { fromAngles } from '../../maths/quaternion';
import type { Vec3 } from '../../maths/vec3';
import { linearOf, rgbOf } from '../../maths/srgb';
import { finite, hex, text } from '../../schema/values-schema';

interface PortWords {
  /** "a number", in sentences. */
  readonly words: string;
  /** In the square at the port. */
  readonly mark: string;
  /** How many numbers it is; 0 is kept as it is. */
  readonly width: 0 | 1 | 2 | 3 | 4;
}
export const PORT_TYPES = {
  number: { words: 'a number', mark: 'n', width: 1 },
  /** 1 or 0. */
  truth: { words: 'yes or no', mark: 'y', width: 1 },
  /** 1 in the step in which it passes, else 0. */
  event: { words: 'an event', mark: 'e', width: 1 },
  point: { words: 'a point', mark: 'p', width: 2 },
  vector: { words: 'a vector', mark: 'v', width: 3 },
  /** Linear light, 1 is white. */
  colour: { words: 'a colour', mark: 'c', width: 3 },
  /** A quaternion. */
  rotation: { words: 'a rotation', mark: 'r', width: 4 },
  text: { words: 'a text', mark: 't', width: 0 },
  /** Of numbers. */
  list: { words: 'a list', mark: 'l', width: 0 },
  /** Its id; none is ''. */
  object: { words: 'an object', mark: 'o', width: 0 },
  /** The id of what was brought in; none is ''. */
  picture: { words: 'a picture', mark: 'i', width: 0 },
} as const satisfies Record<string, PortWords>;
export type PortType = keyof typeof PORT_TYPES;

/** What is at a port. Truths and events are 1 or 0; what has several numbers is a list of so many. */
export type PortValue = number | string | readonly number[];

/** What a document holds for an input that no wire reaches: a colour is sRGB hex, a rotation three angles. */
export const nodeValueSchema = z.union([
  finite,
  z.tuple([finite, finite]),
  z.tuple([finite, finite, finite]),
  hex,
  text(200),
]);
export type NodeValue = z.infer<typeof nodeValueSchema>;

export const isHex = (value: unknown): value is string =>
  typeof value === 'string' && /^#[0-9a-f]{6}$/.test(value);

/** What the document holds for an input, as it is at the port; null when it is of another type. */
export const portValue = (value: NodeValue | undefined, type: PortType): PortValue | null => {
  switch (type) {
    case 'number':
      return typeof value === 'number' ? value : null;
    case 'truth':
    case 'event':
      return typeof value === 'number' ? (value === 0 ? 0 : 1) : null;
    case 'point':
      return Array.isArray(value) && value.length === 2 ? value : null;
    case 'vector':
      return Array.isArray(value) && value.length === 3 ? value : null;
    case 'colour':
      return isHex(value) ? linearOf(rgbOf(value)) : null;
    case 'rotation':
      return Array.isArray(value) && value.length === 3 ? fromAngles(value as unknown as Vec3) : null;
    case 'text':
      return typeof value === 'string' ? value : null;
    case 'list':
    case 'object':
    case 'picture':
      return null;
  }
};

/** Whether it is no value: no number, or a colour, a place or a rotation that lacks one of its numbers. */
export const isMissing = (value: PortValue): boolean =>
  typeof value === 'number' ? Number.isNaN(value) : typeof value !== 'string' && value.some(Number.isNaN);

/** What is nothing of its type. */
export const NOTHING: Readonly<Record<PortType, PortValue>> = {
  number: 0,
  truth: 0,
  event: 0,
  point: [0, 0],
  vector: [0, 0, 0],
  colour: [0, 0, 0],
  rotation: [0, 0, 0, 1],
  text: '',
  list: [],
  object: '',
  picture: '',
};

/** What is read as something else by itself: nothing of it is lost. */
const CONVERSIONS: Partial<Record<PortType, Partial<Record<PortType, string>>>> = {
  truth: { number: '1 for yes, 0 for no' },
  event: { truth: 'yes in the step in which it passes', number: '1 in the step in which it passes' },
  point: { vector: 'in the plane z = 0' },
  colour: { vector: 'red, green and blue' },
  vector: { list: 'its three numbers' },
  number: { list: 'a list of one' },
};
/** How a value is read at an input: null as it is, else in words; undefined where it cannot be. */
export const conversion = (from: PortType, to: PortType): string | null | undefined =>
  from === to ? null : CONVERSIONS[from]?.[to];

/** A value read as another type, one of `conversion`. */
export const converted = (value: PortValue, from: PortType, to: PortType): PortValue => {
  if (from === 'point' && to === 'vector') return [...(value as readonly number[]), 0];
  if (from === 'number' && to === 'list') return [value as number];
  return value;
};

/** Which node makes one of the other, for what is refused. */
const INSTEAD: Partial<Record<PortType, Partial<Record<PortType, string>>>> = {
  number: {
    truth: 'Compare',
    event: 'Becomes true, behind Compare',
    text: 'Format a number',
    point: 'Join point',
    vector: 'Join vector',
    colour: 'Gradient',
    rotation: 'Turn about an axis',
  },
  truth: { event: 'Becomes true', text: 'Choose text' },
  event: { text: 'Choose text' },
  vector: { number: 'Split vector', rotation: 'Rotation from angles', point: 'Split vector' },
  point: { number: 'Split point' },
  rotation: { vector: 'Angles of a rotation' },
  colour: { number: 'Split colour' },
  list: { number: 'Item of a list', text: 'Item of a list' },
  text: { number: 'Length of a text', list: 'Split text' },
  object: { vector: 'Place of an object', rotation: 'Place of an object', truth: 'Same object' },
};
/** Why a wire is refused. */
export const refusal = (from: PortType, to: PortType): string => {
  const instead = INSTEAD[from]?.[to];
  return `That gives ${PORT_TYPES[from].words}, and ${PORT_TYPES[to].words} is wanted there.${instead ? ` Put a node between them: ${instead}.` : ''}`;
};
