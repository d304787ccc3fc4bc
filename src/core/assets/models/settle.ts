/** Brings a model into the form Iconia keeps: one scene of triangles, whole numbers, pictures browsers decode. */
import { Primitive, type Accessor, type Document } from '@gltf-transform/core';
import { convertPrimitiveToTriangles, prune, unpartition } from '@gltf-transform/functions';
import type { PictureCodec, Raster } from '../raster';
import { refuse } from '../refuse';
import { sniff } from '../sniff';
import { QUIET } from './quiet';

export interface SettleTools {
  readonly codec: PictureCodec;
  /** Decodes a KTX2 texture. */
  ktx2(bytes: Uint8Array, name: string): Promise<Raster>;
}

const { TRIANGLES, TRIANGLE_STRIP, TRIANGLE_FAN } = Primitive.Mode;

/** Triangles of which a point is no number; their indices are dropped. */
const dropBroken = (primitive: Primitive, position: Accessor, document: Document): number => {
  const values = position.getArray()!;
  const bad = new Set<number>();
  for (let i = 0; i < values.length; i++) if (!Number.isFinite(values[i])) bad.add(Math.floor(i / 3));
  if (bad.size === 0) return 0;
  const indices =
    primitive.getIndices()?.getArray() ?? Uint32Array.from({ length: position.getCount() }, (_, i) => i);
  const kept: number[] = [];
  for (let i = 0; i + 2 < indices.length; i += 3) {
    const corners = [indices[i]!, indices[i + 1]!, indices[i + 2]!];
    if (corners.every((c) => !bad.has(c))) kept.push(...corners);
  }
  // The points themselves stay, as nothing, so that all lists keep their length.
  const mended = values.slice();
  for (const point of bad) mended.fill(0, point * 3, point * 3 + 3);
  position.setArray(mended as typeof values);
  primitive.setIndices(
    document
      .createAccessor()
      .setType('SCALAR')
      .setArray(Uint32Array.from(kept))
      .setBuffer(document.getRoot().listBuffers()[0] ?? document.createBuffer()),
  );
  return bad.size;
};

/** Points beyond the list: hostile files only, but a browser would draw garbage. */
const checkIndices = (primitive: Primitive, position: Accessor, name: string): void => {
  const indices = primitive.getIndices()?.getArray();
  if (!indices) return;
  const count = position.getCount();
  for (const index of indices)
    if (index >= count)
      refuse(
        'model.broken',
        `${name} is a damaged model: a triangle names point ${index}, but there are ${count}. Export it again.`,
      );
};

const settleTextures = async (document: Document, name: string, tools: SettleTools): Promise<string[]> => {
  const notes: string[] = [];
  for (const texture of document.getRoot().listTextures()) {
    const image = texture.getImage();
    const label = texture.getName() || texture.getURI() || 'a texture';
    const kind = image ? sniff(image) : 'empty';
    if (kind === 'png' || kind === 'jpeg' || kind === 'webp') {
      texture.setMimeType(`image/${kind}`);
      if (kind === 'webp') texture.setURI('');
      continue;
    }
    try {
      if (!image || (kind !== 'ktx2' && kind !== 'avif')) throw new Error(kind);
      const raster =
        kind === 'ktx2' ? await tools.ktx2(image, label) : await tools.codec.decode(image, 'image/avif');
      texture
        .setImage((await tools.codec.encode(raster, 'webp', 95)) as Uint8Array<ArrayBuffer>)
        .setMimeType('image/webp')
        .setURI('');
    } catch {
      notes.push(`The texture ${label} of ${name} cannot be read and is left out.`);
      texture.dispose();
    }
  }
  const root = document.getRoot();
  if (root.listTextures().some((t) => t.getMimeType() === 'image/webp')) {
    const { EXTTextureWebP } = await import('@gltf-transform/extensions');
    document.createExtension(EXTTextureWebP).setRequired(true);
  }
  for (const extension of root.listExtensionsUsed())
    if (/basisu|texture_avif/.test(extension.extensionName)) extension.dispose();
  return notes;
};

/** Changes the document. Gives sentences on what was left out. Throws `IconiaError`: `model.*`. */
export const settleModel = async (
  document: Document,
  name: string,
  tools: SettleTools,
): Promise<string[]> => {
  document.setLogger(QUIET);
  const root = document.getRoot();
  const notes: string[] = [];
  const scene = root.getDefaultScene() ?? root.listScenes()[0];
  if (!scene) return refuse('model.empty', `${name} has no scene: there is nothing to see. Export it again.`);
  for (const other of root.listScenes()) if (other !== scene) other.dispose();
  root.setDefaultScene(scene);
  for (const camera of root.listCameras()) camera.dispose();
  for (const extension of root.listExtensionsUsed())
    if (extension.extensionName === 'KHR_lights_punctual') {
      notes.push(`The lights of ${name} are left out; lights are objects of the effect.`);
      extension.dispose();
    }
  let lines = 0;
  let broken = 0;
  let triangles = 0;
  for (const mesh of root.listMeshes())
    for (const primitive of mesh.listPrimitives()) {
      const position = primitive.getAttribute('POSITION');
      const mode = primitive.getMode();
      if (
        !position ||
        position.getType() !== 'VEC3' ||
        ![TRIANGLES, TRIANGLE_STRIP, TRIANGLE_FAN].includes(mode as 4)
      ) {
        if (position) lines++;
        mesh.removePrimitive(primitive);
        primitive.dispose();
        continue;
      }
      checkIndices(primitive, position, name);
      if (mode !== TRIANGLES) convertPrimitiveToTriangles(primitive);
      broken += dropBroken(primitive, position, document);
      triangles += Math.floor((primitive.getIndices()?.getCount() ?? position.getCount()) / 3);
      if (!(primitive.getIndices()?.getCount() ?? position.getCount())) {
        mesh.removePrimitive(primitive);
        primitive.dispose();
      }
    }
  if (lines > 0)
    notes.push(`Lines and single points of ${name} are left out: ${lines} of its meshes have no surface.`);
  if (broken > 0)
    notes.push(`${broken} points of ${name} are no numbers; they were left out with their triangles.`);
  if (triangles === 0)
    refuse('model.empty', `${name} has no triangles: there is nothing to see. Export its surface.`);
  notes.push(...(await settleTextures(document, name, tools)));
  await document.transform(
    unpartition(),
    prune({
      keepAttributes: true,
      keepLeaves: true,
      keepSolidTextures: true,
      propertyTypes: [
        'Mesh',
        'Primitive',
        'PrimitiveTarget',
        'Accessor',
        'Texture',
        'Skin',
        'Camera',
        'Buffer',
      ],
    }),
  );
  return notes;
};
