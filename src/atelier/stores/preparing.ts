/** Preparing assets anew from their originals: one-click mends, and the panel with before and after. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { replaceAsset } from '../../core/edits/asset-edits';
import { sentence } from '../../core/errors';
import type { Asset, AssetId } from '../../core/document/schema';
import { Cancelled, IntakeClient } from '../../intake/intake-client';
import type { PreparedDraft } from '../../intake/drafts';
import type { PrepareRequest } from '../../intake/prepare';
import { keepDraft } from '../intake/keep-draft';
import { useAssetsStore } from './assets';
import { useEffectStore } from './effect';

export type PrepOf = PrepareRequest['prep'];

interface Under {
  readonly label: string;
  readonly progress: number;
  readonly abort: AbortController;
}

/** Beside the reader of dropped files, so that one does not wait for the other. */
const client = new IntakeClient();

export const usePreparingStore = defineStore('preparing', () => {
  const effectStore = useEffectStore();
  const assets = useAssetsStore();
  const under = ref<Record<AssetId, Under>>({});
  const failures = ref<Record<AssetId, string>>({});

  /** What an asset would be with a preparation; nothing is kept. Throws sentences and `Cancelled`. */
  const preview = async (
    asset: Asset,
    prep: PrepOf,
    work: { signal?: AbortSignal; progress?: (share: number) => void } = {},
  ): Promise<PreparedDraft> => {
    const { id: _id, name, files: _files, original: _original, preview: _preview, from, ...facts } = asset;
    const originals = await assets.originalsOf(asset);
    // What the worker gets has to be plain: controls hand over reactive objects.
    const plain = JSON.parse(JSON.stringify({ name, facts, from, prep })) as Omit<
      PrepareRequest,
      'originals'
    >;
    return client.prepare({ ...plain, originals }, work);
  };

  /** Keeps a prepared draft in place of the asset: all that shows it follows, one undo step. */
  const use = async (
    asset: Asset,
    { draft }: PreparedDraft,
    label: string,
    signal?: AbortSignal,
  ): Promise<void> => {
    const prep = 'prep' in draft.facts ? draft.facts.prep : null;
    const next = await keepDraft(draft, asset.id, {
      signal,
      original: prep ? (asset.original ?? asset.files) : null,
    });
    if (!effectStore.effect.assets[asset.id]) return;
    effectStore.edit(
      replaceAsset(effectStore.effect, { ...next, name: asset.name, from: asset.from } as Asset, label),
    );
  };

  /** Prepares and keeps in one go, with progress beside the asset. Gives what was made, or null. */
  const apply = async (asset: Asset, prep: PrepOf, label: string): Promise<PreparedDraft | null> => {
    const abort = new AbortController();
    const set = (progress: number): void => {
      under.value = { ...under.value, [asset.id]: { label, progress, abort } };
    };
    set(0);
    dismiss(asset.id);
    try {
      const prepared = await preview(asset, prep, { signal: abort.signal, progress: set });
      await use(asset, prepared, label, abort.signal);
      return prepared;
    } catch (error) {
      if (!(error instanceof Cancelled) && !abort.signal.aborted)
        failures.value = { ...failures.value, [asset.id]: sentence(error) };
      return null;
    } finally {
      const { [asset.id]: _done, ...rest } = under.value;
      under.value = rest;
    }
  };

  const dismiss = (id: AssetId): void => {
    const { [id]: _gone, ...rest } = failures.value;
    failures.value = rest;
  };

  return { client, under, failures, preview, use, apply, dismiss };
});
