/**
 * Checks the JSON of a glTF 2.0 model: everything that is referred to is there, every accessor lies inside its
 * buffer, the node tree is a tree, and all of it is of a bearable size.
 */
import { MOST_SURFACE_NODES, MOST_TRIANGLES, MOST_VERTICES } from '../limits';
import { refuse } from '../refuse';
import { cutText } from '../../text';

type Item = Record<string, unknown>;
export type GltfJson = Record<string, unknown>;

/** Bytes of a component, and components of a type (glTF 2.0, 3.6.2.2). */
const COMPONENT_BYTES: Record<number, number> = { 5120: 1, 5121: 1, 5122: 2, 5123: 2, 5125: 4, 5126: 4 };
const COMPONENTS: Record<string, number> = {
  SCALAR: 1,
  VEC2: 2,
  VEC3: 3,
  VEC4: 4,
  MAT2: 4,
  MAT3: 9,
  MAT4: 16,
};

/** Extensions without which a file cannot be shown, and which are read. */
const KNOWN = new Set([
  'KHR_draco_mesh_compression',
  'EXT_meshopt_compression',
  'KHR_meshopt_compression',
  'KHR_mesh_quantization',
  'KHR_texture_basisu',
  'KHR_texture_transform',
  'EXT_texture_webp',
  'EXT_mesh_gpu_instancing',
  'KHR_lights_punctual',
  'KHR_xmp_json_ld',
]);

const MOST_OF_A_KIND = 100_000;
/** Bytes that a file may unpack to; what it claims is added up before anything is made. */
const MOST_CLAIMED = 512 * 1024 * 1024;
/** Parts within parts. */
const MOST_LEVELS = 256;

/** A reference inside the file itself. */
export const isDataUri = (uri: string): boolean => /^data:/i.test(uri);

/**
 * `bufferBytes` tells how many bytes a buffer really has: by the file it names, or for the binary chunk of a
 * GLB by its index alone. Throws `IconiaError`: `model.*`.
 */
