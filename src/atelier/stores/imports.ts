/** Bringing files in: what was dropped, how far it is, what came of it. */
import { defineStore } from 'pinia';
import { computed, reactive, ref } from 'vue';
import { bringIn, replaceAsset } from '../../core/edits/asset-edits';
import { sentence } from '../../core/errors';
import type { Anchor, Asset, AssetId } from '../../core/document/schema';
import { Cancelled, IntakeClient } from '../../intake/intake-client';
import type { AssetDraft, ReadResult } from '../../intake/drafts';
import type { PlannedJob } from '../../intake/intake-worker';
import { newAssetId } from '../api/ids';
import { filesOfDrop, type Drop, type Dropped } from '../intake/dropped';
import { keepDraft } from '../intake/keep-draft';
import { destination } from '../commands/place-commands';
import { artworkObjects, objectsFor } from '../intake/placing';
import { layersHere, updateArtwork } from '../intake/update-artwork';
import { useDeskStore } from './desk';
import { useEffectStore } from './effect';
import { useImportLines, type ImportItem } from './import-lines';

/** A folder of files is not all wanted on the face: of more than this many at once, the creator places them. */
const MOST_PLACED = 4;

export interface BringInOptions {
  /** Put what comes in on the face. */
  readonly place: boolean;
  /** What it is to stick to; else it goes beside what is selected. */
  readonly on?: Anchor | null;
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
  /** Whether so many came at once that none was put on the face by itself. */
  const many = ref(false);
  /** Handles of files that came in during this visit, by asset: they can stay linked. */
  const handles = new Map<AssetId, FileSystemFileHandle>();
  let queue: Promise<unknown> = Promise.resolve();
  /** Drops that are under way or wait for their turn. */
  const drops = new Set<AbortController>();

  /** An asset with the same content, if the effect has one. */
  const sameContent = (asset: Asset): Asset | undefined =>
    Object.values(effectStore.effect.assets).find(
      (a) =>
        a.kind === asset.kind &&
        a.files.map((f) => f.sha256).join() === asset.files.map((f) => f.sha256).join() &&
        JSON.stringify(a.original) === JSON.stringify(asset.original),
    );
  const freeAssetName = (name: string): string => {
    const taken = new Set(Object.values(effectStore.effect.assets).map((a) => a.name));
    const [, stem, ending] = /^(.*?)(\.[^.]+)?$/.exec(name) as unknown as [
      string,
      string,
      string | undefined,
    ];
    let free = name;
    for (let n = 2; taken.has(free); n++) free = `${stem} ${n}${ending ?? ''}`;
    return free;
  };

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

  const take = async (
    item: ImportItem,
    job: PlannedJob,
    read: ReadResult,
    { place, on }: BringInOptions,
    dropped: readonly Dropped[],
  ): Promise<void> => {
    change(item.key, { state: 'keeping', progress: 1 });
    const { signal } = item.abort;
    if (read.artwork && layersHere(effectStore.effect, job.name).size > 0)
      return updateLayers(item, job.name, read);
    const kept: Asset[] = [];
    for (const draft of read.drafts) kept.push(await keepDraft(draft, newAssetId(), { signal }));
    if (signal.aborted) throw new Cancelled();
    const handle = dropped.find((d) => d.path === job.path)?.handle;
    if (read.artwork) {
      if (handle) for (const { id } of kept) handles.set(id, handle);
      const objects = artworkObjects(
        effectStore.effect,
        job.name,
        read.artwork.layers,
        kept,
        destination(on),
      );
      effectStore.edit(bringIn(`Bring in ${job.name}`, kept, objects));
      desk.selected = objects[0]!.id;
      change(item.key, {
        state: 'done',
        kind: 'picture',
        assets: kept.map((a) => a.id),
        notes: read.notes,
        message: `${kept.length} layers became cards in a group.`,
      });
      return;
    }
    const [asset] = kept;
    const twin = sameContent(asset!);
    const namesake = Object.values(effectStore.effect.assets).find(
      (a) => a.kind === asset!.kind && a.from?.file === asset!.from?.file && a.from?.layer == null,
    );
    const shown = twin ?? { ...asset!, name: freeAssetName(asset!.name) };
    const objects = place ? objectsFor(effectStore.effect, shown, destination(on)) : [];
    effectStore.edit(bringIn(`Bring in ${shown.name}`, twin ? [] : [shown], objects));
    if (objects[0]) desk.selected = objects[0].id;
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
  };

  const run = async (
    item: ImportItem,
    job: PlannedJob,
    options: BringInOptions,
    dropped: readonly Dropped[],
  ): Promise<void> => {
    const { signal } = item.abort;
    try {
      if (signal.aborted) throw new Cancelled();
      change(item.key, { state: 'reading' });
      const read = await client.read(job, { signal, progress: (progress) => change(item.key, { progress }) });
      await take(item, job, read, options, dropped);
    } catch (error) {
      if (signal.aborted || error instanceof Cancelled) change(item.key, { state: 'cancelled' });
      else change(item.key, { state: 'refused', message: sentence(error) });
    }
  };

  /** Waits for its turn, looks through what was dropped and brings it in, one file after the other. */
  const enqueue = (reading: Promise<Drop>, options: BringInOptions): Promise<void> => {
    const abort = new AbortController();
    drops.add(abort);
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
        many.value = planned.jobs.length > MOST_PLACED;
        const place = options.place && !many.value;
        const jobs = planned.jobs.map((job) => ({ job, item: lines.add(job.name) }));
        for (const { job, item } of jobs) await run(item, job, { ...options, place }, files);
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
  const bringInFiles = (files: readonly Dropped[], options: BringInOptions): Promise<void> =>
    enqueue(Promise.resolve({ files, lost: [] }), options);
  /** What was dropped from outside: files, and folders with all that is in them. */
  const bringInDrop = (transfer: DataTransfer, options: BringInOptions): Promise<void> =>
    enqueue(filesOfDrop(transfer), options);

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

  /** Takes over an asset of another effect, the shelf or a release: its files are on the server already. */
  const adopt = (asset: Asset, place: boolean): AssetId => {
    const twin = sameContent(asset);
    const own = twin ?? ({ ...asset, id: newAssetId(), name: freeAssetName(asset.name) } as Asset);
    const objects = place ? objectsFor(effectStore.effect, own, destination()) : [];
    effectStore.edit(bringIn(`Bring in ${own.name}`, twin ? [] : [own], objects));
    if (objects[0]) desk.selected = objects[0].id;
    return own.id;
  };

  const cancel = (key: number): void => items.value.find((i) => i.key === key)?.abort.abort();
  const cancelAll = (): void => {
    for (const drop of drops) drop.abort();
    for (const item of items.value) item.abort.abort();
  };
  const busy = computed(() => looking.value !== null || lines.isAny.value);

  return {
    items,
    looking,
    busy,
    many,
    summary: lines.summary,
    handles,
    client,
    bringInFiles,
    bringInDrop,
    readOne,
    replaceWith,
    adopt,
    asBefore,
    freeAssetName,
    cancel,
    cancelAll,
    dismiss: lines.dismiss,
    clear: lines.clear,
    change,
  };
});
