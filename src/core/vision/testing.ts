/** What tests of computer vision share: a poster drawn by itself, rich enough to be found, and how far off a pose is. */
import { Random } from '../maths/random';
import { Grey } from './grey';
import { project } from './homography';
import { cornersOf, homographyOf, type Camera, type PlanePose } from './plane-pose';

/** Discs and bars on a grey ground. */
export const testPoster = (seed: number, shapes = 40, width = 360, height = 480): Grey => {
  const random = new Random(seed);
  const poster = new Grey(width, height);
  for (let y = 0; y < height; y++) poster.data.fill(90 + (60 * y) / height, y * width, (y + 1) * width);
  for (let i = 0; i < shapes; i++) {
    const [cx, cy] = [random.next() * width, random.next() * height];
    const size = 6 + random.next() ** 2 * 60;
    const grey = random.next() * 255;
    const [c, s] = [Math.cos(6 * random.next()), Math.sin(6 * random.next())];
    for (let y = Math.max(0, (cy - size) | 0); y < Math.min(height, cy + size); y++)
      for (let x = Math.max(0, (cx - size) | 0); x < Math.min(width, cx + size); x++) {
        const [dx, dy] = [x - cx, y - cy];
        const isIn =
          i % 2 === 0
            ? Math.hypot(dx, dy) < size
            : Math.abs(c * dx + s * dy) < size * 0.7 && Math.abs(c * dy - s * dx) < size * 0.3;
        if (isIn) poster.data[y * width + x] = grey;
      }
  }
  return poster;
};

/** How far apart the corners of a picture are seen from two poses, the worst of them, pixels. */
export const cornersApart = (a: PlanePose, b: PlanePose, aspect: number, camera: Camera): number => {
  const [ha, hb] = [homographyOf(a, camera), homographyOf(b, camera)];
  return Math.max(
    ...cornersOf(aspect).map(([x, y]) => {
      const [p, q] = [project(ha, x, y), project(hb, x, y)];
      return Math.hypot(p[0] - q[0], p[1] - q[1]);
    }),
  );
};
