/** What objects of many kinds have in common: where they are, what they cover, how they blend. */
import { z } from 'zod';
import { BLEND_MODES } from '../maths/blend';
import { anchorSchema } from './anchor-schema';
import { FARTHEST, MOST_TURN } from './limits';
import { choice, number, wordsOf, yesNo, type NumberProperty } from './properties';
import { idOf } from './references';
import { finite, label, vec3Schema } from './values-schema';

export const objectIdSchema = idOf('objects').brand<'ObjectId'>();
export const sceneIdSchema = idOf('scenes').brand<'SceneId'>();

export const size = z.number().positive().max(1000);
export const size3 = z.tuple([size, size, size]);

export const blendSchema = z.enum(BLEND_MODES);

/** The side of an object that is its front. */
export const FRONTS = ['+z', '-z', '+x', '-x', '+y', '-y'] as const;
/** What it may turn about to face the viewer: anything, or one of its own axes alone. */
export const TURNS_ABOUT = ['any', 'x', 'y', 'z'] as const;
export const lookAtSchema = z.strictObject({
  front: choice(
    'Which side is its front',
    wordsOf(FRONTS, (front) => `front ${front.replace('-', '−')}`),
  ),
  about: choice(
    'What it may turn about',
    wordsOf(TURNS_ABOUT, (axis) => (axis === 'any' ? 'turns freely' : `about ${axis}`)),
  ),
});

/** A number along each axis; `name` is said before the axis. */
const alongAxes = (name: string, of: Omit<NumberProperty, 'type' | 'name'>) => {
  const along = (axis: string) => number({ name: `${name} ${axis}`, mark: axis, ...of });
  return z.tuple([along('x'), along('y'), along('z')]);
};
const centimetres = { unit: 'centimetres', digits: 2, step: 0.5, bare: true } as const;
/** Places: a document may hold farther ones than anybody sees. */
const place = (name: string, more: Partial<NumberProperty> = {}) =>
  alongAxes(name, { low: -1e6, high: 1e6, offered: [-FARTHEST, FARTHEST], ...centimetres, ...more });

/** Where a touch counts as a touch of the object, in its own space. */
export const touchAreaSchema = z.strictObject({
  shape: choice('Shape of the touch area', { box: 'Box', ball: 'Ball' }),
  centre: place('Touch area centre'),
  size: alongAxes('Touch area size', { low: 1e-9, high: 1000, offered: [0.001, FARTHEST], ...centimetres }),
});

/** What the viewer may do with the object. */
export const byViewerSchema = z.strictObject({
  drag: yesNo('dragged'),
  pinch: yesNo('pinched'),
  twist: yesNo('twisted'),
  /** How far it may be dragged from where it was placed. */
  reach: number({
    name: 'How far it may be dragged',
    low: 0.01,
    high: 100,
    ...centimetres,
    digits: 0,
    step: 5,
    mark: 'cm',
  }),
  /** How small and how large it may be pinched: factors on the placed size. */
  least: number({
    name: 'Smallest it may be pinched to',
    low: 0.05,
    high: 1,
    unit: 'percent',
    step: 5,
    mark: 'min',
  }),
  most: number({
    name: 'Largest it may be pinched to',
    low: 1,
    high: 20,
    unit: 'percent',
    step: 10,
    mark: 'max',
  }),
});

export const placedSchema = {
  id: objectIdSchema,
  name: label,
  /** The group it belongs to; what it sticks to is then the group's business. */
  parent: objectIdSchema.nullable(),
  /** The scene it is part of; null is part of all. */
  scene: sceneIdSchema.nullable(),
  anchor: anchorSchema,
  /** Place within its anchor; a lower number stands higher in the Stack and covers what is below. */
  order: finite,
  visible: z.boolean(),
  /** Kept from being picked and dragged by chance. */
  locked: z.boolean(),
  /** Came with a starter, to be replaced by the creator's own. */
  sample: z.boolean(),
  /** Where its pivot is, from what it sticks to. */
  move: place('Move'),
  turn: alongAxes('Turn', {
    low: -1e6,
    high: 1e6,
    offered: [-MOST_TURN, MOST_TURN],
    unit: 'degrees',
    step: 5,
    digits: 1,
  }),
  scale: vec3Schema,
  /** The point of its own space that it turns and grows about. */
  pivot: place('Pivot', { driven: true }),
  lookAt: lookAtSchema.nullable(),
  /** Hidden by what is nearer, and hides what is farther. */
  depthTest: yesNo('Hidden by what is nearer'),
  depthWrite: yesNo('Hides what is farther'),
  touchArea: touchAreaSchema.nullable(),
  byViewer: byViewerSchema.nullable(),
};

/** How long after the effect starts what runs by itself begins. */
export const startDelay = number({ name: 'Starts after', low: 0, high: 600, unit: 'seconds', mark: 'after' });

/**
 * How a flat thing fills the backdrop or the screen: where it is placed (`free`), all covered, all of it seen, pulled
 * to the shape of the screen, or repeated at its size.
 */
export const FITS = ['free', 'cover', 'contain', 'stretch', 'tile'] as const;
export const fitSchema = z.enum(FITS);

export type ObjectId = z.infer<typeof objectIdSchema>;
export type SceneId = z.infer<typeof sceneIdSchema>;
export type LookAt = z.infer<typeof lookAtSchema>;
export type TouchArea = z.infer<typeof touchAreaSchema>;
export type ByViewer = z.infer<typeof byViewerSchema>;
export type Fit = z.infer<typeof fitSchema>;
