/** Aligning and distributing by boxes that lie in one space. Metres. */
import type { Box } from '../maths/box';
import { middleOf } from '../maths/box';

export type Axis = 0 | 1 | 2;
export type Edge = 'low' | 'middle' | 'high';

const edgeOf = (box: Box, axis: Axis, edge: Edge): number =>
  edge === 'middle' ? middleOf(box)[axis] : box[edge][axis];

/** How far each box has to shift along the axis so that their edges lie in line with those of all of them together. */
export const aligned = (boxes: readonly Box[], axis: Axis, edge: Edge): number[] => {
  const low = Math.min(...boxes.map((b) => b.low[axis]));
  const high = Math.max(...boxes.map((b) => b.high[axis]));
  const line = edge === 'low' ? low : edge === 'high' ? high : (low + high) / 2;
  return boxes.map((box) => line - edgeOf(box, axis, edge));
};

/** How far each box has to shift so that the gaps between them are alike; the outer two stay. */
export const distributed = (boxes: readonly Box[], axis: Axis): number[] => {
  if (boxes.length < 3) return boxes.map(() => 0);
  const order = boxes.map((_, i) => i).sort((a, b) => middleOf(boxes[a]!)[axis] - middleOf(boxes[b]!)[axis]);
  const [first, last] = [boxes[order[0]!]!, boxes[order.at(-1)!]!];
  const wide = (b: Box): number => b.high[axis] - b.low[axis];
  const inner = order.slice(1, -1).reduce((sum, i) => sum + wide(boxes[i]!), 0);
  const gap = (last.low[axis] - first.high[axis] - inner) / (boxes.length - 1);
  const shifts = boxes.map(() => 0);
  let at = first.high[axis] + gap;
  for (const i of order.slice(1, -1)) {
    shifts[i] = at - boxes[i]!.low[axis];
    at += wide(boxes[i]!) + gap;
  }
  return shifts;
};
