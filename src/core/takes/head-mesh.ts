/**
 * The head that is drawn, and the truth about it: both come from the same mesh, so landmarks are exact.
 * Head space, metres.
 */
import { combined, displacementOf, isMovable, type MovableExpression } from '../face/expressions';
import type { ExpressionName } from '../tracking/expression-names';
import { gazeExpressions } from '../face/gaze-expressions';
import { SHELL_POINTS, SKULL_TRIANGLES, shellPositions, shellUv } from '../face/head-shell';
import { ALL_LANDMARKS, FACE_LANDMARKS } from '../face/landmarks';
import { EYEBALL_RADIUS, NEUTRAL_FACE, OPEN_TRIANGLES } from '../face/neutral';
import { refine, subdivide, type Subdivision } from '../face/subdivide';
import { pointAt, type Vec3 } from '../maths/vec3';
import type { Expressions } from '../tracking/track-frame';
import type { Degrees } from '../units';
import { eyeCentres, eyeSize, shapeHead } from '../face/head-shape';
import type { Gaze, Performer } from './performer';

const ROUNDS = 2;

/** How a head's vertices are joined, and where they lie on the layout. */
export interface HeadTriangles {
  readonly uv: Float32Array;
  readonly triangles: Uint32Array;
  /** How many vertices. */
  readonly count: number;
}

/** What is the same for every head: triangles, UV, and how fine points follow from coarse ones. */
interface Topology extends HeadTriangles {
  readonly steps: readonly Subdivision[];
}
let shared: Topology | null = null;
/** How the points of all heads are joined; worked out once. */
export const headTopology = (): Topology => {
  if (shared) return shared;
  const steps: Subdivision[] = [];
  let uv: ArrayLike<number> = shellUv();
  let triangles: readonly number[] = [...OPEN_TRIANGLES, ...SKULL_TRIANGLES];
  for (let round = 0; round < ROUNDS; round++) {
    const finer = subdivide(uv.length / 2, triangles);
    uv = refine(finer, uv, 2);
    triangles = finer.triangles;
    steps.push(finer);
  }
  return (shared = {
    steps,
    uv: Float32Array.from(uv),
    triangles: Uint32Array.from(triangles),
    count: uv.length / 2,
  });
};
/** The same head with a quarter of the triangles: its vertices are the first `count` of the fine one's. */
export const coarseTopology = (): HeadTriangles => {
  const { steps, uv } = headTopology();
  const [first] = steps as readonly [Subdivision, ...Subdivision[]];
  const count = first.weights.length;
  return { uv: uv.slice(0, 2 * count), triangles: Uint32Array.from(first.triangles), count };
};
const toFine = (coarse: Float64Array): Float64Array =>
  headTopology().steps.reduce((values, step) => refine(step, values, 3), coarse);

/** A displacement of the fine mesh, only where it moves anything: vertices ascending, x y z for each. */
interface Move {
  readonly at: Uint16Array;
  readonly by: Float32Array;
}
const moves = new Map<MovableExpression, Move>();
/** Below this a displacement cannot be seen: a hundredth of a millimetre. */
const LEAST = 1e-5;
const moveOf = (name: MovableExpression): Move => {
  const kept = moves.get(name);
  if (kept) return kept;
  const fine = toFine(displacementOf(name));
  const at: number[] = [];
  for (let i = 0; i < fine.length / 3; i++) if (Math.hypot(...pointAt(fine, i)) > LEAST) at.push(i);
  const move = {
    at: Uint16Array.from(at),
    by: Float32Array.from(at.flatMap((i) => [...pointAt(fine, i)])),
  };
  moves.set(name, move);
  return move;
};

export interface HeadMesh {
  /** At rest, before any expression. */
  readonly positions: Float32Array;
  /** Vertices around the right and the left eye that the lids' skin is made of. */
  readonly lids: readonly (readonly number[])[];
  /** Centres of the right and the left eyeball. */
  readonly eyes: readonly [Vec3, Vec3];
}
const meshes = new Map<Performer, HeadMesh>();

/** The drawn head of a performer; made on first use (about 30 ms; the first head longer), then kept. */
export const headMesh = (performer: Performer): HeadMesh => {
  const kept = meshes.get(performer);
  if (kept) return kept;
  const coarse = shapeHead(
    shellPositions(NEUTRAL_FACE, new Float64Array(SHELL_POINTS * 3)) as Float64Array,
    performer.shape,
  );
  const positions = Float32Array.from(toFine(coarse));
  const eyes = eyeCentres(performer.shape);
  const lids = eyes.map(([cx, cy, cz]) => {
    const near: number[] = [];
    for (let i = 0; i < positions.length / 3; i++) {
      const far = Math.hypot(positions[3 * i]! - cx, positions[3 * i + 1]! - cy);
      if (far < 0.024 && positions[3 * i + 2]! > cz - 0.004) near.push(i);
    }
    return near;
  });
  const mesh = { positions, lids, eyes };
  meshes.set(performer, mesh);
  return mesh;
};

