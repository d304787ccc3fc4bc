/** A model as simple formats know it: parts with points and materials. Becomes a glTF document. */
import { Document, type Texture } from '@gltf-transform/core';
import { sniff } from '../sniff';
import { cornerNormals } from './normals';
import { QUIET } from './quiet';

export interface PlainMaterial {
  readonly name: string;
  /** Linear light. */
  readonly colour: readonly [number, number, number];
  readonly opacity: number;
  readonly emission: readonly [number, number, number];
  readonly metallic: number;
  readonly roughness: number;
  readonly colourMap: Uint8Array | null;
  readonly normalMap: Uint8Array | null;
  readonly doubleSided: boolean;
}

export const PLAIN_MATERIAL: PlainMaterial = {
  name: 'Material',
  colour: [0.8, 0.8, 0.8],
  opacity: 1,
  emission: [0, 0, 0],
  metallic: 0,
  roughness: 0.7,
  colourMap: null,
  normalMap: null,
  doubleSided: false,
};

/** Triangles of one material in one part; corners are not shared. */
export interface PlainMesh {
  readonly part: string;
  readonly material: string;
  /** Nine numbers a triangle. */
  readonly positions: readonly number[];
  /** Six numbers a triangle, v running down as in glTF; empty when there are none. */
  readonly uvs: readonly number[];
  /** Nine numbers a triangle; empty when they have to be made. */
  readonly normals: readonly number[];
}

const MIMES: Record<string, string> = { png: 'image/png', jpeg: 'image/jpeg', webp: 'image/webp' };

/** Throws nothing: what cannot be a texture is left out. */
export const plainDocument = (
  meshes: readonly PlainMesh[],
  materials: ReadonlyMap<string, PlainMaterial>,
): Document => {
  const document = new Document().setLogger(QUIET);
  const buffer = document.createBuffer();
  const scene = document.createScene('Scene');
  const made = new Map<string, ReturnType<Document['createMaterial']>>();
  const textures = new Map<Uint8Array, Texture | null>();
  const textureOf = (bytes: Uint8Array, name: string): Texture | null => {
    const known = textures.get(bytes);
    if (known !== undefined) return known;
    const mime = MIMES[sniff(bytes)];
    const texture = mime ? document.createTexture(name).setImage(bytes).setMimeType(mime) : null;
    textures.set(bytes, texture);
    return texture;
  };
  const materialOf = (name: string) => {
    const known = made.get(name);
    if (known) return known;
    const plain = materials.get(name) ?? { ...PLAIN_MATERIAL, name: name || 'Material' };
    const material = document
      .createMaterial(plain.name)
      .setBaseColorFactor([...plain.colour, plain.opacity])
      .setEmissiveFactor([...plain.emission])
      .setMetallicFactor(plain.metallic)
      .setRoughnessFactor(plain.roughness)
      .setDoubleSided(plain.doubleSided)
      .setAlphaMode(plain.opacity < 1 ? 'BLEND' : 'OPAQUE');
    if (plain.colourMap) material.setBaseColorTexture(textureOf(plain.colourMap, `${plain.name} colour`));
    if (plain.normalMap) material.setNormalTexture(textureOf(plain.normalMap, `${plain.name} normals`));
    made.set(name, material);
    return material;
  };
  const parts = new Map<string, PlainMesh[]>();
  for (const mesh of meshes) {
    if (mesh.positions.length === 0) continue;
    const list = parts.get(mesh.part);
    if (list) list.push(mesh);
    else parts.set(mesh.part, [mesh]);
  }
  for (const [part, list] of parts) {
    const mesh = document.createMesh(part);
    for (const { positions, uvs, normals, material } of list) {
      const indices = Array.from({ length: positions.length / 3 }, (_, i) => i);
      const accessor = (type: 'VEC2' | 'VEC3', values: ArrayLike<number>) =>
        document.createAccessor().setType(type).setArray(Float32Array.from(values)).setBuffer(buffer);
      const primitive = document
        .createPrimitive()
        .setAttribute('POSITION', accessor('VEC3', positions))
        .setAttribute(
          'NORMAL',
          accessor('VEC3', normals.length === positions.length ? normals : cornerNormals(positions, indices)),
        )
        .setMaterial(materialOf(material));
      if (uvs.length * 3 === positions.length * 2)
        primitive.setAttribute('TEXCOORD_0', accessor('VEC2', uvs));
      mesh.addPrimitive(primitive);
    }
    scene.addChild(document.createNode(part).setMesh(mesh));
  }
  return document;
};
