/** Runs in a blank page: an effect drawn by the stage over a take, or over a face before a plain colour. */
import { ALL_ABILITIES } from '../../src/stage/abilities/all';
import { compile } from '../../src/core/program/program';
import { Runtime } from '../../src/core/behave/runtime';
import type { Effect } from '../../src/core/document/schema';
import { NEUTRAL_FACE } from '../../src/core/face/neutral';
import { spotOnFace, type Spot } from '../../src/core/face/skin-spot';
import { multiplyQuaternions, fromAngles } from '../../src/core/maths/quaternion';
import { pointAt } from '../../src/core/maths/vec3';
import { toOuter } from '../../src/core/maths/pose';
import { trueLandmarks as landmarksOf } from '../../src/core/takes/head-mesh';
import { performanceOf, screenTest, SHIPPED_TAKES } from '../../src/core/takes/library';
import { landmarksInPicture, makeTake } from '../../src/core/takes/make-take';
import type { Take } from '../../src/core/takes/take';
import { blankSheet } from '../../src/core/painter/sheet';
import { Stroke } from '../../src/core/painter/stroke';
import { projectPoint } from '../../src/core/tracking/project';
import type { Expressions, LightEstimate, TrackFrame } from '../../src/core/tracking/track-frame';
import { createStores, loadUsed } from '../../src/stage/effect/stores';
import { Stage } from '../../src/stage/stage';
import { FaceSampler } from '../../src/stage/face/face-sampler';
import { copyDrawn } from '../../src/stage/passes';
import { FramebufferTexture } from 'three';
import { coverMask, TakeMasks } from '../../src/stage/take-masks';
import { TakePicture, type Detail } from '../../src/stage/take-picture';
import { plainPicture } from './plain-picture';

export interface FaceSpec {
  readonly effect: Effect;
  /** Files by their SHA-256, as base64. */
  readonly files?: Readonly<Record<string, string>>;
  readonly width: number;
  readonly height: number;
  /** A shipped take, or `screen-test-<performer>[/<performance>]`; without one the neutral face before a colour. */
  readonly take?: string;
  readonly time?: number;
  readonly detail?: Detail;
  /** Put on in the place of the take's. */
  readonly expressions?: Expressions;
  /** GLSL for the colour before which the neutral face stands. */
  readonly colour?: string;
  /** Degrees the face is turned by, or turned further than in the take. */
  readonly turn?: readonly [number, number, number];
  readonly light?: LightEstimate | null;
  /** Places of the face layout that are looked at. */
  readonly spots?: readonly Spot[];
  readonly landmarks?: readonly number[];
  /** The light of the takes' that a screen test is in; its own without. */
  readonly lit?: string;
  /** Replaces the lens of the take. */
  readonly fovY?: number;
  /** Floors, tables and walls that are there too. */
  readonly surfaces?: TrackFrame['surfaces'];
  /** Where something is before the head is wanted too. */
  readonly cover?: boolean;
  /** As on a real camera: nobody knows what covers the face, or what is hair. As many pictures were seen before. */
  readonly unknowing?: number;
}

export interface FaceDrawing {
  /** RGBA from the lower left, base64. */
  readonly pixels: string;
  /** Where the spots are, in pixels from the lower left. */
  readonly at: readonly (readonly [number, number])[];
  readonly marks: readonly (readonly [number, number])[];
  /** 1 where something is before the head, from the lower left, base64; of takes only, when it is wanted. */
  readonly cover: string | null;
  /** Steps the look of the first face takes, and how often it was flattened. */
  readonly steps: number;
  readonly flattened: number;
  /** The number of the program that was made last. */
  readonly newestProgram: number;
}

export interface FacePage {
  draw(spec: FaceSpec): Promise<FaceDrawing>;
  /** JPEG of the same. */
  photo(spec: FaceSpec): Promise<string>;
  /** Milliseconds for each of some frames, drawn to the end. */
  time(spec: FaceSpec, frames: number): Promise<number[]>;
  /**
   * The face laid flat at some instants, as `FaceSampler` reads it, and the same of where something is before it; base64.
   */
  flat(spec: FaceSpec, times: readonly number[]): Promise<{ seen: string; cover: string }[]>;
  /** The camera picture, its people and its hair, small, and where the face is in it; base64 from the lower left. */
  parts(
    spec: FaceSpec,
  ): Promise<{ picture: string; people: string; hair: string; marks: [number, number][] }>;
  /** Milliseconds from each move of the brush over the mask of a layer to the picture that shows it. */
  paint(spec: FaceSpec, layer: string, moves: number): Promise<number[]>;
}

const base64 = (bytes: Uint8Array): string => {
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
};

