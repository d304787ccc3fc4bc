<script setup lang="ts" generic="I extends BoardPort, O extends BoardPort">
/** A node on a board: its name, what runs in and out, and what is wrong with it. Settings and values of open inputs are left to who uses it. */
import { Handle, Position } from '@vue-flow/core';
import type { BoardPort } from './board-port';

defineProps<{
  name: string;
  /** What it does. */
  note: string;
  inputs: readonly I[];
  outputs: readonly O[];
  /** The letter of what runs through a port. */
  markOf: (port: I | O) => string;
  isWired: (port: I) => boolean;
  /** How what its wire brings is read as something else: shortly, and in a sentence. */
  conversionOf?: (port: I) => { readonly mark: string; readonly words: string } | null;
  /** What is wrong with it, in sentences. */
  troubles: readonly string[];
  /** Something is not followed, or left out. */
  serious: boolean;
  selected: boolean;
  /** Wires end in it. */
  last?: boolean;
  /** It is switched off. */
  off?: boolean;
  /** With more room for what is set of it. */
  wide?: boolean;
}>();
const emit = defineEmits<{ unwire: [port: string] }>();
defineSlots<{
  settings?(): unknown;
  /** What is at an output now. */
  live?(props: { port: O }): unknown;
  /** The value of an input that no wire reaches. */
  value?(props: { port: I }): unknown;
}>();
const labelOf = (port: I | O): string => port.label ?? port.name;
</script>

<template>
  <article
    class="node"
    :class="{ selected, serious, troubled: troubles.length > 0, last, off, wide }"
    :aria-label="name"
  >
    <header :title="note">{{ name }}</header>
    <div v-for="output in outputs" :key="output.name" class="port out">
      <!-- Not read out by itself: it changes all the time. -->
      <span v-if="$slots.live" class="live"><slot name="live" :port="output" /></span>
      <span>{{ labelOf(output) }}</span>
      <span class="square" aria-hidden="true">{{ markOf(output) }}</span>
      <Handle :id="output.name" type="source" :position="Position.Right" />
    </div>
    <div class="settings nodrag"><slot name="settings" /></div>
    <div v-for="port in inputs" :key="port.name" class="port in">
      <Handle :id="port.name" type="target" :position="Position.Left" />
      <span class="square" aria-hidden="true">{{ markOf(port) }}</span>
      <span class="label" :title="labelOf(port)">{{ labelOf(port) }}</span>
      <span class="value nodrag">
        <button
          v-if="isWired(port)"
          class="off"
          type="button"
          :aria-label="`Take the wire off ${labelOf(port)} of ${name}`"
          :title="conversionOf?.(port)?.words"
          @click="emit('unwire', port.name)"
        >
          {{ conversionOf?.(port) ? `wire ${conversionOf(port)!.mark}` : 'wire' }}
        </button>
        <slot v-else name="value" :port="port" />
      </span>
    </div>
    <p v-for="trouble in troubles" :key="trouble" :class="serious ? 'bad' : 'warn'">{{ trouble }}</p>
  </article>
</template>

<style scoped>
.node {
  width: 162px;
  padding-bottom: 6px;
  border: 1px solid var(--line);
  border-radius: 4px 4px 12px 4px;
  background: var(--sheet);
  box-shadow: 0 1px 2px rgb(0 0 0 / 6%);
  font-size: 12px;
}
.node.wide {
  width: 196px;
}
.node.off {
  opacity: 0.5;
}
.live {
  margin-right: auto;
  overflow: hidden;
  color: var(--accent);
  font:
    500 11px 'JetBrains Mono Variable',
    monospace;
  white-space: nowrap;
}
.node.last {
  border-radius: 4px;
  border-width: 1px 1px 3px;
}
.node.troubled {
  border-color: var(--ochre);
}
.node.serious {
  border-color: var(--madder);
}
.node.selected {
  border-color: var(--accent);
  box-shadow: 0 0 0 1px var(--accent);
}
header {
  padding: 6px 10px 4px;
  font-weight: 600;
  cursor: grab;
}
.port {
  position: relative;
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 26px;
  padding: 0 10px;
  color: var(--soft);
}
.port.out {
  justify-content: flex-end;
}
.label {
  flex: none;
  max-width: 62%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.value {
  display: flex;
  min-width: 0;
  margin-left: auto;
}
.square {
  flex: none;
  display: grid;
  place-items: center;
  width: 15px;
  height: 15px;
  border: 1px solid var(--ink);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font:
    600 9.5px 'JetBrains Mono Variable',
    monospace;
}
.settings > :deep(*) {
  padding: 2px 10px;
}
.settings :deep(.ant-select) {
  width: 100%;
}
/* On a board that is zoomed, a fading border is painted late. */
.node :deep(.ant-select-selector) {
  transition: none;
}
.off {
  border: 0;
  background: none;
  color: var(--faint);
  font: inherit;
  font-size: 11px;
  cursor: pointer;
}
.off:hover,
.off:focus-visible {
  color: var(--madder);
  text-decoration: line-through;
}
p {
  margin: 4px 10px 0;
  font-size: 11px;
  line-height: 1.35;
}
/* The handle covers the little square, so that wires begin and end in it. */
.node :deep(.vue-flow__handle) {
  width: 22px;
  height: 22px;
  min-width: 0;
  min-height: 0;
  border: 0;
  background: transparent;
}
.node :deep(.vue-flow__handle-left) {
  left: 17px;
}
.node :deep(.vue-flow__handle-right) {
  right: 17px;
}
</style>
