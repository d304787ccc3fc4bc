/**
 * A device that measures its room, for pages in a browser that has none: `iwer` emulates the sessions, and this brings what it lacks: a room (a floor, and a wall 3 m
 * ahead), the camera's picture, and a screen of the device's own.
 */
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';

const EMULATOR = join(
  dirname(createRequire(import.meta.url).resolve('iwer/package.json')),
  'build/iwer.min.js',
);

/** How high the device is at first, and how it opens upwards and downwards. */
export const HELD = { height: 1.5, fovY: 60 };
/** What its camera sees everywhere. */
export const ROOM_COLOUR = [20, 90, 140] as const;

export interface DeviceScreen {
  /** Share of its pixels near a colour, and their middle from 0 to 1, from the top left; what its corner shows. */
  read(colour: readonly number[]): { share: number; x: number; y: number; corner: number[] };
  /** Metres, and degrees downwards and to the left. */
  hold(at: readonly [number, number, number], down: number, left: number): void;
  anchors(): number;
  /** As the viewer does with a gesture of the device. */
  leave(): void;
}

interface Emulator {
  readonly XRDevice: new (config: object, options: object) => Device;
  readonly metaQuest3: { readonly supportedFeatures: readonly string[] };
}
interface Device {
  readonly position: { set(x: number, y: number, z: number): void };
  readonly quaternion: { set(x: number, y: number, z: number, w: number): void };
  readonly activeSession?: XRSession;
  installRuntime(how: { forceInstall: boolean }): void;
  installSEM(room: new () => object): void;
}

