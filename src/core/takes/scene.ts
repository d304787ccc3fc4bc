/** All that stands before the camera in a take at one instant: what is drawn, and what the truth is about. */
import type { Pose } from '../maths/pose';
import type { Vec3 } from '../maths/vec3';
import type { CameraState, Expressions, TrackedSurface } from '../tracking/track-frame';
import type { Hex, Metres, Seconds } from '../units';
import type { HandBend } from '../hand/skeleton';
import type { Performer } from './performer';

export interface Person {
  /** Its place in the cast, from 1: the id of its face. */
  readonly id: number;
  readonly performer: Performer;
  /** Head space to world. */
  readonly head: Pose;
  /** Shoulders: they follow the head's place, and a little of its turn. */
  readonly body: Pose;
  readonly expressions: Expressions;
  /** How far loose hair hangs behind the head's movement at its ends, head space, metres. */
  readonly hairLag: Vec3;
}

export interface SceneHand {
  readonly id: number;
  readonly side: 'left' | 'right';
  readonly performer: Performer;
  readonly pose: Pose;
  readonly bend: HandBend;
  readonly mug: boolean;
}

/** A printed picture in the scene; which one is the creator's choice. */
export interface ScenePicture {
  readonly id: number;
  readonly pose: Pose;
  readonly width: Metres;
  readonly height: Metres;
  /** A plain card that lies over part of it, from the left edge; 0 covers nothing. */
  readonly covered: number;
}

/** Light on the scene: one key, a fill from the sky and the ground, an edge from behind. */
export interface SceneLight {
  readonly key: { readonly direction: Vec3; readonly colour: Hex; readonly strength: number };
  readonly fill: { readonly direction: Vec3; readonly colour: Hex; readonly strength: number };
  readonly edge: { readonly direction: Vec3; readonly colour: Hex; readonly strength: number };
  readonly sky: Hex;
  readonly ground: Hex;
  readonly ambient: number;
  /** Brightness of the painted background. */
  readonly background: number;
}

export interface SceneState {
  readonly time: Seconds;
  readonly camera: CameraState;
  readonly people: readonly Person[];
  readonly hands: readonly SceneHand[];
  readonly pictures: readonly ScenePicture[];
  readonly surfaces: readonly TrackedSurface[];
  readonly light: SceneLight;
}
