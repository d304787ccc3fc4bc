/** A made-up person: the shape of the head, skin, hair, and what they wear. All of it is data. */
import type { Degrees, Hex, Unit } from '../units';
import type { HeadShape } from '../face/head-shape';
import type { SkinTone } from './skin-tones';

export const HAIR_STYLES = ['bald', 'short', 'bob', 'long', 'curly', 'bun', 'fringe', 'headScarf'] as const;
export type HairStyle = (typeof HAIR_STYLES)[number];

export const BEARDS = ['none', 'stubble', 'moustache', 'full'] as const;
export type Beard = (typeof BEARDS)[number];
export const GLASSES = ['none', 'round', 'square'] as const;
export type Glasses = (typeof GLASSES)[number];
export const CLOTHES = ['rollNeck', 'crewNeck', 'collar'] as const;
export type Clothes = (typeof CLOTHES)[number];

export interface Performer {
  readonly id: string;
  readonly name: string;
  /** One line: what makes this performer worth looking at an effect on. */
  readonly about: string;
  readonly seed: number;
  readonly tone: SkinTone;
  /** 0 young, 1 old: folds, lines, softer contours. */
  readonly age: Unit;
  readonly shape: HeadShape;
  readonly hair: { readonly style: HairStyle; readonly colour: Hex };
  readonly brows: { readonly colour: Hex; readonly fullness: Unit };
  readonly iris: Hex;
  readonly beard: Beard;
  readonly glasses: Glasses;
  /** How many freckles, from none to full. */
  readonly freckles: Unit;
  /** Landmarks that carry a mole. */
  readonly moles: readonly number[];
  readonly clothes: { readonly kind: Clothes; readonly colour: Hex };
}

/** Where the eyes look: degrees, x to the wearer's left, y up. */
export interface Gaze {
  readonly x: Degrees;
  readonly y: Degrees;
}
