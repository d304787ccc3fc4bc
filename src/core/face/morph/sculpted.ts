/** A sculpted mesh laid onto the face: its size, place and axes found out, and how far it moves each landmark. */
import { Surface } from '../../maths/surface-distance';
import { IconiaError } from '../../errors';
import { alignPoints, type Similarity } from '../../maths/procrustes';
import { fromAngles, conjugate, rotate } from '../../maths/quaternion';
import { add, distance, pointAt, scale, subtract, type Vec3 } from '../../maths/vec3';
import type { Metres } from '../../units';
import { FACE_LANDMARKS, OVAL } from '../landmarks';
import { NEUTRAL_FACE, UV } from '../neutral';
import { drawnOnto, nearestOn, type Segment } from './drawn-onto';

export interface SculptedMesh {
  /** x, y, z one after the other, in whatever unit and axes the file has. */
  readonly positions: ArrayLike<number>;
  /** Three indices each. */
  readonly triangles: ArrayLike<number>;
  /** u, v one after the other, v down; null when there are none. */
  readonly uv: ArrayLike<number> | null;
}

export interface Transfer {
  /** How far each landmark moves, x, y, z in head space. */
  readonly moves: Float32Array;
  /** From the mesh's space to head space. */
  readonly fit: Similarity;
  /** Root mean square of what is left between mesh and face after the fit, as a share of the face's width. */
  readonly error: number;
  /** By the face layout of its UVs, or by the nearest surface. */
  readonly by: 'layout' | 'surface';
}

/** Width of the neutral face, metres. */
export const FACE_WIDTH: Metres = NEUTRAL_FACE[3 * 454]! - NEUTRAL_FACE[3 * 234]!;
/** A mesh that is farther off than this is no face. */
export const MOST_ERROR = 0.12;
/** UVs this near are those of the layout. */
const SAME_UV = 0.004;

const LANDMARKS: readonly Vec3[] = Array.from({ length: FACE_LANDMARKS }, (_, i) => pointAt(NEUTRAL_FACE, i));

const applied = ({ rotation, position, scale: k }: Similarity, p: Vec3): Vec3 =>
  add(scale(rotate(rotation, p), k), position);
const undone = ({ rotation, position, scale: k }: Similarity, p: Vec3): Vec3 =>
  scale(rotate(conjugate(rotation), subtract(p, position)), 1 / k);

/** All ways in which axes can be named: the 24 turns of a cube. */
const TURNS = ((): readonly Vec3[] => {
  const found = new Map<string, Vec3>();
  for (let x = 0; x < 360; x += 90)
    for (let y = 0; y < 360; y += 90)
      for (let z = 0; z < 360; z += 90) {
        const q = fromAngles([x, y, z]);
        const key = [rotate(q, [1, 0, 0]), rotate(q, [0, 1, 0])]
          .flat()
          .map((v) => Math.round(v))
          .join();
        if (!found.has(key)) found.set(key, [x, y, z]);
      }
  return [...found.values()];
})();

const rms = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((s, v) => s + v * v, 0) / Math.max(1, values.length));

/** Pairs laid onto each other while the worst are left out: a sculpted part does not drag the rest along. */
const alignMost = (from: readonly Vec3[], to: readonly Vec3[], share: number): Similarity => {
  let fit = alignPoints(
    from,
    to,
    from.map(() => 1),
  );
  for (let round = 0; round < 4; round++) {
    const off = from.map((p, i) => distance(applied(fit, p), to[i]!));
    const limit = [...off].sort((a, b) => a - b)[Math.floor(share * (off.length - 1))]!;
    fit = alignPoints(
      from,
      to,
      off.map((d) => (d <= limit ? 1 : 0)),
    );
  }
  return fit;
};

