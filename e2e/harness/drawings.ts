/**
 * Runs in every page before its own scripts: drawings of WebGL stay readable after they were shown, so that tests read pixels
 * within the page. A screenshot of the page costs ten times as much.
 */
export const keepDrawings = (): void => {
  type GetContext = (this: HTMLCanvasElement, kind: string, options?: object) => unknown;
  const original = HTMLCanvasElement.prototype.getContext as unknown as GetContext;
  const kept: GetContext = function (kind, options) {
    return original.call(
      this,
      kind,
      kind === 'webgl2' ? { ...options, preserveDrawingBuffer: true } : options,
    );
  };
  HTMLCanvasElement.prototype.getContext = kept as typeof HTMLCanvasElement.prototype.getContext;
};
