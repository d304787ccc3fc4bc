/** Runs in a blank page: a surface that fills the picture, in a material, drawn by the stage. */
import { ALL_ABILITIES } from '../../src/stage/abilities/all';
import { compile } from '../../src/core/program/program';
import { Runtime } from '../../src/core/behave/runtime';
import { blankEffect, newPicture } from '../../src/core/document/defaults';
import { newMaterial } from '../../src/core/document/new-material';
import { NEUTRAL_FACE } from '../../src/core/face/neutral';
import { headAnchor } from '../../src/core/kinds/objects/placed';
import { newSolid } from '../../src/core/kinds/objects/solid';
import { newFill } from '../../src/core/kinds/objects/fill';
import type {
  AssetId,
  BlendMode,
  SurfaceCircuit,
  Effect,
  Material,
  MaterialId,
  ObjectId,
  Solid,
} from '../../src/core/document/schema';
import { compileCircuit } from '../../src/core/surface/compile';
import { faceFrame, type Expressions, type TrackedFace } from '../../src/core/tracking/track-frame';
import { createStores, loadUsed } from '../../src/stage/effect/stores';
import { Stage } from '../../src/stage/stage';
import { markOf } from '../../src/stage/surface/compiled-surfaces';
import { PlainPicture } from './plain-picture';

export interface SurfaceSpec {
  readonly circuit: SurfaceCircuit | null;
  readonly look?: Partial<Material>;
  /** Pixels along each side. */
  readonly size: number;
  /** Steps of the runtime before it is drawn. */
  readonly frames?: number;
  readonly expressions?: Expressions;
  /** About its upright axis, degrees. */
  readonly turn?: number;
  readonly opacity?: number;
  readonly blend?: BlendMode;
  /** GLSL of the camera picture's colour. */
  readonly behind?: string;
  /** A white ball before a face instead, with no light of its own. */
  readonly ball?: boolean;
  /** A picture for sources with `asset_map01`: pixels as RGBA, this wide. */
  readonly map?: { readonly width: number; readonly pixels: readonly number[]; readonly mime?: string };
}
export interface DrawnSurface {
  /** RGBA of all pixels, row by row from the bottom. */
  readonly pixels: readonly number[];
  /** The fields of its texts, by what they say. */
  readonly fields: Readonly<
    Record<string, { width: number; height: number; values: readonly number[]; line: number }>
  >;
  /** What the driver said, if it refused the circuit. */
  readonly fault: string | null;
}
export interface SurfacePage {
  draw(spec: SurfaceSpec): Promise<DrawnSurface>;
  /** Milliseconds from a circuit to a drawn frame with it: in core, and with the program of the graphics. */
  compileTime(circuit: SurfaceCircuit, size: number): Promise<{ core: number; drawn: number }>;
  /** Milliseconds a frame while `changes` values of materials are set a frame, and without. */
  changeTime(
    circuit: SurfaceCircuit,
    size: number,
    frames: number,
  ): Promise<{ still: number; changing: number }>;
}

const MAP = 'asset_map01' as AssetId;

const ballOf = (id: ObjectId): Solid => ({
  ...newSolid(id, 'sphere', 0, headAnchor('noseTip')),
  extent: [0.1, 0.1, 0.1],
  colour: '#ffffff',
});

const effectOf = (spec: SurfaceSpec): Effect => {
  const material = newMaterial('mat_test1' as MaterialId, 'Test', {
    shading: 'unlit',
    ...spec.look,
    circuit: spec.circuit,
  });
  const fill = {
    ...newFill('obj_fill1' as ObjectId, 0, { kind: 'screen', pin: 'centre' }),
    // Turned, it lies free and is large enough to fill the picture all the same.
    ...(spec.turn
      ? { fit: 'free' as const, extent: [0.6, 0.4] as [number, number] }
      : { fit: 'stretch' as const, extent: [1, 1] as [number, number] }),
    material: material.id,
    opacity: spec.opacity ?? 1,
    blend: spec.blend ?? 'normal',
    turn: [0, spec.turn ?? 0, 0] as [number, number, number],
    doubleSided: true,
  };
  const map = spec.map
    ? newPicture(
        MAP,
        'map.png',
        { sha256: '2'.repeat(64), mime: 'image/png', bytes: 1 },
        spec.map.width,
        spec.map.pixels.length / 4 / spec.map.width,
      )
    : null;
  return {
    ...blankEffect('Surface'),
    objects: { [fill.id]: spec.ball ? ballOf(fill.id) : fill },
    materials: { [material.id]: material },
    assets: map ? { [map.id]: map } : {},
  };
};

const pngOf = async ({ width, pixels }: NonNullable<SurfaceSpec['map']>): Promise<Blob> => {
  const height = pixels.length / 4 / width;
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.putImageData(new ImageData(Uint8ClampedArray.from(pixels), width), 0, 0);
  return canvas.convertToBlob();
};

