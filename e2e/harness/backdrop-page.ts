/** Runs in a blank page: people of known shape before a backdrop, and cards that show parts of the picture. */
import { ALL_ABILITIES } from '../../src/stage/abilities/all';
import { compile } from '../../src/core/program/program';
import { Runtime } from '../../src/core/behave/runtime';
import { blankEffect } from '../../src/core/document/defaults';
import type { Backdrop, Effect, EffectObject } from '../../src/core/document/schema';
import { NEUTRAL_FACE } from '../../src/core/face/neutral';
import { faceFrame } from '../../src/core/tracking/track-frame';
import { createStores } from '../../src/stage/effect/stores';
import { Stage } from '../../src/stage/stage';
import { PlainPicture } from './plain-picture';

const camera = { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: 1 } as const;
const face = {
  id: 1,
  pose: { position: [0, 0, -0.6], rotation: [0, 0, 0, 1] },
  landmarks: Float32Array.from(NEUTRAL_FACE),
  expressions: {},
  confidence: 1,
} as const;

export interface BackdropSpec {
  readonly picture: string;
  readonly people: string | null;
  readonly objects: readonly EffectObject[];
  readonly backdrop?: Partial<Backdrop>;
  readonly width: number;
  readonly height: number;
  readonly withFace?: boolean;
}
export interface BackdropPage {
  /** RGBA of all pixels, row by row from the bottom, as base64. */
  draw(spec: BackdropSpec): Promise<string>;
}

const draw: BackdropPage['draw'] = ({ picture, people, objects, backdrop = {}, width, height, withFace }) => {
  const blank = blankEffect('Backdrop');
  const effect: Effect = {
    ...blank,
    objects: Object.fromEntries(objects.map((o) => [o.id, o])),
    backdrop: { ...blank.backdrop, spill: 0, ...backdrop },
  };
  const stage = new Stage(
    document.createElement('canvas'),
    createStores(() => Promise.reject(new Error('none'))),
    ALL_ABILITIES,
    { keepPixels: true, smoothEdges: false },
  );
  stage.setSize(width, height, 1);
  stage.setPicture(new PlainPicture(picture, people));
  const frame = faceFrame(0, camera, withFace ? [face] : []);
  const program = compile(effect);
  const runtime = new Runtime(program);
  runtime.step(frame);
  stage.draw(frame, program, runtime);
  const gl = stage.renderer.getContext();
  const pixels = new Uint8Array(4 * width * height);
  gl.readPixels(0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, pixels);
  const error = gl.getError();
  stage.dispose();
  stage.renderer.forceContextLoss();
  if (error !== 0) throw new Error(`WebGL error ${error}`);
  return Promise.resolve(btoa(Array.from(pixels, (byte) => String.fromCharCode(byte)).join('')));
};
(window as unknown as { backdropPage: BackdropPage }).backdropPage = { draw };
