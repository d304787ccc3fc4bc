/** Where a picture lies, from how a single place of it is seen. */
import { crossOf, orthonormal, unit, type Camera, type PlanePose, type Vec } from './plane-pose';

/**
 * The two poses from which the surroundings of one place of the picture are seen as they are: (x, y) at (u, v), and about it as `j` says, pixels of the frame over
 * widths of the picture, by rows. What is near one place tells how far it is tilted, but not which of two ways. None where it says nothing.
 */
export const posesOfAffine = (
  {
    x,
    y,
    u,
    v,
    j,
  }: { readonly x: number; readonly y: number; readonly u: number; readonly v: number; readonly j: Vec },
  k: Camera,
): readonly PlanePose[] => {
  const sight = [(u - k.cx) / k.focal, (v - k.cy) / k.focal];
  // A camera that looks straight at the place: its axes in the real one's space, by columns.
  const ahead = unit([sight[0], sight[1], 1]);
  const right = unit(crossOf([0, 1, 0], ahead));
  const down = crossOf(ahead, right);
  // How that camera's x and y are seen in the real one, of what is 1 before it.
  const n = [
    right[0] - sight[0] * right[2],
    down[0] - sight[0] * down[2],
    right[1] - sight[1] * right[2],
    down[1] - sight[1] * down[2],
  ];
  const det = k.focal * (n[0] * n[3] - n[1] * n[2]);
  // The upper left of the rotation, over the depth.
  const g = [
    (n[3] * j[0] - n[1] * j[2]) / det,
    (n[3] * j[1] - n[1] * j[3]) / det,
    (n[0] * j[2] - n[2] * j[0]) / det,
    (n[0] * j[3] - n[2] * j[1]) / det,
  ];
  const [p, q, r] = [g[0] * g[0] + g[2] * g[2], g[0] * g[1] + g[2] * g[3], g[1] * g[1] + g[3] * g[3]];
  const most = Math.sqrt((p + r) / 2 + Math.sqrt(((p - r) / 2) ** 2 + q * q));
  const depth = 1 / most;
  if (!Number.isFinite(depth)) return [];
  const [a, b] = [
    [g[0] * depth, g[2] * depth],
    [g[1] * depth, g[3] * depth],
  ];
  const az = Math.sqrt(Math.max(0, 1 - a[0] * a[0] - a[1] * a[1]));
  const bz = Math.sqrt(Math.max(0, 1 - b[0] * b[0] - b[1] * b[1])) * (a[0] * b[0] + a[1] * b[1] > 0 ? -1 : 1);
  const turned = (c: Vec, z: number): number[] =>
    [0, 1, 2].map((i) => right[i] * c[0] + down[i] * c[1] + ahead[i] * z);
  const at = [depth * sight[0], depth * sight[1], depth];
  return [1, -1].map((way) => {
    const rotation = orthonormal(turned(a, way * az), turned(b, way * bz));
    return { rotation, position: at.map((c, i) => c - rotation[3 * i] * x - rotation[3 * i + 1] * y) };
  });
};