const opened = async (spec: SurfaceSpec) => {
  const effect = effectOf(spec);
  const stores = createStores(() => (spec.map ? pngOf(spec.map) : Promise.reject(new Error('none'))));
  await loadUsed(stores, effect);
  const stage = new Stage(document.createElement('canvas'), stores, ALL_ABILITIES, {
    keepPixels: true,
    smoothEdges: false,
  });
  stage.setPicture(new PlainPicture(spec.behind ?? 'vec3(0.0)'));
  const face: TrackedFace = {
    id: 1,
    pose: { position: [0, 0, -0.5], rotation: [0, 0, 0, 1] },
    landmarks: Float32Array.from({ length: 478 * 3 }, (_, i) => (spec.ball ? (NEUTRAL_FACE[i] ?? 0) : 0)),
    expressions: spec.expressions ?? {},
    confidence: 1,
  };
  const frame = faceFrame(
    0,
    { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: 1 },
    spec.expressions || spec.ball ? [face] : [],
  );
  const program = compile(effect);
  const runtime = new Runtime(program);
  for (let i = 0; i < (spec.frames ?? 1); i++) runtime.step(frame);
  stage.setSize(spec.size, spec.size, 1);
  return { effect, stores, stage, frame, program, runtime };
};
const close = (stage: Stage): void => {
  stage.dispose();
  stage.renderer.forceContextLoss();
};

const draw: SurfacePage['draw'] = async (spec) => {
  const { stage, frame, program, runtime, stores } = await opened(spec);
  stage.draw(frame, program, runtime);
  // A circuit that was refused is left out from the next picture on.
  stage.draw(frame, program, runtime);
  const gl = stage.renderer.getContext();
  const pixels = new Uint8Array(4 * spec.size ** 2);
  gl.readPixels(0, 0, spec.size, spec.size, gl.RGBA, gl.UNSIGNED_BYTE, pixels);
  const error = gl.getError();
  const surface = spec.circuit && compileCircuit(spec.circuit);
  const fields = Object.fromEntries(
    (surface?.texts ?? []).map(({ text }) => {
      const { field, line } = stores.texts.get(text, stores.fonts.get(null))!;
      return [text, { width: field.width, height: field.height, values: [...field.values], line }];
    }),
  );
  const fault = surface ? stores.faults.of(markOf(surface)) : null;
  close(stage);
  // Drawing with a program that was refused is one.
  if (error !== 0 && fault === null) throw new Error(`WebGL error ${error}`);
  return { pixels: [...pixels], fields, fault };
};

const finish = (stage: Stage): void => {
  const gl = stage.renderer.getContext();
  gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
};

const compileTime: SurfacePage['compileTime'] = async (circuit, size) => {
  const plain = await opened({ circuit: null, size });
  plain.stage.draw(plain.frame, plain.program, plain.runtime);
  finish(plain.stage);
  const started = performance.now();
  compileCircuit(circuit);
  const core = performance.now() - started;
  const program = compile(effectOf({ circuit, size }));
  const before = performance.now();
  plain.stage.draw(plain.frame, program, new Runtime(program));
  finish(plain.stage);
  const first = performance.now() - before;
  const again = performance.now();
  plain.stage.draw(plain.frame, program, plain.runtime);
  finish(plain.stage);
  const drawn = first - (performance.now() - again);
  close(plain.stage);
  return { core, drawn };
};

const changeTime: SurfacePage['changeTime'] = async (circuit, size, frames) => {
  const { stage, frame, effect, program } = await opened({ circuit, size });
  const run = (change: boolean): number => {
    const runtime = new Runtime(program);
    let sum = 0;
    for (let i = 0; i < frames; i++) {
      let now = program;
      if (change) {
        const id = 'mat_test1' as MaterialId;
        const material = effect.materials[id]!;
        const node = Object.values(material.circuit!).find((n) => n.type === 'smoothstep')!;
        const next: Effect = {
          ...effect,
          materials: {
            [id]: {
              ...material,
              colour: `#${(i % 100).toString().padStart(2, '0')}8090`,
              circuit: {
                ...material.circuit,
                [node.id]: { ...node, values: { ...node.values, to: 0.2 + 0.001 * i } },
              },
            },
          },
        };
        now = compile(next);
      }
      const started = performance.now();
      stage.draw(frame, now, runtime);
      finish(stage);
      if (i > 0) sum += performance.now() - started;
    }
    return sum / (frames - 1);
  };
  run(false);
  const still = run(false);
  const changing = run(true);
  close(stage);
  return { still, changing };
};

const page: SurfacePage = { draw, compileTime, changeTime };
(window as unknown as { surfacePage: SurfacePage }).surfacePage = page;
