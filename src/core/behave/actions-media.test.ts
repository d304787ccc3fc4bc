/** What actions do to what plays: sequences, sounds, fountains. */
import { describe, expect, test } from '@jest/globals';
import { headAnchor } from '../kinds/objects/placed';
import { newFountain as freshFountain } from '../kinds/objects/fountain';
import { newSolid } from '../kinds/objects/solid';
import { newSound as freshSound } from '../kinds/objects/sound';
import type { AssetId, EffectObject, ObjectId } from '../document/schema';
import { toOuter } from '../maths/pose';
import { distance, pointAt } from '../maths/vec3';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import { CARD, card, cueOf, effectOf, pass, STILL, TAP, type Told, started } from './testing';

const CROWN = headAnchor('crown');
const newFountain = (id: ObjectId) => freshFountain(id, 0, CROWN);
const newSound = (id: ObjectId, asset: AssetId) => ({ ...freshSound(id, null, 0, CROWN), asset });

describe('sequences and sounds', () => {
  const sequence = {
    kind: 'sequence',
    id: 'asset_seq1' as AssetId,
    frames: 4,
    rate: 2,
  };
  const withAsset = (
    action: Told,
    object: EffectObject,
    asset: object,
    when: 'effectStarts' | 'screenTapped' = 'effectStarts',
  ) =>
    new Runtime(
      compile(
        effectOf([cueOf(when, [[action]])], [object], {
          assets: { [(asset as { id: string }).id]: asset } as never,
        }),
      ),
    );
  const shown = card(CARD, { asset: sequence.id } as never);
  const frame = (runtime: Runtime): number => Math.floor(runtime.values(0).media!.at * 2);

  test('next picture on each tap, round and round; the first tap goes to the second', () => {
    const runtime = withAsset({ kind: 'picture', go: 'next' } as Told, shown, sequence, 'screenTapped');
    const seen = Array.from({ length: 6 }, () => {
      runtime.step(STILL, TAP);
      pass(runtime, 0.2);
      return frame(runtime);
    });
    expect(seen).toEqual([1, 2, 3, 0, 1, 2]);
  });
  test('one that does not play by itself stands at its first picture, and goes on from there', () => {
    const standing = { ...shown, runs: false } as EffectObject;
    const runtime = withAsset({ kind: 'picture', go: 'next' } as Told, standing, sequence, 'screenTapped');
    pass(runtime, 1.3);
    expect([frame(runtime), runtime.values(0).media!.running]).toEqual([0, false]);
    runtime.step(STILL, TAP);
    pass(runtime, 1);
    expect(frame(runtime)).toBe(1);
    // Played, it runs like any other.
    const played = withAsset({ kind: 'play', times: 0 } as Told, standing, sequence);
    pass(played, 1.3);
    expect(frame(played)).toBe(2);
  });
  test('one picture by its number, and the one before the first is the last', () => {
    expect(frame(after(withAsset({ kind: 'picture', go: 'to', number: 3 } as Told, shown, sequence)))).toBe(
      2,
    );
    expect(frame(after(withAsset({ kind: 'picture', go: 'previous' } as Told, shown, sequence)))).toBe(3);
  });
  const after = (runtime: Runtime): Runtime => {
    pass(runtime, 0.1);
    return runtime;
  };
  test('plays a part as often as told, at its speed, and stays on its last picture', () => {
    const runtime = withAsset(
      { kind: 'play', do: 'play', from: 0.5, to: 1.5, speed: 2, times: 2 } as Told,
      shown,
      sequence,
    );
    pass(runtime, 0.25);
    expect(runtime.values(0).media).toMatchObject({ running: true, left: 2 });
    pass(runtime, 0.5);
    expect(runtime.values(0).media).toMatchObject({ running: true, left: 1 });
    pass(runtime, 0.5);
    expect(runtime.values(0).media!.running).toBe(false);
    expect(frame(runtime)).toBe(2);
  });
  test('backwards it begins at its end', () => {
    const runtime = withAsset({ kind: 'play', speed: -1, times: 1 } as Told, shown, sequence);
    expect(frame(after(runtime))).toBe(3);
    pass(runtime, 3);
    expect(runtime.values(0).media).toMatchObject({ running: false, at: 0 });
  });
  test('the next beat waits for a clip that ends, not for one without end', () => {
    const beats = (times: number) =>
      cueOf('effectStarts', [[{ kind: 'play', times } as Told], [{ kind: 'hide' }]]);
    const run = (times: number) =>
      new Runtime(
        compile(effectOf([beats(times)], [shown], { assets: { [sequence.id]: sequence } as never })),
      );
    expect(pass(run(1), 1.9).visible).toBe(true);
    expect(pass(run(1), 2.1).visible).toBe(false);
    expect(pass(run(0), 0.1).visible).toBe(false);
  });
  test('a clip of a model comes in over the one before, which goes on meanwhile', () => {
    const asset = {
      kind: 'model',
      id: 'asset_mod1' as AssetId,
      clips: [
        { name: 'Rest', duration: 4 },
        { name: 'Swim', duration: 2 },
      ],
    };
    const object = {
      ...newSolid(CARD, 'box', 0, CROWN),
      kind: 'model',
      asset: asset.id,
      clip: 'Rest',
      startDelay: 0,
    };
    const runtime = withAsset(
      { kind: 'play', clip: 'Swim', times: 0, blend: 0.5 } as Told,
      object as unknown as EffectObject,
      asset,
      'screenTapped',
    );
    pass(runtime, 1);
    runtime.step(STILL, TAP);
    pass(runtime, 0.25);
    expect(runtime.values(0).media).toMatchObject({ clip: 'Swim', running: true });
    expect(runtime.values(0).media!.over).toMatchObject({ clip: 'Rest', blend: 0.5 });
    expect(runtime.values(0).media!.over!.share).toBeCloseTo(0.5, 1);
    expect(runtime.values(0).media!.over!.at).toBeCloseTo(1.25, 1);
    pass(runtime, 0.3);
    expect(runtime.values(0).media!.over).toBeNull();
  });
  test('a sound waits for its cue, plays once, and fades with its volume', () => {
    const asset = { kind: 'sound', id: 'asset_snd1' as AssetId, duration: 1, loop: null };
    const sound = newSound(CARD, asset.id);
    const runtime = withAsset({ kind: 'play' } as Told, sound, asset, 'screenTapped');
    expect(pass(runtime, 0.5).media!.running).toBe(false);
    runtime.step(STILL, TAP);
    expect(pass(runtime, 0.5).media).toMatchObject({ running: true, left: 1 });
    expect(pass(runtime, 0.6).media!.running).toBe(false);
    const fading = withAsset(
      { kind: 'fade', opacity: 0, duration: 1 } as Told,
      { ...sound, runs: true, loop: true },
      asset,
    );
    expect(pass(fading, 0.5).media!.running).toBe(true);
    expect(pass(fading, 1).opacity).toBe(0);
  });
});

