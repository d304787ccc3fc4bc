/** The lines of the import report: one for each thing that comes in, and how far it is. */
import { computed, ref } from 'vue';
import type { GridGuess } from '../../core/assets/frames/guess-grid';
import type { AssetId, AssetKind } from '../../core/document/schema';

export type ImportState = 'waiting' | 'reading' | 'keeping' | 'done' | 'refused' | 'cancelled';

export interface ImportItem {
  readonly key: number;
  readonly name: string;
  readonly kind: AssetKind | null;
  readonly state: ImportState;
  /** 0..1 while it is read. */
  readonly progress: number;
  /** Why it was refused, or what happened to it beside coming in. */
  readonly message: string | null;
  readonly notes: readonly string[];
  readonly assets: readonly AssetId[];
  /** A picture that looks like a sprite sheet. */
  readonly sheet: GridGuess | null;
  /** An asset of the same name that was here before, and is another one. */
  readonly namesake: AssetId | null;
  /** The two numbered pictures it is one of, which may be frames. */
  readonly pair: readonly [AssetId, AssetId] | null;
  readonly abort: AbortController;
}

export const isUnder = ({ state }: ImportItem): boolean =>
  state === 'waiting' || state === 'reading' || state === 'keeping';

export const useImportLines = () => {
  const items = ref<ImportItem[]>([]);
  let keys = 0;

  const change = (key: number, to: Partial<ImportItem>): void => {
    items.value = items.value.map((item) => (item.key === key ? { ...item, ...to } : item));
  };
  const add = (name: string, more: Partial<ImportItem> = {}): ImportItem => {
    const item: ImportItem = {
      key: ++keys,
      name,
      kind: null,
      state: 'waiting',
      progress: 0,
      message: null,
      notes: [],
      assets: [],
      sheet: null,
      namesake: null,
      pair: null,
      abort: new AbortController(),
      ...more,
    };
    items.value = [...items.value, item];
    return item;
  };
  const dismiss = (key: number): void => {
    items.value = items.value.filter((i) => i.key !== key);
  };
  /** Puts away what is over; what is under way stays. */
  const clear = (): void => {
    items.value = items.value.filter(isUnder);
  };
  const putAway = (): void => {
    items.value = [];
  };
  const isAny = computed(() => items.value.some(isUnder));
  const summary = computed(() => {
    const count = (state: ImportState) => items.value.filter((i) => i.state === state).length;
    return {
      all: items.value.length,
      done: count('done'),
      refused: count('refused'),
      cancelled: count('cancelled'),
    };
  });
  /** The same in words. */
  const words = computed(() => {
    const { all, done, refused, cancelled } = summary.value;
    return [
      `${done} of ${all} came in`,
      ...(refused > 0 ? [`${refused} ${refused === 1 ? 'was' : 'were'} refused`] : []),
      ...(cancelled > 0 ? [`${cancelled} cancelled`] : []),
    ].join(', ');
  });
  return { items, change, add, dismiss, clear, putAway, isAny, summary, words };
};
