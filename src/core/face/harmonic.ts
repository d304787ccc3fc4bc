/**
 * Harmonic weights: values fixed at some vertices of a mesh, spread smoothly over the rest, so that an
 * expression fades out over the skin instead of ending at an edge. Uniform Laplacian, Gauss-Seidel.
 */
export const neighbours = (points: number, triangles: readonly number[]): number[][] => {
  const sets = Array.from({ length: points }, () => new Set<number>());
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const a = triangles[t + k]!;
      sets[a]!.add(triangles[t + ((k + 1) % 3)]!);
      sets[a]!.add(triangles[t + ((k + 2) % 3)]!);
    }
  return sets.map((s) => [...s]);
};

/** One weight a vertex; vertices without neighbours that are not fixed stay 0. */
export const harmonicWeights = (
  adjacency: readonly (readonly number[])[],
  fixed: ReadonlyMap<number, number>,
  rounds = 300,
): Float64Array => {
  const w = new Float64Array(adjacency.length);
  for (const [i, x] of fixed) w[i] = x;
  const free = adjacency.flatMap((near, i) => (fixed.has(i) || near.length === 0 ? [] : [i]));
  for (let n = 0; n < rounds; n++) {
    let change = 0;
    for (const i of free) {
      const near = adjacency[i]!;
      let sum = 0;
      for (let k = 0; k < near.length; k++) sum += w[near[k]!]!;
      const next = sum / near.length;
      change = Math.max(change, Math.abs(next - w[i]!));
      w[i] = next;
    }
    // A billionth of a movement cannot be seen.
    if (change < 1e-9) break;
  }
  return w;
};
