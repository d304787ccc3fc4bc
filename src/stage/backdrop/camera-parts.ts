/**
 * The camera picture as textures: all of it, people cut out, what is behind them, the face laid flat; sharp or
 * blurred. Each is made when something asks for it, once a frame. They run from the lower left, as canvases do.
 */
import {
  FramebufferTexture,
  LinearFilter,
  Vector2,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderTarget,
  type WebGLRenderer,
} from 'three';
import type { Backdrop, CameraPart } from '../../core/document/schema';
import type { TrackedFace, TrackFrame } from '../../core/tracking/track-frame';
import { byteTarget, copyDrawn, onClear } from '../passes';
import type { CameraPicture } from '../picture';
import { CoverGuess } from '../face/cover-guess';
import { facesArea } from '../face/face-area';
import { HairGuessView } from '../face/hair-guess-view';
import { CameraLight } from '../surface/camera-light';
import { CutOut } from './cut-out';
import { FlatFace } from './flat-face';
import { blurSize, PictureBlur } from './picture-blur';

/** What the parts are made of in this frame. */
export interface CameraNow {
  readonly renderer: WebGLRenderer;
  readonly picture: CameraPicture;
  readonly frame: TrackFrame;
  readonly aspect: number;
  /** The camera that the effect is drawn with. */
  readonly camera: PerspectiveCamera;
  readonly backdrop: Backdrop;
}

const FACE_PIXELS = 512;
interface Made {
  readonly target: WebGLRenderTarget;
  /** The frame it was made in, counted from the first. */
  at: number;
}

export class CameraParts {
  private now: CameraNow | null = null;
  private count = 0;
  private readonly size = new Vector2();
  private madeUp: FramebufferTexture | null = null;
  private madeAt = -1;
  /** Something shows faces as they are made up; asked for anew in each frame. */
  wantsMade = false;
  private readonly cutOut = new CutOut();
  private copied: FramebufferTexture | null = null;
  private copiedAt = -1;
  private moment: FramebufferTexture | null = null;
  private cutAt = -1;
  private litAt = -1;
  private readonly light = new CameraLight();
  private readonly coverGuess = new CoverGuess();
  private readonly hairGuess = new HairGuessView();
  private readonly made = new Map<string, Made>();
  private readonly pictureBlur = new PictureBlur();
  private readonly flatFace = new FlatFace();

  /** A new frame: its camera picture stands on the canvas, and nothing else yet. */
  begin(now: CameraNow): void {
    // Other people stand before another camera, or it is another instant of the same name.
    if (now.picture !== this.now?.picture) {
      this.coverGuess.forget();
      this.hairGuess.forget();
      this.light.forget();
    }
    this.now = now;
    this.count++;
    this.wantsMade = false;
    now.renderer.getDrawingBufferSize(this.size);
    // What nothing has asked for in a while is let go.
    for (const [key, { target, at }] of this.made)
      if (this.count - at > 60) {
        target.dispose();
        this.made.delete(key);
      }
  }

  /** Whether people can be told from what is behind them. */
  get knowsPeople(): boolean {
    return this.now?.picture.knowsPeople ?? false;
  }

  /** A part as a texture; null when it is not known: people on a camera, the face where there is none. */
  get(part: CameraPart, blur: number, face: TrackedFace | null): Texture | null {
    if (!this.now) return null;
    if ((part === 'person' || part === 'background') && !this.knowsPeople) return null;
    const sharp = this.sharp(part, face, blur > 0);
    if (!sharp || blur === 0) return sharp;
    return this.blurred(`${part} ${face?.id ?? 0} ${blur.toFixed(3)}`, sharp, blur, part);
  }

  /** Whether there is a frame whose parts can be had. */
  get has(): boolean {
    return this.now !== null;
  }

  /** What stands on the canvas at this moment, as a texture; the last one that was given is not kept. */
  copy(): Texture {
    return (this.moment = this.copyInto(this.moment));
  }

  /** A copy of the canvas, in the same texture while that fits. */
  private copyInto(kept: FramebufferTexture | null): FramebufferTexture {
    const fitting = this.fitting(kept);
    copyDrawn(this.now!.renderer, fitting);
    return fitting;
  }

