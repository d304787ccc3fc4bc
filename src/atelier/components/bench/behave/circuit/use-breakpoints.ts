/** Where the take is to stop, by the nodes of the board that is open. */
import { computed } from 'vue';
import { isSamePort, type PortPlace } from '../../../../../core/behave/port-place';
import type { NodeId } from '../../../../../core/document/schema';
import { outputOf, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { nodeName } from '../../../../circuit-words';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import { placeOn, type RunBoard } from './run-board';

export const useBreakpoints = (board: () => RunBoard | null) => {
  const effectStore = useEffectStore();
  const playback = usePlaybackStore();
  const placeOf = (node: NodeId, port: string): PortPlace | null => placeOn(board(), node, port);
  const isAmong = (all: readonly PortPlace[], node: NodeId, port: string): boolean => {
    const place = placeOf(node, port);
    return place !== null && all.some((one) => isSamePort(one, place));
  };
  /** Why the take stopped, while that is on this board. */
  const said = computed(() => {
    const [of, hit] = [board(), playback.stoppedBy];
    if (!of || !hit || hit.circuit !== of.circuit) return null;
    const node = Object.values<BehaviourNode>(of.nodes).find(({ id }) => of.inRun(id) === hit.node);
    if (!node) return 'The take stopped at a node that is not on this board.';
    const out = outputOf(node, hit.port);
    const what = out?.type === 'event' ? 'passed' : 'came true';
    return `The take stopped: ${out?.label ?? hit.port} of “${nodeName(effectStore.effect, node)}” ${what}.`;
  });
  return {
    said,
    isSet: (node: NodeId, port: string): boolean => isAmong(playback.breakpoints, node, port),
    isHit: (node: NodeId, port: string): boolean =>
      playback.stoppedBy !== null && isAmong([playback.stoppedBy], node, port),
    toggle: (node: NodeId, port: string): void => {
      const place = placeOf(node, port);
      if (place) playback.toggleBreakpoint(place);
    },
    close: (): void => void (playback.stoppedBy = null),
  };
};
