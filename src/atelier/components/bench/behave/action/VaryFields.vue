<script setup lang="ts">
/** How the objects of one action differ from each other, by a seed: the same every time it is played. */
import { Dices } from '@lucide/vue';
import type { Vary } from '../../../../../core/document/schema';
import GestureField from '../../../common/GestureField.vue';
import IconButton from '../../../common/IconButton.vue';

const props = defineProps<{ vary: Vary }>();
const emit = defineEmits<{ change: [vary: Vary, gesture: string | null] }>();
const set = (change: Partial<Vary>, gesture: string | null = null): void =>
  emit('change', { ...props.vary, ...change }, gesture);
</script>

<template>
  <div class="vary">
    <label
      >Later by up to<GestureField
        label="Later by up to, seconds"
        unit=" s"
        :value="vary.delay"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="600"
        @change="(delay) => set({ delay }, 'vary-delay')"
    /></label>
    <label
      >Speed ±<GestureField
        label="Speed, plus or minus per cent"
        unit="%"
        :value="vary.speed * 100"
        :step="5"
        :digits="0"
        :min="0"
        :max="95"
        @change="(v) => set({ speed: v / 100 }, 'vary-speed')"
    /></label>
    <label
      >Amount ±<GestureField
        label="Amount, plus or minus per cent"
        unit="%"
        :value="vary.amount * 100"
        :step="5"
        :digits="0"
        :min="0"
        :max="100"
        @change="(v) => set({ amount: v / 100 }, 'vary-amount')"
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
