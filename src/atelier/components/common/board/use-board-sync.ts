/**
 * Keeps what the drawing library has as it is wanted. Only what differs is handed over, and laid into its lists at once: what it is given
 * whole it makes anew whole, and one by one it looks through all for each. For two hundred nodes that is a quarter of a second, whenever one is selected.
 */
import { toRaw, watch } from 'vue';
import type { Edge, EdgeChange, GraphEdge, GraphNode, Node, NodeChange, VueFlowStore } from '@vue-flow/core';

/** A node as it is handed over; whether it is selected is said by it too. */
export type BoardNode = Node & { readonly selected: boolean };
type Flow = Pick<
  VueFlowStore,
  'nodes' | 'edges' | 'findNode' | 'findEdge' | 'addNodes' | 'addEdges' | 'onNodesChange' | 'onEdgesChange'
>;

/** What is set of a node from outside, beside its place. */
const SET = ['data', 'selected', 'zIndex', 'ariaLabel'] as const;
const update = (there: GraphNode, node: BoardNode): void => {
  for (const key of SET) if (toRaw(there[key]) !== node[key]) Object.assign(there, { [key]: node[key] });
  const { x, y } = there.position;
  if (x !== node.position.x || y !== node.position.y) there.position = { ...node.position };
};
const isSame = (there: GraphEdge, { source, sourceHandle, class: kind, data }: Edge): boolean =>
  there.source === source &&
  there.sourceHandle === sourceHandle &&
  there.class === kind &&
  toRaw(there.data.via) === data.via &&
  there.data.words === data.words;

/** The board is drawn without the library's own way of laying in changes. */
export const useBoardSync = (
  flow: Flow,
  nodes: () => readonly BoardNode[],
  edges: () => readonly Edge[],
): void => {
  const newIn = <Item>(changes: readonly { readonly type: string }[]): Item[] =>
    changes.flatMap((change) => (change.type === 'add' ? [(change as unknown as { item: Item }).item] : []));
  flow.onNodesChange((changes: NodeChange[]) => {
    const added = newIn<GraphNode>(changes);
    if (added.length > 0) flow.nodes.value = [...toRaw(flow.nodes.value), ...added];
    for (const change of changes) {
      const node = 'id' in change ? flow.findNode(change.id) : undefined;
      if (!node) continue;
      if (change.type === 'select') node.selected = change.selected;
      else if (change.type === 'dimensions' && change.dimensions) node.dimensions = change.dimensions;
      else if (change.type === 'position') {
        if (change.position) node.position = change.position;
        if (change.dragging !== undefined) node.dragging = change.dragging;
      }
    }
  });
  flow.onEdgesChange((changes: EdgeChange[]) => {
    const added = newIn<GraphEdge>(changes);
    if (added.length > 0) flow.edges.value = [...toRaw(flow.edges.value), ...added];
    for (const change of changes) {
      const edge = change.type === 'select' ? flow.findEdge(change.id) : undefined;
      if (edge && change.type === 'select') edge.selected = change.selected;
    }
  });

  const sync = (): void => {
    const wanted = new Map(nodes().map((node) => [node.id, node]));
    const wires = new Map(edges().map((wire) => [wire.id, wire]));
    // Wires go before their nodes, and come after them.
    const kept = toRaw(flow.edges.value).filter((there) => {
      const wire = wires.get(there.id);
      return wire !== undefined && isSame(there, wire);
    });
    if (kept.length < flow.edges.value.length) flow.edges.value = kept;
    const left = toRaw(flow.nodes.value).filter(({ id }) => wanted.has(id));
    if (left.length < flow.nodes.value.length) flow.nodes.value = left;
    const fresh: Node[] = [];
    for (const node of wanted.values()) {
      const there = flow.findNode(node.id);
      if (there) update(there, node);
      else fresh.push(node);
    }
    if (fresh.length > 0) flow.addNodes(fresh);
    const keptIds = new Set(kept.map(({ id }) => id));
    const drawn = [...wires.values()].filter(({ id }) => !keptIds.has(id));
    if (drawn.length > 0) flow.addEdges(drawn);
  };
  watch([nodes, edges], sync, { immediate: true });
};
