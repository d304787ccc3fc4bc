/** Sees an effect on a take for rehearsals: draws moments in a hidden stage and reads them back. */
import type { Raster } from '../core/assets/raster';
import { Player, type PlayerOptions } from '../core/behave/player';
import type { Effect, ObjectId } from '../core/document/schema';
import type { Sight, Size, Whereabouts } from '../core/rehearse/sight';
import type { Take } from '../core/takes/take';
import type { Seconds } from '../core/units';
import { ClipPicture } from './clip-picture';
import type { CameraPicture } from './picture';
import type { Stage } from './stage';

export interface TakeSightOptions {
  /** Draws it; its pixels are kept. */
  readonly stage: Stage;
  readonly effect: Effect;
  readonly take: Take;
  /** What the take's camera shows; whoever gives it lets it go. */
  readonly picture: CameraPicture;
  readonly played: Pick<PlayerOptions, 'recorded' | 'scripts' | 'colours'>;
  /** Called before each picture: gives the page its turn, and throws when nobody wants it any more. */
  readonly pause: () => Promise<void>;
}

export class TakeSight implements Sight {
  private readonly player: Player;
  private readonly sheet = document.createElement('canvas');
  /** Of each object, itself and all that hangs in it. */
  private readonly families = new Map<ObjectId, ReadonlySet<ObjectId>>();

  constructor(private readonly options: TakeSightOptions) {
    this.player = new Player(options.effect, options.take, options.played);
  }

  async picture(time: Seconds, size: Size): Promise<Raster> {
    await this.draw(time, size);
    return this.read(size);
  }

  async without(time: Seconds, object: ObjectId, size: Size): Promise<Raster> {
    const family = this.familyOf(object);
    await this.draw(time, size, (id) => !family.has(id));
    return this.read(size);
  }

  async whereabouts(time: Seconds, object: ObjectId): Promise<Whereabouts> {
    const { program } = this.player;
    const i = program.indexOf.get(object);
    if (i === undefined) return 'nowhere';
    await this.draw(time, { width: 9, height: 16 });
    if ((this.options.stage.drawn?.places[i]?.places.length ?? 0) > 0) return 'there';
    const runtime = this.player.at(time);
    for (let o = i; o >= 0; o = program.parents[o]!) if (!runtime.values(o).visible) return 'hidden';
    return 'nowhere';
  }

  /** A moment as a small picture for a filmstrip. */
  async still(time: Seconds, size: Size): Promise<Blob> {
    await this.draw(time, size);
    const { canvas } = this.options.stage;
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/webp', 0.85));
    if (!blob) throw new Error('The browser could not make a picture of what it drew.');
    return blob;
  }

  private async draw(
    time: Seconds,
    { width, height }: Size,
    keep?: (id: ObjectId) => boolean,
  ): Promise<void> {
    const { stage, take, picture, pause } = this.options;
    await pause();
    if (picture instanceof ClipPicture) await picture.ready(time);
    stage.lendPicture(picture);
    stage.setSize(width, height, 1);
    const { program } = this.player;
    stage.draw(take.frameAt(time), program, this.player.at(time), keep);
  }

  private read({ width, height }: Size): Raster {
    const { sheet } = this;
    sheet.width = width;
    sheet.height = height;
    const g = sheet.getContext('2d', { willReadFrequently: true })!;
    g.drawImage(this.options.stage.canvas, 0, 0);
    return { width, height, data: g.getImageData(0, 0, width, height).data };
  }

  private familyOf(object: ObjectId): ReadonlySet<ObjectId> {
    const known = this.families.get(object);
    if (known) return known;
    const { objects, parents, indexOf } = this.player.program;
    const root = indexOf.get(object) ?? -1;
    const family = new Set<ObjectId>();
    objects.forEach(({ id }, i) => {
      for (let o = i; o >= 0; o = parents[o]!) if (o === root) family.add(id);
    });
    this.families.set(object, family);
    return family;
  }
}
