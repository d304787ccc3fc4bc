/** Runs in a blank page: a take rehearsed at one size, and the same pictures drawn with nothing else. */
import { chronicleOf } from '../src/core/behave/chronicle';
import { Player } from '../src/core/behave/player';
import { stackOrder } from '../src/core/document/queries';
import type { Expectation } from '../src/core/document/schema';
import { readPackage } from '../src/core/package/read-package';
import { judge } from '../src/core/rehearse/judge';
import type { Sight } from '../src/core/rehearse/sight';
import { shippedTake } from '../src/core/takes/library/compared-faces';
import type { Seconds } from '../src/core/units';
import { ALL_ABILITIES } from '../src/stage/abilities/all';
import { createStores, loadUsed } from '../src/stage/effect/stores';
import { Stage } from '../src/stage/stage';
import { TakePicture } from '../src/stage/take-picture';
import { TakeSight } from '../src/stage/take-sight';

export interface RehearseFigures {
  /** Of the take. */
  readonly duration: Seconds;
  readonly pictures: number;
  /** Milliseconds: rehearsed; the same pictures drawn; the take's behaviour run, which is part of the first. */
  readonly rehearsed: number;
  readonly drawn: number;
  readonly behaviour: number;
}

const SIZE = { width: 180, height: 320 } as const;

const rehearse = async (bytes: readonly number[], takeId: string): Promise<RehearseFigures> => {
  const { effect, files } = readPackage(new Uint8Array(bytes));
  const stores = createStores(({ sha256 }) => {
    const { bytes: of, mime } = files.get(sha256)!;
    return Promise.resolve(new Blob([of as BlobPart], { type: mime }));
  });
  const stage = new Stage(document.createElement('canvas'), stores, ALL_ABILITIES, { keepPixels: true });
  await loadUsed(stores, effect);
  const take = shippedTake(takeId)!;
  const picture = new TakePicture(take, { people: 'plain', pictures: [] });
  const played = { recorded: [], scripts: null, colours: null };
  const sight = new TakeSight({ stage, effect, take, picture, played, pause: async () => {} });
  /** What was drawn: when, and without which object. */
  const asked: { time: Seconds; keep: ((id: string) => boolean) | undefined }[] = [];
  const atOneSize: Sight = {
    picture: (time) => {
      asked.push({ time, keep: undefined });
      return sight.picture(time, SIZE);
    },
    without: (time, object) => {
      asked.push({ time, keep: (id) => id !== object });
      return sight.without(time, object, SIZE);
    },
    whereabouts: (time, object) => sight.whereabouts(time, object),
  };
  const expectations: Expectation[] = [
    { id: 'exp_flash', kind: 'noFlash' },
    {
      id: 'exp_seen',
      kind: 'seen',
      object: stackOrder(effect).find((o) => o.kind === 'card')!.id,
      isSeen: true,
      from: 0,
      to: take.duration,
    },
  ];
  // Programs are compiled once, before it counts.
  await sight.picture(0, SIZE);

  const began = performance.now();
  const chronicle = chronicleOf(effect, take, {});
  const behaviour = performance.now() - began;
  const rehearsed = {
    effect,
    take: take.id,
    duration: take.duration,
    chronicle,
    signals: [],
    sight: atOneSize,
    names: {
      object: () => 'it',
      cue: () => 'it',
      condition: () => 'it',
      value: String,
      part: () => 'it',
    },
  };
  for (const expected of expectations) {
    const { passed, sentence } = await judge(expected, rehearsed);
    if (!passed) throw new Error(`Less was looked at than is measured: ${sentence}`);
  }
  const took = performance.now() - began;

  const player = new Player(effect, take, played);
  const gl = stage.renderer.getContext();
  const pixel = new Uint8Array(4);
  stage.setSize(SIZE.width, SIZE.height, 1);
  const drawnFrom = performance.now();
  for (const { time, keep } of asked) {
    stage.draw(take.frameAt(time), player.program, player.at(time), keep);
    // A picture is there once one pixel of it can be read.
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
  }
  const drawn = performance.now() - drawnFrom;
  picture.dispose();
  stage.dispose();
  return { duration: take.duration, pictures: asked.length, rehearsed: took, drawn, behaviour };
};
Object.assign(window, { rehearseBench: rehearse });
