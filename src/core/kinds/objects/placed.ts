/** What new objects of all kinds begin with. Metres, degrees. */
import type { FeaturePoint } from '../../face/feature-points';
import type { HandPoint } from '../../hand/points';
import type { Anchor, FaceChoice, HandChoice } from '../../schema/anchor-schema';
import { blendSchema, fitSchema, size, type Fit, type ObjectId } from '../../schema/placed-schema';
import { colour, share, yesNo } from '../../schema/properties';
import { cutText } from '../../text';
import { z } from 'zod';

/** What an object is called at first: the asset without the ending of its file. */
export const objectNameFor = (asset: { readonly name: string }, otherwise: string): string =>
  cutText(asset.name.replace(/\.[^.]+$/, ''), 80) || otherwise;

/** An anchor on a point of the head, that grows with the face. */
export const headAnchor = (point: FeaturePoint, face: FaceChoice = 1): Anchor => ({
  kind: 'head',
  face,
  point,
  grows: true,
});
export const FOREHEAD: Anchor = headAnchor('forehead');
/** A point of a hand. */
export const handAnchor = (point: HandPoint, hand: HandChoice = 'any'): Anchor => ({
  kind: 'hand',
  hand,
  point,
  grows: true,
});
/** What lies on a face as a whole. */
export const onWholeFace = (face: FaceChoice): Anchor => ({ kind: 'skin', face, spot: [0.5, 0.5] });

/** Whether what sticks there is meant for the face as a whole, not for a spot of it. */
export const isOnWholeFace = (anchor: Anchor): boolean =>
  anchor.kind === 'skin' && anchor.spot[0] === 0.5 && anchor.spot[1] === 0.5;
/** Where things that have a place on the face go if it is meant as a whole: to the tip of the nose. */
export const onSpot = (anchor: Anchor): Anchor =>
  isOnWholeFace(anchor) && anchor.kind === 'skin' ? { ...anchor, spot: [0.5, 0.55] } : anchor;

/** What all objects have, as they are added: at the anchor, unturned, seen, in every scene. */
export const placed = (id: ObjectId, name: string, order: number, anchor: Anchor) => ({
  id,
  name: cutText(name, 80),
  parent: null,
  scene: null,
  anchor,
  order,
  visible: true,
  locked: false,
  sample: false,
  move: [0, 0, 0] as [number, number, number],
  turn: [0, 0, 0] as [number, number, number],
  scale: [1, 1, 1] as [number, number, number],
  pivot: [0, 0, 0] as [number, number, number],
  lookAt: null,
  depthTest: true,
  depthWrite: false,
  touchArea: null,
  byViewer: null,
});

/** Whether flat things hide what is farther: where they stand in a room. On the screen and behind people the Stack alone decides. */
export const hidesFarther = ({ kind }: Anchor): boolean => kind !== 'screen' && kind !== 'backdrop';

/** Fields of flat things. */
export const flatFields = {
  /** Width and height in metres at scale 1. */
  extent: z.tuple([size, size]),
  /** Elsewhere than on the backdrop and the screen it lies where it is placed. */
  fit: fitSchema,
  opacity: share('Opacity'),
  tint: colour('Tint'),
  blend: blendSchema,
  doubleSided: yesNo('Double-sided'),
};

/** How flat things are before anybody styles them. */
export const FLAT = {
  fit: 'free' as Fit,
  opacity: 1,
  tint: '#ffffff',
  blend: 'normal' as const,
  doubleSided: true,
};
