/** What a fountain of particles is set to. Metres, seconds, degrees; +Y is where it sprays. */
import type { Vec3 } from '../maths/vec3';
import type { Degrees, Metres, Seconds, Unit } from '../units';

/** Where particles are born, around the fountain's origin. `points` are handed in: a mesh, a region of a face, a mouth. */
export type FountainArea =
  | { readonly kind: 'point' }
  | { readonly kind: 'disc'; readonly radius: Metres }
  | { readonly kind: 'plane'; readonly width: Metres; readonly depth: Metres }
  | { readonly kind: 'box'; readonly size: Vec3 }
  | { readonly kind: 'sphere'; readonly radius: Metres }
  | { readonly kind: 'points' };

export interface FountainSettings {
  readonly area: FountainArea;
  /** Particles a second. */
  readonly rate: number;
  /** How long each lives: a time between both. */
  readonly life: readonly [Seconds, Seconds];
  /** Metres a second at birth: a speed between both. */
  readonly speed: readonly [number, number];
  /** Half the angle of the cone they spray into; 180 is everywhere. */
  readonly spread: Degrees;
  /** Downwards in the world, metres a second squared; below 0 they rise. */
  readonly gravity: number;
  /** Share of the speed against the air that is lost, a second. */
  readonly drag: number;
  /** How the air moves, world, metres a second. */
  readonly wind: Vec3;
  /** Swirls: how strong, metres a second squared, and how large, metres. */
  readonly turbulence: { readonly strength: number; readonly size: Metres };
  /** Turns a second, to either side. */
  readonly spin: readonly [number, number];
  /** What hits the floor bounces with this share of its speed; null falls through. */
  readonly bounce: Unit | null;
  /** The same of what hits the wearer's head. */
  readonly faceBounce: Unit | null;
  /** At most this many live at once; what would be more is not born. */
  readonly most: number;
  readonly seed: number;
}
