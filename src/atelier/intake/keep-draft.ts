/** Keeps what a reader made on the server and gives the asset for the document. */
import type { Asset, AssetId, FileRef } from '../../core/document/schema';
import type { AssetDraft, KeptBytes } from '../../intake/drafts';
import { api } from '../api/client';
import { cutText } from '../../core/text';

const keepAll = async (
  files: readonly KeptBytes[],
  name: string,
  signal?: AbortSignal,
): Promise<FileRef[]> => {
  const kept: FileRef[] = [];
  for (const file of files) kept.push(await api.keep(file, name, signal));
  return kept;
};

/** `kept.original` replaces the draft's own original, when that is on the server already. */
export const keepDraft = async (
  draft: AssetDraft,
  id: AssetId,
  { signal, original }: { signal?: AbortSignal | undefined; original?: FileRef[] | null } = {},
): Promise<Asset> => {
  const files = await keepAll(draft.files, draft.name, signal);
  const brought =
    original !== undefined
      ? original
      : draft.original
        ? await keepAll(draft.original, draft.name, signal)
        : null;
  const preview = draft.preview ? await api.keep(draft.preview, draft.name, signal) : null;
  return {
    id,
    name: cutText(draft.name, 200),
    files,
    original: brought,
    preview: preview?.sha256 ?? null,
    from: draft.from && {
      file: cutText(draft.from.file, 300),
      layer: draft.from.layer && cutText(draft.from.layer, 300),
    },
    ...draft.facts,
  } as Asset;
};
