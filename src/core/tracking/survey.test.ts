/** A tracker over a take, in figures. */
import { describe, expect, test } from '@jest/globals';
import { composePoses } from '../maths/pose';
import { fromAngles } from '../maths/quaternion';
import { SHIPPED_TAKES } from '../takes/library';
import { compareFrames } from './compare';
import { measured, measuresOf, summaryOf, worstMoments, type SurveyMoment } from './survey';
import type { TrackFrame } from './track-frame';

const take = SHIPPED_TAKES.find((t) => t.id === 'picture-leaving')!;
const card = { pictures: new Set([1]), surfaces: new Set<never>() };
/** The truth, moved by so many metres, as whoever looked for the picture at 1 m wide says it. */
const seen = (truth: TrackFrame, off: number): TrackFrame => ({
  ...truth,
  pictures: truth.pictures.map((p) => {
    const eye = truth.camera.pose.position;
    const moved = p.pose.position.map((x, k) => x + (k === 0 ? off : 0));
    return {
      ...p,
      width: 1,
      height: p.height / p.width,
      pose: { ...p.pose, position: moved.map((x, k) => eye[k]! + (x - eye[k]!) / p.width) as never },
    };
  }),
});
const moment = (time: number, off: number | null): SurveyMoment => {
  const truth = take.frameAt(time);
  const tracked = off === null ? { ...truth, pictures: [] } : seen(truth, off);
  return { time, milliseconds: 40 + time, ...compareFrames(truth, tracked, card) };
};

describe('against the truth', () => {
  test('a picture that is right is not off, whatever width the tracker gave it', () => {
    const { pictures } = moment(1, 0);
    expect(pictures).toMatchObject({ inSight: 1, found: 1 });
    expect(pictures.error!.position).toBeLessThan(1e-9);
    expect(pictures.error!.corners).toBeLessThan(1e-9);
    expect(pictures.error!.angle).toBeLessThan(1e-4);
  });
  test('moved it is as far off as it was moved; turned by its angle', () => {
    expect(moment(1, 0.01).pictures.error!.position).toBeCloseTo(0.01, 9);
    const truth = take.frameAt(1);
    const turned = {
      ...truth,
      pictures: truth.pictures.map((p) => ({
        ...p,
        pose: composePoses(p.pose, { position: [0, 0, 0], rotation: [0, 0, Math.sin(0.05), Math.cos(0.05)] }),
      })),
    };
    expect(compareFrames(truth, turned, card).pictures.error!.angle).toBeCloseTo((0.1 * 180) / Math.PI, 4);
  });
  test('what was not sought is not missed', () => {
    const truth = take.frameAt(1);
    expect(
      compareFrames(truth, { ...truth, pictures: [] }, { ...card, pictures: new Set() }).pictures,
    ).toMatchObject({
      inSight: 0,
      found: 0,
    });
  });
  test('what stands on a floor is off by what is seen of it, not by where the world is thought to begin', () => {
    const truth = SHIPPED_TAKES.find((t) => t.id === 'walk-floor')!.frameAt(3);
    const floor = { pictures: new Set<never>(), surfaces: new Set(['floor' as const]) };
    const elsewhere = { position: [0.4, 0.1, -2], rotation: fromAngles([0, 70, 0]) } as const;
    const moved: TrackFrame = {
      ...truth,
      camera: { ...truth.camera, pose: composePoses(elsewhere, truth.camera.pose) },
      surfaces: truth.surfaces.map((s) => ({ ...s, pose: composePoses(elsewhere, s.pose) })),
    };
    const same = compareFrames(truth, moved, floor).surfaces;
    expect(same).toMatchObject({ inSight: 1, found: 1 });
    expect([same.error!.position < 1e-9, same.error!.angle < 1e-4]).toEqual([true, true]);
    const higher = { position: [0, 0.03, 0], rotation: fromAngles([0, 0, 2]) } as const;
    const off = truth.surfaces.map((s) => ({ ...s, pose: composePoses(s.pose, higher) }));
    const { error } = compareFrames(truth, { ...truth, surfaces: off }, floor).surfaces;
    expect([error!.position, error!.angle].map((x) => +x.toFixed(6))).toEqual([0.03, 2]);
    expect(compareFrames(truth, { ...truth, surfaces: [] }, floor).surfaces).toEqual({
      inSight: 1,
      found: 0,
      error: null,
    });
    expect(compareFrames(truth, moved, card).surfaces.inSight).toBe(0);
  });
});

describe('over a take', () => {
  // It is away from 3.9 to 7.7 s.
  const moments = [
    moment(0, 0.001),
    moment(1, 0.002),
    moment(1.2, 0.03),
    moment(1.4, 0.02),
    moment(5, null),
    moment(9, null),
    moment(10, 0.004),
  ];
  test('lost is where it was in sight and not found; where it was away it is not', () => {
    const summary = summaryOf(moments, 'pictures', 'position');
    expect(summary).toMatchObject({ inSight: 6, lost: 1 });
    expect(summary.worst).toBeCloseTo(0.03, 9);
    expect(summary.median).toBeCloseTo(0.004, 9);
  });
  test('the worst: lost first, then the farthest off, none of them twice', () => {
    expect(worstMoments(moments, 'pictures', 'position').map((m) => m.time)).toEqual([9, 1.2, 10]);
  });
  test('every measure reads something of a moment, and nothing where nothing is found', () => {
    for (const measure of measuresOf('pictures'))
      expect([measure, typeof measured(moments[0]!, 'pictures', measure)]).toEqual([measure, 'number']);
    expect(measured(moments[5]!, 'pictures', 'corners')).toBeNull();
    expect(measured(moments[5]!, 'pictures', 'delay')).toBe(49);
  });
});
