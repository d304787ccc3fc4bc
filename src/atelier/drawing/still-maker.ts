/**
 * Makes small still pictures of an effect on the take, one after the other in one hidden stage: thumbnails,
 * the film on the strip, the blend comparison.
 */
import { Player } from '../../core/behave/player';
import type { Asset, Effect } from '../../core/document/schema';
import { usedAssets } from '../../core/document/queries';
import type { Take } from '../../core/takes/take';
import { TextureStore, type AssetSource } from '../../stage/effect/texture-store';
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
  private textures: TextureStore | null = null;
  private take: Take | null = null;
  private queue: Promise<unknown> = Promise.resolve();

  constructor(private readonly source: AssetSource) {}

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
    this.textures ??= new TextureStore(this.source);
    this.stage ??= new Stage(document.createElement('canvas'), this.textures, { keepPixels: true });
    const { stage, textures } = this;
    if (this.take !== take) stage.setPicture(new TakePicture(take));
    this.take = take;
    const assets = usedAssets(effect)
      .map((id) => effect.assets[id])
      .filter((a): a is Asset => a !== undefined);
    await Promise.all(
      assets.filter((a) => !textures.get(a)).map((a) => textures.load(a).catch(() => undefined)),
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
export const stillMaker = (source: AssetSource): StillMaker => (maker ??= new StillMaker(source));