  private fitting(kept: FramebufferTexture | null): FramebufferTexture {
    const { x, y } = this.size;
    if (kept?.image.width === x && kept.image.height === y) return kept;
    kept?.dispose();
    const made = new FramebufferTexture(x, y);
    made.minFilter = made.magFilter = LinearFilter;
    return made;
  }

  /** Keeps what stands on the canvas as the faces made up; to be called when all that they wear is drawn. */
  keepMade(): void {
    this.madeUp = this.copyInto(this.madeUp);
    this.madeAt = this.count;
  }

  /** The picture with the faces made up; null where they wear nothing, or before that is drawn. */
  get dressed(): Texture | null {
    return this.madeAt === this.count ? this.madeUp : null;
  }

  /** The camera that the effect is drawn with in this frame. */
  get camera(): PerspectiveCamera | null {
    return this.now?.camera ?? null;
  }

  /**
   * White where something is before a face, black elsewhere; judged by how the face usually looks where nobody knows, half as
   * fine as the canvas. To be called first while the camera picture stands alone on the canvas, or after `look`.
   */
  cover(): Texture | null {
    if (!this.now) return null;
    const { renderer, picture, camera, frame, aspect } = this.now;
    // Frames of spectacles and single strands are no wider than a pixel.
    if (frame.faces.length === 0) return null;
    if (picture.knowsCover)
      return this.mask('cover', 1, (r) => this.onFaces(r, () => picture.drawCover(r, frame, aspect)));
    this.look();
    return this.half('cover', () => this.coverGuess.draw(renderer, camera, frame.faces));
  }

  /** Draws where the faces are, and nowhere else. */
  private onFaces(renderer: WebGLRenderer, draw: () => void): void {
    const into = renderer.getRenderTarget()!;
    const area = facesArea(this.faces, this.now!.camera, into.width, into.height)!;
    into.scissor.copy(area);
    into.scissorTest = true;
    renderer.setRenderTarget(into);
    draw();
    into.scissorTest = false;
    renderer.setRenderTarget(into);
  }

  /** Looks at the faces of this frame, while the camera picture stands alone on the canvas. */
  look(): void {
    const { renderer, picture, camera, frame } = this.now!;
    if (!picture.knowsCover) this.coverGuess.look(renderer, camera, this.whole(), frame);
  }

  /** White where hair is; judged by how it looks where people are known, null where they are not. */
  hair(): Texture | null {
    if (this.now && !this.now.picture.knowsHair && this.knowsPeople) {
      this.lookForHair();
      return this.mask('hair', 1, (r) => this.hairGuess.draw(r, this.whole()));
    }
    if (!this.now?.picture.knowsHair) return null;
    const { renderer, picture, frame, aspect } = this.now;
    // As fine as the picture: single hairs are told from the skin between them.
    return this.once(
      'hair',
      this.size.x,
      this.size.y,
      (into) => onClear(renderer, into, () => picture.drawHair(renderer, frame, aspect)),
      true,
    );
  }

  /** The faces of this frame. */
  get faces(): readonly TrackedFace[] {
    return this.now?.frame.faces ?? [];
  }

  /** Looks for hair in this frame, while the camera picture stands alone on the canvas. */
  lookForHair(): void {
    const { renderer, picture, camera, frame, aspect } = this.now!;
    if (!picture.knowsHair && picture.knowsPeople)
      this.hairGuess.look(renderer, camera, picture, this.whole(), frame, aspect);
  }

  private half(key: string, draw: (renderer: WebGLRenderer) => void): Texture {
    return this.mask(key, 2, draw);
  }

  /** `coarse` pixels of the canvas lie along a side of one of the mask. */
  private mask(key: string, coarse: 1 | 2, draw: (renderer: WebGLRenderer) => void): Texture {
    const { renderer } = this.now!;
    const side = (x: number) => Math.max(1, Math.ceil(x / coarse));
    return this.once(
      key,
      side(this.size.x),
      side(this.size.y),
      (into) => onClear(renderer, into, () => draw(renderer)),
      true,
    );
  }

