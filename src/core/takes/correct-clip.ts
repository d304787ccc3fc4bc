/** What a creator says about a picture of their clip: where a face or a printed picture is. It is tracked again from there. */
import { toOuter } from '../maths/pose';
import { projectPoint } from '../tracking/project';
import { faceRegion, regionOverlap, type PicturePlace, type Region } from '../tracking/region';
import type { TrackedFace, TrackedPicture, TrackFrame } from '../tracking/track-frame';

export type Corners = readonly [PicturePlace, PicturePlace, PicturePlace, PicturePlace];

/** `id` is which of the clip's printed pictures, from 1; corners from its own top left, clockwise. */
export type Correction =
  | { readonly kind: 'face'; readonly region: Region }
  | { readonly kind: 'picture'; readonly id: number; readonly corners: Corners };

/** Beyond this two are the same face. */
const SAME = 0.4;
/** Around a face, for the next picture: it moves, and the tracker wants to see the head. */
export const AROUND = 0.45;

/** The frame with a face where it was said to be; it takes the place, and the name, of the one that was found there. */
export const withFace = (frame: TrackFrame, face: TrackedFace): TrackFrame => {
  const region = faceRegion(face, frame.camera, 0);
  const there = frame.faces.find((other) => {
    const its = faceRegion(other, frame.camera, 0);
    return region && its && regionOverlap(region, its) > SAME;
  });
  const free = [1, 2, 3, 4, 5].find((id) => frame.faces.every((other) => other.id !== id))!;
  const named = { ...face, id: there?.id ?? free };
  return {
    ...frame,
    faces: there
      ? frame.faces.map((other) => (other === there ? named : other))
      : [...frame.faces, named].sort((a, b) => a.id - b.id),
  };
};

/** The frame with a printed picture where it was said to be. */
export const withPicture = (frame: TrackFrame, picture: TrackedPicture): TrackFrame => ({
  ...frame,
  pictures: [...frame.pictures.filter(({ id }) => id !== picture.id), picture].sort((a, b) => a.id - b.id),
});

/** Where a face stands that nothing is known of. */
const MIDDLE: Region = { x: 0.35, y: 0.3, width: 0.3, height: 0.4 };

/** What there is to be moved at first: the first face as it was found, or one in the middle. */
export const faceToCorrect = ({ faces: [face], camera }: TrackFrame): Region =>
  (face && faceRegion(face, camera, 0.1)) ?? MIDDLE;

/** The same of a printed picture that is `aspect` times as high as it is wide. */
export const pictureToCorrect = ({ pictures, camera }: TrackFrame, id: number, aspect: number): Corners => {
  const found = pictures.find((picture) => picture.id === id);
  const seen = found && cornersSeen(found, camera);
  if (seen) return seen;
  const [w, h] = [0.2, 0.2 * aspect * camera.aspect];
  return [
    [0.5 - w, 0.5 - h],
    [0.5 + w, 0.5 - h],
    [0.5 + w, 0.5 + h],
    [0.5 - w, 0.5 + h],
  ];
};

const cornersSeen = (
  { pose, width, height }: TrackedPicture,
  camera: TrackFrame['camera'],
): Corners | null => {
  const seen = (
    [
      [-1, 1],
      [1, 1],
      [1, -1],
      [-1, -1],
    ] as const
  ).map(([x, y]) =>
    projectPoint(camera, camera.fovY, camera.aspect, toOuter(pose, [(x * width) / 2, (y * height) / 2, 0])),
  );
  return seen.every((at) => at !== null) ? (seen as unknown as Corners) : null;
};
