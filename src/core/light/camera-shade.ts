/**
 * How a scene is lit, as its camera picture tells: light from all around and how it differs by direction, the first two
 * bands of spherical harmonics (Ramamoorthi and Hanrahan, "An Efficient Representation for Irradiance Environment Maps",
 * SIGGRAPH 2001). Direction comes from the shading of a face, whose shape is known; brightness and tint from the whole
 * picture (the mean of a picture is grey), so that skin is not taken for coloured light.
 */
import type { Rgb } from '../maths/blend';
import { clamp } from '../maths/scalar';
import { hexOf, linearOf, luminance } from '../maths/srgb';
import { length, normalise, type Vec3 } from '../maths/vec3';
import { solveLinear } from '../maths/linear';
import type { LightEstimate } from '../tracking/track-frame';

/** A piece of a surface of one colour: which way it faces (world), and the amount of light it sends, linear. */
export interface ShadeSample {
  readonly normal: Vec3;
  readonly light: number;
}

/** Light on a white surface that faces a direction n: `all + x n.x + y n.y + z n.z`, linear; 1 is fully lit. */
export interface CameraShade {
  readonly all: Rgb;
  readonly x: Rgb;
  readonly y: Rgb;
  readonly z: Rgb;
}

/** Keeps what the samples do not tell (a face never shows its back) from growing. */
const DAMPING = 0.08;
/** No side gets less than a tenth of the light from all around. */
const STEEPEST = 0.9;
const FEWEST = 24;
/** From above, a little: what light does where nothing is known. */
const USUAL: Vec3 = [-0.15, 0.3, 0.15];

/** How much more light comes from +x, +y, +z than on average, as parts of it; the usual when too little is seen. */
export const slopeOf = (samples: readonly ShadeSample[]): Vec3 => {
  if (samples.length < FEWEST) return USUAL;
  const sorted = samples.map((s) => s.light).sort((a, b) => a - b);
  // Brows, lips, glints and hair are not skin.
  const [low, high] = [sorted[Math.floor(0.1 * sorted.length)]!, sorted[Math.floor(0.97 * sorted.length)]!];
  const used = samples.filter((s) => s.light >= low && s.light <= high);
  const mean = used.reduce((sum, s) => sum + s.light, 0) / used.length;
  if (!(mean > 1e-4)) return USUAL;
  const a = new Float64Array(16);
  for (let i = 1; i < 4; i++) a[5 * i] = DAMPING * used.length;
  const b = new Float64Array(4);
  for (const { normal, light } of used) {
    const row = [1, ...normal];
    for (let i = 0; i < 4; i++) {
      b[i]! += (row[i]! * light) / mean;
      for (let j = 0; j < 4; j++) a[4 * i + j]! += row[i]! * row[j]!;
    }
  }
  if (!solveLinear(a, b, 4)) return USUAL;
  const [all, x, y, z] = b;
  const slope: Vec3 = [x! / Math.max(all!, 0.2), y! / Math.max(all!, 0.2), z! / Math.max(all!, 0.2)];
  const steep = length(slope);
  return steep > STEEPEST ? (slope.map((s) => (s * STEEPEST) / steep) as unknown as Vec3) : slope;
};

/** Brightness (1 is a well lit room) and tint (mean 1) of a picture with this mean colour (sRGB, 0..1). */
export const levelOf = (mean: Rgb): { readonly brightness: number; readonly tint: Rgb } => {
  const grey = 0.2126 * mean[0] + 0.7152 * mean[1] + 0.0722 * mean[2];
  const light = linearOf(mean);
  const level = Math.max(1e-4, luminance(light));
  // Half of the way: rooms have colours of their own.
  const tint = light.map((x) => Math.sqrt(clamp(x / level, 0.25, 4))) as unknown as Rgb;
  return { brightness: clamp(grey / 0.5, 0.12, 1.4), tint };
};

/** How things are lit by the camera picture: from the slope of the light on a face and the mean of the picture (sRGB, 0 to 1). */
export const shadeOf = (slope: Vec3, mean: Rgb): CameraShade => {
  const { brightness, tint } = levelOf(mean);
  // A white sheet in a well lit room is not far below white.
  const all = tint.map((x) => 0.75 * brightness * x) as unknown as Rgb;
  const along = (part: number): Rgb => all.map((x) => x * part) as unknown as Rgb;
  return { all, x: along(slope[0]), y: along(slope[1]), z: along(slope[2]) };
};

/**
 * A face shows little of how far before it a lamp stands: all of it looks forward, so that light from there counts as light from all around. As much is added to a
 * slope of length 1 (measured on six of the takes' performers in all their lights: 26 degrees off become 13; on the other six 21 become 12).
 */
const BEFORE = 0.4;

/** The same as one lamp: for lights of the effect that are to match. */
export const estimateOf = (slope: Vec3, mean: Rgb): LightEstimate => {
  const { brightness, tint } = levelOf(mean);
  const most = Math.max(...tint);
  const [x, y, z] = normalise(length(slope) > 0.02 ? slope : USUAL);
  return {
    direction: normalise([x, y, z + BEFORE]),
    colour: hexOf(tint.map((x) => Math.pow(x / most, 1 / 2.2)) as unknown as Rgb),
    brightness: clamp(0.6 * brightness, 0, 1),
  };
};
