/** Runs in a blank page: draws an effect frame by frame with graphics calls that do nothing, and counts them. */
import { ALL_ABILITIES } from '../src/stage/abilities/all';
import { Player } from '../src/core/behave/player';
import type { Effect } from '../src/core/document/schema';
import { readPackage } from '../src/core/package/read-package';
import { takeFor } from '../src/core/takes/library/take-for';
import { STEP } from '../src/core/units';
import { createStores, loadUsed } from '../src/stage/effect/stores';
import { Stage } from '../src/stage/stage';
import { plainPicture } from '../e2e/harness/plain-picture';

export interface FrameCost {
  /** Milliseconds of our own JavaScript in each frame: behaviour, places and drawing. */
  readonly cpu: readonly number[];
  /** In a frame: calls that draw, and changes of what is drawn into. */
  readonly draws: number;
  readonly passes: number;
}

/** Calls that change or draw something, and give nothing back. */
const SILENT =
  /^(draw|uniform|vertexAttrib|buffer(Data|SubData)|tex(Image|SubImage|Storage|Parameter)|compressedTex|copyTex|bind|clear|viewport|scissor|enable|disable|blend|depth|stencil|cull|front|color|polygon|pixelStore|generate|activeTexture|useProgram|blit|framebuffer|renderbuffer|invalidate|read(Pixels|Buffer)|line|sample|hint|flush|finish)/;

const silence = (gl: WebGL2RenderingContext, count: { draws: number; passes: number }): void => {
  const own = gl as unknown as Record<string, unknown>;
  for (const name in gl) {
    if (typeof own[name] !== 'function' || !SILENT.test(name)) continue;
    if (name.startsWith('draw')) own[name] = () => void count.draws++;
    else if (name === 'bindFramebuffer') own[name] = () => void count.passes++;
    else own[name] = () => undefined;
  }
};

const FRAMES = 240;

const cost = async (effect: Effect, files: ReadonlyMap<string, Blob>): Promise<FrameCost> => {
  const stores = createStores(({ sha256 }) => Promise.resolve(files.get(sha256)!));
  const canvas = document.createElement('canvas');
  document.body.append(canvas);
  const stage = new Stage(canvas, stores, ALL_ABILITIES);
  stage.setSize(90, 160, 1);
  stage.setPicture(plainPicture('vec3(0.5)'));
  await loadUsed(stores, effect);
  const take = takeFor(effect);
  const player = new Player(effect, take);
  const { program } = player;
  const frame = (n: number): void => {
    stage.draw(take.frameAt(n * STEP), program, player.at(n * STEP));
  };
  // Everything is made and translated once, as it is.
  for (let n = 0; n < 30; n++) frame(n * 8);
  const count = { draws: 0, passes: 0 };
  silence(stage.renderer.getContext() as WebGL2RenderingContext, count);
  for (let n = 0; n < 60; n++) frame(n);
  count.draws = 0;
  count.passes = 0;
  const cpu: number[] = [];
  for (let n = 0; n < FRAMES; n++) {
    const began = performance.now();
    frame(60 + n);
    cpu.push(performance.now() - began);
  }
  stage.dispose();
  canvas.remove();
  return { cpu, draws: count.draws / FRAMES, passes: count.passes / FRAMES };
};

const stageBench = {
  /** A released effect, as its package. */
  package: async (bytes: readonly number[]): Promise<FrameCost> => {
    const { effect, files } = await readPackage(new Uint8Array(bytes));
    return cost(
      effect,
      new Map([...files].map(([sha, f]) => [sha, new Blob([f.bytes as BlobPart], { type: f.mime })])),
    );
  },
  effect: (effect: Effect): Promise<FrameCost> => cost(effect, new Map()),
};
export type StageBench = typeof stageBench;
Object.assign(window, { stageBench });
