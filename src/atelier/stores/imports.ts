/** Bringing files in: what was dropped, how far it is, what came of it. */
import { defineStore } from 'pinia';
import { computed, reactive, ref } from 'vue';
import { freeNameOf, twinOf } from '../../core/document/asset-twins';
import { bringIn, replaceAsset } from '../../core/edits/asset-edits';
import { sentence } from '../../core/errors';
import type { Asset, AssetId, ObjectId } from '../../core/document/schema';
import { Cancelled, IntakeClient } from '../../intake/intake-client';
import type { AssetDraft, ReadResult } from '../../intake/drafts';
import type { PlannedJob } from '../../intake/intake-worker';
import { newAssetId } from '../api/ids';
import { filesOfDrop, type Drop, type Dropped } from '../intake/dropped';
import { keepDraft } from '../intake/keep-draft';
import { destination, placeAssets } from '../commands/place-commands';
import { landAll, type Landing } from '../intake/land';
import { artworkObjects, isPlaceable } from '../intake/placing';
import { layersHere, updateArtwork } from '../intake/update-artwork';
import { useDeskStore } from './desk';
import { useEffectStore } from './effect';
import { useFrames } from './import-frames';
import { useImportLines, type ImportItem } from './import-lines';

/** A folder of files is not all wanted in the Stack: of more than this many at once, the creator says *Place all*. */
const MOST_PLACED = 4;

/** One drop while it comes in: all its edits are one step. */
interface Step {
  readonly drop: {
    readonly files: readonly Dropped[];
    readonly landing: Landing;
    /** What was selected when it was dropped. */
    readonly selected: ObjectId | null;
  };
  readonly step: string;
  readonly label: string;
}

