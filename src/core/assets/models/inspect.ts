/** Measures a model. */
import type { Document, Node, Primitive, Scene } from '@gltf-transform/core';
import { PLACED, type ModelAsset } from '../../schema/asset-schema';
import { inspectPicture } from '../pictures/picture';
import { likelyWorn } from './worn-as';
import { boundsOf } from './bounds';
import { partNames } from './part-names';
import { cutText } from '../../text';

export type ModelFacts = Pick<
  ModelAsset,
  | 'triangles'
  | 'vertices'
  | 'parts'
  | 'materials'
  | 'textures'
  | 'texturePixels'
  | 'textureBytes'
  | 'bones'
  | 'likely'
  | 'low'
  | 'high'
  | 'clips'
  | 'morphs'
>;

/** One line of the part tree. */
export interface ModelPart {
  /** Its place in the tree, counted from the top; what `pivot.part` names. */
  readonly index: number;
  readonly name: string;
  readonly depth: number;
  readonly triangles: number;
  readonly material: string | null;
}

/** The scene that is shown: the default one, or else the first. */
export const sceneOf = (document: Document): Scene =>
  document.getRoot().getDefaultScene() ?? document.getRoot().listScenes()[0]!;

/** Nodes from the top, each followed by what hangs in it. */
export const nodesInOrder = (document: Document): { node: Node; depth: number }[] => {
  const out: { node: Node; depth: number }[] = [];
  const stack = sceneOf(document)
    .listChildren()
    .map((node) => ({ node, depth: 0 }))
    .reverse();
  while (stack.length > 0) {
    const next = stack.pop()!;
    out.push(next);
    for (const child of [...next.node.listChildren()].reverse())
      stack.push({ node: child, depth: next.depth + 1 });
  }
  return out;
};

const trianglesOf = (node: Node): number =>
  node
    .getMesh()
    ?.listPrimitives()
    .reduce(
      (sum, p) =>
        sum + Math.floor((p.getIndices()?.getCount() ?? p.getAttribute('POSITION')!.getCount()) / 3),
      0,
    ) ?? 0;

/** Nodes from the top, each with its name and the place in the list of what it hangs in. */
export const namedNodes = (
  document: Document,
): { node: Node; depth: number; name: string; above: number | null }[] => {
  const nodes = nodesInOrder(document);
  const numbers = new Map(nodes.map(({ node }, i) => [node, i]));
  return nodes.map(({ node, depth }) => ({
    node,
    depth,
    name: node.getName() || node.getMesh()?.getName() || '',
    above: numbers.get(node.getParentNode()!) ?? null,
  }));
};

/** The parts of a model as its creator sees them, from the top, with their depth and triangles. */
export const partsOf = (document: Document): ModelPart[] => {
  const nodes = namedNodes(document);
  const names = partNames(nodes);
  return nodes.flatMap(({ node, depth }, index): ModelPart[] =>
    names[index] === ''
      ? []
      : [
          {
            index,
            name: names[index]!,
            depth,
            triangles: trianglesOf(node),
            material: node.getMesh()?.listPrimitives()[0]?.getMaterial()?.getName() ?? null,
          },
        ],
  );
};

type Matrix = ArrayLike<number>;

/** Product of two column-major 4 x 4 matrices. */
const times = (a: Matrix, b: Matrix): number[] => {
  const out = new Array<number>(16).fill(0);
  for (let c = 0; c < 4; c++)
    for (let r = 0; r < 4; r++)
      for (let k = 0; k < 4; k++) out[c * 4 + r] = out[c * 4 + r]! + a[k * 4 + r]! * b[c * 4 + k]!;
  return out;
};

const moved = (m: Matrix, [x, y, z]: readonly number[], weight: number, to: number[]): void => {
  for (let r = 0; r < 3; r++)
    to[r] = to[r]! + weight * (m[r]! * x! + m[4 + r]! * y! + m[8 + r]! * z! + m[12 + r]!);
};

/** Where each bone of a skin takes points, in rest (glTF 2.0, 3.7.3.3). */
const boneMatrices = (node: Node): number[][] | null => {
  const skin = node.getSkin();
  if (!skin) return null;
  const inverse = skin.getInverseBindMatrices();
  return skin.listJoints().map((joint, i) => {
    const world = joint.getWorldMatrix();
    return inverse ? times(world, inverse.getElement(i, [])) : [...world];
  });
};

