/** What each drawn thing of a take is, so that exact masks can be made of it. */
import type { Object3D } from 'three';

export const PARTS = ['background', 'skin', 'hair', 'eyes', 'body', 'hand', 'worn', 'object'] as const;
export type Part = (typeof PARTS)[number];

/** The object and all below it are this part, unless something below says otherwise. */
export const markPart = (object: Object3D, part: Part): void => {
  object.userData.part = part;
};

export const partOf = (object: Object3D): Part => {
  for (let o: Object3D | null = object; o; o = o.parent) if (o.userData.part) return o.userData.part as Part;
  return 'background';
};