/** For each landmark the point of the mesh with its UV; null when the mesh is not in the face layout. */
const byLayout = ({ positions, uv }: SculptedMesh): Vec3[] | null => {
  if (!uv) return null;
  const count = positions.length / 3;
  const cells = new Map<string, number[]>();
  const cell = (u: number, v: number) => `${Math.floor(u / SAME_UV)} ${Math.floor(v / SAME_UV)}`;
  for (let i = 0; i < count; i++) {
    const key = cell(uv[2 * i]!, uv[2 * i + 1]!);
    cells.set(key, [...(cells.get(key) ?? []), i]);
  }
  const found: Vec3[] = [];
  for (let l = 0; l < FACE_LANDMARKS; l++) {
    const [u, v] = [UV[2 * l]!, UV[2 * l + 1]!];
    let [best, least] = [-1, SAME_UV];
    for (let dx = -1; dx <= 1; dx++)
      for (let dy = -1; dy <= 1; dy++)
        for (const i of cells.get(cell(u + dx * SAME_UV, v + dy * SAME_UV)) ?? []) {
          const d = Math.hypot(uv[2 * i]! - u, uv[2 * i + 1]! - v);
          if (d < least) [best, least] = [i, d];
        }
    if (best < 0) return null;
    found.push(pointAt(positions, best));
  }
  return found;
};

/** Where the mesh's own face is: its size, place and axes, by trying all axes and then nearing the surface (ICP). */
const bySurface = (surface: Surface, mesh: SculptedMesh): Similarity => {
  const points: Vec3[] = [];
  const step = Math.max(1, Math.floor(mesh.positions.length / 3 / 1500));
  for (let i = 0; i < mesh.positions.length / 3; i += step) points.push(pointAt(mesh.positions, i));
  const middle = (list: readonly Vec3[]): Vec3 =>
    scale(
      list.reduce((s, p) => add(s, p), [0, 0, 0] as Vec3),
      1 / list.length,
    );
  const spread = (list: readonly Vec3[], about: Vec3): number => rms(list.map((p) => distance(p, about)));
  const [meshMiddle, faceMiddle] = [middle(points), middle(LANDMARKS)];
  const k = spread(LANDMARKS, faceMiddle) / spread(points, meshMiddle);
  const some = LANDMARKS.filter((_, i) => i % 6 === 0);
  const errorOf = (fit: Similarity, list: readonly Vec3[]): number =>
    rms(list.map((p) => fit.scale * surface.distance(undone(fit, p))));
  const begin = TURNS.map((angles): Similarity => {
    const rotation = fromAngles(angles);
    return { rotation, scale: k, position: subtract(faceMiddle, scale(rotate(rotation, meshMiddle), k)) };
  });
  const near = (fit: Similarity, rounds: number, list: readonly Vec3[]): Similarity => {
    let now = fit;
    for (let i = 0; i < rounds; i++) {
      const from = list.map((p) => surface.nearest(undone(now, p))!);
      now = alignMost(from, list, 0.8);
      // A mesh that shrinks to a point is near to everything.
      if (!(now.scale > fit.scale / 4 && now.scale < fit.scale * 4)) return fit;
    }
    return now;
  };
  const tried = begin
    .map((fit) => near(fit, 6, some))
    .map((fit) => ({ fit, error: errorOf(fit, some) }))
    .sort((a, b) => a.error - b.error);
  return tried
    .slice(0, 3)
    .map(({ fit }) => near(fit, 24, LANDMARKS))
    .map((fit) => ({ fit, error: errorOf(fit, LANDMARKS) }))
    .sort((a, b) => a.error - b.error)[0]!.fit;
};

/** The mesh ends where the face does when most of its edge is this near, in shares of the width. */
const SAME_EDGE = 0.06;

/** Segments where the mesh ends, joined corners counted once; points in head space. */
const borderOf = (corners: Float32Array): (readonly [Vec3, Vec3])[] => {
  const ids = new Map<string, number>();
  const idOf = (at: number): number => {
    const key = [0, 1, 2].map((k) => Math.round(corners[at + k]! * 1e5)).join();
    const id = ids.get(key) ?? ids.size;
    ids.set(key, id);
    return id;
  };
  const edges = new Map<string, { readonly from: number; readonly to: number; count: number }>();
  for (let t = 0; t < corners.length; t += 9) {
    const id = [idOf(t), idOf(t + 3), idOf(t + 6)];
    for (let k = 0; k < 3; k++) {
      const [a, b] = [id[k]!, id[(k + 1) % 3]!];
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      const edge = edges.get(key);
      if (edge) edge.count++;
      else edges.set(key, { from: t + 3 * k, to: t + 3 * ((k + 1) % 3), count: 1 });
    }
  }
  const point = (at: number): Vec3 => [corners[at]!, corners[at + 1]!, corners[at + 2]!];
  return [...edges.values()].filter((e) => e.count === 1).map((e) => [point(e.from), point(e.to)] as const);
};
/** The ends of a mesh loop by loop, as far as they hang together. */
const loopsOf = (border: readonly Segment[]): Segment[][] => {
  const key = (p: Vec3): string => p.map((v) => v.toFixed(6)).join();
  const from = new Map<string, Segment[]>();
  for (const segment of border)
    for (const end of segment) from.set(key(end), [...(from.get(key(end)) ?? []), segment]);
  const met = new Set<Segment>();
  return border.flatMap((first) => {
    if (met.has(first)) return [];
    const loop: Segment[] = [];
    const stack = [first];
    while (stack.length > 0) {
      const segment = stack.pop()!;
      if (met.has(segment)) continue;
      met.add(segment);
      loop.push(segment);
      for (const end of segment) stack.push(...from.get(key(end))!);
    }
    return [loop];
  });
};

