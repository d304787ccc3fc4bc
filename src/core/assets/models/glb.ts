/** The GLB container and the structure of glTF 2.0 (ISO/IEC 12113), checked before a library is let at it. */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import { checkGltf, type GltfJson } from './gltf-structure';

export interface GlbParts {
  readonly json: GltfJson;
  /** The binary chunk; null when there is none. */
  readonly bin: Uint8Array | null;
}

const JSON_CHUNK = 0x4e4f534a;
const BIN_CHUNK = 0x004e4942;

/** The JSON of a glTF. Throws `IconiaError` `model.*` where it is none. */
export const parseGltfJson = (bytes: Uint8Array, name: string): GltfJson => {
  try {
    const json: unknown = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
    if (typeof json === 'object' && json !== null && !Array.isArray(json)) return json as GltfJson;
  } catch (cause) {
    return refuse(
      'model.broken',
      `${name} is a damaged model: its description is not JSON. Export it again.`,
      cause,
    );
  }
  return refuse('model.broken', `${name} is a damaged model: its description is empty. Export it again.`);
};

/** Throws `IconiaError`: `model.*`. Files outside the GLB are refused: it has to be whole by itself. */
export const checkGlb = (bytes: Uint8Array, name: string): GlbParts => {
  const from = new Bytes(bytes, () => cutOff('model', name));
  if (from.u32le(4) !== 2)
    refuse(
      'model.version',
      `${name} is a GLB of version ${from.u32le(4)}; version 2 is read. Export it as glTF 2.0.`,
    );
  if (from.u32le(8) > from.length) cutOff('model', name);
  const end = from.u32le(8);
  if (end < 20) cutOff('model', name);
  let json: GltfJson | null = null;
  let bin: Uint8Array | null = null;
  for (let at = 12; at + 8 <= end;) {
    const length = from.u32le(at);
    const kind = from.u32le(at + 4);
    if (at + 8 + length > end) cutOff('model', name);
    const data = from.slice(at + 8, length);
    if (!json) {
      if (kind !== JSON_CHUNK) refuse('model.broken', `${name} is a damaged GLB. Export it again.`);
      json = parseGltfJson(data, name);
    } else if (kind === BIN_CHUNK) bin ??= data;
    at += 8 + length + ((4 - (length % 4)) % 4);
  }
  if (!json) return cutOff('model', name);
  checkGltf(json, name, (_uri, index) => (index === 0 ? (bin?.length ?? 0) : 0));
  return { json, bin };
};
