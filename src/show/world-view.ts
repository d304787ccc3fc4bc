/** The show page on a camera that measures the room: the stage draws over its picture, in its own frames, and brings that onto its screen. */
import { ShownElsewhere } from '../stage/shown-elsewhere';
import type { Stage } from '../stage/stage';
import { WorldPicture } from '../stage/world-picture';
import type { WorldScreen } from '../tracker/world-camera';

/** The page while it lies over a device's own picture. */
const CLASS = 'over-world';

export class WorldView implements WorldScreen {
  /** Drawn over while it lasts; the stage lets go of it. */
  picture: WorldPicture | null = null;
  private readonly elsewhere: ShownElsewhere;

  constructor(
    private readonly stage: Stage,
    readonly over: HTMLElement,
    /** Draws the newest frame. */
    private readonly paint: () => void,
    /** The stage has the page's size again. */
    private readonly onEnd: () => void,
  ) {
    this.elsewhere = new ShownElsewhere(stage.renderer);
  }

  get gl(): WebGL2RenderingContext {
    return this.stage.renderer.getContext() as WebGL2RenderingContext;
  }

  begin(width: number, height: number): void {
    this.over.classList.add(CLASS);
    this.stage.setSize(width, height, 1);
    if (this.picture) return;
    this.picture = new WorldPicture();
    this.stage.setPicture(this.picture);
  }

  draw(image: WebGLTexture, framebuffer: WebGLFramebuffer | null): void {
    const { canvas } = this.stage;
    this.picture!.show(image);
    this.paint();
    if (framebuffer) this.elsewhere.show(framebuffer, canvas.width, canvas.height);
  }

  end(): void {
    this.over.classList.remove(CLASS);
    this.picture = null;
    this.onEnd();
  }
}
