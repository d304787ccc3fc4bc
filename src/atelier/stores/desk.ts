/** What the creator is looking at; never part of the document. */
import { defineStore } from 'pinia';
import { reactive, ref, watch } from 'vue';
import type { Stage } from '../../core/checks/checks';
import type { GridGuess } from '../../core/assets/frames/guess-grid';
import type { AssetId, ObjectId } from '../../core/document/schema';
import type { HandleMode } from '../../stage/handles';

export const STAGES: readonly { readonly name: Stage; readonly label: string }[] = [
  { name: 'place', label: 'Place' },
  { name: 'style', label: 'Style' },
  { name: 'behave', label: 'Behave' },
  { name: 'try', label: 'Try' },
  { name: 'release', label: 'Release' },
];

export type LibraryTab = 'here' | 'shelf' | 'stock';
/** What is being done in the library beside looking. */
export type LibraryTask = 'prepare' | 'rename' | 'cut' | null;

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

  const library = reactive({
    open: false,
    tab: 'here' as LibraryTab,
    selected: [] as AssetId[],
    task: null as LibraryTask,
    /** The object from whose field the library was opened: one click leads back. */
    from: null as ObjectId | null,
    /** What was guessed about a sheet, for the cutter. */
    guess: null as GridGuess | null,
  });
  const openLibrary = (
    to: {
      tab?: LibraryTab;
      asset?: AssetId | null;
      from?: ObjectId | null;
      task?: LibraryTask;
      guess?: GridGuess | null;
    } = {},
  ): void => {
    library.open = true;
    library.tab = to.tab ?? 'here';
    library.selected = to.asset ? [to.asset] : [];
    library.from = to.from ?? null;
    library.task = to.task ?? null;
    library.guess = to.guess ?? null;
  };
  const closeLibrary = (): void => {
    library.open = false;
    library.task = null;
  };
  return { selected, handleMode, paletteOpen, dark, library, openLibrary, closeLibrary };
});
