/**
 * The camera of a device that measures the room (WebXR): each of its frames says where the device is and what its middle points at, and brings the picture along. It
 * has a pace of its own, and what it shows is drawn within its frames.
 */
import { IconiaError } from '../core/errors';
import type { SurfaceKind } from '../core/document/schema';
import type { Pose } from '../core/maths/pose';
import { MeasuredRoom } from '../core/placing/measured-room';
import { faceFrame } from '../core/tracking/track-frame';
import { cameraError, type CameraEvents } from './live-camera';
import { bindCamera, requestRoom, type CameraBinding, type CameraView } from './webxr';

/** What a page lends to it to be seen on. */
export interface WorldScreen {
  readonly gl: WebGL2RenderingContext;
  /** What lies over the picture: words and buttons. */
  readonly over: HTMLElement;
  /** Pictures of that many pixels are drawn from now on. */
  begin(width: number, height: number): void;
  /** Draws the newest frame over the camera's picture, into the framebuffer; null is the canvas itself. */
  draw(picture: WebGLTexture, framebuffer: WebGLFramebuffer | null): void;
  /** It is over; what is drawn belongs to the page again. */
  end(): void;
}

/** Pictures are drawn with at most this many pixels in height, so that weak phones keep up. */
const MOST_HEIGHT = 1280;

/** The browser measures no room after all: it may be assumed instead. */
export const UNMEASURED = 'world.unavailable';
const unmeasured = (cause?: unknown): IconiaError =>
  new IconiaError(UNMEASURED, 'This browser does not measure the room around it.', { cause });

interface Anchored {
  readonly id: number;
  anchor: XRAnchor | null;
}

const poseOf = ({ position, orientation }: XRRigidTransform): Pose => ({
  position: [position.x, position.y, position.z],
  rotation: [orientation.x, orientation.y, orientation.z, orientation.w],
});
const transformOf = ({ position: [x, y, z], rotation: [qx, qy, qz, qw] }: Pose): XRRigidTransform =>
  new XRRigidTransform({ x, y, z }, { x: qx, y: qy, z: qz, w: qw });

/** What the frames of a session are read with. */
interface Opened {
  readonly session: XRSession;
  readonly layer: XRWebGLLayer;
  readonly binding: CameraBinding;
  /** The world: where the device was at first. */
  readonly space: XRReferenceSpace;
  readonly hits: XRHitTestSource;
}

export class WorldCamera {
  readonly room: MeasuredRoom;
  /** No canvas holds its picture: it is drawn within its own frames. */
  readonly picture = null;
  readonly stream = null;
  /** Nobody looks for people in it. */
  readonly people = null;
  private session: XRSession | null = null;
  private stopped = false;
  private startedAt: number | null = null;
  private size = '';
  private anchored: readonly Anchored[] = [];

  constructor(
    private readonly events: CameraEvents,
    kinds: readonly SurfaceKind[],
    private readonly screen: WorldScreen,
  ) {
    this.room = new MeasuredRoom(kinds);
  }

  /** Called from a click; resolves with the first picture. Throws `IconiaError`: `camera.refused`, or `world.unavailable` where no room is measured. */
  async start(): Promise<void> {
    this.events.onState('starting');
    try {
      this.session = await requestRoom(this.screen.over);
    } catch (cause) {
      const { name } = cause as { name?: string };
      throw name === 'NotAllowedError' || name === 'SecurityError' ? cameraError(cause) : unmeasured(cause);
    }
    if (this.stopped) return this.stop();
    try {
      const opened = await this.open(this.session);
      if (this.stopped) return this.stop();
      this.session.addEventListener('end', () => this.fail());
      await new Promise<void>((done, refuse) => this.run(opened, done, refuse));
    } catch (cause) {
      this.stop();
      throw cause instanceof IconiaError ? cause : unmeasured(cause);
    }
  }

