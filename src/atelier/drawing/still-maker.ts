/**
 * Makes small still pictures of an effect on the take, one after the other in one hidden stage: thumbnails,
 * the film on the strip, the blend comparison.
 */
import { Player } from '../../core/behave/player';
import type { Effect } from '../../core/document/schema';
import { usedAssets } from '../../core/document/queries';
import type { Take } from '../../core/takes/take';
import { ModelStore } from '../../stage/effect/model-store';
import { TextureStore, type FileSource } from '../../stage/effect/texture-store';
import { Stage } from '../../stage/stage';
import { TakePicture } from '../../stage/take-picture';

export interface StillRequest {
  readonly effect: Effect;
  readonly take: Take;
  readonly times: readonly number[];
  readonly width: number;
  readonly height: number;
}

class StillMaker {
  private stage: Stage | null = null;
  private readonly textures: TextureStore;
  private readonly models: ModelStore;
  private take: Take | null = null;
  private queue: Promise<unknown> = Promise.resolve();

  constructor(source: FileSource) {
    this.textures = new TextureStore(source);
    this.models = new ModelStore(source);
  }

  /** Draws the frames in turn, giving the page time between them. `onStill` gets each as it is ready. */
  make(
    request: StillRequest,
    signal: AbortSignal,
    onStill: (index: number, url: string) => void,
  ): Promise<void> {
    const run = this.queue.then(() => this.run(request, signal, onStill));
    this.queue = run.catch(() => undefined);
    return run;
  }

  private async run(
    { effect, take, times, width, height }: StillRequest,
    signal: AbortSignal,
    onStill: (index: number, url: string) => void,
  ): Promise<void> {
    if (signal.aborted) return;
    const { textures, models } = this;
    this.stage ??= new Stage(document.createElement('canvas'), { textures, models }, { keepPixels: true });
    const { stage } = this;
    if (this.take !== take) stage.setPicture(new TakePicture(take));
    this.take = take;
    // What cannot be loaded is missing in the still, as it is in the Viewfinder.
    await Promise.all(
      usedAssets(effect).map(async (id) => {
        const asset = effect.assets[id];
        if (asset?.kind === 'model') await models.load(asset).catch(() => undefined);
        else if (asset?.kind === 'picture' || asset?.kind === 'sequence')
          await textures.load(asset).catch(() => undefined);
      }),
    );
    const player = new Player(effect, take);
    for (const [i, time] of times.entries()) {
      // A still is nobody's hurry: what the creator does comes first.
      await new Promise((next) => setTimeout(next, 16));
      if (signal.aborted) return;
      stage.setSize(width, height, 1);
      stage.draw(take.frameAt(time), effect, player.program, player.at(time));
      const blob = await new Promise<Blob | null>((done) => stage.canvas.toBlob(done, 'image/webp', 0.85));
      if (signal.aborted) return;
      if (blob) onStill(i, URL.createObjectURL(blob));
    }
  }
}

let maker: StillMaker | null = null;
export const stillMaker = (source: FileSource): StillMaker => (maker ??= new StillMaker(source));