  /** How the picture is lit, measured in this frame. */
  lit(): CameraLight {
    if (this.now && this.litAt !== this.count) {
      const { renderer, picture, frame, camera } = this.now;
      const [face = null] = frame.faces;
      // Takes and clips are scrubbed: each of their pictures stands for itself.
      const time = frame.light || picture.shown !== undefined ? null : frame.time;
      this.light.measure({ renderer, camera, picture: this.whole(), face, time });
      this.litAt = this.count;
    }
    return this.light;
  }

  /** Finds people while the camera picture still stands on the canvas; to be called before anything covers it. */
  prepare(): void {
    if (this.now) this.cut();
  }

  /** Lays people over what lies behind them on the canvas. */
  layPeople(): void {
    if (!this.now) return;
    this.cut();
    this.cutOut.lay(this.now.renderer, this.now.backdrop.invert);
  }

  private sharp(part: CameraPart, face: TrackedFace | null, forBlur: boolean): Texture | null {
    if (part === 'whole') return this.whole();
    if (part === 'face') return this.flat(face ?? this.now!.frame.faces[0] ?? null);
    this.cut();
    // A room that is to be blurred holds nothing of the people, however their edge is moved.
    const asFound = forBlur && part === 'background';
    return this.once(asFound ? 'room' : part, this.size.x, this.size.y, (into) =>
      this.cutOut.write(this.now!.renderer, into, part === 'background', asFound),
    );
  }

  private whole(): FramebufferTexture {
    if (!this.copied || this.copiedAt !== this.count) this.copied = this.copyInto(this.copied);
    this.copiedAt = this.count;
    return this.copied;
  }

  private cut(): void {
    const { renderer, picture, frame, aspect, backdrop } = this.now!;
    if (this.cutAt === this.count) return;
    this.cutOut.update(renderer, picture, frame, aspect, this.whole(), backdrop);
    this.cutAt = this.count;
  }

  private flat(face: TrackedFace | null): Texture | null {
    if (!face) return null;
    return this.once(`face ${face.id}`, FACE_PIXELS, FACE_PIXELS, (into) => {
      const { renderer, camera } = this.now!;
      this.flatFace.draw(renderer, camera, face, this.whole(), into);
    });
  }

  private blurred(key: string, picture: Texture, blur: number, part: CameraPart): Texture {
    const [width, height] = part === 'face' ? [FACE_PIXELS, FACE_PIXELS] : [this.size.x, this.size.y];
    const size = blurSize(width, height, blur);
    return this.once(key, size.width, size.height, (into) =>
      this.pictureBlur.draw(this.now!.renderer, picture, size.deviation, into, part === 'background'),
    );
  }

  /** A target that a scene is drawn into, with smooth edges where the canvas has them. */
  private depthTarget(width: number, height: number): WebGLRenderTarget {
    const target = byteTarget(width, height, true);
    target.samples = this.now!.renderer.getContextAttributes().antialias ? 4 : 0;
    return target;
  }

  /** The texture of a key, made again in each frame that asks for it. */
  private once(
    key: string,
    width: number,
    height: number,
    make: (into: WebGLRenderTarget) => void,
    inDepth = false,
  ): Texture {
    let kept = this.made.get(key);
    if (kept && (kept.target.width !== width || kept.target.height !== height)) {
      kept.target.dispose();
      kept = undefined;
    }
    if (!kept)
      this.made.set(
        key,
        (kept = { target: inDepth ? this.depthTarget(width, height) : byteTarget(width, height), at: -1 }),
      );
    if (kept.at !== this.count) make(kept.target);
    kept.at = this.count;
    return kept.target.texture;
  }

  dispose(): void {
    this.copied?.dispose();
    this.moment?.dispose();
    this.madeUp?.dispose();
    for (const { target } of this.made.values()) target.dispose();
    this.pictureBlur.dispose();
    this.flatFace.dispose();
    this.cutOut.dispose();
    this.light.dispose();
    this.coverGuess.dispose();
    this.hairGuess.dispose();
  }
}
