/** Assets of the effect that an object can be made of, as options of a list. */
import { computed, type ComputedRef } from 'vue';
import { canShow } from '../../../core/kinds/objects/objects';
import type { EffectObject } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';

export const useMadeOf = (
  object: () => EffectObject,
): ComputedRef<{ readonly value: string; readonly label: string }[]> => {
  const effectStore = useEffectStore();
  return computed(() =>
    Object.values(effectStore.effect.assets)
      .filter((a) => canShow(object(), a))
      .map((a) => ({ value: a.id as string, label: a.name })),
  );
};
