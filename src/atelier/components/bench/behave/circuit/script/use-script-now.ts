/** What a script does at the moment on screen, a few times a second, and over the whole take. */
import { computed, onScopeDispose, shallowRef } from 'vue';
import type { CircuitId, NodeId } from '../../../../../../core/document/schema';
import type { ScriptMemory } from '../../../../../../core/kinds/nodes/script-nodes';
import { useChronicleStore } from '../../../../../stores/chronicle';
import { usePlaybackStore } from '../../../../../stores/playback';

/** Milliseconds between two looks. */
const PACE = 120;

export const useScriptNow = (of: () => { readonly circuit: CircuitId; readonly node: NodeId | null }) => {
  const playback = usePlaybackStore();
  const chronicle = useChronicleStore();
  const memory = shallowRef<ScriptMemory | null>(null);
  const look = (): void => {
    const { circuit, node } = of();
    const now = node === null ? undefined : playback.now()?.runtime.nodeMemory(circuit, node);
    memory.value = (now as ScriptMemory | undefined) ?? null;
  };
  look();
  const timer = setInterval(look, PACE);
  onScopeDispose(() => clearInterval(timer));

  const own = computed(() => {
    const { circuit, node } = of();
    return chronicle.chronicle.scripted.filter((one) => one.circuit === circuit && one.node === node);
  });
  /** What it logs on this take, with times. */
  const logs = computed(() =>
    own.value.flatMap((one) => ('log' in one ? [{ time: one.time, text: one.log }] : [])),
  );
  /** Where on this take it is stopped: at once, or later than the moment on screen. */
  const stop = computed(() => {
    const now = memory.value?.problem;
    const onTake = own.value.find((one) => 'problem' in one);
    if (onTake && 'problem' in onTake && playback.source === 'take')
      return { ...onTake.problem, time: onTake.time };
    return now ? { ...now, time: null } : null;
  });
  /** Its state, a line each. */
  const state = computed(() => {
    const json = memory.value?.state;
    if (json === null || json === undefined) return [];
    return typeof json === 'object' && !Array.isArray(json)
      ? Object.entries(json).map(([name, value]) => ({ name, value: shortly(value) }))
      : [{ name: 'state', value: shortly(json) }];
  });
  return { logs, stop, state };
};

const shortly = (value: unknown): string => {
  const words = JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'number' && !Number.isInteger(part) ? Number(part.toFixed(4)) : part,
  );
  return words.length > 120 ? `${words.slice(0, 119)}…` : words;
};
