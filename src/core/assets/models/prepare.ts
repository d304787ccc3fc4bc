/**
 * Repairs of a model, always from the original: which axis is up, size, pivot, triangles, unused data, textures.
 *
 *   const { document, deviation } = await prepareModel(original, { ...AS_IT_IS, size: { kind: 'head', as: 'crown' } }, tools);
 */
import { PropertyType, type Document, type Node } from '@gltf-transform/core';
import { EXTTextureWebP } from '@gltf-transform/extensions';
import {
  cloneDocument,
  dedup,
  dequantize,
  listTextureSlots,
  prune,
  quantize,
  simplifyPrimitive,
  weld,
} from '@gltf-transform/functions';
import type { ModelPrep, Pivot } from '../../schema/asset-schema';
import { wornFactor } from './worn-as';
import { fromAngles, IDENTITY, rotate, type Quaternion } from '../../maths/quaternion';
import { add, scale, type Vec3 } from '../../maths/vec3';
import { shrink, within, type PictureCodec } from '../raster';
import { PLACED } from '../../schema/asset-schema';
import { boundsOf } from './bounds';
import { nodesInOrder, sceneOf, worldTriangles } from './inspect';
import { QUIET } from './quiet';
import { deviationBetween, type Deviation } from '../../maths/surface-distance';

export interface PrepareTools {
  readonly codec: PictureCodec;
  /** `MeshoptSimplifier` of meshoptimizer, ready. */
  simplifier(): Promise<unknown>;
  progress?(share: number): void;
}

export interface PreparedModel {
  readonly document: Document;
  /** How far the surface moved through simplification; null when it was not simplified. */
  readonly deviation: Deviation | null;
}

/** Turns the axis that points up in the file to where it points up here. */
const UPRIGHT: Record<ModelPrep['up'], Quaternion> = {
  y: IDENTITY,
  z: fromAngles([-90, 0, 0]),
  x: fromAngles([0, 0, 90]),
};

/** The lowest part of a model: what stands on the floor or on the head. */
const baseOf = (points: ArrayLike<number>): { low: Vec3; high: Vec3 } => {
  const { low, high } = boundsOf(points);
  const limit = low[1] + (high[1] - low[1]) * 0.15;
  const base: number[] = [];
  for (let i = 0; i < points.length; i += 3)
    if (points[i + 1]! <= limit + 1e-9) base.push(points[i]!, points[i + 1]!, points[i + 2]!);
  return base.length > 0 ? boundsOf(base) : { low, high };
};

const factorOf = (size: ModelPrep['size'], points: ArrayLike<number>): number => {
  if (size.kind === 'factor') return size.factor;
  if (size.kind === 'head') return wornFactor(points, size.as);
  const { low, high } = boundsOf(points);
  const longest = Math.max(...[0, 1, 2].map((k) => high[k]! - low[k]!));
  return longest > 0 ? size.metres / longest : 1;
};

const turned = (points: Float32Array, by: Quaternion): Float32Array => {
  if (by === IDENTITY) return points;
  const out = new Float32Array(points.length);
  for (let i = 0; i < points.length; i += 3)
    out.set(rotate(by, [points[i]!, points[i + 1]!, points[i + 2]!]), i);
  return out;
};

const middle = ({ low, high }: { low: Vec3; high: Vec3 }): Vec3 => scale(add(low, high), 0.5);

/** The point that becomes the origin, in the space the points are given in. */
const pivotPoint = (pivot: Pivot, points: Float32Array, document: Document, up: Quaternion): Vec3 => {
  switch (pivot.kind) {
    case 'kept':
      return [0, 0, 0];
    case 'centre':
      return middle(boundsOf(points));
    case 'base': {
      const [x, , z] = middle(baseOf(points));
      return [x, boundsOf(points).low[1], z];
    }
    case 'part': {
      const part = nodesInOrder(document)[pivot.part]?.node;
      if (!part) return [0, 0, 0];
      const below: number[] = [];
      const family = new Set<Node>();
      const collect = (node: Node): void => {
        family.add(node);
        node.listChildren().forEach(collect);
      };
      collect(part);
      for (const node of family) {
        const position =
          node
            .getMesh()
            ?.listPrimitives()
            .map((p) => p.getAttribute('POSITION')!) ?? [];
        const m = node.getWorldMatrix();
        const e: number[] = [];
        for (const list of position)
          for (let i = 0; i < list.getCount(); i++) {
            const [x, y, z] = list.getElement(i, e) as [number, number, number];
            below.push(
              ...rotate(
                up,
                [0, 1, 2].map(
                  (r) => m[r]! * x + m[4 + r]! * y + m[8 + r]! * z + m[12 + r]!,
                ) as unknown as Vec3,
              ),
            );
          }
      }
      return below.length > 0 ? middle(boundsOf(below)) : rotate(up, part.getWorldTranslation());
    }
  }
};

