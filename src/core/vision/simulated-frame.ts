/**
 * Camera frames of a picture as nobody has to photograph them: the picture in a pose before a cluttered wall, partly covered, out of focus,
 * noisy, in poor light. For judging how well a picture can be found, and for tests and benches.
 */
import { Random } from '../maths/random';
import { blur, Grey, sampleAt } from './grey';
import { homographyOf, type Camera, type PlanePose } from './plane-pose';

export interface FrameConditions {
  /** Share of the picture that something grey covers, 0 to 1. */
  readonly cover?: number;
  /** How often it is smoothed: once is about a pixel out of focus. */
  readonly blur?: number;
  /** Standard deviation of the noise, 256ths. */
  readonly noise?: number;
  /** How bright it is, and how much of the contrast is left: 1 is as printed. */
  readonly light?: number;
  /** How much farther down the camera has moved when the last row is read, pixels: rolling shutter. */
  readonly shear?: number;
  /** Radial distortion of the lens, the k1 of Brown's model. */
  readonly distortion?: number;
}

/** A frame of `camera` with the picture in `pose`; without a pose the clutter alone. `levels` is the picture and its halves. */
export const simulateFrame = (
  levels: readonly Grey[],
  camera: Camera,
  pose: PlanePose | null,
  { cover = 0, blur: rounds = 0, noise = 3, light = 0.9, shear = 0, distortion = 0 }: FrameConditions,
  random: Random,
): Uint8Array<ArrayBuffer> => {
  let frame = clutter(camera, random);
  if (pose) drawPicture(frame, levels, camera, pose, { cover, shear, distortion }, random);
  for (let i = 0; i < rounds; i++) frame = blur(frame);
  const { data } = frame;
  let at = 0;
  for (let i = 0; i < data.length; i++) {
    // Each row begins elsewhere in the grain, so that it makes no pattern.
    if (i % camera.width === 0) at = (random.next() * GRAIN.length) | 0;
    const v = data[i] * light + noise * GRAIN[at++ & (GRAIN.length - 1)];
    data[i] = v < 0 ? 0 : v > 255 ? 255 : v;
  }
  return data;
};

/** Normal noise of deviation 1: four uniform numbers are nearly that. */
const GRAIN = (() => {
  const random = new Random(17);
  const uniform = (): number => random.next() - 0.5;
  return Float32Array.from({ length: 1 << 15 }, () => 1.73 * (uniform() + uniform() + uniform() + uniform()));
})();

const clutter = ({ width, height }: Camera, random: Random): Grey => {
  const frame = new Grey(width, height);
  frame.data.fill(random.between(60, 180));
  for (let i = 0; i < 70; i++) {
    const x = (random.next() * width) | 0;
    const y = (random.next() * height) | 0;
    const w = (8 + random.next() * random.next() * 160) | 0;
    const h = (8 + random.next() * random.next() * 120) | 0;
    const grey = (random.next() * 255) | 0;
    for (let row = y; row < Math.min(height, y + h); row++)
      frame.data.fill(grey, row * width + x, row * width + Math.min(width, x + w));
  }
  return frame;
};

const COVER_GREY = 110;