export const checkGltf = (
  json: GltfJson,
  name: string,
  bufferBytes: (uri: string | null, index: number) => number,
): void => {
  const broken = (what: string): never =>
    refuse('model.broken', `${name} is a damaged model: ${what} Export it again.`);
  const list = (key: string): Item[] => {
    const value = json[key];
    if (value === undefined) return [];
    if (!Array.isArray(value)) return broken(`${key} is no list.`);
    if (key === 'nodes' && value.length > MOST_SURFACE_NODES)
      refuse(
        'model.nodes',
        `${name} has ${value.length} parts; up to ${MOST_SURFACE_NODES} are read. Join parts that never move apart.`,
      );
    if (value.length > MOST_OF_A_KIND) broken(`it lists ${value.length} ${key}.`);
    return value.map((item: unknown) =>
      typeof item === 'object' && item !== null ? (item as Item) : broken(`one of its ${key} is empty.`),
    );
  };
  const whole = (value: unknown, what: string, otherwise?: number): number => {
    if (value === undefined && otherwise !== undefined) return otherwise;
    if (typeof value !== 'number' || !Number.isSafeInteger(value) || value < 0)
      return broken(`${what} is no whole number.`);
    return value;
  };
  const inside = (value: unknown, length: number, what: string): number => {
    const index = whole(value, what);
    return index < length ? index : broken(`${what} points at number ${index}, which is not there.`);
  };

  const asset = json.asset as { version?: unknown } | undefined;
  if (typeof asset?.version !== 'string') broken('it does not say which version of glTF it follows.');
  if (!/^2\./.test(asset!.version as string))
    refuse(
      'model.version',
      `${name} is glTF ${String(asset!.version).slice(0, 10)}; version 2 is read. Export it as glTF 2.0.`,
    );
  const required = json.extensionsRequired;
  if (Array.isArray(required))
    for (const extension of required)
      if (!KNOWN.has(String(extension)) && !/^KHR_materials_/.test(String(extension)))
        refuse(
          'model.extension',
          `${name} cannot be shown without “${cutText(String(extension), 60)}”, which Iconia does not read. Export it without.`,
        );

  const nodes = list('nodes');
  const buffers = list('buffers');
  const views = list('bufferViews');
  const accessors = list('accessors');
  const meshes = list('meshes');
  const images = list('images');
  const lengths = {
    nodes: nodes.length,
    meshes: meshes.length,
    accessors: accessors.length,
    materials: list('materials').length,
    skins: list('skins').length,
    views: views.length,
    textures: list('textures').length,
    images: images.length,
    samplers: list('samplers').length,
  };

  let claimed = 0;
  const claim = (bytes: number): void => {
    claimed += bytes;
    if (claimed > MOST_CLAIMED)
      refuse(
        'model.too-heavy',
        `${name} claims to unpack to more than ${MOST_CLAIMED / 1024 / 1024} MB. Simplify it before you export it.`,
      );
  };
  const sizes = buffers.map((buffer, i) => {
    const size = whole(buffer.byteLength, `the size of buffer ${i}`);
    const uri = typeof buffer.uri === 'string' ? buffer.uri : null;
    const meshopt = (buffer.extensions as Item | undefined)?.EXT_meshopt_compression as Item | undefined;
    // A buffer that only stands for what compression unpacks to has no bytes of its own.
    if (uri === null && (meshopt || i > 0)) {
      claim(size);
      return size;
    }
    if (uri !== null && isDataUri(uri)) return size;
    if (size > bufferBytes(uri, i))
      refuse(
        'model.cut-off',
        `${name} announces more data than it holds. It was probably cut off; copy or export it again.`,
      );
    return size;
  });
  views.forEach((view, i) => {
    const size = sizes[inside(view.buffer, sizes.length, `view ${i}`)]!;
    const offset = whole(view.byteOffset, `the start of view ${i}`, 0);
    if (offset + whole(view.byteLength, `the length of view ${i}`) > size)
      broken(`view ${i} reaches beyond its buffer.`);
    if (view.byteStride !== undefined && whole(view.byteStride, `the stride of view ${i}`) > 252)
      broken(`the stride of view ${i} is too large.`);
  });
  const counts = accessors.map((accessor, i) => {
    const count = whole(accessor.count, `the length of accessor ${i}`);
    const bytes = COMPONENT_BYTES[Number(accessor.componentType)];
    const parts = COMPONENTS[String(accessor.type)];
    if (!bytes || !parts) return broken(`accessor ${i} is of no known kind.`);
    if (count > 4 * MOST_VERTICES) broken(`accessor ${i} has ${count} entries.`);
    claim(count * bytes * parts);
    if (accessor.bufferView === undefined) return count;
    const view = views[inside(accessor.bufferView, lengths.views, `accessor ${i}`)]!;
    const stride = Number(view.byteStride ?? bytes * parts);
    const offset = whole(accessor.byteOffset, `the start of accessor ${i}`, 0);
    if (count > 0 && offset + stride * (count - 1) + bytes * parts > Number(view.byteLength))
      broken(`accessor ${i} reaches beyond its data.`);
    return count;
  });

  let triangles = 0;
  meshes.forEach((mesh, m) => {
    if (!Array.isArray(mesh.primitives)) return broken(`mesh ${m} has no content.`);
    for (const primitive of mesh.primitives as Item[]) {
      const attributes = primitive.attributes as Item | undefined;
      if (typeof attributes !== 'object' || attributes === null) return broken(`mesh ${m} has no points.`);
      for (const [key, index] of Object.entries(attributes))
        inside(index, lengths.accessors, `${key} of mesh ${m}`);
      const position = attributes.POSITION;
      const points = position === undefined ? 0 : counts[position as number]!;
      if (points > MOST_VERTICES) broken(`mesh ${m} has ${points} points.`);
      for (const [key, index] of Object.entries(attributes))
        if (counts[index as number]! !== points && !key.startsWith('_'))
          broken(`mesh ${m} has ${points} points but not as many ${key}.`);
      if (primitive.material !== undefined)
        inside(primitive.material, lengths.materials, `the material of mesh ${m}`);
      if (primitive.indices !== undefined)
        triangles += counts[inside(primitive.indices, lengths.accessors, `the indices of mesh ${m}`)]! / 3;
      else triangles += points / 3;
      for (const target of Array.isArray(primitive.targets) ? (primitive.targets as Item[]) : [])
        for (const index of Object.values(target))
          if (counts[inside(index, lengths.accessors, `a shape of mesh ${m}`)]! !== points)
            broken(`a shape of mesh ${m} has other points.`);
    }
  });
  if (triangles > MOST_TRIANGLES)
    refuse(
      'model.triangles',
      `${name} has ${Math.round(triangles / 1000)} thousand triangles; up to ${MOST_TRIANGLES / 1000} thousand can be opened here. Simplify it before you export it.`,
    );

  checkTree(nodes, lengths, inside, broken, name);
  for (const [i, scene] of list('scenes').entries())
    for (const root of Array.isArray(scene.nodes) ? scene.nodes : [])
      inside(root, lengths.nodes, `scene ${i}`);
  images.forEach((image, i) => {
    if (image.bufferView !== undefined) inside(image.bufferView, lengths.views, `picture ${i}`);
  });
  for (const [i, texture] of list('textures').entries()) {
    if (texture.source !== undefined) inside(texture.source, lengths.images, `texture ${i}`);
    if (texture.sampler !== undefined) inside(texture.sampler, lengths.samplers, `texture ${i}`);
  }
  for (const [i, skin] of list('skins').entries()) {
    if (!Array.isArray(skin.joints) || skin.joints.length === 0) broken(`skin ${i} has no bones.`);
    for (const joint of skin.joints as unknown[]) inside(joint, lengths.nodes, `skin ${i}`);
    if (skin.inverseBindMatrices !== undefined)
      inside(skin.inverseBindMatrices, lengths.accessors, `skin ${i}`);
  }
  for (const [i, animation] of list('animations').entries()) {
    const samplers = Array.isArray(animation.samplers) ? (animation.samplers as Item[]) : [];
    for (const sampler of samplers) {
      inside(sampler.input, lengths.accessors, `clip ${i}`);
      inside(sampler.output, lengths.accessors, `clip ${i}`);
    }
    for (const channel of Array.isArray(animation.channels) ? (animation.channels as Item[]) : [])
      inside(channel.sampler, samplers.length, `clip ${i}`);
  }
};

