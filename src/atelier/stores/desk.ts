/** What the creator is looking at; never part of the document. */
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import type { Stage } from '../../core/checks/checks';
import type { ObjectId } from '../../core/document/schema';
import type { HandleMode } from '../../stage/handles';

export const STAGES: readonly { readonly name: Stage; readonly label: string }[] = [
  { name: 'place', label: 'Place' },
  { name: 'style', label: 'Style' },
  { name: 'behave', label: 'Behave' },
  { name: 'try', label: 'Try' },
  { name: 'release', label: 'Release' },
];

export const useDeskStore = defineStore('desk', () => {
  const selected = ref<ObjectId | null>(null);
  const handleMode = ref<HandleMode>('move');
  const paletteOpen = ref(false);
  const dark = ref(localStorage.getItem('iconia.theme') === 'dark');
  watch(
    dark,
    (on) => {
      document.documentElement.dataset.theme = on ? 'dark' : 'light';
      localStorage.setItem('iconia.theme', on ? 'dark' : 'light');
    },
    { immediate: true },
  );
  return { selected, handleMode, paletteOpen, dark };
});
