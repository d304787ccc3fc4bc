<script setup lang="ts">
/** A node of a behaviour circuit on the board: what is set of it, the values of what no wire reaches, and what comes out at this moment. */
import { computed, ref } from 'vue';
import type { EasingChoice, Signal, Trigger } from '../../../../../core/document/schema';
import type { InputPort, OutputPort } from '../../../../../core/kinds/nodes/node-kind';
import { setSchema, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { EACH_PORTS } from '../../../../../core/kinds/nodes/list-nodes';
import { FORMULA_PORTS } from '../../../../../core/kinds/nodes/number-nodes';
import { PORT_TYPES, type NodeValue } from '../../../../../core/kinds/nodes/ports';
import type { Writable } from '../../../../../core/kinds/writables/writables';
import { propertiesIn, UNITS, withValueAt, type NumberProperty } from '../../../../../core/schema/properties';
import { boardPorts, nodeName, nodeNote } from '../../../../circuit-words';
import { useEffectStore } from '../../../../stores/effect';
import ChipButton from '../../../common/ChipButton.vue';
import FormulaInput from '../../../common/formula/FormulaInput.vue';
import NumberField from '../../../common/NumberField.vue';
import PropertyList from '../../../common/PropertyList.vue';
import NodeFrame from '../../../common/board/NodeFrame.vue';
import EasingEditor from '../action/EasingEditor.vue';
import SignalFields from '../SignalFields.vue';
import TriggerChoice from '../TriggerChoice.vue';
import WritableFields from '../viewer/WritableFields.vue';

const props = defineProps<{
  node: BehaviourNode;
  troubles: readonly string[];
  serious: boolean;
  selected: boolean;
  /** How what the wire of an input brings is read as something else. */
  conversionOf: (port: string) => { readonly mark: string; readonly words: string } | null;
  /** What is at an output now. */
  valueAt: (port: string) => string;
  /** Whether the take stops at an output, and whether it has just done so. */
  stopsAt: (port: string) => boolean;
  isHit: (port: string) => boolean;
  /** Why it was stopped, of a script. */
  stopped?: string | null;
}>();
const emit = defineEmits<{
  values: [values: Record<string, NodeValue>, gesture: string | null];
  set: [set: object, gesture: string | null];
  unwire: [port: string];
  /** The take is to stop, or not any more, when something comes out there. */
  stop: [port: string];
  /** Its code is to be seen; what is within it. */
  write: [];
  open: [];
  done: [];
}>();
const effectStore = useEffectStore();
const ports = computed(() => boardPorts(props.node));
const name = computed(() => nodeName(effectStore.effect, props.node));
const properties = computed(() =>
  'signal' in props.node.set ||
  'trigger' in props.node.set ||
  'to' in props.node.set ||
  'takes' in props.node.set ||
  'gives' in props.node.set
    ? {}
    : propertiesIn(setSchema(props.node.kind), props.node.set),
);
const own = computed(
  () =>
    props.node.set as {
      signal?: Signal;
      trigger?: Trigger;
      to?: Writable;
      easing?: EasingChoice;
      handles?: [number, number, number, number];
    },
);
/** Its curve is shown: on a board it would take much room. */
const curve = ref(false);
const markOf = (port: InputPort | OutputPort): string => PORT_TYPES[port.type].mark;
const valueOf = ({ name: port, usual }: InputPort): NodeValue | null => props.node.values[port] ?? usual;
/** What an input shows as one, two or three numbers. */
const numbersOf = (port: InputPort): readonly number[] => {
  const value = valueOf(port);
  if (Array.isArray(value)) return value;
  // Angles of a rotation are three.
  const count = port.type === 'rotation' ? 3 : PORT_TYPES[port.type].width;
  return count > 1 ? Array.from({ length: count }, () => 0) : [Number(value ?? 0)];
};
const unitOf = (port: InputPort) => UNITS[port.unit ?? 'plain'];
const shown = (port: InputPort, n: number): number => Number((n * unitOf(port).factor).toPrecision(12));
const setPart = (port: InputPort, i: number, typed: number): void => {
  const next = [...numbersOf(port)];
  next[i] = typed / unitOf(port).factor;
  emit('values', { [port.name]: (next.length === 1 ? next[0]! : next) as NodeValue }, `${port.name}${i}`);
};
/** What can be typed into an input. */
const isNumbers = ({ type }: InputPort): boolean => ['number', 'point', 'vector', 'rotation'].includes(type);
const colourOf = (port: InputPort): string => String(valueOf(port) ?? '#000000');
const isYes = (port: InputPort): boolean => valueOf(port) === 1;
/** The take can stop when an event passes, and when something comes true. */
const canStop = ({ type }: InputPort | OutputPort): boolean => type === 'event' || type === 'truth';
type Numeric = Pick<NumberProperty, 'unit'>;
const marked = ({ unit }: Partial<Numeric>): string => (unit ? UNITS[unit].mark : '');
</script>

<template>
  <NodeFrame
    :name="name"
    :note="nodeNote(effectStore.effect, node)"
    :inputs="ports.inputs"
    :outputs="ports.outputs"
    :mark-of="markOf"
    :conversion-of="(port) => conversionOf(port.name)"
    :is-wired="(port) => node.inputs[port.name] !== undefined"
    :troubles="troubles"
    :serious="serious"
    :selected="selected"
    :last="ports.outputs.length === 0"
    :off="node.off"
    wide
    @unwire="(port) => emit('unwire', port)"
  >
    <template #live="{ port }">
      <button
        v-if="canStop(port)"
        type="button"
        class="stop nodrag"
        :class="{ hit: isHit(port.name) }"
        :aria-pressed="stopsAt(port.name)"
        :aria-label="`Stop the take at ${port.label ?? port.name} of ${name}`"
        title="Stop the take here"
        @click="emit('stop', port.name)"
      />
      {{ valueAt(port.name) }}
    </template>
    <template #settings>
      <div v-if="node.kind === 'formula' || node.kind === 'eachItem'" class="fields">
        <FormulaInput
          :formula="node.set"
          :label="`Formula of ${name}`"
          unit="plain"
          :own="node.kind === 'formula' ? FORMULA_PORTS : EACH_PORTS"
          @change="(to) => emit('set', to, 'formula')"
          @done="emit('done')"
        />
      </div>
      <div v-else-if="node.kind === 'script'" class="fields">
        <ChipButton :aria-label="`Write ${name}`" @click="emit('write')">Write the code</ChipButton>
        <p v-if="stopped" class="bad">{{ stopped }}</p>
      </div>
      <div v-else-if="node.kind === 'compound'" class="fields">
        <ChipButton :aria-label="`Open ${name}`" @click="emit('open')">Open</ChipButton>
      </div>
      <div v-else-if="own.signal" class="fields">
        <SignalFields :signal="own.signal" @change="(signal, gesture) => emit('set', { signal }, gesture)" />
      </div>
      <div v-else-if="own.trigger" class="fields">
        <TriggerChoice
          label="When"
          :trigger="own.trigger"
          @change="(trigger, gesture) => emit('set', { trigger }, gesture)"
        />
      </div>
      <div v-else-if="own.to" class="fields">
        <WritableFields :to="own.to" @change="(to) => emit('set', { to }, null)" />
      </div>
      <div v-else-if="Object.keys(properties).length > 0" class="fields">
        <PropertyList
          :properties="properties"
          :value="node.set"
          @change="
            (path, to, felt) => emit('set', withValueAt(node.set as object, path, to), felt ? path : null)
          "
          @done="emit('done')"
        />
      </div>
      <div v-if="own.easing || own.handles" class="fields">
        <ChipButton :aria-expanded="curve" @click="curve = !curve">{{
          curve ? 'Hide the curve' : 'Curve'
        }}</ChipButton>
      </div>
      <div v-if="curve && own.easing" class="fields curve">
        <EasingEditor
          :easing="own.easing"
          @change="(easing, gesture) => emit('set', { easing }, gesture)"
          @done="emit('done')"
        />
      </div>
      <div v-if="curve && own.handles" class="fields curve">
        <EasingEditor
          :easing="{ kind: 'bezier', handles: own.handles }"
          only-drawn
          @change="
            (easing, gesture) =>
              typeof easing === 'object' && easing.kind === 'bezier'
                ? emit('set', { handles: easing.handles }, gesture)
                : undefined
          "
          @done="emit('done')"
        />
      </div>
    </template>
    <template #value="{ port }">
      <span v-if="port.needed" class="faint">no wire</span>
      <input
        v-else-if="port.type === 'colour'"
        type="color"
        :value="colourOf(port)"
        :aria-label="`${name}, ${port.label ?? port.name}`"
        @input="(e) => emit('values', { [port.name]: (e.target as HTMLInputElement).value }, port.name)"
        @change="emit('done')"
      />
      <ChipButton
        v-else-if="port.type === 'truth'"
        :aria-label="`${name}, ${port.label ?? port.name}: ${isYes(port) ? 'yes' : 'no'}`"
        :aria-pressed="isYes(port)"
        @click="emit('values', { [port.name]: isYes(port) ? 0 : 1 }, null)"
        >{{ isYes(port) ? 'yes' : 'no' }}</ChipButton
      >
      <a-input
        v-else-if="port.type === 'text'"
        v-name="`${name}, ${port.label ?? port.name}`"
        class="words"
        size="small"
        :maxlength="200"
        :value="String(valueOf(port) ?? '')"
        @update:value="(v: string) => emit('values', { [port.name]: v }, port.name)"
        @blur="emit('done')"
      />
      <span v-else-if="isNumbers(port)" class="numbers">
        <NumberField
          v-for="(number, i) in numbersOf(port)"
          :key="i"
          :value="shown(port, number)"
          :label="`${name}, ${port.label ?? port.name}${numbersOf(port).length > 1 ? ` ${'xyz'[i]}` : ''}`"
          :unit="marked(port)"
          :step="unitOf(port).step"
          :digits="3"
          :min="-1e6"
          :max="1e6"
          @change="(v) => setPart(port, i, v)"
          @done="emit('done')"
        />
      </span>
      <span v-else class="faint">no wire</span>
    </template>
  </NodeFrame>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.fields :deep(.choice),
.fields :deep(.fields) {
  width: 100%;
  max-width: 100%;
}
.curve :deep(svg) {
  width: 100%;
  height: auto;
}
.stop {
  width: 9px;
  height: 9px;
  padding: 0;
  border: 1px solid var(--faint);
  border-radius: 2px;
  background: none;
  opacity: 0.45;
  cursor: pointer;
}
.stop:hover,
.stop:focus-visible {
  opacity: 1;
}
.stop[aria-pressed='true'] {
  border-color: var(--madder);
  background: var(--madder);
  opacity: 1;
}
.stop.hit {
  outline: 2px solid var(--madder);
  outline-offset: 2px;
}
.numbers {
  display: flex;
  gap: 3px;
  max-width: 84px;
}
.numbers :deep(input) {
  min-width: 0;
}
.words {
  width: 104px;
}
input[type='color'] {
  width: 34px;
  height: 20px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 3px;
}
</style>
