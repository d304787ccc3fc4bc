/** What the worker asks of the page, and tells it. */
export interface IntakeHooks {
  progress(share: number): void;
  /** Draws an SVG that has been found harmless; workers cannot. */
  rasterise(svg: string, width: number, height: number): Promise<ImageBitmap>;
}