/** A point of a mesh where it is seen in rest. */
export const pointReader = (node: Node, primitive: Primitive): ((index: number, out: number[]) => void) => {
  const position = primitive.getAttribute('POSITION')!;
  const [joints, weights] = [primitive.getAttribute('JOINTS_0'), primitive.getAttribute('WEIGHTS_0')];
  const bones = joints && weights ? boneMatrices(node) : null;
  const own = node.getWorldMatrix();
  const [point, joint, weight]: [number[], number[], number[]] = [[], [], []];
  return (index, out) => {
    position.getElement(index, point);
    out[0] = out[1] = out[2] = 0;
    if (!bones) return moved(own, point, 1, out);
    joints!.getElement(index, joint);
    weights!.getElement(index, weight);
    const sum = weight.reduce((a, b) => a + b, 0) || 1;
    for (let k = 0; k < 4; k++) if (weight[k]) moved(bones[joint[k]!] ?? own, point, weight[k]! / sum, out);
  };
};

/** The triangles of the whole model in rest, in its own space: nine numbers each. */
export const worldTriangles = (document: Document): Float32Array => {
  const out: number[] = [];
  const point: number[] = [0, 0, 0];
  for (const { node } of nodesInOrder(document))
    for (const primitive of node.getMesh()?.listPrimitives() ?? []) {
      const read = pointReader(node, primitive);
      const indices = primitive.getIndices();
      const count = indices?.getCount() ?? primitive.getAttribute('POSITION')!.getCount();
      for (let i = 0; i < count - (count % 3); i++) {
        read(indices ? indices.getScalar(i) : i, point);
        out.push(point[0]!, point[1]!, point[2]!);
      }
    }
  return Float32Array.from(out);
};

/** What there is to know of a model: its box in metres, triangles, materials, clips, odd scales. */
export const inspectModel = (document: Document): ModelFacts => {
  const root = document.getRoot();
  const nodes = nodesInOrder(document);
  const points = worldTriangles(document);
  const bounds = boundsOf(points);
  const finite = (v: readonly number[]): [number, number, number] =>
    v.map((x) => (Number.isFinite(x) ? x : 0)) as [number, number, number];
  let texturePixels = 0;
  let textureBytes = 0;
  for (const texture of root.listTextures()) {
    const image = texture.getImage();
    if (!image) continue;
    textureBytes += image.length;
    try {
      const { width, height } = inspectPicture(image, 'texture');
      texturePixels = Math.max(texturePixels, width, height);
    } catch {
      // A damaged texture has no size; it is drawn as none.
    }
  }
  return {
    triangles: nodes.reduce((sum, { node }) => sum + trianglesOf(node), 0),
    vertices: root
      .listMeshes()
      .reduce(
        (sum, mesh) =>
          sum + mesh.listPrimitives().reduce((n, p) => n + p.getAttribute('POSITION')!.getCount(), 0),
        0,
      ),
    parts: nodes.filter(({ node }) => node.getName() !== PLACED).length,
    materials: root.listMaterials().length,
    textures: root.listTextures().length,
    texturePixels,
    textureBytes,
    bones: new Set(root.listSkins().flatMap((skin) => skin.listJoints())).size,
    likely: likelyWorn(points),
    low: finite(bounds.low),
    high: finite(bounds.high),
    clips: root
      .listAnimations()
      .slice(0, 200)
      .map((animation, i) => ({
        name: cutText(animation.getName() || `Clip ${i + 1}`, 200),
        duration: animation
          .listSamplers()
          .reduce((longest, s) => Math.max(longest, s.getInput()?.getMaxNormalized([])[0] ?? 0), 0),
      })),
    morphs: [
      ...new Set(
        root.listMeshes().flatMap((mesh) => {
          const names = (mesh.getExtras().targetNames as unknown) ?? [];
          const count = mesh.listPrimitives()[0]?.listTargets().length ?? 0;
          return Array.from({ length: count }, (_, i) =>
            cutText(String((Array.isArray(names) ? names[i] : undefined) ?? `Shape ${i + 1}`), 200),
          );
        }),
      ),
    ].slice(0, 500),
  };
};
