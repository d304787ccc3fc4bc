/** What is at the ports of circuits at the moment on screen, a few times a second. */
import { onScopeDispose, shallowRef } from 'vue';
import type { AssetId, NodeId, ObjectId } from '../../../../../core/document/schema';
import { portsOf, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import type { ScriptMemory } from '../../../../../core/kinds/nodes/script-nodes';
import { valueWords } from '../../../../circuit-words';
import type { RunBoard } from './run-board';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';

/** Milliseconds between two looks. */
const PACE = 120;

export const useLiveValues = (board: () => RunBoard | null) => {
  const playback = usePlaybackStore();
  const effectStore = useEffectStore();
  const stops = shallowRef<Readonly<Record<string, string>>>({});
  /** By node and port. */
  const values = shallowRef<Readonly<Record<string, string>>>({});
  const nameOf = (id: string): string | undefined =>
    effectStore.effect.objects[id as ObjectId]?.name ?? effectStore.effect.assets[id as AssetId]?.name;
  const look = (): void => {
    const open = board();
    const now = open && playback.now();
    if (!now) return;
    const seen: Record<string, string> = {};
    for (const node of Object.values<BehaviourNode>(open.nodes)) {
      const inRun = open.inRun(node.id);
      if (inRun === null) continue;
      for (const { name, type, unit } of portsOf(node).outputs) {
        const value = now.runtime.nodeValue(open.circuit, inRun, name);
        if (value !== undefined) seen[`${node.id} ${name}`] = valueWords(value, type, unit, nameOf);
      }
    }
    const stopped: Record<string, string> = {};
    for (const node of Object.values<BehaviourNode>(open.nodes)) {
      if (node.kind !== 'script') continue;
      const inRun = open.inRun(node.id);
      const memory = (inRun && now.runtime.nodeMemory(open.circuit, inRun)) as ScriptMemory | undefined;
      const { message, line } = memory?.problem ?? {};
      if (message) stopped[node.id] = line ? `Stopped in line ${line}: ${message}` : `Stopped: ${message}`;
    }
    if (JSON.stringify(stopped) !== JSON.stringify(stops.value)) stops.value = stopped;
    const before = values.value;
    const keys = Object.keys(seen);
    // Nothing is drawn anew while nothing changes.
    if (keys.length !== Object.keys(before).length || keys.some((key) => before[key] !== seen[key]))
      values.value = seen;
  };
  const timer = setInterval(look, PACE);
  onScopeDispose(() => clearInterval(timer));
  /** Why a script is stopped at this moment. */
  const stoppedAt = (node: NodeId): string | null => stops.value[node] ?? null;
  return { stoppedAt, at: (node: NodeId, port: string): string => values.value[`${node} ${port}`] ?? '' };
};
