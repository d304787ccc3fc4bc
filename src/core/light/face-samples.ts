/** The skin of a face as samples of light: which way each point of it faces, and what the picture holds there. */
import { landmarkNormals } from '../face/landmark-normals';
import { FACE_LANDMARKS } from '../face/landmarks';
import { fromPose, transformPoint } from '../maths/matrix';
import { rotate } from '../maths/quaternion';
import { dot, length, subtract, type Vec3 } from '../maths/vec3';
import { luminance, toLinear } from '../maths/srgb';
import type { TrackedFace } from '../tracking/track-frame';
import type { ShadeSample } from './camera-shade';

/** A small camera picture, RGBA, rows from the bottom as WebGL reads them. */
export interface SmallPicture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** `project` gives the place of a world point in the picture, 0..1 from the lower left, or null where it is not seen. */
export const faceSamples = (
  face: TrackedFace,
  picture: SmallPicture,
  eye: Vec3,
  project: (point: Vec3) => readonly [number, number] | null,
): ShadeSample[] => {
  const normals = landmarkNormals(face.landmarks);
  const toWorld = fromPose(face.pose);
  const samples: ShadeSample[] = [];
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const own: Vec3 = [normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!];
    const long = length(own);
    if (long < 1e-12) continue;
    const normal = rotate(face.pose.rotation, [own[0] / long, own[1] / long, own[2] / long]);
    const point = transformPoint(toWorld, [
      face.landmarks[3 * i]!,
      face.landmarks[3 * i + 1]!,
      face.landmarks[3 * i + 2]!,
    ]);
    const towards = subtract(eye, point);
    if (dot(normal, towards) < 0.25 * length(towards)) continue;
    const place = project(point);
    if (!place) continue;
    const x = Math.min(picture.width - 1, Math.floor(place[0] * picture.width));
    const y = Math.min(picture.height - 1, Math.floor(place[1] * picture.height));
    const o = 4 * (y * picture.width + x);
    const { data } = picture;
    samples.push({
      normal,
      light: luminance([
        toLinear(data[o]! / 255),
        toLinear(data[o + 1]! / 255),
        toLinear(data[o + 2]! / 255),
      ]),
    });
  }
  return samples;
};

/** Mean colour of a picture, sRGB, 0..1. */
export const meanOf = ({ data }: SmallPicture): readonly [number, number, number] => {
  const sum = [0, 0, 0];
  for (let i = 0; i < data.length; i += 4) for (let k = 0; k < 3; k++) sum[k]! += data[i + k]!;
  const count = (255 * data.length) / 4;
  return [sum[0]! / count, sum[1]! / count, sum[2]! / count];
};
