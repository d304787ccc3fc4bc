/**
 * A made-up person: the shape of the head, colours, and the mesh that is drawn. What is drawn and what the
 * truth says come from the same mesh, so landmarks are exact.
 */
import { displacements, MOVABLE, type MovableExpression } from '../face/expressions';
import { SHELL_POINTS, SKULL_TRIANGLES, shellPositions, shellUv } from '../face/head-shell';
import { ALL_LANDMARKS, EYE_LEFT, EYE_RIGHT, FACE_LANDMARKS } from '../face/landmarks';
import { EYEBALL_LEFT, EYEBALL_RADIUS, EYEBALL_RIGHT, NEUTRAL_FACE, OPEN_TRIANGLES } from '../face/neutral';
import { refine, subdivide } from '../face/subdivide';
import { smoothstep } from '../maths/scalar';
import type { Expressions } from '../tracking/track-frame';
import type { Degrees, Hex } from '../units';

export interface PerformerLook {
  readonly skin: Hex;
  readonly lips: Hex;
  readonly hair: Hex;
  readonly brows: Hex;
  readonly iris: Hex;
  readonly clothes: Hex;
}

/** How the head differs from the neutral one; 1 is neutral. */
export interface HeadShape {
  readonly width: number;
  readonly jaw: number;
  readonly eyes: number;
}

export interface Performer {
  readonly name: string;
  readonly about: string;
  readonly seed: number;
  readonly look: PerformerLook;
  readonly shape: HeadShape;
}

/** The head as it is drawn: head space, metres. */
export interface HeadMesh {
  readonly positions: Float32Array;
  readonly uv: Float32Array;
  readonly triangles: Uint32Array;
  /** Displacements of the fine mesh at full strength. */
  readonly expressions: Readonly<Record<MovableExpression, Float32Array>>;
}

const ROUNDS = 2;

/** Applies the performer's shape to the shell's points, in place. */
const shaped = (p: Float64Array, shape: HeadShape): Float64Array => {
  for (const ring of [EYE_RIGHT, EYE_LEFT]) {
    let [cx, cy] = [0, 0];
    for (const i of ring) {
      cx += p[3 * i]! / ring.length;
      cy += p[3 * i + 1]! / ring.length;
    }
    for (let i = 0; i < FACE_LANDMARKS; i++) {
      const far = Math.hypot(p[3 * i]! - cx, p[3 * i + 1]! - cy);
      const k = (shape.eyes - 1) * (1 - smoothstep(0.014, 0.027, far));
      p[3 * i]! += (p[3 * i]! - cx) * k;
      p[3 * i + 1]! += (p[3 * i + 1]! - cy) * k;
    }
  }
  for (let i = 0; i < p.length / 3; i++) {
    const low = smoothstep(0, -0.07, p[3 * i + 1]!);
    p[3 * i]! *= shape.width * (1 + (shape.jaw - 1) * low);
  }
  return p;
};

const meshes = new Map<Performer, HeadMesh>();

/** The drawn head of a performer; made on first use (about half a second), then kept. */
export const headMesh = (performer: Performer): HeadMesh => {
  const kept = meshes.get(performer);
  if (kept) return kept;
  let positions: Float64Array = shaped(
    shellPositions(NEUTRAL_FACE, new Float64Array(SHELL_POINTS * 3)) as Float64Array,
    performer.shape,
  );
  let uv = Float64Array.from(shellUv());
  let triangles: readonly number[] = [...OPEN_TRIANGLES, ...SKULL_TRIANGLES];
  const moves: Record<string, Float64Array> = { ...displacements() };
  for (let round = 0; round < ROUNDS; round++) {
    const finer = subdivide(positions.length / 3, triangles);
    positions = refine(finer, positions, 3);
    uv = refine(finer, uv, 2) as Float64Array<ArrayBuffer>;
    for (const name of MOVABLE) moves[name] = refine(finer, moves[name]!, 3);
    triangles = finer.triangles;
  }
  const mesh: HeadMesh = {
    positions: Float32Array.from(positions),
    uv: Float32Array.from(uv),
    triangles: Uint32Array.from(triangles),
    expressions: Object.fromEntries(
      MOVABLE.map((name) => [name, Float32Array.from(moves[name]!)]),
    ) as unknown as HeadMesh['expressions'],
  };
  meshes.set(performer, mesh);
  return mesh;
};