const takeOf = ({ take: id = '', expressions: face, turn, lit }: FaceSpec): Take => {
  const shipped = SHIPPED_TAKES.find((t) => t.id === id);
  const [performer, performance] = id.replace('screen-test-', '').split('/') as [string, string?];
  const take =
    shipped ??
    makeTake({
      ...screenTest(performer, performance, performance ? performanceOf(performance).duration : 10),
      ...(lit === undefined ? {} : { light: lit }),
    });
  if (!face && !turn) return take;
  // The same people with another face, or with their heads turned.
  const changeOf = (person: ReturnType<Take['sceneAt']>['people'][number]) => ({
    ...(face ? { expressions: face } : {}),
    ...(turn
      ? {
          head: {
            ...person.head,
            rotation: multiplyQuaternions(person.head.rotation, fromAngles([...turn])),
          },
        }
      : {}),
  });
  const sceneAt: Take['sceneAt'] = (t) => {
    const scene = take.sceneAt(t);
    return { ...scene, people: scene.people.map((p) => ({ ...p, ...changeOf(p) })) };
  };
  return { ...take, sceneAt };
};

const canvas = document.createElement('canvas');
let files: Readonly<Record<string, string>> = {};
const stores = createStores(async (file) => {
  const bytes = Uint8Array.from(atob(files[file.sha256]!), (c) => c.charCodeAt(0));
  return new Blob([bytes], { type: file.mime });
});
const stage = new Stage(canvas, stores, ALL_ABILITIES, { keepPixels: true });

const plainFrame = ({ turn = [0, 0, 0], light = null, width, height }: FaceSpec): TrackFrame => ({
  time: 0,
  camera: { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: width / height },
  faces: [
    {
      id: 1,
      pose: { position: [0, 0, -0.42], rotation: fromAngles(turn as [number, number, number]) },
      landmarks: withIrises(),
      expressions: {},
      confidence: 1,
    },
  ],
  hands: [],
  pictures: [],
  surfaces: [],
  light,
});
/** The neutral face has no irises; they are put into the middle of its eyes. */
const withIrises = (): Float32Array => {
  const all = new Float32Array(478 * 3);
  all.set(NEUTRAL_FACE);
  for (const [first, corners] of [
    [468, [33, 133]],
    [473, [263, 362]],
  ] as const) {
    const middle = [0, 1, 2].map(
      (k) => (NEUTRAL_FACE[3 * corners[0] + k]! + NEUTRAL_FACE[3 * corners[1] + k]!) / 2,
    ) as [number, number, number];
    const r = 0.006;
    const ring = [
      [0, 0],
      [-r, 0],
      [0, r],
      [r, 0],
      [0, -r],
    ] as const;
    ring.forEach(([x, y], i) => all.set([middle[0] + x, middle[1] + y, middle[2] + 0.004], 3 * (first + i)));
  }
  return all;
};

interface Drawn {
  readonly frame: TrackFrame;
  readonly picture: TakePicture | null;
}
const trueFrame = (take: Take, time: number, changed: boolean): TrackFrame =>
  changed ? { ...take.frameAt(time), faces: facesOf(take, time) } : take.frameAt(time);
const facesOf = (take: Take, time: number): TrackFrame['faces'] =>
  take.sceneAt(time).people.map((person) => ({
    id: person.id,
    pose: person.head,
    landmarks: landmarksOf(person.performer, person.expressions),
    expressions: person.expressions,
    confidence: 1,
  }));

let unknowing: { readonly of: TakePicture; readonly shown: TakePicture } | null = null;
let open: { key: string; picture: TakePicture } | null = null;
const show = async (spec: FaceSpec): Promise<Drawn> => {
  files = spec.files ?? {};
  const { take: id, time = 0, detail = 'plain', effect, width, height } = spec;
  stage.setSize(width, height, 1);
  await loadUsed(stores, effect);
  let frame: TrackFrame;
  let picture: TakePicture | null = null;
  if (id) {
    const take = takeOf(spec);
    const key = JSON.stringify([id, detail, spec.expressions, spec.turn, spec.lit]);
    if (open?.key !== key) open = { key, picture: new TakePicture(take, { detail }) };
    picture = open.picture;
    const knowing = picture;
    if (spec.unknowing === undefined) stage.setPicture(picture);
    else if (!(unknowing?.of === picture)) {
      const shown = Object.create(picture, {
        knowsCover: { value: false },
        knowsHair: { value: false },
        dispose: { value: () => knowing.dispose() },
      }) as TakePicture;
      unknowing = { of: picture, shown };
      stage.setPicture(shown);
    }
    frame = trueFrame(take, time, spec.expressions !== undefined || spec.turn !== undefined);
    if (spec.surfaces) frame = { ...frame, surfaces: spec.surfaces };
    if (spec.fovY) frame = { ...frame, camera: { ...frame.camera, fovY: spec.fovY } };
  } else {
    open = null;
    stage.setPicture(plainPicture(spec.colour ?? 'vec3(0.5)'));
    frame = plainFrame(spec);
  }
  const program = compile(effect);
  const runtime = new Runtime(program);
  for (let n = spec.unknowing ?? 0; n > 0; n--) {
    const before = takeOf(spec).frameAt(Math.max(0, time - n / 10));
    runtime.step(before);
    stage.draw(before, program, runtime);
  }
  runtime.step(frame);
  stage.draw(frame, program, runtime);
  return { frame, picture };
};

const read = (width: number, height: number): Uint8Array => {
  const gl = stage.renderer.getContext();
  const pixels = new Uint8Array(width * height * 4);
  gl.readPixels(0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, pixels);
  return pixels;
};

