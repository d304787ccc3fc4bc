/** Meshes by rule: surfaces of revolution, tubes, bent sheets; put together as glTF documents. */
import { Document, type Material, type Mesh, type Node } from '@gltf-transform/core';
import { KHRMaterialsClearcoat, KHRMaterialsSheen } from '@gltf-transform/extensions';
import { boundsOf } from '../../src/core/assets/models/bounds';
import { sceneOf, worldTriangles } from '../../src/core/assets/models/inspect';
import type { Vec3 } from '../../src/core/maths/vec3';
import { cross, normalise, subtract } from '../../src/core/maths/vec3';

export interface Shape {
  readonly positions: number[];
  readonly normals: number[];
  readonly uvs: number[];
  readonly indices: number[];
}

/**
 * A grid of points over (u, v) in 0..1: `at(u, v)` gives each. Normals follow from the neighbours; seams that
 * close share their direction.
 */
export const grid = (columns: number, rows: number, at: (u: number, v: number) => Vec3): Shape => {
  const shape: Shape = { positions: [], normals: [], uvs: [], indices: [] };
  const e = 1e-4;
  for (let j = 0; j <= rows; j++)
    for (let i = 0; i <= columns; i++) {
      const [u, v] = [i / columns, j / rows];
      shape.positions.push(...at(u, v));
      const du = subtract(at(u + e, v), at(u - e, v));
      // At a pole one direction vanishes: it is looked at from just beside.
      const safe = Math.min(1 - 2 * e, Math.max(2 * e, v));
      const side = Math.hypot(...du) < 1e-9 ? subtract(at(u + e, safe), at(u - e, safe)) : du;
      const dv = subtract(at(u, safe + e), at(u, safe - e));
      shape.normals.push(...normalise(cross(dv, side)));
      shape.uvs.push(u, v);
    }
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      const a = j * (columns + 1) + i;
      shape.indices.push(a, a + columns + 1, a + 1, a + 1, a + columns + 1, a + columns + 2);
    }
  return shape;
};

/** A profile (radius, height) turned about the y axis, from the top down. */
export const revolve = (profile: (v: number) => readonly [number, number], around = 48, along = 32): Shape =>
  grid(around, along, (u, v) => {
    const [r, y] = profile(v);
    const a = u * 2 * Math.PI;
    return [r * Math.sin(a), y, r * Math.cos(a)];
  });

export const sphere = (radius: number, centre: Vec3 = [0, 0, 0], around = 32, along = 20): Shape =>
  moved(
    revolve((v) => [radius * Math.sin(v * Math.PI), radius * Math.cos(v * Math.PI)], around, along),
    centre,
  );

/** A tube of a radius along a path; `radius` may vary. */
export const tube = (
  path: (t: number) => Vec3,
  radius: (t: number) => number,
  along = 48,
  around = 12,
): Shape => {
  const direction = (t: number): Vec3 => normalise(subtract(path(t + 1e-3), path(t - 1e-3)));
  // One direction for the whole tube, so that it does not twist: the axis that the path runs along the least.
  const directions = Array.from({ length: along + 1 }, (_, i) => direction(i / along));
  const most = [0, 1, 2].map((axis) => Math.max(...directions.map((d) => Math.abs(d[axis]!))));
  const least = most.indexOf(Math.min(...most));
  const up = [0, 1, 2].map((axis) => (axis === least ? 1 : 0)) as unknown as Vec3;
  const frame = (t: number): { p: Vec3; n: Vec3; b: Vec3 } => {
    const d = direction(t);
    const n = normalise(cross(up, d));
    return { p: path(t), n, b: cross(d, n) };
  };
  return grid(around, along, (u, v) => {
    const { p, n, b } = frame(v);
    const a = -u * 2 * Math.PI;
    const r = radius(v);
    const [c, s] = [r * Math.cos(a), r * Math.sin(a)];
    return [p[0] + c * n[0] + s * b[0], p[1] + c * n[1] + s * b[1], p[2] + c * n[2] + s * b[2]];
  });
};