const drawPicture = (
  frame: Grey,
  levels: readonly Grey[],
  camera: Camera,
  pose: PlanePose,
  { cover, shear, distortion }: Required<Pick<FrameConditions, 'cover' | 'shear' | 'distortion'>>,
  random: Random,
): void => {
  const inverse = invert3(homographyOf(pose, camera));
  const whole = levels[0];
  const aspect = whole.height / whole.width;
  // What covers it comes in from one side.
  const side = random.next() * 2 * Math.PI;
  const [sx, sy] = [Math.cos(side), Math.sin(side)];
  const coverTo = (cover - 0.5) * 1.1;
  const middle = inverse[6] * camera.cx + inverse[7] * camera.cy + inverse[8];
  for (let v = 0; v < camera.height; v++)
    for (let u = 0; u < camera.width; u++) {
      const [x, y] = undistorted(u, v + (shear * v) / camera.height, camera, distortion);
      const w = inverse[6] * x + inverse[7] * y + inverse[8];
      const px = (inverse[0] * x + inverse[1] * y + inverse[2]) / w;
      const py = (inverse[3] * x + inverse[4] * y + inverse[5]) / w;
      if (!(Math.abs(px) < 0.5 && Math.abs(py) < aspect / 2) || w * middle <= 0) continue;
      if (cover > 0 && px * sx + py * sy < coverTo) {
        frame.data[v * camera.width + u] = COVER_GREY;
        continue;
      }
      // The level whose pixels are about as large as this one.
      const area = Math.abs(
        (inverse[0] - px * inverse[6]) * (inverse[4] - py * inverse[7]) -
          (inverse[1] - px * inverse[7]) * (inverse[3] - py * inverse[6]),
      );
      const fine = (Math.sqrt(area) / Math.abs(w)) * whole.width;
      let level = 0;
      while (level + 1 < levels.length && 2 ** (level + 1) < fine * 1.6) level++;
      const source = levels[level];
      frame.data[v * camera.width + u] = sampleAt(
        source,
        (px + 0.5) * source.width - 0.5,
        (py + aspect / 2) * source.width - 0.5,
      );
    }
};

/** Where a straight lens would have shown what is seen at (u, v): Brown's model inverted by a few rounds. */
const undistorted = (
  u: number,
  v: number,
  { cx, cy, focal }: Camera,
  k1: number,
): readonly [number, number] => {
  if (k1 === 0) return [u, v];
  const [dx, dy] = [(u - cx) / focal, (v - cy) / focal];
  let [x, y] = [dx, dy];
  for (let i = 0; i < 6; i++) {
    const stretch = 1 + k1 * (x * x + y * y);
    [x, y] = [dx / stretch, dy / stretch];
  }
  return [cx + x * focal, cy + y * focal];
};

const invert3 = ([a, b, c, d, e, f, g, h, i]: ArrayLike<number> & Iterable<number>): number[] => {
  const [A, B, C] = [e * i - f * h, f * g - d * i, d * h - e * g];
  const det = a * A + b * B + c * C;
  return [
    A,
    c * h - b * i,
    b * f - c * e,
    B,
    a * i - c * g,
    c * d - a * f,
    C,
    b * g - a * h,
    a * e - b * d,
  ].map((x) => x / det);
};

/**
 * A pose in which the picture is `share` of the frame's width, tilted by `tilt` radians about a random axis, turned anyhow, somewhere about
 * the middle.
 */
export const randomPose = (camera: Camera, share: number, tilt: number, random: Random): PlanePose => {
  const [turn, axis] = [random.next() * 2 * Math.PI, random.next() * 2 * Math.PI];
  const distance = camera.focal / (share * camera.width);
  return {
    rotation: multiply3(aboutZ(turn), aboutFlat(axis, tilt)),
    position: [
      ((random.next() - 0.5) * 0.4 * camera.width * distance) / camera.focal,
      ((random.next() - 0.5) * 0.35 * camera.height * distance) / camera.focal,
      distance,
    ],
  };
};
const multiply3 = (a: readonly number[], b: readonly number[]): number[] =>
  [0, 1, 2].flatMap((i) =>
    [0, 1, 2].map((j) => [0, 1, 2].reduce((s, k) => s + a[3 * i + k] * b[3 * k + j], 0)),
  );
const aboutZ = (angle: number): number[] => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [c, -s, 0, s, c, 0, 0, 0, 1];
};
/** About an axis that lies in the picture. */
const aboutFlat = (direction: number, angle: number): number[] => {
  const [x, y] = [Math.cos(direction), Math.sin(direction)];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const C = 1 - c;
  return [c + x * x * C, x * y * C, y * s, x * y * C, c + y * y * C, -x * s, -y * s, x * s, c];
};
