/** The effect on a performer instead of the viewer: a shipped take that has the faces, floors and printed pictures it needs. Fetched apart. */
import { targetOrder } from '../core/document/queries';
import type { Effect } from '../core/document/schema';
import { headMesh } from '../core/takes/head-mesh';
import { FIRST_TAKE } from '../core/takes/library';
import { takeFor } from '../core/takes/library/take-for';
import { makeTake } from '../core/takes/make-take';
import type { Take } from '../core/takes/take';
import { withColours, type TakeColours } from '../core/takes/take-colours';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Seconds } from '../core/units';
import { chosenPeople } from '../stage/chosen-people';
import type { FileSource } from '../stage/effect/texture-store';
import type { CameraPicture } from '../stage/picture';
import type { PictureImage } from '../stage/printed-pictures';
import { TakePicture } from '../stage/take-picture';
import { pictureKeys } from '../tracker/camera-needs';

/** Made while the package is on its way: nearly every take has it. */
export const makeFirstHead = (): void => void headMesh(FIRST_TAKE.performers[0]!);

export class OnPerformer {
  private take: Take;
  private readonly chosen: Take;
  private printed: readonly PictureImage[] = [];
  private colours: TakeColours | null = null;

  constructor(private readonly effect: Effect) {
    this.take = this.chosen = takeFor(effect);
  }

  /** Whether another effect would be shown on the same performer, with the same pictures printed. */
  shows(effect: Effect): boolean {
    const printed = (of: Effect): string => JSON.stringify(pictureKeys(of));
    return takeFor(effect) === this.chosen && printed(effect) === printed(this.effect);
  }

  frameAt(time: Seconds): TrackFrame {
    return withColours(this.take.frameAt(time), this.colours);
  }

  picture(): CameraPicture {
    return new TakePicture(this.take, { pictures: this.printed, people: chosenPeople() });
  }

  /** Prints the effect's own pictures on the take's sheets. False when there are none, or one cannot be decoded. */
  async print(source: FileSource): Promise<boolean> {
    const printed: PictureImage[] = [];
    for (const target of targetOrder(this.effect)) {
      const asset = target.asset ? this.effect.assets[target.asset] : undefined;
      if (asset?.kind !== 'picture') break;
      const image = await createImageBitmap(await source(asset.files[0]!)).catch(() => null);
      if (!image) break;
      printed.push({ image, aspect: image.width / image.height });
    }
    if (printed.length === 0) return false;
    this.printed = printed;
    this.take = makeTake(this.take.spec, { pictureAspects: printed.map((p) => p.aspect) });
    return true;
  }

  /** For effects that ask for the colours of the picture. */
  async readColours(): Promise<void> {
    const [{ DRAWN_SIZE, readTakeColours }, { TakeDrawer }] = await Promise.all([
      import('../tracker/take-colours'),
      import('../stage/take-drawer'),
    ]);
    const options = { pictures: this.printed, people: chosenPeople() };
    this.colours = await readTakeColours(this.take, new TakeDrawer(this.take, options, DRAWN_SIZE));
  }
}
