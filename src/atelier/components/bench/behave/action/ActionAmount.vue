<script setup lang="ts">
/** How much of it: what each kind of action has of its own. A kind that only has described properties needs no fields of its own. */
import { computed, type Component } from 'vue';
import type { Action, ActionKind } from '../../../../../core/document/schema';
import { actionKind } from '../../../../../core/kinds/actions/actions';
import { propertiesIn, withValueAt } from '../../../../../core/schema/properties';
import { useEffectStore } from '../../../../stores/effect';
import PropertyList from '../../../common/PropertyList.vue';
import MotionAmount from './MotionAmount.vue';
import PlayAmount from './PlayAmount.vue';
import NumberAmount from './NumberAmount.vue';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
const FIELDS: Partial<Record<ActionKind, Component>> = {
  move: MotionAmount,
  turn: MotionAmount,
  size: MotionAmount,
  pose: MotionAmount,
  circle: MotionAmount,
  follow: MotionAmount,
  play: PlayAmount,
  picture: PlayAmount,
  number: NumberAmount,
};
const own = computed(() => FIELDS[props.action.kind]);
const described = computed(() => propertiesIn(actionKind(props.action.kind).schema, props.action));
const set = (path: string, to: unknown, felt: boolean): void =>
  emit('change', withValueAt(props.action, path, to), felt ? path : null);
</script>

<template>
  <component
    :is="own"
    v-if="own"
    :action="action"
    @change="(to: object, gesture: string | null) => emit('change', to, gesture)"
  />
  <div v-else-if="Object.keys(described).length > 0" class="line">
    <PropertyList :properties="described" :value="action" @change="set" @done="effectStore.endGesture()" />
  </div>
</template>

<style scoped src="./amount.css"></style>
