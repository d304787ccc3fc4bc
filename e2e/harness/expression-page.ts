/** Runs in a blank page: draws performers with faces of one's choice, one after the other without beginning anew. */
import { NeutralToneMapping, SRGBColorSpace, WebGLRenderer } from 'three';
import type { Expressions } from '../../src/core/tracking/track-frame';
import { makeTake } from '../../src/core/takes/make-take';
import { performanceOf, screenTest } from '../../src/core/takes/library';
import type { Take } from '../../src/core/takes/take';
import { TakePicture } from '../../src/stage/take-picture';

export interface FaceRequest {
  readonly performer: string;
  /** How the head moves. */
  readonly performance: string;
  readonly time: number;
  readonly face: Expressions;
  readonly width: number;
  readonly height: number;
}
export interface ExpressionPage {
  /** A JPEG, as a data address. */
  draw(request: FaceRequest): string;
}

const canvas = document.createElement('canvas');
const renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
renderer.outputColorSpace = SRGBColorSpace;
renderer.toneMapping = NeutralToneMapping;

/** What the performer's face shows now. */
let now: Expressions = {};
interface Opened {
  readonly take: Take;
  readonly picture: TakePicture;
}
/** Of one performer, by what the head does. */
const opened = new Map<string, Opened>();
let performerNow = '';

const open = (performer: string, performance: string): Opened => {
  if (performer !== performerNow) {
    for (const { picture } of opened.values()) picture.dispose();
    opened.clear();
    performerNow = performer;
  }
  const known = opened.get(performance);
  if (known) return known;
  const base = makeTake(screenTest(performer, performance, performanceOf(performance).duration));
  const take: Take = {
    ...base,
    sceneAt: (t) => {
      const scene = base.sceneAt(t);
      return { ...scene, people: scene.people.map((person) => ({ ...person, expressions: now })) };
    },
  };
  const fresh = { take, picture: new TakePicture(take, { detail: 'plain', pictures: [] }) };
  opened.set(performance, fresh);
  return fresh;
};

const page: ExpressionPage = {
  draw({ performer, performance, time, face, width, height }) {
    const { take, picture } = open(performer, performance);
    now = face;
    renderer.setSize(width, height, false);
    renderer.clear();
    picture.draw(renderer, take.frameAt(time), width / height);
    return canvas.toDataURL('image/jpeg', 0.92);
  },
};
Object.assign(window, { expressionPage: page });