/** Every node hangs in at most one other, and none in itself. */
const checkTree = (
  nodes: readonly Item[],
  lengths: { nodes: number; meshes: number; skins: number },
  inside: (value: unknown, length: number, what: string) => number,
  broken: (what: string) => never,
  name: string,
): void => {
  const parent = new Array<number>(nodes.length).fill(-1);
  nodes.forEach((node, i) => {
    if (node.mesh !== undefined) inside(node.mesh, lengths.meshes, `part ${i}`);
    if (node.skin !== undefined) inside(node.skin, lengths.skins, `part ${i}`);
    for (const key of ['matrix', 'translation', 'rotation', 'scale'])
      if (
        node[key] !== undefined &&
        !(Array.isArray(node[key]) && (node[key] as unknown[]).every((x) => Number.isFinite(x)))
      )
        broken(`part ${i} stands at a place that is no number.`);
    for (const child of Array.isArray(node.children) ? (node.children as unknown[]) : []) {
      const index = inside(child, nodes.length, `part ${i}`);
      if (parent[index] !== -1) broken(`part ${index} hangs in two others.`);
      parent[index] = i;
    }
  });
  // Walking up from anywhere ends; steps already known to end are not walked again.
  const ends = new Array<boolean>(nodes.length).fill(false);
  for (let i = 0; i < nodes.length; i++) {
    const path: number[] = [];
    const onPath = new Set<number>();
    for (let at = i; at !== -1 && !ends[at]; at = parent[at]!) {
      if (onPath.has(at)) broken('a part hangs in itself.');
      onPath.add(at);
      path.push(at);
    }
    for (const at of path) ends[at] = true;
  }
  // Chains of thousands are walked again and again by whoever places them.
  let level = parent.flatMap((p, i) => (p === -1 ? [i] : []));
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MOST_LEVELS)
      refuse(
        'model.deep',
        `${name} has parts hanging in more than ${MOST_LEVELS} others. Join them, or export it without the empty parts.`,
      );
    level = level.flatMap((i) => (Array.isArray(nodes[i]!.children) ? (nodes[i]!.children as number[]) : []));
  }
};