/** Where the eyes look: degrees, x to the wearer's left, y up. */
export interface Gaze {
  readonly x: Degrees;
  readonly y: Degrees;
}

export const eyeballs = (performer: Performer) =>
  [EYEBALL_RIGHT, EYEBALL_LEFT].map(
    ([x, y, z]) => [x * performer.shape.width, y, z] as const,
  ) as unknown as readonly [readonly [number, number, number], readonly [number, number, number]];

/** Vertices around each eye that the lids' skin is made of. */
const lidVertices = new Map<Performer, readonly (readonly number[])[]>();
const lidsOf = (performer: Performer): readonly (readonly number[])[] => {
  const kept = lidVertices.get(performer);
  if (kept) return kept;
  const { positions } = headMesh(performer);
  const found = eyeballs(performer).map(([cx, cy, cz]) => {
    const near: number[] = [];
    for (let i = 0; i < positions.length / 3; i++) {
      const far = Math.hypot(positions[3 * i]! - cx, positions[3 * i + 1]! - cy);
      if (far < 0.024 && positions[3 * i + 2]! > cz - 0.004) near.push(i);
    }
    return near;
  });
  lidVertices.set(performer, found);
  return found;
};

/**
 * The head's vertices with the expressions applied: the first `count` of them, head space, metres.
 * Lids slide over the eyeballs instead of cutting through them.
 */
export const deformHead = (
  performer: Performer,
  expressions: Expressions,
  count: number,
  out: Float32Array,
): Float32Array => {
  const mesh = headMesh(performer);
  const n = count * 3;
  out.set(mesh.positions.subarray(0, n));
  for (const name of MOVABLE) {
    const strength = expressions[name] ?? 0;
    if (strength === 0) continue;
    const move = mesh.expressions[name];
    for (let i = 0; i < n; i++) out[i]! += strength * move[i]!;
  }
  const clear = EYEBALL_RADIUS + 0.0007;
  eyeballs(performer).forEach(([cx, cy, cz], eye) => {
    for (const i of lidsOf(performer)[eye]!) {
      if (i >= count) break;
      const [dx, dy, dz] = [out[3 * i]! - cx, out[3 * i + 1]! - cy, out[3 * i + 2]! - cz];
      const far = Math.hypot(dx, dy, dz);
      if (far >= clear) continue;
      // Forwards only, so that the lid's edge keeps its height.
      const flat = dx * dx + dy * dy;
      if (flat < clear * clear) out[3 * i + 2] = cz + Math.sqrt(clear * clear - flat);
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

const IRIS_RADIUS = 0.0058;

/** The true landmarks of a performer in head space: 478 x 3, metres. */
export const trueLandmarks = (performer: Performer, expressions: Expressions, gaze: Gaze): Float32Array => {
  const out = new Float32Array(ALL_LANDMARKS * 3);
  // Subdivision keeps the first vertices: they are the landmarks.
  deformHead(performer, expressions, FACE_LANDMARKS, out);
  eyeballs(performer).forEach((centre, eye) => {
    const [ax, ay] = [eyeGaze(gaze, eye).x, eyeGaze(gaze, eye).y].map((a) => (a * Math.PI) / 180) as [
      number,
      number,
    ];
    const forward = [Math.sin(ax) * Math.cos(ay), Math.sin(ay), Math.cos(ax) * Math.cos(ay)];
    const ring = [
      [0, 0],
      [IRIS_RADIUS, 0],
      [0, IRIS_RADIUS],
      [-IRIS_RADIUS, 0],
      [0, -IRIS_RADIUS],
    ];
    ring.forEach(([dx, dy], k) => {
      const at = 3 * (FACE_LANDMARKS + eye * 5 + k);
      out[at] = centre[0] + forward[0]! * EYEBALL_RADIUS + dx!;
      out[at + 1] = centre[1] + forward[1]! * EYEBALL_RADIUS + dy!;
      out[at + 2] = centre[2] + forward[2]! * EYEBALL_RADIUS;
    });
  });
  return out;
};