export const moved = (shape: Shape, by: Vec3): Shape =>
  mapped(shape, (p) => [p[0] + by[0], p[1] + by[1], p[2] + by[2]]);

/** Moves every point; normals are kept unless `turn` is given. */
export const mapped = (shape: Shape, point: (p: Vec3) => Vec3, turn?: (n: Vec3) => Vec3): Shape => {
  const [positions, normals]: [number[], number[]] = [[], []];
  for (let i = 0; i < shape.positions.length; i += 3) {
    positions.push(...point([shape.positions[i]!, shape.positions[i + 1]!, shape.positions[i + 2]!]));
    const n: Vec3 = [shape.normals[i]!, shape.normals[i + 1]!, shape.normals[i + 2]!];
    normals.push(...(turn ? normalise(turn(n)) : n));
  }
  return { ...shape, positions, normals };
};

/** The mirror image across the plane between above and below; its triangles still face outwards. */
export const turnedOver = (shape: Shape, scale = 1): Shape => {
  const over = mapped(
    shape,
    ([x, y, z]) => [x, -y * scale, z],
    ([x, y, z]) => [x, -y / scale, z],
  );
  const indices: number[] = [];
  for (let i = 0; i < shape.indices.length; i += 3)
    indices.push(shape.indices[i]!, shape.indices[i + 2]!, shape.indices[i + 1]!);
  return { ...over, indices };
};

/** Moves what hangs in the scene so that it stands on its base, with its middle over the origin. */
export const stand = (document: Document): void => {
  const { low, high } = boundsOf(worldTriangles(document));
  for (const node of sceneOf(document).listChildren()) {
    const [x, y, z] = node.getTranslation();
    node.setTranslation([x - (low[0] + high[0]) / 2, y - low[1], z - (low[2] + high[2]) / 2]);
  }
};

export const joined = (...shapes: readonly Shape[]): Shape => {
  const out: Shape = { positions: [], normals: [], uvs: [], indices: [] };
  for (const s of shapes) {
    const offset = out.positions.length / 3;
    for (const x of s.positions) out.positions.push(x);
    for (const x of s.normals) out.normals.push(x);
    for (const x of s.uvs) out.uvs.push(x);
    for (const i of s.indices) out.indices.push(i + offset);
  }
  return out;
};

