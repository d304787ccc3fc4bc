/** Runs in a blank page: what one more thing of a kind costs a picture, really drawn, and what whole effects cost. */
import { ALL_ABILITIES } from '../src/stage/abilities/all';
import { Player } from '../src/core/behave/player';
import type { Effect } from '../src/core/document/schema';
import { loadOf } from '../src/core/devices/load';
import { estimate } from '../src/core/devices/estimate';
import { CLASSES } from '../src/core/devices/classes';
import { readPackage } from '../src/core/package/read-package';
import { takeFor } from '../src/core/takes/library/take-for';
import { createStores, loadUsed } from '../src/stage/effect/stores';
import { Stage } from '../src/stage/stage';
import { PlainPicture } from '../e2e/harness/plain-picture';

export interface Drawn {
  readonly draws: number;
  readonly triangles: number;
  /** Changes of what is drawn into. */
  readonly passes: number;
  /** Milliseconds of a picture, until it is there; and of our own code in it. */
  readonly whole: number;
  readonly code: number;
}

const FRAMES = 14;
const middle = (list: number[]): number => list.sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

const measure = async (
  effect: Effect,
  files: ReadonlyMap<string, Blob>,
  width: number,
  height: number,
): Promise<Drawn> => {
  const stores = createStores(({ sha256 }) => Promise.resolve(files.get(sha256)!));
  const canvas = document.createElement('canvas');
  document.body.append(canvas);
  const stage = new Stage(canvas, stores, ALL_ABILITIES);
  stage.setSize(width, height, 1);
  stage.setPicture(new PlainPicture('vec3(0.5)', 'vUv.x > 0.3 ? 1.0 : 0.0'));
  await loadUsed(stores, effect);
  const take = takeFor(effect);
  const player = new Player(effect, take);
  const gl = stage.renderer.getContext() as WebGL2RenderingContext;
  const { info } = stage.renderer;
  info.autoReset = false;
  let passes = 0;
  const bind = gl.bindFramebuffer.bind(gl);
  gl.bindFramebuffer = (...args) => {
    passes++;
    bind(...args);
  };
  const pixel = new Uint8Array(4);
  const at = (n: number): number => 2 + (n % 24) / 12;
  const frame = (n: number): void => stage.draw(take.frameAt(at(n)), player.program, player.at(at(n)));
  for (let n = 0; n < 6; n++) {
    frame(n);
    await new Promise((done) => setTimeout(done, 30));
  }
  info.reset();
  passes = 0;
  const whole: number[] = [];
  const code: number[] = [];
  for (let n = 0; n < FRAMES; n++) {
    const began = performance.now();
    frame(n);
    code.push(performance.now() - began);
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
    whole.push(performance.now() - began);
  }
  const found = {
    draws: info.render.calls / FRAMES,
    triangles: info.render.triangles / FRAMES,
    passes: passes / FRAMES,
    whole: middle(whole),
    code: middle(code),
  };
  stage.dispose();
  canvas.remove();
  return found;
};

const devicesBench = {
  effect: (effect: Effect, width: number, height: number): Promise<Drawn> =>
    measure(effect, new Map(), width, height),
  /** A released effect, measured, beside what is estimated of it for a machine that draws in software. */
  package: async (
    bytes: readonly number[],
    width: number,
    height: number,
  ): Promise<{ measured: Drawn; estimated: number }> => {
    const { effect, files } = await readPackage(new Uint8Array(bytes));
    const blobs = new Map(
      [...files].map(([sha, f]) => [sha, new Blob([f.bytes as BlobPart], { type: f.mime })] as const),
    );
    const measured = await measure(effect, blobs, width, height);
    return { measured, estimated: estimate(loadOf(effect), CLASSES.software, width * height).drawing };
  },
};
export type DevicesBench = typeof devicesBench;
Object.assign(window, { devicesBench });