/** Puts everything under one node that turns, sizes and moves it; clips and skins go along. */
const place = (document: Document, prep: ModelPrep): void => {
  const up = UPRIGHT[prep.up];
  const points = turned(worldTriangles(document), up);
  const factor = factorOf(prep.size, points);
  const origin = scale(pivotPoint(prep.pivot, points, document, up), -factor);
  if (factor === 1 && up === IDENTITY && origin.every((x) => x === 0)) return;
  const scene = sceneOf(document);
  const top = document
    .createNode(PLACED)
    .setRotation([...up])
    .setScale([factor, factor, factor])
    .setTranslation([origin[0] + 0, origin[1] + 0, origin[2] + 0]);
  for (const child of scene.listChildren()) {
    scene.removeChild(child);
    top.addChild(child);
  }
  scene.addChild(top);
};

const trianglesIn = (document: Document): number =>
  document
    .getRoot()
    .listMeshes()
    .flatMap((mesh) => mesh.listPrimitives())
    .reduce(
      (sum, p) =>
        sum + Math.floor((p.getIndices()?.getCount() ?? p.getAttribute('POSITION')!.getCount()) / 3),
      0,
    );

/**
 * Takes triangles away until at most `budget` are left, where they change the surface least (Garland and
 * Heckbert, "Surface Simplification Using Quadric Error Metrics", 1997, as meshoptimizer does it). Small parts
 * keep a share that leaves them a shape.
 */
const simplify = async (document: Document, budget: number, tools: PrepareTools): Promise<void> => {
  const total = trianglesIn(document);
  if (total <= budget) return;
  await document.transform(dequantize(), weld());
  const simplifier = await tools.simplifier();
  // Seams and borders hold the simplifier back; what it leaves too many is asked for again.
  for (let round = 0; round < 4; round++) {
    const now = trianglesIn(document);
    if (now <= budget) return;
    const ratio = (budget / now) * (round === 0 ? 1 : 0.95);
    const primitives = document
      .getRoot()
      .listMeshes()
      .flatMap((mesh) => mesh.listPrimitives());
    primitives.forEach((primitive, i) => {
      if ((primitive.getIndices()?.getCount() ?? 0) / 3 > 16)
        simplifyPrimitive(primitive, { simplifier, ratio, error: round === 0 ? 1 : 10, lockBorder: false });
      tools.progress?.(0.1 + 0.6 * ((i + 1) / primitives.length));
    });
  }
};

const compressTextures = async (
  document: Document,
  { longest, format, quality }: NonNullable<ModelPrep['textures']>,
  tools: PrepareTools,
): Promise<void> => {
  const textures = document.getRoot().listTextures();
  for (const [i, texture] of textures.entries()) {
    const image = texture.getImage();
    if (!image) continue;
    const picture = await tools.codec.decode(image, texture.getMimeType());
    const size = within(picture.width, picture.height, longest);
    const smaller = shrink(picture, size.width, size.height);
    // JPEG has no transparency, so what needs it is kept in a format that has.
    const needsAlpha = format === 'jpeg' && hasAlpha(smaller.data);
    const kept = needsAlpha ? 'webp' : format;
    // Blocks in a normal map show as dents.
    const slots = listTextureSlots(texture);
    const fine = slots.some((slot) => /normal/i.test(slot)) ? Math.max(quality, 90) : quality;
    const bytes = await tools.codec.encode(smaller, kept, fine);
    if (bytes.length < image.length || smaller !== picture)
      texture
        .setImage(bytes as Uint8Array<ArrayBuffer>)
        .setMimeType(`image/${kept}`)
        .setURI('');
    tools.progress?.(0.7 + 0.25 * ((i + 1) / textures.length));
  }
  const webp = textures.some((t) => t.getMimeType() === 'image/webp');
  const extension = document.createExtension(EXTTextureWebP);
  if (webp) extension.setRequired(true);
  else extension.dispose();
};

const hasAlpha = (data: ArrayLike<number>): boolean => {
  for (let i = 3; i < data.length; i += 4) if (data[i]! < 255) return true;
  return false;
};

/** Stores numbers in fewer bits; what they replace is dropped. */
export const packNumbers = async (document: Document): Promise<void> => {
  await document.transform(
    quantize({ cleanup: false }),
    prune({ propertyTypes: [PropertyType.ACCESSOR], keepAttributes: true }),
  );
};

/** Works on a copy; the original stays as it is. */
export const prepareModel = async (
  original: Document,
  prep: ModelPrep,
  tools: PrepareTools,
): Promise<PreparedModel> => {
  const document = cloneDocument(original).setLogger(QUIET);
  let deviation: Deviation | null = null;
  // First, since it names parts and sizes as they are in the original.
  place(document, prep);
  if (prep.weld) await document.transform(dequantize(), weld());
  tools.progress?.(0.05);
  if (prep.triangles !== null && trianglesIn(document) > prep.triangles) {
    const before = worldTriangles(document);
    await simplify(document, prep.triangles, tools);
    deviation = deviationBetween(before, worldTriangles(document));
  }
  if (prep.prune) await document.transform(dedup(), prune({ keepAttributes: false, keepLeaves: false }));
  if (prep.textures) await compressTextures(document, prep.textures, tools);
  if (prep.pack) await packNumbers(document);
  tools.progress?.(1);
  return { document, deviation };
};
