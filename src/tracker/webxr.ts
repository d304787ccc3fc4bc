/**
 * What is asked of a browser that measures the room itself: WebXR Device API with hit test, anchors, DOM overlay and raw camera access (W3C). Only as much as is
 * used here, since the camera's picture is not in the published types yet.
 */

/** The camera behind a view, where the session may see its picture. */
export interface ViewCamera {
  readonly width: number;
  readonly height: number;
}
export type CameraView = XRView & { readonly camera?: ViewCamera | null };

export interface CameraBinding {
  /** The picture of this frame, its first row at the bottom; null when there is none. */
  getCameraImage(camera: ViewCamera): WebGLTexture | null;
}
interface MakesBinding {
  new (session: XRSession, gl: WebGL2RenderingContext): CameraBinding;
}

const system = (): XRSystem | null =>
  (typeof navigator === 'undefined' ? undefined : (navigator as { xr?: XRSystem }).xr) ?? null;

/** Whether this browser may measure the room. Never rejects. */
export const mayMeasure = async (): Promise<boolean> => {
  try {
    return (await system()?.isSessionSupported('immersive-ar')) ?? false;
  } catch {
    return false;
  }
};

/** To be called from a click. Rejects as the browser does. */
export const requestRoom = async (over: HTMLElement): Promise<XRSession> => {
  const xr = system();
  if (!xr) throw new Error('no WebXR');
  return xr.requestSession('immersive-ar', {
    requiredFeatures: ['local', 'hit-test', 'camera-access'],
    optionalFeatures: ['anchors', 'dom-overlay'],
    domOverlay: { root: over },
  });
};

/** The camera's picture in a session that may see it; null where the browser gives none. */
export const bindCamera = (session: XRSession, gl: WebGL2RenderingContext): CameraBinding | null => {
  const Binding = (globalThis as { XRWebGLBinding?: MakesBinding }).XRWebGLBinding;
  const binding = Binding ? new Binding(session, gl) : null;
  return binding && typeof binding.getCameraImage === 'function' ? binding : null;
};