/** Runs in the page, before anything of it. */
const install = ([held, colour, eyes]: [typeof HELD, readonly number[], number]): void => {
  const scope = globalThis as unknown as {
    IWER: Emulator;
    deviceScreen: DeviceScreen;
    XRWebGLBinding: { prototype: object };
  };
  const { XRDevice, metaQuest3 } = scope.IWER;
  const device = new XRDevice(
    {
      ...metaQuest3,
      supportedFeatures: [...metaQuest3.supportedFeatures, 'camera-access', 'dom-overlay'],
    },
    { fovy: (held.fovY * Math.PI) / 180, stereoEnabled: eyes > 1 },
  );
  device.installRuntime({ forceInstall: true });
  device.installSEM(
    class {
      readonly environmentCanvas = document.createElement('canvas');
      readonly trackedPlanes = new Set();
      readonly trackedMeshes = new Set();
      render(): void {}
      /** Column-major; the ray runs along its -Z. Nearest first. */
      computeHitTestResults(ray: ArrayLike<number>): Float32Array[] {
        const from = [ray[12]!, ray[13]!, ray[14]!];
        const along = [-ray[8]!, -ray[9]!, -ray[10]!];
        const down = along[1]! < -1e-6 ? -from[1]! / along[1]! : Infinity;
        const ahead = along[2]! < -1e-6 ? (-3 - from[2]!) / along[2]! : Infinity;
        const t = Math.min(down, ahead);
        if (!Number.isFinite(t) || t <= 0) return [];
        const at = from.map((x, k) => x + t * along[k]!);
        // +Y faces away: upwards from the floor, towards +Z from the wall.
        const turn =
          down < ahead ? [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0] : [1, 0, 0, 0, 0, 0, 1, 0, 0, -1, 0, 0];
        return [Float32Array.from([...turn, ...at, 1])];
      }
    },
  );
  // The emulator lays its canvas over the page; on a device the page lies over the picture.
  const style = new CSSStyleSheet();
  style.replaceSync(
    '[data-webxr_runtime] { pointer-events: none; z-index: -1 !important } [data-webxr_runtime] canvas { position: absolute; inset: 0; width: 100%; height: 100% }',
  );
  document.adoptedStyleSheets.push(style);
  let gl: WebGL2RenderingContext | null = null;
  let screen: WebGLFramebuffer | null = null;
  let size = [0, 0];
  Object.defineProperty(XRWebGLLayer.prototype, 'framebuffer', {
    get(this: { context: WebGL2RenderingContext; framebufferWidth: number; framebufferHeight: number }) {
      const { framebufferWidth: width, framebufferHeight: height } = this;
      if (gl === this.context && size[0] === width && size[1] === height) return screen;
      gl = this.context;
      size = [width, height];
      const before = gl.getParameter(gl.RENDERBUFFER_BINDING) as WebGLRenderbuffer | null;
      const pixels = gl.createRenderbuffer();
      gl.bindRenderbuffer(gl.RENDERBUFFER, pixels);
      gl.renderbufferStorage(gl.RENDERBUFFER, gl.RGBA8, width, height);
      gl.bindRenderbuffer(gl.RENDERBUFFER, before);
      const drawn = gl.getParameter(gl.DRAW_FRAMEBUFFER_BINDING) as WebGLFramebuffer | null;
      screen = gl.createFramebuffer();
      gl.bindFramebuffer(gl.DRAW_FRAMEBUFFER, screen);
      gl.framebufferRenderbuffer(gl.DRAW_FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.RENDERBUFFER, pixels);
      gl.bindFramebuffer(gl.DRAW_FRAMEBUFFER, drawn);
      return screen;
    },
  });
  Object.defineProperty(XRView.prototype, 'camera', { get: () => ({ width: 4, height: 4 }) });
  let picture: WebGLTexture | null = null;
  Object.assign(scope.XRWebGLBinding.prototype, {
    getCameraImage(): WebGLTexture | null {
      if (picture) return picture;
      // The canvas that effects are drawn on has one context only.
      const gl = document.querySelector<HTMLCanvasElement>('#picture')!.getContext('webgl2')!;
      const before = gl.getParameter(gl.TEXTURE_BINDING_2D) as WebGLTexture | null;
      picture = gl.createTexture();
      gl.bindTexture(gl.TEXTURE_2D, picture);
      const bytes = new Uint8Array(Array.from({ length: 16 }, () => [...colour, 255]).flat());
      gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, 4, 4, 0, gl.RGBA, gl.UNSIGNED_BYTE, bytes);
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.NEAREST);
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.NEAREST);
      gl.bindTexture(gl.TEXTURE_2D, before);
      return picture;
    },
  });
  const anchors = new Set<XRAnchor>();
  const createAnchor = XRFrame.prototype.createAnchor!;
  XRFrame.prototype.createAnchor = function (pose, space) {
    const made = createAnchor.call(this, pose, space)!;
    void made.then((anchor) => {
      anchors.add(anchor);
      const { delete: remove } = anchor;
      anchor.delete = function () {
        anchors.delete(anchor);
        remove.call(anchor);
      };
    });
    return made;
  };
  scope.deviceScreen = {
    read: (wanted) => {
      const [width, height] = size as [number, number];
      const bytes = new Uint8Array(4 * width * height);
      const before = gl!.getParameter(gl!.READ_FRAMEBUFFER_BINDING) as WebGLFramebuffer | null;
      gl!.bindFramebuffer(gl!.READ_FRAMEBUFFER, screen);
      gl!.readPixels(0, 0, width, height, gl!.RGBA, gl!.UNSIGNED_BYTE, bytes);
      gl!.bindFramebuffer(gl!.READ_FRAMEBUFFER, before);
      let [count, x, y] = [0, 0, 0];
      for (let i = 0; i < width * height; i++)
        if (wanted.every((c, k) => Math.abs(bytes[4 * i + k]! - c) < 40)) {
          count++;
          x += (i % width) + 0.5;
          y += height - Math.floor(i / width) - 0.5;
        }
      return {
        share: count / (width * height),
        x: x / count / width,
        y: y / count / height,
        corner: [...bytes.slice(0, 4)],
      };
    },
    hold: ([x, y, z], down, left) => {
      device.position.set(x, y, z);
      const [a, b] = [(-down * Math.PI) / 360, (left * Math.PI) / 360];
      // First tipped, then turned about the vertical.
      const [sa, ca, sb, cb] = [Math.sin(a), Math.cos(a), Math.sin(b), Math.cos(b)];
      device.quaternion.set(cb * sa, sb * ca, -sb * sa, cb * ca);
    },
    anchors: () => anchors.size,
    leave: () => void device.activeSession?.end(),
  };
  scope.deviceScreen.hold([0, held.height, 0], 0, 0);
};

/** A window on such a device; its pictures are small. `eyes` is 2 for what is worn on the head. */
export const openOnDevice = async (context: BrowserContext, eyes: 1 | 2 = 1): Promise<Page> => {
  const page = await context.newPage();
  await page.setViewportSize({ width: 270, height: 480 });
  await page.addInitScript({ path: EMULATOR });
  await page.addInitScript(install, [HELD, ROOM_COLOUR, eyes] as [typeof HELD, readonly number[], number]);
  return page;
};
