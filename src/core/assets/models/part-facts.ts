/** Measures the parts of a model, so that each can become an object of its own. */
import type { Document, Node } from '@gltf-transform/core';
import { boxAround, union, type Box } from '../../maths/box';
import { subtract, type Vec3 } from '../../maths/vec3';
import { MOST_PARTS, type PartFacts } from '../../schema/asset-schema';
import { cutText } from '../../text';
import { namedNodes, pointReader } from './inspect';
import { partNames } from './part-names';

/** What is seen of one node alone, in rest, in the space of the model. */
const ownBox = (node: Node): Box | null => {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  const point = [0, 0, 0];
  for (const primitive of node.getMesh()?.listPrimitives() ?? []) {
    const read = pointReader(node, primitive);
    const count = primitive.getAttribute('POSITION')!.getCount();
    for (let i = 0; i < count; i++) {
      read(i, point);
      for (let k = 0; k < 3; k++) {
        low[k] = Math.min(low[k]!, point[k]!);
        high[k] = Math.max(high[k]!, point[k]!);
      }
    }
  }
  return [...low, ...high].every(Number.isFinite) ? boxAround([low, high]) : null;
};

/** To a thousandth of a millimetre. */
const triple = (v: Vec3): [number, number, number] =>
  v.map((x) => Math.round(x * 1e6) / 1e6 + 0) as [number, number, number];

/** The first `MOST_PARTS` parts of a model as the part tree numbers them. Metres, in the axes of the model. */
export const partFacts = (document: Document): PartFacts[] => {
  const nodes = namedNodes(document);
  const names = partNames(nodes);
  const above = nodes.map((n) => n.above);
  const boxes = nodes.map(({ node }) => ownBox(node));
  // Whatever hangs in a part comes after it, so from the last to the first each is complete.
  for (let i = nodes.length - 1; i >= 0; i--) {
    const [own, holder] = [boxes[i]!, above[i]!];
    if (own && holder !== null) boxes[holder] = union(boxes[holder] ? [boxes[holder], own] : [own]);
  }
  return nodes.slice(0, MOST_PARTS).map(({ node }, i): PartFacts => {
    const at = node.getWorldTranslation().map((x) => (Number.isFinite(x) ? x : 0)) as unknown as Vec3;
    const box = boxes[i];
    return {
      name: cutText(names[i]!, 200),
      above: above[i]!,
      origin: triple(at),
      box: box ? { low: triple(subtract(box.low, at)), high: triple(subtract(box.high, at)) } : null,
    };
  });
};