/** Larger eyes have farther to close. */
const scaleOf = (name: ExpressionName, performer: Performer): number =>
  name.startsWith('eye') ? eyeSize(performer.shape) : 1;

/**
 * The head's vertices with the expressions applied: the first `count` of them. Lids slide over the eyeballs
 * instead of cutting through them.
 */
export const deformHead = (
  performer: Performer,
  expressions: Expressions,
  count: number,
  out: Float32Array,
): Float32Array => {
  const { positions, lids, eyes } = headMesh(performer);
  out.set(positions.subarray(0, count * 3));
  for (const [name, strength] of Object.entries(combined(expressions)) as [ExpressionName, number][]) {
    if (strength === 0 || !isMovable(name)) continue;
    const { at, by } = moveOf(name);
    const k = strength * scaleOf(name, performer);
    for (let n = 0; n < at.length && at[n]! < count; n++) {
      const i = 3 * at[n]!;
      out[i]! += k * by[3 * n]!;
      out[i + 1]! += k * by[3 * n + 1]!;
      out[i + 2]! += k * by[3 * n + 2]!;
    }
  }
  const clear = EYEBALL_RADIUS + 0.0007;
  eyes.forEach(([cx, cy, cz], eye) => {
    for (const i of lids[eye]!) {
      if (i >= count) break;
      const [dx, dy, dz] = [out[3 * i]! - cx, out[3 * i + 1]! - cy, out[3 * i + 2]! - cz];
      const flat = dx * dx + dy * dy;
      if (flat + dz * dz >= clear * clear || flat >= clear * clear) continue;
      // Forwards only, so that the lid's edge keeps its height.
      out[3 * i + 2] = cz + Math.sqrt(clear * clear - flat);
    }
  });
  return out;
};

/** Eyes that look into the camera turn in towards each other by this much. */
const VERGENCE: Degrees = 3;
/** Where eye 0 (right) or 1 (left) points. */
export const eyeGaze = (gaze: Gaze, eye: number): Gaze => ({
  x: gaze.x + (eye === 0 ? VERGENCE : -VERGENCE),
  y: gaze.y,
});

/** As far as eyes turn. */
const FARTHEST_GAZE: Degrees = 30;

/** The gaze a frame's coefficients stand for, in degrees: the mean of both eyes. */
export const gazeOf = (e: Expressions): Gaze => {
  const v = (name: ExpressionName) => e[name] ?? 0;
  return {
    x:
      (FARTHEST_GAZE / 2) *
      (v('eyeLookOutLeft') - v('eyeLookInLeft') + v('eyeLookInRight') - v('eyeLookOutRight')),
    y:
      (FARTHEST_GAZE / 2) *
      (v('eyeLookUpLeft') - v('eyeLookDownLeft') + v('eyeLookUpRight') - v('eyeLookDownRight')),
  };
};

/** The coefficients that stand for a gaze of both eyes together. */
export const expressionsOfGaze = ({ x, y }: Gaze): Expressions =>
  gazeExpressions(x / FARTHEST_GAZE, y / FARTHEST_GAZE);

const IRIS_RADIUS = 0.0058;

/** The true landmarks of a performer in head space: 478 x 3, metres. */
export const trueLandmarks = (performer: Performer, expressions: Expressions): Float32Array => {
  const out = new Float32Array(ALL_LANDMARKS * 3);
  // Subdivision keeps the first vertices: they are the landmarks.
  deformHead(performer, expressions, FACE_LANDMARKS, out);
  const gaze = gazeOf(expressions);
  headMesh(performer).eyes.forEach((centre, eye) => {
    const turned = eyeGaze(gaze, eye);
    const [ax, ay] = [(turned.x * Math.PI) / 180, (turned.y * Math.PI) / 180];
    const forward: Vec3 = [Math.sin(ax) * Math.cos(ay), Math.sin(ay), Math.cos(ax) * Math.cos(ay)];
    const ring = [
      [0, 0],
      [IRIS_RADIUS, 0],
      [0, IRIS_RADIUS],
      [-IRIS_RADIUS, 0],
      [0, -IRIS_RADIUS],
    ];
    ring.forEach(([dx, dy], k) => {
      const at = 3 * (FACE_LANDMARKS + eye * 5 + k);
      out[at] = centre[0] + forward[0] * EYEBALL_RADIUS + dx!;
      out[at + 1] = centre[1] + forward[1] * EYEBALL_RADIUS + dy!;
      out[at + 2] = centre[2] + forward[2] * EYEBALL_RADIUS;
    });
  });
  return out;
};
