/** Runs in a blank page: exact masks of takes, and where the landmarks lie in them. */
import { WebGLRenderer } from 'three';
import { SHIPPED_TAKES } from '../../src/core/takes/library';
import { landmarksInPicture } from '../../src/core/takes/make-take';
import { PARTS, type Part } from '../../src/stage/parts';
import { coverMask, maskOf, personMask, TakeMasks } from '../../src/stage/take-masks';
import { TakePicture } from '../../src/stage/take-picture';

const renderer = new WebGLRenderer({ antialias: false });

export interface MaskReading {
  /** Part at each landmark of the first face; null outside the picture. */
  readonly at: readonly (Part | null)[];
  /** Share of the picture. */
  readonly person: number;
  readonly hair: number;
  readonly hand: number;
  /** Share of the head that something covers. */
  readonly covered: number;
  /** Part in the corners: top left, top right. */
  readonly corners: readonly Part[];
}
export interface MaskPage {
  read(take: string, time: number, width: number, height: number): MaskReading;
}

/** The one before is let go after the next was drawn, so that programs are shared. */
let before: { dispose(): void }[] = [];

const page: MaskPage = {
  read(id, time, width, height) {
    const take = SHIPPED_TAKES.find((t) => t.id === id)!;
    const picture = new TakePicture(take);
    const masks = new TakeMasks(picture);
    const frame = take.frameAt(time);
    const map = masks.render(renderer, frame, width, height);
    const share = (mask: Uint8Array, of = width * height) => mask.reduce((a, b) => a + b, 0) / of;
    const face = frame.faces[0];
    const points = face ? landmarksInPicture(frame.camera, face, width, height) : new Float32Array(0);
    const at = Array.from({ length: points.length / 2 }, (_, i): Part | null => {
      const [x, y] = [Math.floor(points[2 * i]!), Math.floor(points[2 * i + 1]!)];
      return x >= 0 && y >= 0 && x < width && y < height ? PARTS[map.parts[y * width + x]!]! : null;
    });
    const reading = {
      at,
      person: share(personMask(map)),
      hair: share(maskOf(map, ['hair'])),
      hand: share(maskOf(map, ['hand'])),
      covered: share(coverMask(map), Math.max(1, share(map.head) * width * height)),
      corners: [map.parts[0]!, map.parts[width - 1]!].map((p) => PARTS[p]!),
    };
    for (const drawn of before) drawn.dispose();
    before = [masks, picture];
    return reading;
  },
};
(window as unknown as { maskPage: MaskPage }).maskPage = page;