/**
 * The outer edge of the mesh where that is the edge of the face; else nothing: a neck or a skull goes on beyond it. Openings of
 * eyes and mouth are no edge.
 */
const edgeOf = (border: readonly Segment[]): readonly Segment[] => {
  const lengthOf = (loop: readonly Segment[]): number =>
    loop.reduce((sum, [a, b]) => sum + distance(a, b), 0);
  const outer = loopsOf(border).sort((a, b) => lengthOf(b) - lengthOf(a))[0];
  if (!outer) return [];
  const off = OVAL.map((i) => distance(nearestOn(outer, LANDMARKS[i]!), LANDMARKS[i]!)).sort((a, b) => a - b);
  return off[Math.floor(off.length / 2)]! < SAME_EDGE * FACE_WIDTH ? outer : [];
};

/**
 * What a sculpted mesh does to the face. Meshes whose UVs are those of the face layout give every landmark exactly; any other
 * mesh is fitted by its surface. Throws `IconiaError`: `morph.empty` for a mesh without triangles, `morph.no-face` for one that
 * does not resemble a face.
 */
export const transferMesh = (mesh: SculptedMesh, name = 'The mesh'): Transfer => {
  const { positions, triangles } = mesh;
  if (triangles.length < 3 || positions.length < 9)
    throw new IconiaError(
      'morph.empty',
      `${name} has no triangles, so it has no surface that a face could take on. Export the sculpted face as a mesh.`,
    );
  const laid = byLayout(mesh);
  if (laid) {
    // What was sculpted must not turn or move the rest: most of a face is usually left as it was.
    const fit = alignMost(laid, LANDMARKS, 0.6);
    const moves = new Float32Array(FACE_LANDMARKS * 3);
    LANDMARKS.forEach((p, i) => moves.set(subtract(applied(fit, laid[i]!), p), 3 * i));
    return checked({ moves, fit, error: errorOfMoves(moves), by: 'layout' }, name);
  }
  const corners = (at: (p: Vec3) => Vec3): Float32Array => {
    const out = new Float32Array(triangles.length * 3);
    for (let t = 0; t < triangles.length; t++) out.set(at(pointAt(positions, triangles[t]!)), 3 * t);
    return out;
  };
  const fit = bySurface(new Surface(corners((p) => p)), mesh);
  const cornersInHead = corners((p) => applied(fit, p));
  const inHead = new Surface(cornersInHead);
  const left = rms(LANDMARKS.map((p) => inHead.distance(p))) / FACE_WIDTH;
  const moves = drawnOnto(inHead, edgeOf(borderOf(cornersInHead)));
  return checked({ moves, fit, error: left, by: 'surface' }, name);
};

const errorOfMoves = (moves: Float32Array): number => {
  const far = LANDMARKS.map((_, i) => Math.hypot(moves[3 * i]!, moves[3 * i + 1]!, moves[3 * i + 2]!));
  // What was sculpted is not an error: the half that moved least tells how well the rest fits.
  return rms([...far].sort((a, b) => a - b).slice(0, Math.floor(far.length / 2))) / FACE_WIDTH;
};

const checked = (transfer: Transfer, name: string): Transfer => {
  if (transfer.error > MOST_ERROR || !Number.isFinite(transfer.error))
    throw new IconiaError(
      'morph.no-face',
      `${name} does not resemble a face: laid onto one as well as it goes, it is off by ${(100 * transfer.error).toFixed(0)} % of its width. Begin from the face to sculpt that a face morph gives you, or take away what is no face.`,
    );
  return transfer;
};
