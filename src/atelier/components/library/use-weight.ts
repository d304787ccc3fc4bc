/** What the effect weighs as it would be released, against the tightest of the outlets' limits. */
import { computed } from 'vue';
import { OUTLET_LIMITS, packageBytes } from '../../../core/checks/costs';
import { useEffectStore } from '../../stores/effect';

export const useWeight = () => {
  const effectStore = useEffectStore();
  const total = computed(() => packageBytes(effectStore.effect));
  const limit = Math.min(...OUTLET_LIMITS.map((l) => l.bytes));
  const over = computed(() => total.value > limit);
  return { total, limit, over };
};
