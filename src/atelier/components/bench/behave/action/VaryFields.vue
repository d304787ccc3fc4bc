<script setup lang="ts">
/** How the objects of one action differ from each other, by a seed: the same every time it is played. */
import { Dices } from '@lucide/vue';
import type { Vary } from '../../../../../core/document/schema';
import { TIMING } from '../../../../../core/kinds/actions/actions';
import { useEffectStore } from '../../../../stores/effect';
import PropertyInput from '../../../common/PropertyInput.vue';
import IconButton from '../../../common/IconButton.vue';

const props = defineProps<{ vary: Vary }>();
const emit = defineEmits<{ change: [vary: Vary, gesture: string | null] }>();
const effectStore = useEffectStore();
const set = (change: Partial<Vary>, gesture: string | null = null): void =>
  emit('change', { ...props.vary, ...change }, gesture);
</script>

<template>
  <div class="vary">
    <label v-for="of in ['delay', 'speed', 'amount'] as const" :key="of"
      >{{ TIMING[`vary.${of}`]!.short ?? TIMING[`vary.${of}`]!.name
      }}<PropertyInput
        :property="TIMING[`vary.${of}`]!"
        :value="vary[of]"
        @change="(to) => set({ [of]: to }, `vary-${of}`)"
        @done="effectStore.endGesture()"
    /></label>
    <IconButton
      aria-label="Throw again"
      title="Another way of differing"
      @click="set({ seed: ((vary.seed * 75 + 74) % 65537) % 65536 })"
    >
      <Dices :size="15" />
    </IconButton>
  </div>
</template>

<style scoped>
.vary {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.vary label {
  display: grid;
  gap: 2px;
  width: 96px;
  font-size: 11.5px;
  color: var(--soft);
}
</style>
