/** How the surface of make-up catches light, apart from its colour. */
import type { Unit } from '../../units';

export const FINISHES = ['painted', 'matte', 'satin', 'gloss', 'metallic', 'shimmer'] as const;
export type Finish = (typeof FINISHES)[number];

export interface Surface {
  /** How much light it mirrors. */
  readonly gloss: Unit;
  /** How wide its highlights are (glTF roughness). */
  readonly roughness: Unit;
  /** How much it mirrors in its own colour. */
  readonly metal: Unit;
  /** How many grains of it sparkle. */
  readonly shimmer: Unit;
  /** How much it takes the shine off the skin. */
  readonly matte: Unit;
  /** 1 is light and dark as the skin it lies on, 0 as it was painted. */
  readonly lit: Unit;
}

const SURFACES: Record<Finish, Surface> = {
  painted: { gloss: 0, roughness: 1, metal: 0, shimmer: 0, matte: 0, lit: 0 },
  matte: { gloss: 0, roughness: 0.9, metal: 0, shimmer: 0, matte: 1, lit: 1 },
  satin: { gloss: 0.3, roughness: 0.5, metal: 0, shimmer: 0, matte: 0.25, lit: 1 },
  gloss: { gloss: 1, roughness: 0.22, metal: 0, shimmer: 0, matte: 0, lit: 1 },
  metallic: { gloss: 0.75, roughness: 0.36, metal: 1, shimmer: 0, matte: 0, lit: 1 },
  shimmer: { gloss: 0.35, roughness: 0.48, metal: 0.25, shimmer: 1, matte: 0, lit: 1 },
};

/** A finish at a strength: 0 only takes the skin's light, 1 is all of it. */
export const surfaceOf = (finish: Finish, strength: Unit): Surface => {
  const { gloss, roughness, metal, shimmer, matte, lit } = SURFACES[finish];
  return {
    gloss: gloss * strength,
    roughness,
    metal: metal * strength,
    shimmer: shimmer * strength,
    matte: matte * strength,
    lit,
  };
};