describe('fountains', () => {
  test('flows for its time and then no more; a burst is born at once', () => {
    const fountain = {
      ...newFountain(CARD),
      runs: false,
      rate: 60,
      life: [10, 10] as [number, number],
      anchor: { kind: 'screen', pin: 'centre' } as const,
    };
    const flow = started({ kind: 'flow', duration: 3, after: 'return' }, fountain);
    pass(flow, 1);
    expect(flow.particlesOf(0)!.count).toBeGreaterThan(55);
    pass(flow, 4);
    expect(flow.particlesOf(0)!.count).toBeGreaterThanOrEqual(179);
    expect(flow.particlesOf(0)!.count).toBeLessThanOrEqual(181);
    const burst = started({ kind: 'burst', count: 40 } as Told, fountain);
    pass(burst, 0.2);
    expect(burst.particlesOf(0)!.count).toBe(40);
    pass(burst, 1);
    expect(burst.particlesOf(0)!.count).toBe(40);
  });
  test('a hidden fountain bears nothing; whoever does not draw has no particles', () => {
    const fountain = { ...newFountain(CARD), runs: true, visible: false };
    const program = compile(effectOf([], [fountain]));
    const runtime = new Runtime(program);
    pass(runtime, 1);
    expect(runtime.particlesOf(0)!.count).toBe(0);
    expect(new Runtime(program, { fountains: false }).particlesOf(0)).toBeNull();
  });
  test('from the open mouth of the wearer, in the world', () => {
    const fountain = {
      ...newFountain(CARD),
      anchor: headAnchor('crown'),
      area: { kind: 'face', part: 'mouth' } as const,
      speed: [0, 0] as [number, number],
      gravity: 0,
      turbulence: 0,
    };
    const runtime = new Runtime(compile(effectOf([], [fountain])));
    pass(runtime, 0.5);
    const p = runtime.particlesOf(0)!;
    expect(p.count).toBeGreaterThan(5);
    const face = STILL.faces[0]!;
    // The middle of the lips, landmark 13, brought from head space to the world.
    const lip = toOuter(face.pose, pointAt(face.landmarks, 13));
    for (let i = 0; i < p.count; i++) expect(distance([p.x[i]!, p.y[i]!, p.z[i]!], lip)).toBeLessThan(0.035);
  });
});
