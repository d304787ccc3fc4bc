/**
 * Assets that stay linked to a file on the creator's disk: when it is saved outside, it is read again. Browsers
 * that give file handles only; the handles are kept in this browser, by effect.
 */
import { get, set } from 'idb-keyval';
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import { sentence } from '../../core/errors';
import type { Asset, AssetId } from '../../core/document/schema';
import { useEffectStore } from './effect';
import { useImportsStore } from './imports';

interface Link {
  readonly handle: FileSystemFileHandle;
  readonly lastModified: number;
}
export interface LinkState {
  readonly file: string;
  /** `asleep`: after a reload the browser wants to be asked again before the file is read. */
  readonly state: 'watching' | 'reading' | 'asleep' | 'lost';
  readonly message: string | null;
}

type Permitted = FileSystemFileHandle & {
  queryPermission?: (options: { mode: 'read' }) => Promise<PermissionState>;
  requestPermission?: (options: { mode: 'read' }) => Promise<PermissionState>;
};
type Picker = { showOpenFilePicker?: (options?: object) => Promise<FileSystemFileHandle[]> };

/** How often linked files are looked at. */
const EVERY = 2000;
const storeKey = (effect: string) => `iconia.links.${effect}`;

export const useLinksStore = defineStore('links', () => {
  const effectStore = useEffectStore();
  const imports = useImportsStore();
  const links = new Map<AssetId, Link>();
  const states = ref<Record<AssetId, LinkState>>({});
  let timer: ReturnType<typeof setInterval> | undefined;
  let looking = false;

  const isPossible = (): boolean => typeof (globalThis as Picker).showOpenFilePicker === 'function';

  const show = (id: AssetId, to: LinkState | null): void => {
    const { [id]: _old, ...rest } = states.value;
    states.value = to ? { ...rest, [id]: to } : rest;
  };
  const persist = async (): Promise<void> => {
    if (effectStore.id) await set(storeKey(effectStore.id), [...links]).catch(() => undefined);
  };

  /** An asset that came from layered artwork stands for its whole file. */
  const read = async (asset: Asset, link: Link): Promise<void> => {
    const file = await link.handle.getFile();
    const dropped = { path: file.name, file, handle: link.handle };
    if (asset.from?.layer) await imports.bringInFiles([dropped], { place: false });
    else await imports.replaceWith(asset.id, dropped);
  };

  const lookAt = async (id: AssetId, link: Link): Promise<void> => {
    const asset = effectStore.effect.assets[id];
    if (!asset) return;
    const name = link.handle.name;
    const permission = await (link.handle as Permitted).queryPermission?.({ mode: 'read' });
    if (permission && permission !== 'granted')
      return show(id, { file: name, state: 'asleep', message: `Allow Iconia to read ${name} again.` });
    let file: File;
    try {
      file = await link.handle.getFile();
    } catch {
      return show(id, {
        file: name,
        state: 'lost',
        message: `${name} is no longer where it was. Link the asset to its file again.`,
      });
    }
    if (file.lastModified === link.lastModified) {
      if (states.value[id]?.state !== 'watching')
        show(id, { file: name, state: 'watching', message: states.value[id]?.message ?? null });
      return;
    }
    links.set(id, { ...link, lastModified: file.lastModified });
    show(id, { file: name, state: 'reading', message: null });
    try {
      await read(asset, link);
      const at = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(
        file.lastModified,
      );
      show(id, { file: name, state: 'watching', message: `Read again: saved at ${at}.` });
      await persist();
    } catch (error) {
      // The asset stays as it was; the next saving is tried again.
      show(id, { file: name, state: 'watching', message: sentence(error) });
    }
  };

  const lookAtAll = async (): Promise<void> => {
    if (looking || document.visibilityState === 'hidden') return;
    looking = true;
    try {
      for (const [id, link] of links) await lookAt(id, link);
    } finally {
      looking = false;
    }
  };

  const add = async (id: AssetId, handle: FileSystemFileHandle): Promise<void> => {
    const file = await handle.getFile();
    links.set(id, { handle, lastModified: file.lastModified });
    show(id, { file: handle.name, state: 'watching', message: null });
    await persist();
  };

  /** Links an asset to the file it came from, or to one that is chosen now. */
  const link = async (asset: Asset): Promise<void> => {
    const known = imports.handles.get(asset.id);
    if (known) return add(asset.id, known);
    const [handle] = (await (globalThis as Picker).showOpenFilePicker!({ multiple: false })) ?? [];
    if (handle) await add(asset.id, handle);
  };
  const unlink = async (id: AssetId): Promise<void> => {
    links.delete(id);
    show(id, null);
    await persist();
  };
  /** Asks the browser for the right to read on; has to come from a click. */
  const wake = async (id: AssetId): Promise<void> => {
    const handle = links.get(id)?.handle as Permitted | undefined;
    await handle?.requestPermission?.({ mode: 'read' });
    await lookAtAll();
  };

  watch(
    () => effectStore.id,
    async (id) => {
      clearInterval(timer);
      links.clear();
      states.value = {};
      if (!id) return;
      const kept = ((await get(storeKey(id)).catch(() => undefined)) ?? []) as [AssetId, Link][];
      if (effectStore.id !== id) return;
      for (const [asset, entry] of kept) links.set(asset, entry);
      timer = setInterval(() => void lookAtAll(), EVERY);
      void lookAtAll();
    },
    { immediate: true },
  );

  return { states, isPossible, link, unlink, wake, lookAtAll };
});
