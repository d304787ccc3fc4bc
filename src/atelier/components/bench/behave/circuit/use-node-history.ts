/** What was at the outputs of the node that is chosen over the whole take, and why nothing has come of it. */
import { computed, onScopeDispose, watch } from 'vue';
import { upstream, whyNode, type NodeWhy, type PortHistory } from '../../../../../core/behave/why-node';
import { rangeOf } from '../../../../../core/behave/chronicle';
import type { PortPlace } from '../../../../../core/behave/port-place';
import type { NodeId } from '../../../../../core/document/schema';
import { portsOf, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { PORT_TYPES } from '../../../../../core/kinds/nodes/ports';
import { STEP, type Seconds } from '../../../../../core/units';
import { placeOn, type RunBoard } from './run-board';
import { useChronicleStore } from '../../../../stores/chronicle';

/** Nodes that a chain of causes is sought through. */
const MOST = 60;
/** Times that are told. */
const MOST_TIMES = 5;

export interface Past extends PortHistory {
  readonly line: Float32Array;
  /** When it came to be yes, or passed, first. */
  readonly first: readonly Seconds[];
}

export const useNodeHistory = (board: () => RunBoard | null, chosen: () => BehaviourNode | null) => {
  const chronicle = useChronicleStore();
  const placeOf = (node: NodeId, port: string): PortPlace | null => placeOn(board(), node, port);
  const wanted = computed<readonly PortPlace[]>(() => {
    const [of, node] = [board(), chosen()];
    if (!of || !node) return [];
    return upstream(of.nodes, node.id, MOST).flatMap((id) =>
      portsOf(of.nodes[id]!)
        .outputs.filter(({ type }) => PORT_TYPES[type].width === 1)
        .flatMap(({ name }) => placeOf(id, name) ?? []),
    );
  });
  watch(
    () => JSON.stringify(wanted.value),
    () => (chronicle.looked = wanted.value),
    { immediate: true },
  );
  onScopeDispose(() => (chronicle.looked = []));

  const pastOf = (node: NodeId, port: string): Past | undefined => {
    const place = placeOf(node, port);
    const line = place && chronicle.lineOf(place);
    if (!line) return undefined;
    const first: Seconds[] = [];
    let times = 0;
    line.forEach((value, step) => {
      if (value !== 1) return;
      times++;
      if (line[step - 1] !== 1 && first.length < MOST_TIMES) first.push(step * STEP);
    });
    return { line, times, first, range: rangeOf(line) };
  };
  const why = computed<NodeWhy | null>(() => {
    const [of, node] = [board(), chosen()];
    if (!of || !node || chronicle.running) return null;
    // Before it was asked for nothing is known.
    if (wanted.value.some((place) => !chronicle.lineOf(place))) return null;
    return whyNode(of.nodes, node, pastOf);
  });
  return { pastOf, placeOf, why };
};
