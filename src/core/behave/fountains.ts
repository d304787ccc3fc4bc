/** The fountains of an effect at work: their particles are part of the runtime. */
import type { Fountain } from '../document/schema';
import { facePoints, headBall } from '../fountain/face-points';
import { unpackPoints } from '../fountain/packed-points';
import {
  newParticles,
  restoredParticles,
  savedParticles,
  stepParticles,
  type Particles,
} from '../fountain/particles';
import type { FountainArea, FountainSettings } from '../fountain/settings';
import { fromPose, IDENTITY_MATRIX, multiplyMatrices, invertMatrix, transformPoint } from '../maths/matrix';
import type { Place } from '../placing/places';
import type { Presence } from '../placing/presence';
import type { TrackedFace } from '../tracking/track-frame';
import { STEP } from '../units';
import type { Values } from '../kinds/values';

export type FountainsState = Readonly<Record<number, Particles>>;

const areaOf = ({ area }: Fountain): FountainArea => {
  switch (area.kind) {
    case 'mesh':
    case 'face':
      return { kind: 'points' };
    default:
      return area as FountainArea;
  }
};

const span = ([a, b]: readonly [number, number]): readonly [number, number] => [
  Math.min(a, b),
  Math.max(a, b),
];

/** What particles are stepped by, of a fountain as it is now. */
export const settingsOf = (fountain: Fountain): FountainSettings => ({
  area: areaOf(fountain),
  rate: fountain.rate,
  life: span(fountain.life),
  speed: span(fountain.speed),
  spread: fountain.spread,
  gravity: fountain.gravity,
  drag: fountain.drag,
  wind: fountain.wind,
  turbulence: { strength: fountain.turbulence, size: fountain.swirl },
  spin: span(fountain.spin),
  bounce: fountain.floor,
  faceBounce: fountain.face,
  most: fountain.most,
  seed: fountain.seed,
});

export class Fountains {
  private readonly particles = new Map<number, Particles>();

  /** Of object `i`; null when it has none yet. */
  of(i: number): Particles | null {
    return this.particles.get(i) ?? null;
  }

  /** One step of one fountain. Without a place it bears nothing, and what it has borne lives on. */
  step(
    i: number,
    fountain: Fountain,
    values: Readonly<Values>,
    place: Place | null,
    presence: Presence,
    face: TrackedFace | null,
  ): void {
    let particles = this.particles.get(i);
    if (!particles) this.particles.set(i, (particles = newParticles(fountain.most)));
    const floor = presence.surfaces.floor;
    stepParticles(
      particles,
      settingsOf(fountain),
      {
        matrix: place?.matrix ?? IDENTITY_MATRIX,
        open: place ? values.open : 0,
        burst: place ? values.burst : 0,
        points: place ? pointsOf(fountain, place, face) : null,
        floor: floor ? floor.position[1] : null,
        head: face && fountain.face !== null ? headBall(face) : null,
      },
      STEP,
    );
  }

  save(): FountainsState {
    return Object.fromEntries([...this.particles].map(([i, p]) => [i, savedParticles(p)]));
  }
  restore(state: FountainsState, fountain: (i: number) => Fountain): void {
    this.particles.clear();
    for (const [key, saved] of Object.entries(state)) {
      const i = Number(key);
      this.particles.set(i, restoredParticles(saved, fountain(i).most));
    }
  }
}

/** Points that particles are born at, in the fountain's space. */
const pointsOf = ({ area }: Fountain, place: Place, face: TrackedFace | null): ArrayLike<number> | null => {
  if (area.kind === 'mesh') return unpackPoints(area.points);
  if (area.kind !== 'face' || !face) return null;
  const points = facePoints(face.landmarks, area.part);
  const back = invertMatrix(place.matrix);
  if (!back) return null;
  // From the head's space to the fountain's, wherever that is placed.
  const matrix = multiplyMatrices(back, fromPose(face.pose));
  const out = new Float32Array(points.length);
  for (let k = 0; k < points.length; k += 3)
    out.set(transformPoint(matrix, [points[k]!, points[k + 1]!, points[k + 2]!]), k);
  return out;
};
