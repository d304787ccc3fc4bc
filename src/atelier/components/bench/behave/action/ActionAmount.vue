<script setup lang="ts">
/** How much of it: what each kind of action has of its own. A kind that only has described properties needs no fields of its own. */
import { computed, type Component } from 'vue';
import type { Action, ActionKind } from '../../../../../core/document/schema';
import { actionProperties } from '../../../../../core/kinds/actions/actions';
import { withValueAt } from '../../../../../core/schema/properties';
import { useEffectStore } from '../../../../stores/effect';
import PropertyList from '../../../common/PropertyList.vue';
import PoseAmount from './PoseAmount.vue';
import PlayAmount from './PlayAmount.vue';
import NumberAmount from './NumberAmount.vue';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
/** Kinds whose fields depend on more than themselves: what they act on, where it stands. */
const FIELDS: Partial<Record<ActionKind, Component>> = {
  pose: PoseAmount,
  play: PlayAmount,
  number: NumberAmount,
};
const own = computed(() => FIELDS[props.action.kind]);
const described = computed(() => actionProperties(props.action));
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
