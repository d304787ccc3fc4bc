<script setup lang="ts">
/** What of a trigger can be set beside its kind. */
import { computed } from 'vue';
import type { Trigger } from '../../../../core/document/schema';
import { triggerProperties } from '../../../../core/kinds/triggers/triggers';
import { withValueAt } from '../../../../core/schema/properties';
import { useEffectStore } from '../../../stores/effect';
import PropertyList from '../../common/PropertyList.vue';
import LevelFields from './LevelFields.vue';

const props = defineProps<{ trigger: Trigger }>();
const emit = defineEmits<{ change: [trigger: Trigger, gesture: string | null] }>();
const effectStore = useEffectStore();
/** What its kind describes: which object, how long, which surface, the number of a face. */
const described = computed(() => triggerProperties(props.trigger));
</script>

<template>
  <span class="fields">
    <LevelFields
      v-if="trigger.kind === 'level'"
      :trigger="trigger"
      @change="(to, gesture) => emit('change', to, gesture)"
    />
    <PropertyList
      v-else
      :properties="described"
      :value="trigger"
      @change="(path, to, felt) => emit('change', withValueAt(trigger, path, to), felt ? path : null)"
      @done="effectStore.endGesture()"
    />
  </span>
</template>

<style scoped>
.fields {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
</style>