const nameIn = (path: string): string => path.replace(/^.*\//, '');

/** Its worker begins with the first file. */
const client = new IntakeClient();

export const useImportsStore = defineStore('imports', () => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const lines = useImportLines();
  const { items, change } = lines;
  /** Looking through what was dropped, before there are lines. */
  const looking = ref<{ readonly progress: number; readonly abort: AbortController } | null>(null);
  /** Handles of files that came in during this visit, by asset: they can stay linked. */
  const handles = new Map<AssetId, FileSystemFileHandle>();
  const frames = useFrames({ lines, read: (job, work) => client.read(job, work) });
  let queue: Promise<unknown> = Promise.resolve();
  let count = 0;
  /** Drops that are under way or wait for their turn. */
  const drops = new Set<AbortController>();

  const sameContent = (asset: Asset): Asset | undefined => twinOf(effectStore.effect, asset);
  const freeAssetName = (name: string): string => freeNameOf(effectStore.effect, name);

  const updateLayers = async (item: ImportItem, name: string, read: ReadResult): Promise<void> => {
    const here = layersHere(effectStore.effect, name);
    const now: Asset[] = [];
    for (const [i, draft] of read.drafts.entries()) {
      const layer = read.artwork!.layers.find((l) => l.draft === i)!;
      const before = here.get(layer.key);
      now.push(
        await keepDraft(await asBefore(draft, before, item.abort.signal), before?.id ?? newAssetId(), {
          signal: item.abort.signal,
        }),
      );
    }
    item.abort.signal.throwIfAborted();
    const update = updateArtwork(effectStore.effect, name, read.artwork!.layers, now);
    effectStore.edit(update.edit);
    const words = [
      update.changed > 0
        ? `${update.changed} ${update.changed === 1 ? 'layer' : 'layers'} updated`
        : 'nothing has changed',
      ...(update.added.length > 0 ? [`${update.added.length} added`] : []),
      'placement kept',
    ];
    change(item.key, {
      state: 'done',
      kind: 'picture',
      assets: now.map((a) => a.id),
      message: `${words.join(', ')}.`,
      notes: [
        ...read.notes,
        ...(update.gone.length > 0
          ? [
              `No longer in ${name}, but kept here: ${update.gone.map((a) => a.name).join(', ')}. Delete their cards if they are not wanted.`,
            ]
          : []),
      ],
    });
  };

  /** A draft prepared as the asset before it was. */
  const asBefore = async (
    draft: AssetDraft,
    before: Asset | undefined,
    signal: AbortSignal,
  ): Promise<AssetDraft> => {
    const prep = before && 'prep' in before ? before.prep : null;
    if (!prep || before!.kind !== draft.facts.kind) return draft;
    const originals = draft.original ?? draft.files;
    const { draft: prepared } = await client.prepare(
      { name: draft.name, facts: draft.facts, from: draft.from, originals, prep },
      { signal },
    );
    return { ...prepared, original: prepared.original ?? originals };
  };

  /** Puts the assets of one file into the document; layered artwork as its group. Gives what is still to be landed. */
  const take = async (
    item: ImportItem,
    job: PlannedJob,
    read: ReadResult,
    { drop, step, label }: Step,
  ): Promise<Asset | null> => {
    change(item.key, { state: 'keeping', progress: 1 });
    const { signal } = item.abort;
    if (read.artwork && layersHere(effectStore.effect, job.name).size > 0) {
      await updateLayers(item, job.name, read);
      return null;
    }
    const kept: Asset[] = [];
    for (const draft of read.drafts) kept.push(await keepDraft(draft, newAssetId(), { signal }));
    if (signal.aborted) throw new Cancelled();
    const handle = drop.files.find((d) => d.path === job.path)?.handle;
    if (read.artwork) {
      if (handle) for (const { id } of kept) handles.set(id, handle);
      const objects = artworkObjects(
        effectStore.effect,
        job.name,
        read.artwork.layers,
        kept,
        destination(drop.landing.on, null, drop.selected),
      );
      effectStore.edit(bringIn(label, kept, objects), step);
      desk.selected = objects[0]!.id;
      change(item.key, {
        state: 'done',
        kind: 'picture',
        assets: kept.map((a) => a.id),
        notes: read.notes,
        message: `${kept.length} layers became cards in a group.`,
      });
      return null;
    }
    const [asset] = kept;
    const twin = sameContent(asset!);
    const namesake = Object.values(effectStore.effect.assets).find(
      (a) => a.kind === asset!.kind && a.from?.file === asset!.from?.file && a.from?.layer == null,
    );
    const shown = twin ?? { ...asset!, name: freeAssetName(asset!.name) };
    if (!twin) effectStore.edit(bringIn(label, [shown]), step);
    if (handle) handles.set(shown.id, handle);
    change(item.key, {
      state: 'done',
      kind: shown.kind,
      assets: [shown.id],
      notes: read.notes,
      sheet: read.sheet,
      message: twin ? `The same content is here already as ${twin.name}; it is kept once.` : null,
      namesake: !twin && namesake ? namesake.id : null,
    });
    return shown;
  };

  const run = async (item: ImportItem, job: PlannedJob, step: Step): Promise<Asset | null> => {
    const { signal } = item.abort;
    try {
      if (signal.aborted) throw new Cancelled();
      change(item.key, { state: 'reading' });
      const read = await client.read(job, { signal, progress: (progress) => change(item.key, { progress }) });
      return await take(item, job, read, step);
    } catch (error) {
      if (signal.aborted || error instanceof Cancelled) change(item.key, { state: 'cancelled' });
      else change(item.key, { state: 'refused', message: sentence(error) });
      return null;
    }
  };

  /** Lands what came in and says, on its line, what became of what went elsewhere than one would think. */
  const land = (
    arrived: readonly { item: ImportItem; asset: Asset }[],
    { drop, step, label }: Step,
  ): void => {
    // What was taken out again meanwhile is not placed.
    const here = arrived.filter(({ asset }) => effectStore.effect.assets[asset.id]);
    const said = effectStore.asOneStep(step, () =>
      landAll(
        here.map(({ asset }) => effectStore.effect.assets[asset.id]!),
        drop.landing,
        { label, selected: drop.selected },
      ),
    );
    for (const { item, asset } of here) {
      const message = said.get(asset.id);
      if (message) change(item.key, { message });
    }
    effectStore.endGesture();
    frames.offerPairs(here);
  };
  /** Waits for its turn, looks through what was dropped and brings it in, one file after the other. */
  const enqueue = (reading: Promise<Drop>, landing: Landing): Promise<void> => {
    const abort = new AbortController();
    drops.add(abort);
    // What is selected now decides, not what is by the time it has been read.
    const { selected } = desk;
    // It may fail before its turn comes; that is told then.
    reading.catch(() => undefined);
    const work = async (): Promise<void> => {
      if (abort.signal.aborted) return;
      const state = reactive({ progress: 0, abort });
      looking.value = state;
      // What is over makes room.
      lines.clear();
      try {
        const { files, lost } = await reading;
        for (const path of lost)
          lines.add(nameIn(path), {
            state: 'refused',
            message: `${path} could not be read: it was moved, or another program holds it. Drop it again.`,
          });
        if (files.length === 0) return;
        const planned = await client.plan(
          files.map(({ path, file }) => ({ path, file })),
          {
            signal: abort.signal,
            progress: (progress) => (state.progress = progress),
          },
        );
        looking.value = null;
        for (const { path, message } of planned.refusals)
          lines.add(nameIn(path) || 'Drop', { state: 'refused', message });
        const isMany = planned.jobs.length > MOST_PLACED;
        const step: Step = {
          drop: { files, landing: { ...landing, place: landing.place && !isMany }, selected },
          step: `drop ${++count}`,
          label:
            planned.jobs.length === 1
              ? `Bring in ${planned.jobs[0]!.name}`
              : `Bring in ${planned.jobs.length} files`,
        };
        const jobs = planned.jobs.map((job) => ({ job, item: lines.add(job.name) }));
        const arrived: { item: ImportItem; asset: Asset }[] = [];
        for (const { job, item } of jobs) {
          const asset = await run(item, job, step);
          if (asset) arrived.push({ item, asset });
        }
        land(arrived, step);
      } catch (error) {
        if (!(error instanceof Cancelled)) lines.add('Drop', { state: 'refused', message: sentence(error) });
      } finally {
        looking.value = null;
      }
    };
    const mine = queue.then(work).finally(() => drops.delete(abort));
    queue = mine;
    return mine;
  };
  const bringInFiles = (files: readonly Dropped[], landing: Landing): Promise<void> =>
    enqueue(Promise.resolve({ files, lost: [] }), landing);
  /** What was dropped from outside: files, and folders with all that is in them. */
  const bringInDrop = (transfer: DataTransfer, landing: Landing): Promise<void> =>
    enqueue(filesOfDrop(transfer), landing);

  /** Reads one file as an asset without putting it into the document. Throws sentences. */
  const readOne = async (
    file: Dropped,
    signal?: AbortSignal,
  ): Promise<{ job: PlannedJob; read: ReadResult }> => {
    const planned = await client.plan([{ path: file.path, file: file.file }], { signal });
    const [job] = planned.jobs;
    if (!job) throw new Error(planned.refusals[0]?.message ?? `${file.path} holds nothing that can be used.`);
    return { job, read: await client.read(job, { signal }) };
  };

  /** Puts the content of a file into an asset: all that shows it follows. Throws sentences. */
  const replaceWith = async (id: AssetId, file: Dropped, signal?: AbortSignal): Promise<Asset> => {
    const before = effectStore.effect.assets[id];
    if (!before) throw new Error('This asset is no longer here.');
    const effectId = effectStore.id;
    const { read } = await readOne(file, signal);
    const [draft] = read.drafts;
    if (read.artwork || !draft || draft.facts.kind !== before.kind)
      throw new Error(
        `${file.path} cannot stand in for ${before.name}: it is of another kind. Bring it in beside it instead.`,
      );
    const prepared = await asBefore(draft, before, signal ?? new AbortController().signal);
    const next = await keepDraft(prepared, id, { signal });
    if (effectStore.id !== effectId) throw new Cancelled();
    effectStore.edit(replaceAsset(effectStore.effect, { ...next, name: before.name } as Asset));
    if (file.handle) handles.set(id, file.handle);
    return next;
  };

  /** An asset whose files are on the server enters the document, and the Stack too when it is to be placed. */
  const enter = (
    asset: Asset,
    { isHere, place, step = null }: { isHere: boolean; place: boolean; step?: string | null },
  ): void => {
    const fresh = isHere ? [] : [asset];
    const label = `Bring in ${asset.name}`;
    if (place && isPlaceable(asset)) placeAssets([asset], { fresh, label });
    else effectStore.edit(bringIn(label, fresh), step);
  };
  /** Takes over an asset of another effect, the shelf or a release: its files are on the server already. */
  const adopt = (asset: Asset, place: boolean): AssetId => {
    const twin = sameContent(asset);
    const own = twin ?? ({ ...asset, id: newAssetId(), name: freeAssetName(asset.name) } as Asset);
    enter(own, { isHere: twin !== undefined, place });
    return own.id;
  };

  const cancel = (key: number): void => items.value.find((i) => i.key === key)?.abort.abort();
  const cancelAll = (): void => {
    for (const drop of drops) drop.abort();
    for (const item of items.value) item.abort.abort();
  };
  /** The report is of one effect: with another there is nothing to report. */
  const leave = (): void => {
    cancelAll();
    lines.putAway();
  };
  const busy = computed(() => looking.value !== null || lines.isAny.value);

  return {
    items,
    looking,
    busy,
    summary: lines.summary,
    words: lines.words,
    handles,
    client,
    bringInFiles,
    bringInDrop,
    makeSequence: frames.make,
    readOne,
    replaceWith,
    adopt,
    enter,
    asBefore,
    freeAssetName,
    cancel,
    cancelAll,
    leave,
    dismiss: lines.dismiss,
    clear: lines.clear,
    change,
  };
});
