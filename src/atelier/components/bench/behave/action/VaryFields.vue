<script setup lang="ts">
/** How the objects of one action differ from each other, by a seed: the same every time it is played. */
import { Dices } from '@lucide/vue';
import type { Vary } from '../../../../../core/document/schema';
import { useEffectStore } from '../../../../stores/effect';
import NumberField from '../../../common/NumberField.vue';

const props = defineProps<{ vary: Vary }>();
const emit = defineEmits<{ change: [vary: Vary, gesture: string | null] }>();
const document = useEffectStore();
const set = (change: Partial<Vary>, gesture: string | null = null): void =>
  emit('change', { ...props.vary, ...change }, gesture);
</script>

<template>
  <div class="vary">
    <label
      >Later by up to<NumberField
        label="Later by up to, seconds"
        unit=" s"
        :value="vary.delay"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="600"
        @change="(delay) => set({ delay }, 'vary-delay')"
        @done="document.endGesture()"
    /></label>
    <label
      >Speed ±<NumberField
        label="Speed, plus or minus per cent"
        unit="%"
        :value="vary.speed * 100"
        :step="5"
        :digits="0"
        :min="0"
        :max="95"
        @change="(v) => set({ speed: v / 100 }, 'vary-speed')"
        @done="document.endGesture()"
    /></label>
    <label
      >Amount ±<NumberField
        label="Amount, plus or minus per cent"
        unit="%"
        :value="vary.amount * 100"
        :step="5"
        :digits="0"
        :min="0"
        :max="100"
        @change="(v) => set({ amount: v / 100 }, 'vary-amount')"
        @done="document.endGesture()"
    /></label>
    <button
      class="icon-button"
      type="button"
      aria-label="Throw again"
      title="Another way of differing"
      @click="set({ seed: ((vary.seed * 75 + 74) % 65537) % 65536 })"
    >
      <Dices :size="15" />
    </button>
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
