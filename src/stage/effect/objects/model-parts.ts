/** Parts of a model that are objects of their own, in the copy of the model that is drawn. */
import { Matrix4, type Object3D } from 'three';
import type { PartNow } from '../../../core/placing/places';

/** A node of the copy, and how its own space lies in that of the part (the model's axes and metres, about the node's origin), in rest. */
export interface PosedPart {
  readonly part: number;
  readonly node: Object3D;
  readonly inPart: Matrix4;
  /** Null where the node is flattened in rest, and cannot be turned back. */
  readonly fromPart: Matrix4 | null;
}

const partOf = (node: Object3D): number | undefined => node.userData.part as number | undefined;

/** Finds the nodes of parts in a copy of the model that is in rest and hangs in nothing, and says of each whose it is. */
export const posedParts = (copy: Object3D, parts: readonly PartNow[]): PosedPart[] => {
  const wanted = new Map(parts.map((p) => [p.part, p.id]));
  const found: PosedPart[] = [];
  if (wanted.size === 0) return found;
  copy.updateMatrixWorld(true);
  copy.traverse((node) => {
    const part = partOf(node);
    const id = part === undefined ? undefined : wanted.get(part);
    if (part === undefined || id === undefined) return;
    node.userData.objectId = id;
    // Its matrix is made by `posePart`.
    node.matrixAutoUpdate = false;
    const inPart = node.matrixWorld.clone().setPosition(0, 0, 0);
    const isFlat = Math.abs(inPart.determinant()) < 1e-18;
    found.push({ part, node, inPart, fromPart: isFlat ? null : inPart.clone().invert() });
  });
  return found;
};

/** Parts, of those numbered, that a node is or lies in, the innermost first. */
export const partsAbove = (node: Object3D, numbers: ReadonlySet<number>): number[] => {
  const found: number[] = [];
  for (let o: Object3D | null = node; o; o = o.parent) {
    const part = partOf(o);
    if (part !== undefined && numbers.has(part)) found.push(part);
  }
  return found;
};

const motion = new Matrix4();

/** Puts a part where clips have brought it, with its own motion on top; hides it where it is hidden. */
export const posePart = ({ node, inPart, fromPart }: PosedPart, now: PartNow): void => {
  node.updateMatrix();
  if (now.motion && fromPart)
    node.matrix
      .multiply(fromPart)
      .multiply(motion.fromArray(now.motion as number[]))
      .multiply(inPart);
  node.visible = now.motion !== null && now.opacity > 0;
  node.matrixWorldNeedsUpdate = true;
};
