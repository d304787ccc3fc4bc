<script setup lang="ts">
/** What is played, from where to where, how fast and how often. */
import { computed } from 'vue';
import type { ActionOf } from '../../../../../core/document/schema';
import { actionProperties } from '../../../../../core/kinds/actions/actions';
import { withValueAt } from '../../../../../core/schema/properties';
import { useEffectStore } from '../../../../stores/effect';
import ChoiceField from '../../../common/ChoiceField.vue';
import PropertyList from '../../../common/PropertyList.vue';

const props = defineProps<{ action: ActionOf<'play'> }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
/** Clips of the model it acts on. */
const clips = computed(() => {
  const [id] = props.action.targets;
  const object = id === undefined ? undefined : effectStore.effect.objects[id];
  const asset = object?.kind === 'model' ? effectStore.effect.assets[object.asset] : undefined;
  return asset?.kind === 'model' ? asset.clips.map((c) => ({ value: c.name, label: c.name })) : [];
});
const described = computed(() => {
  const { do: what, blend, ...rest } = actionProperties(props.action);
  return { first: { do: what! }, then: clips.value.length > 0 && blend ? { ...rest, blend } : rest };
});
const set = (path: string, to: unknown, felt: boolean): void =>
  emit('change', withValueAt(props.action, path, to), felt ? path : null);
</script>

<template>
  <div class="line">
    <PropertyList :properties="described.first" :value="action" @change="set" />
    <ChoiceField
      v-if="action.do === 'play' && clips.length > 0"
      label="Clip"
      :needed="false"
      ask="Its own clip"
      :value="action.clip"
      :options="clips"
      @change="(clip) => emit('change', { clip }, null)"
    />
    <PropertyList
      :properties="described.then"
      :value="action"
      @change="set"
      @done="effectStore.endGesture()"
    />
  </div>
</template>

<style scoped src="./amount.css"></style>
