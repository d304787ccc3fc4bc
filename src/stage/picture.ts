/** A camera picture that the stage can draw: a take or a video. */
import type { WebGLRenderer } from 'three';
import type { Degrees } from '../core/units';
import type { TrackFrame } from '../core/tracking/track-frame';

export interface CameraPicture {
  /** The field of view, top to bottom, that the effect has to be drawn with to fit this picture. */
  viewFovY(frame: TrackFrame, viewAspect: number): Degrees;
  /**
   * Which of its pictures was drawn last, where they come later than they are asked for, or in any order: what is judged from a picture holds for that one. Without it
   * pictures follow one another in time.
   */
  readonly shown?: number;
  /** Makes its programs ready, so that drawing it holds nobody up. */
  prepare?(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): Promise<void>;
  /** Fills the renderer's current target. */
  draw(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void;
  /** Whether it is known which of its pixels are people. If not, nothing can lie behind them. */
  readonly knowsPeople: boolean;
  /** Draws the people alone, over what is already there. */
  drawPeople(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void;
  /** Whether it is known where something is before a face: a hand, hair, a mug. */
  readonly knowsCover: boolean;
  /** Draws that in white, and everything else in black. */
  drawCover(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void;
  /** Whether it is known which of its pixels are hair. */
  readonly knowsHair: boolean;
  /** Draws the hair of the head in white, and everything else in black. */
  drawHair(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void;
  dispose(): void;
}
