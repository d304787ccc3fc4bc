/** Nodes and notes moved on a board, by hand and by keys: what lies on an area goes where that goes. */
import type { NodeChange, NodeDragEvent, VueFlowStore } from '@vue-flow/core';
import type { BoardNote, BoardNotes } from '../../../../core/document/board-note-schema';
import type { Laid } from '../../../../core/graph/align';
import { liesOn } from '../../../../core/graph/areas';
import type { BoardPlace, GraphNode } from '../../../../core/graph/graph';

type Places = Map<string, BoardPlace>;
/** Of a node that has not been measured. */
const LIKELY = [196, 100] as const;

/** `move` is told where all lie then, once a drag is over and at each press of a key. */
export const useBoardMoves = (
  flow: Pick<VueFlowStore, 'findNode'>,
  nodes: () => readonly GraphNode[],
  notes: () => Readonly<BoardNotes>,
  move: (places: ReadonlyMap<string, BoardPlace>) => void,
) => {
  const sizeOf = (id: string): BoardPlace => {
    const { width, height } = flow.findNode(id)?.dimensions ?? {};
    return [width || LIKELY[0], height || LIKELY[1]];
  };
  const laid = (): Laid[] => [
    ...nodes().map(({ id, at }) => ({ id, at, size: sizeOf(id) })),
    ...Object.values(notes()),
  ];
  const withCarried = (places: ReadonlyMap<string, BoardPlace>): Places => {
    const all = new Map(places);
    for (const [id, [x, y]] of places) {
      const area = notes()[id as BoardNote['id']];
      if (area?.kind !== 'area') continue;
      const there = laid();
      const at = new Map(there.map((one) => [one.id, one.at]));
      for (const on of liesOn<string>(area, there)) {
        const [left, top] = at.get(on)!;
        if (!all.has(on)) all.set(on, [left + x - area.at[0], top + y - area.at[1]]);
      }
    }
    return all;
  };
  const placesOf = (dragged: NodeDragEvent['nodes']): Places =>
    withCarried(new Map(dragged.map((n) => [n.id, [n.position.x, n.position.y]])));

  let isDragged = false;
  /** What is carried along is seen to be. */
  const dragging = ({ nodes: dragged }: NodeDragEvent): void => {
    isDragged = true;
    const own = new Set(dragged.map(({ id }) => id));
    for (const [id, [x, y]] of placesOf(dragged)) {
      const carried = own.has(id) ? undefined : flow.findNode(id);
      if (carried) carried.position = { x, y };
    }
  };
  const moved = ({ nodes: dragged }: NodeDragEvent): void => {
    isDragged = false;
    move(placesOf(dragged));
  };
  /** Moved by the arrow keys. */
  const changed = (changes: readonly NodeChange[]): void => {
    if (isDragged) return;
    const places: Places = new Map();
    for (const change of changes)
      if (change.type === 'position' && change.position && change.dragging === false)
        places.set(change.id, [change.position.x, change.position.y]);
    if (places.size > 0) move(withCarried(places));
  };
  return { sizeOf, dragging, moved, changed };
};