const sampler = new FaceSampler();
const page: FacePage = {
  async parts(spec) {
    const { width, height } = spec;
    const { frame, picture } = await show({ ...spec, effect: { ...spec.effect, objects: {} } });
    const { renderer } = stage;
    const seen = base64(read(width, height));
    const only = (drawIt: () => void): string => {
      renderer.setClearColor(0, 1);
      renderer.clear();
      drawIt();
      return base64(read(width, height).filter((_, i) => i % 4 === 0));
    };
    const hair = only(() => picture!.drawHair(renderer));
    const masks = new TakeMasks(picture!).render(renderer, frame, width, height);
    // From the top left; what is no background is a person.
    const people = new Uint8Array(width * height);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        people[(height - 1 - y) * width + x] = masks.parts[y * width + x]! === 0 ? 0 : 255;
    const face = frame.faces[0]!;
    const marks = Array.from({ length: 468 }, (_, i): [number, number] => {
      const at = projectPoint(
        frame.camera,
        stage.camera.fov,
        width / height,
        toOuter(face.pose, pointAt(face.landmarks, i)),
      )!;
      return [at[0] * width, (1 - at[1]) * height];
    });
    return { picture: seen, people: base64(people), hair, marks };
  },
  async flat(spec, times) {
    const out: { seen: string; cover: string }[] = [];
    for (const time of times) {
      const { frame, picture } = await show({ ...spec, effect: { ...spec.effect, objects: {} }, time });
      const { renderer, camera } = stage;
      const copy = (): FramebufferTexture => {
        const into = new FramebufferTexture(spec.width, spec.height);
        copyDrawn(renderer, into);
        return into;
      };
      const face = frame.faces[0]!;
      const seen = base64(sampler.sample(renderer, camera, copy(), face));
      renderer.setClearColor(0, 1);
      renderer.clear();
      picture!.drawCover(renderer);
      out.push({ seen, cover: base64(sampler.sample(renderer, camera, copy(), face)) });
    }
    return out;
  },
  async draw(spec) {
    const { width, height } = spec;
    const { frame, picture } = await show(spec);
    const pixels = base64(read(width, height));
    const face = frame.faces[0];
    const at = (spec.spots ?? []).map((spot): [number, number] => {
      const point = toOuter(face!.pose, spotOnFace(face!.landmarks, spot).position);
      const seen = projectPoint(frame.camera, frame.camera.fovY, width / height, point)!;
      return [seen[0] * width, (1 - seen[1]) * height];
    });
    const points = face ? landmarksInPicture(frame.camera, face, width, height) : [];
    const marks = (spec.landmarks ?? []).map((i): [number, number] => [
      points[2 * i]!,
      height - points[2 * i + 1]!,
    ]);
    let cover: string | null = null;
    if (picture && spec.cover) {
      const masks = new TakeMasks(picture);
      const mask = coverMask(masks.render(stage.renderer, frame, width, height));
      const turned = new Uint8Array(mask.length);
      for (let y = 0; y < height; y++)
        turned.set(mask.subarray(y * width, (y + 1) * width), (height - 1 - y) * width);
      cover = base64(turned);
      masks.dispose();
    }
    const look = face ? stage.effectView.looks!.of(face.id) : null;
    return {
      pixels,
      at,
      marks,
      cover,
      steps: look?.flattener.steps.length ?? 0,
      flattened: look?.flattener.flattened ?? 0,
      newestProgram: Math.max(...stage.renderer.info.programs!.map((program) => program.id)),
    };
  },
  async photo(spec) {
    await show(spec);
    return canvas.toDataURL('image/jpeg', 0.92);
  },
  async time(spec, frames) {
    const { frame } = await show(spec);
    const program = compile(spec.effect);
    const runtime = new Runtime(program);
    runtime.step(frame);
    const taken: number[] = [];
    for (let i = 0; i < frames; i++) {
      const from = performance.now();
      stage.draw(frame, program, runtime);
      read(1, 1);
      taken.push(performance.now() - from);
    }
    return taken;
  },
  async paint(spec, layer, moves) {
    const { frame } = await show(spec);
    const program = compile(spec.effect);
    const runtime = new Runtime(program);
    runtime.step(frame);
    const sheet = blankSheet();
    stores.painted.begin(layer, 'mask', sheet);
    const brush = { tool: 'paint', size: 64, hardness: 0.4, flow: 0.7, colour: [1, 1, 1] } as const;
    const stroke = new Stroke(sheet, brush, true);
    const taken: number[] = [];
    for (let i = 0; i < moves; i++) {
      const from = performance.now();
      const rect = stroke.to({ x: 200 + 14 * i, y: 560 + 30 * Math.sin(i / 3), pressure: 0.5 });
      stores.painted.changed(layer, 'mask', rect);
      stage.draw(frame, program, runtime);
      read(1, 1);
      taken.push(performance.now() - from);
    }
    stores.painted.end(layer, 'mask');
    return taken;
  },
};
(window as unknown as { facePage: FacePage }).facePage = page;
