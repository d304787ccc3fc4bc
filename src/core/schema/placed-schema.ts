/** What objects of many kinds have in common: where they are, what they cover, how they blend. */
import { z } from 'zod';
import { BLEND_MODES } from '../maths/blend';
import { anchorSchema } from './anchor-schema';
import { number } from './properties';
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
export const lookAtSchema = z.strictObject({ front: z.enum(FRONTS), about: z.enum(TURNS_ABOUT) });

/** Where a touch counts as a touch of the object, in its own space. */
export const touchAreaSchema = z.strictObject({
  shape: z.enum(['box', 'ball']),
  centre: vec3Schema,
  size: size3,
});

/** What the viewer may do with the object. */
export const byViewerSchema = z.strictObject({
  drag: z.boolean(),
  pinch: z.boolean(),
  twist: z.boolean(),
  /** How far it may be dragged from where it was placed. */
  reach: z.number().min(0.01).max(100),
  /** How small and how large it may be pinched: factors on the placed size. */
  least: z.number().min(0.05).max(1),
  most: z.number().min(1).max(20),
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
  move: vec3Schema,
  turn: vec3Schema,
  scale: vec3Schema,
  /** The point of its own space that it turns and grows about. */
  pivot: vec3Schema,
  lookAt: lookAtSchema.nullable(),
  /** Hidden by what is nearer, and hides what is farther. */
  depthTest: z.boolean(),
  depthWrite: z.boolean(),
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
