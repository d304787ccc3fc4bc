/** The first picture of a view takes as long as a hundred others: it is made ready before it is drawn, with pauses between. */

export interface FirstPictureTools {
  /** Makes ready what drawing needs; what cannot be made ready is made when it is drawn. */
  readonly prepare: () => Promise<void>;
  readonly draw: () => void;
  /** Asks for a picture: it is ready to be drawn now. */
  readonly again: () => void;
}

export class FirstPicture {
  private state: 'wanted' | 'coming' | 'ready' | 'stopped' = 'wanted';

  constructor(private readonly tools: FirstPictureTools) {}

  /** It was asked for and is not drawn yet. */
  get isComing(): boolean {
    return this.state === 'coming';
  }

  /** Draws, or begins to get ready; asked meanwhile, the picture is drawn once it is. */
  draw(): void {
    if (this.state === 'ready') this.tools.draw();
    if (this.state !== 'wanted') return;
    this.state = 'coming';
    void this.tools
      .prepare()
      // Drawing says what is wrong, where it is seen.
      .catch(() => undefined)
      .then(() => {
        if (this.state !== 'coming') return;
        this.state = 'ready';
        this.tools.again();
      });
  }

  /** What was being made ready is lost: the picture is drawn without. */
  giveUp(): void {
    if (this.state === 'coming') this.state = 'ready';
  }

  /** The view is gone. */
  stop(): void {
    this.state = 'stopped';
  }
}
