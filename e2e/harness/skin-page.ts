/** Runs in a blank page: how well bare skin of a face is told from what covers it in a picture in which nobody knows, against a take's own masks. */
import { FramebufferTexture, LinearFilter, NeutralToneMapping, SRGBColorSpace, WebGLRenderer } from 'three';
import { performanceOf, screenTest } from '../../src/core/takes/library';
import { makeTake } from '../../src/core/takes/make-take';
import { CoverGuess } from '../../src/stage/face/cover-guess';
import { PARTS } from '../../src/stage/parts';
import { byteTarget, copyDrawn, onClear } from '../../src/stage/passes';
import { TakeMasks } from '../../src/stage/take-masks';
import { TakePicture } from '../../src/stage/take-picture';

export interface SkinRequest {
  readonly performer: string;
  readonly performance: string;
  readonly width: number;
  readonly height: number;
  /** Pictures a second that the judgement sees. */
  readonly rate: number;
  /** Every so many of them are compared. */
  readonly compare: number;
}
/** Pixels over all compared pictures, where the face would be seen if nothing were before it. */
export interface SkinCounts {
  /** Bare skin, and how much of it was taken for covered. */
  readonly skin: number;
  readonly skinCalledCovered: number;
  /** What hands and things cover, and how much of it was seen to be. */
  readonly covered: number;
  readonly coveredFound: number;
  /** The same of hair on the head that hangs over the face. */
  readonly hair: number;
  readonly hairFound: number;
}
export interface SkinPage {
  judge(request: SkinRequest): SkinCounts;
}

const page: SkinPage = {
  judge({ performer, performance, width, height, rate, compare }) {
    const renderer = new WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
    renderer.outputColorSpace = SRGBColorSpace;
    renderer.toneMapping = NeutralToneMapping;
    renderer.setSize(width, height, false);
    const { duration } = performanceOf(performance);
    const take = makeTake(screenTest(performer, performance, duration));
    const picture = new TakePicture(take, { detail: 'plain' });
    const [masks, guess] = [new TakeMasks(picture), new CoverGuess()];
    const copied = new FramebufferTexture(width, height);
    copied.minFilter = copied.magFilter = LinearFilter;
    const target = byteTarget(width, height, true);
    const pixels = new Uint8Array(4 * width * height);
    const counts = { skin: 0, skinCalledCovered: 0, covered: 0, coveredFound: 0, hair: 0, hairFound: 0 };
    for (let n = 0; n / rate < duration; n++) {
      const frame = take.frameAt(n / rate);
      renderer.setRenderTarget(null);
      renderer.clear();
      picture.draw(renderer, frame, width / height);
      copyDrawn(renderer, copied);
      guess.look(renderer, picture.camera, copied, frame);
      if (n % compare > 0) continue;
      renderer.autoClear = false;
      onClear(renderer, target, () => guess.draw(renderer, picture.camera, frame.faces));
      renderer.autoClear = true;
      renderer.readRenderTargetPixels(target, 0, 0, width, height, pixels);
      const { parts } = masks.render(renderer, frame, width, height);
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) {
          // WebGL reads from the bottom up.
          const at = 4 * ((height - 1 - y) * width + x);
          if (pixels[at + 3]! < 128) continue;
          const covered = pixels[at]! >= 128 ? 1 : 0;
          const part = PARTS[parts[y * width + x]!]!;
          if (part === 'skin') {
            counts.skin++;
            counts.skinCalledCovered += covered;
          } else if (part === 'hand' || part === 'object') {
            counts.covered++;
            counts.coveredFound += covered;
          } else if (part === 'hair') {
            counts.hair++;
            counts.hairFound += covered;
          }
        }
    }
    for (const made of [masks, guess, copied, target, picture]) made.dispose();
    renderer.dispose();
    renderer.forceContextLoss();
    return counts;
  },
};
(window as unknown as { skinPage: SkinPage }).skinPage = page;
