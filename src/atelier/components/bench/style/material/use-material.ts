/** Which material is worked on: the one the selected object wears, or else the one that was chosen from the list. */
import { computed } from 'vue';
import { changeMaterial } from '../../../../../core/edits/material-edits';
import {
  ALL_SLOTS,
  materialIdOf,
  sharesMaterial,
  wearersOf,
} from '../../../../../core/document/material-queries';
import { wearersAmong } from '../../../../../core/document/wearers';
import type { Material } from '../../../../../core/document/schema';
import { slotsOf } from '../../../../drawing/slots-of';
import { useAssetsStore } from '../../../../stores/assets';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';

export const useMaterial = () => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const assets = useAssetsStore();
  const selected = computed(() =>
    desk.selected ? (effectStore.effect.objects[desk.selected] ?? null) : null,
  );
  /** The object that wears it, or could; of a group the first that hangs in it. */
  const object = computed(() =>
    selected.value ? (wearersAmong(effectStore.effect, [selected.value.id])[0] ?? null) : null,
  );
  /** The materials of the model, or of the part of it, as it came; empty for what is no model. */
  const slots = computed(() => {
    void assets.arrived;
    return object.value ? slotsOf(object.value) : [];
  });
  const slot = computed(() =>
    slots.value.some((s) => s.slot === desk.style.slot) ? desk.style.slot : ALL_SLOTS,
  );
  const material = computed<Material | null>(() => {
    const id = object.value ? materialIdOf(object.value, slot.value) : desk.style.material;
    return (id && effectStore.effect.materials[id]) || null;
  });
  const wearers = computed(() => (material.value ? wearersOf(effectStore.effect, material.value.id) : []));
  const shared = computed(
    () => object.value !== null && sharesMaterial(effectStore.effect, object.value, slot.value),
  );
  const set = (change: Partial<Omit<Material, 'id'>>, gesture: string | null = null): void => {
    if (material.value)
      effectStore.edit(changeMaterial(effectStore.effect, material.value.id, change), gesture);
  };
  const done = (): void => effectStore.endGesture();
  return { selected, object, slots, slot, material, wearers, shared, set, done };
};