  private async open(session: XRSession): Promise<Opened> {
    const { gl } = this.screen;
    await gl.makeXRCompatible();
    const natural = new XRWebGLLayer(session, gl, { antialias: false });
    const layer =
      natural.framebufferHeight > MOST_HEIGHT
        ? new XRWebGLLayer(session, gl, {
            antialias: false,
            framebufferScaleFactor: MOST_HEIGHT / natural.framebufferHeight,
          })
        : natural;
    await session.updateRenderState({ baseLayer: layer });
    const binding = bindCamera(session, gl);
    if (!binding) throw unmeasured();
    const [space, viewer] = await Promise.all([
      session.requestReferenceSpace('local'),
      session.requestReferenceSpace('viewer'),
    ]);
    const hits = await session.requestHitTestSource?.({ space: viewer });
    if (!hits) throw unmeasured();
    return { session, layer, binding, space, hits };
  }

  /** One frame after the other until it is stopped; `begun` with the first picture, `refuse` when what comes cannot be shown. */
  private run(opened: Opened, begun: () => void, refuse: (error: IconiaError) => void): void {
    const next: XRFrameRequestCallback = (now, frame) => {
      if (this.stopped) return begun();
      opened.session.requestAnimationFrame(next);
      const viewer = frame.getViewerPose(opened.space);
      // It does not know where it is: the last picture stays.
      if (!viewer) return;
      const views = viewer.views.filter((view) => (opened.layer.getViewport(view)?.width ?? 0) > 0);
      const view = views[0] as CameraView | undefined;
      const picture = view?.camera ? opened.binding.getCameraImage(view.camera) : null;
      // What is worn before both eyes shows no camera picture that could be drawn on.
      if (!view || views.length > 1) return refuse(unmeasured());
      if (!picture) return this.startedAt === null ? refuse(unmeasured()) : undefined;
      this.see(opened, now, frame, view, picture);
      begun();
    };
    opened.session.requestAnimationFrame(next);
  }

  private see(
    { layer, space, hits }: Opened,
    now: number,
    frame: XRFrame,
    view: XRView,
    picture: WebGLTexture,
  ): void {
    const { width, height } = layer.getViewport(view)!;
    if (this.size !== `${width} ${height}`) this.screen.begin(width, height);
    this.size = `${width} ${height}`;
    this.startedAt ??= now;
    const pose = poseOf(view.transform);
    const hit = frame.getHitTestResults(hits)[0]?.getPose(space);
    this.hold(frame, space);
    this.room.look(pose, hit ? poseOf(hit.transform) : null);
    const projection = view.projectionMatrix;
    const camera = {
      pose,
      fovY: (2 * Math.atan(1 / projection[5]!) * 180) / Math.PI,
      aspect: projection[5]! / projection[0]!,
    };
    const surfaces = this.room.seen;
    this.events.onState(surfaces.length > 0 ? 'tracking' : 'looking');
    this.events.onFrame({ ...faceFrame((now - this.startedAt) / 1000, camera, []), surfaces });
    this.screen.draw(picture, layer.framebuffer ?? null);
  }

  /** What was put down is held by the device, as it learns more about the room; where it cannot, it stays where it was put. */
  private hold(frame: XRFrame, space: XRReferenceSpace): void {
    if (this.room.state !== 'placed') return this.letGo();
    if (this.anchored.length === 0 && frame.createAnchor)
      this.anchored = this.room.seen.map(({ id, pose }) => {
        const anchored: Anchored = { id, anchor: null };
        frame.createAnchor!(transformOf(pose), space)?.then(
          (anchor) => {
            // It may have been lifted again meanwhile.
            if (this.anchored.includes(anchored)) anchored.anchor = anchor;
            else anchor.delete();
          },
          () => undefined,
        );
        return anchored;
      });
    for (const { id, anchor } of this.anchored) {
      const at = anchor && frame.getPose(anchor.anchorSpace, space);
      if (at) this.room.move(id, poseOf(at.transform));
    }
  }
  private letGo(): void {
    for (const { anchor } of this.anchored) anchor?.delete();
    this.anchored = [];
  }

  private fail(): void {
    if (this.stopped) return;
    this.stop();
    this.events.onError(
      new IconiaError('camera.left', 'The camera view was closed. Use your camera again to go on.'),
    );
  }

  /** Nothing else can be looked for within it. */
  need(): void {}

  stop(): void {
    const { session } = this;
    const ran = this.size !== '';
    this.stopped = true;
    this.session = null;
    this.size = '';
    // One that its viewer closed has ended already.
    void session?.end().catch(() => undefined);
    if (ran) this.screen.end();
  }
}
