/** Runs in a blank page: cards of every blend mode over a picture of known colour, drawn by the stage. */
import { ALL_ABILITIES } from '../../src/stage/abilities/all';
import { compile } from '../../src/core/program/program';
import { Runtime } from '../../src/core/behave/runtime';
import { blankEffect, newPicture } from '../../src/core/document/defaults';
import { newCard } from '../../src/core/kinds/objects/card';
import { newOccluder } from '../../src/core/kinds/objects/occluder';
import { newSolid } from '../../src/core/kinds/objects/solid';
import type {
  AssetId,
  BlendMode,
  Card,
  Effect,
  ObjectId,
  PictureAsset,
  Solid,
} from '../../src/core/document/schema';
import { NEUTRAL_FACE } from '../../src/core/face/neutral';
import { faceFrame } from '../../src/core/tracking/track-frame';
import { createStores } from '../../src/stage/effect/stores';
import { Stage } from '../../src/stage/stage';
import { plainPicture } from './plain-picture';

type Rgb = readonly [number, number, number];

const frame = faceFrame(0, { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: 1 }, [
  {
    id: 1,
    pose: { position: [0, 0, -0.6], rotation: [0, 0, 0, 1] },
    landmarks: Float32Array.from(NEUTRAL_FACE),
    expressions: {},
    confidence: 1,
  },
]);

export interface CardSpec {
  readonly colour: Rgb;
  readonly alpha: number;
  readonly opacity?: number;
  readonly tint?: string;
  readonly blend?: BlendMode;
  /** Metres in front of the middle of the head. */
  readonly z?: number;
  readonly turnY?: number;
  readonly doubleSided?: boolean;
}

/** The colour in the middle of the picture with the cards on it, the first on top. */
export interface BlendPage {
  draw(backdrop: Rgb, cards: readonly CardSpec[], occluder?: boolean): Promise<number[]>;
  /** The same with a box, lit. */
  drawSolid(backdrop: Rgb, colour: string, blend: BlendMode, opacity: number): Promise<number[]>;
}

/** One stage for all of them: a new one would compile its programs anew for each picture. */
const pictures = new Map<string, Blob>();
const stores = createStores(({ sha256 }) => Promise.resolve(pictures.get(sha256)!));
const stage = new Stage(document.createElement('canvas'), stores, ALL_ABILITIES, {
  keepPixels: true,
  smoothEdges: false,
});
stage.setSize(64, 64, 1);

const draw: BlendPage['draw'] = async (backdrop, cards, occluder = false) => {
  let effect: Effect = blankEffect('Blend');
  for (const [i, spec] of cards.entries()) {
    const canvas = new OffscreenCanvas(4, 4);
    const g = canvas.getContext('2d')!;
    const image = g.createImageData(4, 4);
    for (let p = 0; p < 16; p++) image.data.set([...spec.colour, Math.round(spec.alpha * 255)], 4 * p);
    g.putImageData(image, 0, 0);
    const made = pictures.size;
    const file = { sha256: made.toString(16).padStart(64, '0'), mime: 'image/png' as const, bytes: 1 };
    const asset = newPicture(`asset_card${made}` as AssetId, 'card.png', file, 4, 4);
    pictures.set(file.sha256, await canvas.convertToBlob());
    const id = `obj_card${i}` as ObjectId;
    const card: Card = {
      ...newCard(id, asset, i),
      anchor: { kind: 'head', face: 1, point: 'headCentre', grows: false },
      move: [0, 0, spec.z ?? 0.15],
      turn: [0, spec.turnY ?? 0, 0],
      extent: [0.2, 0.2],
      opacity: spec.opacity ?? 1,
      tint: spec.tint ?? '#ffffff',
      blend: spec.blend ?? 'normal',
      doubleSided: spec.doubleSided ?? true,
    };
    effect = {
      ...effect,
      assets: { ...effect.assets, [asset.id]: asset },
      objects: { ...effect.objects, [id]: card },
    };
  }
  if (occluder) {
    const id = 'obj_occluder' as ObjectId;
    effect = { ...effect, objects: { ...effect.objects, [id]: newOccluder(id, 99) } };
  }
  return drawn(backdrop, effect);
};

const drawn = async (backdrop: Rgb, effect: Effect): Promise<number[]> => {
  stage.setPicture(plainPicture(`vec3(${backdrop.map((c) => (c / 255).toFixed(6)).join(',')})`));
  await Promise.all(Object.values(effect.assets).map((asset) => stores.textures.load(asset as PictureAsset)));
  const program = compile(effect);
  const runtime = new Runtime(program);
  runtime.step(frame);
  stage.draw(frame, program, runtime);
  const gl = stage.renderer.getContext();
  const pixel = new Uint8Array(4);
  gl.readPixels(32, 32, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
  return [...pixel];
};

const drawSolid: BlendPage['drawSolid'] = (backdrop, colour, blend, opacity) => {
  const anchor = { kind: 'head', face: 1, point: 'headCentre', grows: false } as const;
  const box: Solid = {
    ...newSolid('obj_box1' as ObjectId, 'box', 0, anchor),
    move: [0, 0, 0.1],
    extent: [0.2, 0.2, 0.1],
    colour,
    blend,
    opacity,
  };
  return drawn(backdrop, { ...blankEffect('Blend'), objects: { [box.id]: box } });
};
(window as unknown as { blendPage: BlendPage }).blendPage = { draw, drawSolid };
