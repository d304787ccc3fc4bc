/** What objects are made of, loaded once by content and shared by every view of a page. */
import { neededAssets } from '../../core/document/queries';
import type { Effect } from '../../core/document/schema';
import { MapStore } from '../surface/map-store';
import { SurfaceFaults } from '../surface/surface-faults';
import { TextFields } from '../surface/text-fields';
import { Arrivals } from './content-store';
import { FontStore } from './font-store';
import { ModelStore } from './model-store';
import { PaintedTextures } from './painted-textures';
import { SurroundingsStore } from './surroundings-store';
import { TableStore } from './table-store';
import { TextureStore, type FileSource } from './texture-store';
import { VideoStore } from './video-store';

export interface Stores {
  /** What is on its way. */
  readonly arrivals: Arrivals;
  readonly textures: TextureStore;
  readonly models: ModelStore;
  readonly fonts: FontStore;
  readonly videos: VideoStore;
  readonly surroundings: SurroundingsStore;
  readonly tables: TableStore;
  /** What is being painted right now. */
  readonly painted: PaintedTextures;
  readonly maps: MapStore;
  /** Texts of surface circuits. */
  readonly texts: TextFields;
  /** Circuits that the graphics of this machine refuse. */
  readonly faults: SurfaceFaults;
}

/** `onLoaded` is called when something has arrived, so that the picture is drawn again. */
export const createStores = (source: FileSource, onLoaded: () => void = () => {}): Stores => {
  const arrivals = new Arrivals(onLoaded);
  const textures = new TextureStore(source, arrivals);
  return {
    arrivals,
    textures,
    maps: new MapStore(textures),
    texts: new TextFields(),
    faults: new SurfaceFaults(onLoaded),
    models: new ModelStore(source, arrivals),
    fonts: new FontStore(source, arrivals),
    videos: new VideoStore(source, arrivals),
    surroundings: new SurroundingsStore(source, arrivals),
    tables: new TableStore(source, arrivals),
    painted: new PaintedTextures(onLoaded),
  };
};

/** The stores of what was made from files. */
const byContent = (stores: Stores) =>
  [stores.textures, stores.models, stores.fonts, stores.videos, stores.surroundings, stores.tables].map(
    (store) => store.content,
  );

/** Lets go of everything that comes from other files than these: another effect is open now. */
export const keepOnly = (stores: Stores, files: ReadonlySet<string>): void => {
  for (const content of byContent(stores)) content.keepOnly(files);
};

/** How many things are held, and their bytes. */
export const heldBy = (stores: Stores): { things: number; bytes: number } =>
  byContent(stores).reduce(
    (sum, { size }) => ({ things: sum.things + size.things, bytes: sum.bytes + size.bytes }),
    { things: 0, bytes: 0 },
  );

/** Resolves when all that an effect uses can be drawn; what cannot be loaded is missing in the picture. */
export const loadUsed = async (stores: Stores, effect: Effect): Promise<void> => {
  const loading = neededAssets(effect).map(async (id): Promise<void> => {
    const asset = effect.assets[id];
    switch (asset?.kind) {
      case 'picture':
      case 'sequence':
        return stores.textures.load(asset);
      case 'model':
        return stores.models.load(asset);
      case 'font':
        return stores.fonts.load(asset);
      case 'video':
        return stores.videos.load(asset);
      case 'surroundings':
        return stores.surroundings.load(asset);
      case 'table':
        return stores.tables.load(asset);
    }
  });
  const writes =
    Object.values(effect.objects).some((o) => o.kind === 'text') ||
    Object.values(effect.materials).some((m) =>
      Object.values(m.circuit ?? {}).some((node) => node.type === 'text'),
    );
  if (writes) loading.push(stores.fonts.loadOwn());
  await Promise.all(loading.map((one) => one.catch(() => undefined)));
};
