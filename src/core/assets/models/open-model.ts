/** Opens glTF and GLB models as documents, compressed ones too, and writes GLB. */
import { WebIO, type Document, type GLTF } from '@gltf-transform/core';
import { ALL_EXTENSIONS } from '@gltf-transform/extensions';
import { asRefusal, refuse } from '../refuse';
import { checkGlb, parseGltfJson } from './glb';
import { checkGltf, isDataUri } from './gltf-structure';
import type { Companions } from './companions';
import { QUIET } from './quiet';
import { cutText } from '../../text';

/** Decoders that are loaded only when a model needs them. */
export interface ModelDecoders {
  /** Module of draco3dgltf. */
  draco(): Promise<unknown>;
  /** `MeshoptDecoder` of meshoptimizer. */
  meshopt(): Promise<unknown>;
}

const ioFor = async (json: { extensionsUsed?: unknown }, decoders: ModelDecoders): Promise<WebIO> => {
  const used = new Set(Array.isArray(json.extensionsUsed) ? (json.extensionsUsed as unknown[]) : []);
  const io = new WebIO().registerExtensions(ALL_EXTENSIONS).setLogger(QUIET);
  if (used.has('KHR_draco_mesh_compression'))
    io.registerDependencies({ 'draco3d.decoder': await decoders.draco() });
  if (used.has('EXT_meshopt_compression') || used.has('KHR_meshopt_compression'))
    io.registerDependencies({ 'meshopt.decoder': await decoders.meshopt() });
  return io;
};

const damaged = (error: unknown, name: string) =>
  asRefusal(error, 'model.broken', `${name} is a damaged model and cannot be opened. Export it again.`);

/** Throws `IconiaError`: `model.*`. */
export const openGlb = async (
  bytes: Uint8Array,
  name: string,
  decoders: ModelDecoders,
): Promise<Document> => {
  const { json } = checkGlb(bytes, name);
  const images = Array.isArray(json.images) ? (json.images as { uri?: unknown }[]) : [];
  const buffers = Array.isArray(json.buffers) ? (json.buffers as { uri?: unknown }[]) : [];
  const outside = [...images, ...buffers].find(
    (item) => typeof item.uri === 'string' && !isDataUri(item.uri),
  );
  if (outside)
    refuse(
      'model.outside',
      `${name} fetches “${cutText(String(outside.uri), 80)}” from outside. Export it with everything inside, or drop the files together as glTF.`,
    );
  try {
    // The reader takes the whole array, also what may lie beyond the announced end.
    const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(8, true);
    return await (await ioFor(json, decoders)).readBinary(bytes.slice(0, length));
  } catch (error) {
    throw damaged(error, name);
  }
};

/** A `.gltf` with the files it names. Throws `IconiaError`: `model.*`. */
export const openGltf = async (
  bytes: Uint8Array,
  name: string,
  companions: Companions,
  decoders: ModelDecoders,
): Promise<{ document: Document; notes: string[] }> => {
  const json = parseGltfJson(bytes, name);
  const resources: Record<string, Uint8Array<ArrayBuffer>> = {};
  const missing: string[] = [];
  const uriOf = (item: unknown): string | null => {
    const uri = (item as { uri?: unknown } | null)?.uri;
    if (typeof uri !== 'string' || isDataUri(uri)) return null;
    if (/^[a-z][a-z0-9+.-]*:/i.test(uri))
      return refuse(
        'model.outside',
        `${name} fetches “${cutText(uri, 80)}” from outside. Export it with its files beside it.`,
      );
    return uri;
  };
  const buffers = Array.isArray(json.buffers) ? json.buffers : [];
  for (const buffer of buffers) {
    const uri = uriOf(buffer);
    if (uri === null) continue;
    const file = companions.find(uri);
    if (!file)
      refuse(
        'model.companion',
        `${name} keeps its shape in “${cutText(uri, 80)}”, which did not come along. Drop both together, or export a GLB.`,
      );
    resources[uri] = file!.slice() as Uint8Array<ArrayBuffer>;
  }
  const images = Array.isArray(json.images) ? (json.images as Record<string, unknown>[]) : [];
  for (const image of images) {
    const uri = uriOf(image);
    if (uri === null) continue;
    const file = companions.find(uri);
    if (file) resources[uri] = file.slice() as Uint8Array<ArrayBuffer>;
    else {
      missing.push(uri.replace(/^.*[\\/]/, ''));
      // A model without one of its pictures is still a model.
      delete image.uri;
      image.uri = 'data:image/png;base64,';
    }
  }
  checkGltf(json, name, (uri) => (uri === null ? 0 : (resources[uri]?.length ?? 0)));
  try {
    const io = await ioFor(json, decoders);
    const document = await io.readJSON({ json: json as unknown as GLTF.IGLTF, resources });
    for (const texture of document.getRoot().listTextures())
      if (!texture.getImage()?.length) texture.dispose();
    return {
      document,
      notes:
        missing.length > 0
          ? [
              `These pictures did not come along, so the model is plain there: ${missing.slice(0, 6).join(', ')}. Drop them together with ${name}.`,
            ]
          : [],
    };
  } catch (error) {
    throw damaged(error, name);
  }
};

/** GLB without compression: every page opens it without a decoder. */
export const writeGlb = async (document: Document): Promise<Uint8Array> => {
  const root = document.getRoot();
  for (const extension of root.listExtensionsUsed())
    if (/draco|meshopt/i.test(extension.extensionName)) extension.dispose();
  // One buffer is what a GLB holds.
  const [first, ...others] = root.listBuffers();
  const buffer = first ?? document.createBuffer();
  for (const accessor of root.listAccessors()) accessor.setBuffer(buffer);
  for (const other of others) other.dispose();
  return new WebIO().registerExtensions(ALL_EXTENSIONS).setLogger(QUIET).writeBinary(document);
};
