/** Runs in a blank page: a picture of known colours, graded by the stage. */
import { ALL_ABILITIES } from '../../src/stage/abilities/all';
import {
  FramebufferTexture,
  Mesh,
  MeshBasicMaterial,
  OrthographicCamera,
  PlaneGeometry,
  Vector2,
  type WebGLRenderer,
} from 'three';
import { compile } from '../../src/core/program/program';
import { Runtime } from '../../src/core/behave/runtime';
import { blankEffect } from '../../src/core/document/defaults';
import { newGrade } from '../../src/core/kinds/objects/grade';
import type { Asset, AssetId, Effect, GradeStep, ObjectId, TableAsset } from '../../src/core/document/schema';
import { faceFrame } from '../../src/core/tracking/track-frame';
import { createStores } from '../../src/stage/effect/stores';
import { Stage } from '../../src/stage/stage';
import { PlainPicture } from './plain-picture';

const frame = faceFrame(
  0,
  { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: 1 },
  [],
);

export interface GradeSpec {
  /** GLSL of the picture's colour. */
  readonly picture: string;
  readonly steps: readonly GradeStep[];
  readonly strength?: number;
  /** A .cube file that steps with `asset_table1` use. */
  readonly cube?: string;
  readonly line?: number;
  /** Pixels along each side. */
  readonly size: number;
  /** Steps of the runtime before it is drawn. */
  readonly frames?: number;
  /** Copies the picture once and writes it back: what any work on it costs at the least. */
  readonly copy?: boolean;
}
export interface GradePage {
  /** RGBA of all pixels, row by row from the bottom. */
  draw(spec: GradeSpec): Promise<number[]>;
  /** Milliseconds a frame over `count` frames, the whole of it drawn. */
  time(spec: GradeSpec & { readonly height: number }, count: number): Promise<number>;
}

const opened = async ({ steps, strength = 1, cube, picture, line = 0, frames = 1 }: GradeSpec) => {
  const grade = { ...newGrade('obj_grade' as ObjectId, 0, steps), opacity: strength };
  const table: Asset = {
    id: 'asset_table1' as AssetId,
    name: 'table.cube',
    files: [{ sha256: '1'.repeat(64), mime: 'text/x-cube', bytes: 1 }],
    original: null,
    preview: null,
    from: null,
    kind: 'table',
    dimensions: 3,
    size: 2,
  };
  const effect: Effect = {
    ...blankEffect('Grade'),
    objects: { [grade.id]: grade },
    assets: cube === undefined ? {} : { [table.id]: table },
  };
  const stores = createStores(() => Promise.resolve(new Blob([cube ?? ''])));
  const stage = new Stage(document.createElement('canvas'), stores, ALL_ABILITIES, {
    keepPixels: true,
    smoothEdges: false,
  });
  stage.setPicture(new PlainPicture(picture));
  stage.compareLine = line;
  if (cube !== undefined) await stores.tables.load(table as TableAsset);
  const program = compile(effect);
  const runtime = new Runtime(program);
  for (let i = 0; i < frames; i++) runtime.step(frame);
  return { stage, program, runtime };
};
const close = (stage: Stage): void => {
  stage.dispose();
  stage.renderer.forceContextLoss();
};

const draw: GradePage['draw'] = async (spec) => {
  const { stage, program, runtime } = await opened(spec);
  stage.setSize(spec.size, spec.size, 1);
  stage.draw(frame, program, runtime);
  const gl = stage.renderer.getContext();
  const pixels = new Uint8Array(4 * spec.size ** 2);
  gl.readPixels(0, 0, spec.size, spec.size, gl.RGBA, gl.UNSIGNED_BYTE, pixels);
  const error = gl.getError();
  close(stage);
  if (error !== 0) throw new Error(`WebGL error ${error}`);
  return [...pixels];
};

let copied: FramebufferTexture | null = null;
const quad = new Mesh(
  new PlaneGeometry(2, 2),
  new MeshBasicMaterial({ depthTest: false, toneMapped: false }),
);
const copyOnce = (renderer: WebGLRenderer): void => {
  const size = renderer.getDrawingBufferSize(new Vector2());
  copied ??= new FramebufferTexture(size.x, size.y);
  renderer.copyFramebufferToTexture(copied);
  quad.material.map = copied;
  renderer.render(quad, new OrthographicCamera(-1, 1, 1, -1, -1, 1));
};

const time: GradePage['time'] = async (spec, count) => {
  const { stage, program, runtime } = await opened(spec);
  stage.setSize(spec.size, spec.height, 1);
  const gl = stage.renderer.getContext();
  const pixel = new Uint8Array(4);
  const once = (): number => {
    const started = performance.now();
    stage.draw(frame, program, runtime);
    if (spec.copy) copyOnce(stage.renderer);
    // Reading waits until all is drawn.
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
    return performance.now() - started;
  };
  once();
  const times = Array.from({ length: count }, once).sort((a, b) => a - b);
  close(stage);
  return times[Math.floor(count / 2)]!;
};
(window as unknown as { gradePage: GradePage }).gradePage = { draw, time };