/** The box between two corners, with hard edges. */
export const box = (low: Vec3, high: Vec3): Shape => {
  const out: Shape = { positions: [], normals: [], uvs: [], indices: [] };
  for (const axis of [0, 1, 2])
    for (const side of [0, 1]) {
      const [b, c] = [(axis + 1) % 3, (axis + 2) % 3];
      const start = out.positions.length / 3;
      for (const [s, t] of [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const) {
        const p = [0, 0, 0];
        p[axis] = side ? high[axis]! : low[axis]!;
        p[b] = s ? high[b]! : low[b]!;
        p[c] = t ? high[c]! : low[c]!;
        const n = [0, 0, 0];
        n[axis] = side ? 1 : -1;
        out.positions.push(...p);
        out.normals.push(...n);
        out.uvs.push(s, 1 - t);
      }
      const order = side ? [0, 1, 2, 0, 2, 3] : [0, 2, 1, 0, 3, 2];
      out.indices.push(...order.map((i) => start + i));
    }
  return out;
};

/** Puts models together. */
export class Maker {
  readonly document = new Document();
  readonly buffer = this.document.createBuffer();
  readonly scene = this.document.createScene('Scene');

  accessor(
    type: 'SCALAR' | 'VEC2' | 'VEC3' | 'VEC4',
    values: Float32Array | Uint16Array | Uint32Array | Uint8Array,
  ) {
    return this.document
      .createAccessor()
      .setType(type)
      .setArray(values as Float32Array<ArrayBuffer>)
      .setBuffer(this.buffer);
  }

  material(
    name: string,
    colour: readonly [number, number, number],
    {
      metallic = 0,
      roughness = 0.5,
      opacity = 1,
      emission = [0, 0, 0] as readonly [number, number, number],
      clearcoat = 0,
      sheen = 0,
      twoSided = false,
    } = {},
  ): Material {
    const material = this.document
      .createMaterial(name)
      .setBaseColorFactor([...colour, opacity])
      .setMetallicFactor(metallic)
      .setRoughnessFactor(roughness)
      .setEmissiveFactor([...emission])
      .setAlphaMode(opacity < 1 ? 'BLEND' : 'OPAQUE')
      .setDoubleSided(twoSided);
    if (clearcoat > 0)
      material.setExtension(
        'KHR_materials_clearcoat',
        this.document
          .createExtension(KHRMaterialsClearcoat)
          .createClearcoat()
          .setClearcoatFactor(clearcoat)
          .setClearcoatRoughnessFactor(0.1),
      );
    if (sheen > 0)
      material.setExtension(
        'KHR_materials_sheen',
        this.document
          .createExtension(KHRMaterialsSheen)
          .createSheen()
          .setSheenColorFactor([sheen, sheen, sheen])
          .setSheenRoughnessFactor(0.4),
      );
    return material;
  }

  mesh(name: string, shape: Shape, material: Material): Mesh {
    const primitive = this.document
      .createPrimitive()
      .setAttribute('POSITION', this.accessor('VEC3', Float32Array.from(shape.positions)))
      .setAttribute('NORMAL', this.accessor('VEC3', Float32Array.from(shape.normals)))
      .setAttribute('TEXCOORD_0', this.accessor('VEC2', Float32Array.from(shape.uvs)))
      .setIndices(
        this.accessor(
          'SCALAR',
          shape.positions.length / 3 < 65_536
            ? Uint16Array.from(shape.indices)
            : Uint32Array.from(shape.indices),
        ),
      )
      .setMaterial(material);
    return this.document.createMesh(name).addPrimitive(primitive);
  }

  /** A part of the model; hangs in `parent` or stands by itself. */
  part(
    name: string,
    shape: Shape | null,
    material: Material | null,
    parent: Node | null = null,
    at: Vec3 = [0, 0, 0],
  ): Node {
    const node = this.document.createNode(name).setTranslation([...at]);
    if (shape && material) node.setMesh(this.mesh(name, shape, material));
    if (parent) parent.addChild(node);
    else this.scene.addChild(node);
    return node;
  }

  /** Adds a shape that the part's mesh can change into. */
  morph(node: Node, name: string, shape: Shape): void {
    const mesh = node.getMesh()!;
    const [primitive] = mesh.listPrimitives();
    const base = primitive!.getAttribute('POSITION')!.getArray()!;
    const moves = Float32Array.from(shape.positions, (x, i) => x - base[i]!);
    primitive!.addTarget(
      this.document.createPrimitiveTarget(name).setAttribute('POSITION', this.accessor('VEC3', moves)),
    );
    mesh.setWeights([...mesh.getWeights(), 0]);
    mesh.setExtras({ targetNames: [...((mesh.getExtras().targetNames as string[]) ?? []), name] });
  }

  /** A clip that repeats: each track gives a value at a time from 0 to 1. */
  clip(
    name: string,
    seconds: number,
    tracks: readonly {
      node: Node;
      path: 'rotation' | 'translation' | 'weights';
      value: (t: number) => readonly number[];
    }[],
    keys = 17,
  ): void {
    const animation = this.document.createAnimation(name);
    const times = Float32Array.from({ length: keys }, (_, i) => (seconds * i) / (keys - 1));
    const input = this.accessor('SCALAR', times);
    for (const { node, path, value } of tracks) {
      const values = Array.from({ length: keys }, (_, i) => value(i / (keys - 1))).flat();
      const type = path === 'rotation' ? 'VEC4' : path === 'translation' ? 'VEC3' : 'SCALAR';
      const sampler = this.document
        .createAnimationSampler()
        .setInput(input)
        .setOutput(this.accessor(type, Float32Array.from(values)))
        .setInterpolation('LINEAR');
      animation.addSampler(sampler);
      animation.addChannel(
        this.document.createAnimationChannel().setTargetNode(node).setTargetPath(path).setSampler(sampler),
      );
    }
  }
}
