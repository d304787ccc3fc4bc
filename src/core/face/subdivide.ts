/**
 * Loop subdivision as sparse weights: each new vertex is a weighted sum of old ones, so positions,
 * displacements and UV all go through the same matrix. Old vertices keep their index.
 * Charles Loop, "Smooth Subdivision Surfaces Based on Triangles" (1987), with Warren's interior weights.
 */
export interface Subdivision {
  /** For every vertex of the finer mesh: [old vertex, weight] pairs. */
  readonly weights: readonly (readonly (readonly [number, number])[])[];
  readonly triangles: readonly number[];
}

interface Edge {
  readonly a: number;
  readonly b: number;
  readonly opposite: number[];
  index: number;
}

/** Divides every triangle into four. `points` is the count of vertices, `triangles` holds three indices each. */
export const subdivide = (points: number, triangles: readonly number[]): Subdivision => {
  const edges = new Map<number, Edge>();
  const key = (a: number, b: number) => Math.min(a, b) * points + Math.max(a, b);
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b, c] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!, triangles[t + ((k + 2) % 3)]!];
      const found = edges.get(key(a, b));
      if (found) found.opposite.push(c);
      else edges.set(key(a, b), { a: Math.min(a, b), b: Math.max(a, b), opposite: [c], index: 0 });
    }
  const near = Array.from({ length: points }, () => new Set<number>());
  const rim = Array.from({ length: points }, (): number[] => []);
  for (const { a, b, opposite } of edges.values()) {
    near[a]!.add(b);
    near[b]!.add(a);
    if (opposite.length === 1) {
      rim[a]!.push(b);
      rim[b]!.push(a);
    }
  }
  const weights: [number, number][][] = near.map((set, v) => {
    const edge = rim[v]!;
    if (edge.length === 2) return [[v, 0.75], ...edge.map((i): [number, number] => [i, 0.125])];
    if (edge.length > 0 || set.size === 0) return [[v, 1]];
    const beta = set.size === 3 ? 3 / 16 : 3 / (8 * set.size);
    return [[v, 1 - set.size * beta], ...[...set].map((i): [number, number] => [i, beta])];
  });
  for (const edge of edges.values()) {
    edge.index = weights.length;
    const [o, p] = edge.opposite;
    weights.push(
      edge.opposite.length === 2
        ? [
            [edge.a, 0.375],
            [edge.b, 0.375],
            [o!, 0.125],
            [p!, 0.125],
          ]
        : [
            [edge.a, 0.5],
            [edge.b, 0.5],
          ],
    );
  }
  const finer: number[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const [p, q, r] = [edges.get(key(a, b))!.index, edges.get(key(b, c))!.index, edges.get(key(c, a))!.index];
    finer.push(a, p, r, b, q, p, c, r, q, p, q, r);
  }
  return { weights, triangles: finer };
};

/** Carries `per` numbers a vertex over to the finer mesh. */
export const refine = ({ weights }: Subdivision, values: ArrayLike<number>, per: number): Float64Array => {
  const out = new Float64Array(weights.length * per);
  // Plain loops: this runs before the first picture, over a hundred thousand numbers.
  for (let i = 0; i < weights.length; i++) {
    const row = weights[i]!;
    for (let r = 0; r < row.length; r++) {
      const j = row[r]![0] * per;
      const w = row[r]![1];
      for (let k = 0; k < per; k++) out[i * per + k]! += w * values[j + k]!;
    }
  }
  return out;
};
