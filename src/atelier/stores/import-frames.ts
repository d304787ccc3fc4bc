/** Pictures that are frames of one sequence: made into it, or offered as one when they came in. */
import { A_PAIR, numberedRuns } from '../../core/assets/frames/numbered';
import { freeNameOf } from '../../core/document/asset-twins';
import type { Edit } from '../../core/document/edit';
import type { Asset, AssetId, Effect, PictureAsset } from '../../core/document/schema';
import { bringIn } from '../../core/edits/asset-edits';
import { sentence } from '../../core/errors';
import { objectNameFor } from '../../core/kinds/objects/placed';
import type { ReadResult } from '../../intake/drafts';
import { Cancelled, type IntakeClient } from '../../intake/intake-client';
import type { PlannedJob } from '../../intake/intake-worker';
import { newAssetId } from '../api/ids';
import { keepDraft } from '../intake/keep-draft';
import { useAssetsStore } from './assets';
import { useEffectStore } from './effect';
import type { ImportItem, useImportLines } from './import-lines';

interface Reading {
  readonly lines: ReturnType<typeof useImportLines>;
  read(job: PlannedJob, work: Parameters<IntakeClient['read']>[1]): Promise<ReadResult>;
}

/** Says on lines of the import report how far it is. */
export const useFrames = ({ lines, read }: Reading) => {
  const effectStore = useEffectStore();
  const assets = useAssetsStore();
  const { change } = lines;
  let count = 0;

  /** Two numbered pictures may be frames: that is asked. */
  const offerPairs = (arrived: readonly { item: ImportItem; asset: Asset }[]): void => {
    const pictures = arrived.filter(({ asset }) => asset.kind === 'picture');
    for (const { paths } of numberedRuns(
      pictures.map(({ item }) => item.name),
      A_PAIR,
    ).runs) {
      const both = paths.map((path) => pictures.find(({ item }) => item.name === path)!);
      if (both.length === 2) change(both[1]!.item.key, { pair: [both[0]!.asset.id, both[1]!.asset.id] });
    }
  };

  /**
   * Makes one sequence of pictures, in the order of their names; what `onMade` says is changed in the same step. Gives its id; null when
   * it was cancelled or could not be made, which its line says.
   */
  const make = async (
    pictures: readonly PictureAsset[],
    onMade: (effect: Effect, sequence: Asset) => readonly Edit[] = () => [],
  ): Promise<AssetId | null> => {
    const inOrder = [...pictures].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
    const { name } = numberedRuns(
      inOrder.map((p) => p.name),
      A_PAIR,
    ).runs[0] ?? { name: objectNameFor(inOrder[0]!, 'Sequence') };
    const item = lines.add(name);
    const { signal } = item.abort;
    try {
      change(item.key, { state: 'reading' });
      const sources = await Promise.all(
        inOrder.map(async (picture, i) => {
          const [kept] = await assets.originalsOf(picture);
          const path = `${i} ${picture.name}`;
          return { path, file: new File([kept!.bytes as Uint8Array<ArrayBuffer>], path), entry: null };
        }),
      );
      const others = sources.map(({ path }) => path);
      const job = {
        kind: 'sequence',
        name,
        path: others[0]!,
        others,
        gaps: [],
        doubles: [],
        sources,
      } as const;
      const made = await read(job, { signal, progress: (progress) => change(item.key, { progress }) });
      change(item.key, { state: 'keeping' });
      const kept = await keepDraft(made.drafts[0]!, newAssetId(), { signal });
      const sequence = { ...kept, name: freeNameOf(effectStore.effect, name) } as Asset;
      const step = `sequence ${++count}`;
      effectStore.edit(bringIn(`Make the sequence ${sequence.name}`, [sequence]), step);
      for (const edit of onMade(effectStore.effect, sequence)) effectStore.edit(edit, step);
      effectStore.endGesture();
      change(item.key, { state: 'done', kind: 'sequence', assets: [sequence.id], notes: made.notes });
      return sequence.id;
    } catch (error) {
      if (signal.aborted || error instanceof Cancelled) change(item.key, { state: 'cancelled' });
      else change(item.key, { state: 'refused', message: sentence(error) });
      return null;
    }
  };

  return { make, offerPairs };
};
