/** What buttons, keys and handles do to the document: selecting, placing, aligning, spreading, fitting, dragging. */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { newTarget } from '../../core/document/defaults';
import { headAnchor } from '../../core/kinds/objects/placed';
import { newCard } from '../../core/kinds/objects/card';
import { newGroup } from '../../core/kinds/objects/group';
import { sampleAsset } from '../../core/document/sample';
import type { Card, ContactShadow, EffectObject, ObjectId, TargetId } from '../../core/document/schema';
import { transformPoint } from '../../core/maths/matrix';
import { distance, type Vec3 } from '../../core/maths/vec3';
import { restBase, restMatrix, restOf } from '../../core/placing/rest';
import { NO_JITTER, NO_STEPS } from '../../core/placing/spread';
import { box, effectWith, id } from '../../core/placing/testing';
import { blankRecord, pretendBrowser } from '../stores/testing';

pretendBrowser();
const { useDeskStore } = await import('../stores/desk');
const { useEffectStore } = await import('../stores/effect');
const objects = await import('./object-commands');
const place = await import('./place-commands');
const { DragSession, handlePlaceFor, heldNow } = await import('./drag-session');

const CHIN = headAnchor('chin');
const A = id('aaaa');
const B = id('bbbb');
const C = id('cccc');
const TARGET = 'target_card' as TargetId;

let effectStore: ReturnType<typeof useEffectStore>;
let desk: ReturnType<typeof useDeskStore>;
/** Opens these objects, as an edit that nobody undoes. */
const open = (list: readonly EffectObject[], targets = [newTarget(TARGET, 'Card', 0, null)]): void => {
  const asset = sampleAsset(1);
  const effect = { ...effectWith(list, targets), assets: { [asset.id]: asset } };
  effectStore.edit({ label: 'Open', change: (draft) => void Object.assign(draft, effect) });
};
const object = (one: ObjectId): EffectObject => effectStore.effect.objects[one]!;
const rows = (): EffectObject[] => [
  box('aaaa', CHIN, { order: 0, move: [0, 0, 0] }),
  box('bbbb', CHIN, { order: 1, move: [0.1, 0.02, 0] }),
  box('cccc', CHIN, { order: 2, move: [0.4, 0.05, 0] }),
];
// What is unsaved would be tried again for ever: there is no server.
afterEach(() => effectStore.close());
beforeEach(() => {
  setActivePinia(createPinia());
  effectStore = useEffectStore();
  effectStore.begin(blankRecord());
  desk = useDeskStore();
});

describe('what is selected', () => {
  test('one, several, and the last of them is asked about', () => {
    open(rows());
    desk.selected = A;
    desk.toggleSelected(B);
    expect(desk.selection).toEqual([A, B]);
    expect(desk.selected).toBe(B);
    desk.toggleSelected(A);
    expect(objects.selectedObjects().map((o) => o.id)).toEqual([B]);
    desk.selected = null;
    expect(desk.selection).toEqual([]);
  });
  test('deleted, duplicated, grouped and taken apart in one step each, and what comes of it is selected', () => {
    open(rows());
    desk.selection = [A, B];
    objects.duplicateSelected();
    expect(desk.selection).toHaveLength(2);
    expect(desk.selection).not.toContain(A);
    expect(Object.keys(effectStore.effect.objects)).toHaveLength(5);
    objects.removeSelected();
    expect(Object.keys(effectStore.effect.objects)).toHaveLength(3);
    desk.selection = [A, B];
    objects.groupSelected();
    expect(object(desk.selected!).kind).toBe('group');
    objects.ungroupSelected();
    expect(new Set(desk.selection)).toEqual(new Set([A, B]));
    expect(effectStore.undoLabel).toBe('Take Group apart');
    for (let i = 0; i < 4; i++) effectStore.undo();
    expect(Object.keys(effectStore.effect.objects)).toHaveLength(3);
    expect(object(A).parent).toBeNull();
  });
  test('hidden together, shown together; shown alone with what hangs in it', () => {
    open([...rows(), newGroup(id('group'), 'G', 3, CHIN), box('leaf', CHIN, { parent: id('group') })]);
    desk.selection = [A, B];
    objects.toggleSelectedVisible();
    expect([object(A).visible, object(B).visible, object(C).visible]).toEqual([false, false, true]);
    objects.toggleSelectedVisible();
    expect(object(A).visible).toBe(true);
    desk.selection = [id('group')];
    objects.toggleIsolated();
    expect([...desk.isolated!]).toEqual([id('group'), id('leaf')]);
    objects.toggleIsolated();
    expect(desk.isolated).toBeNull();
  });
});

describe('placing by command', () => {
  test('a place is copied with its pivot, and pasted on all that is not locked', () => {
    open([
      box('aaaa', CHIN, { move: [0.1, 0.2, 0.3], turn: [10, 370, 0], scale: [2, 2, 2], pivot: [0, 0.01, 0] }),
      box('bbbb', CHIN),
      box('cccc', CHIN, { locked: true }),
    ]);
    desk.selected = A;
    place.copyPlace();
    desk.selection = [B, C];
    place.pastePlace();
    expect(object(B)).toMatchObject({ move: [0.1, 0.2, 0.3], turn: [10, 370, 0], pivot: [0, 0.01, 0] });
    expect(object(C).move).toEqual([0, 0, 0]);
  });
  test('reset brings it to where a new one lies', () => {
    const asset = sampleAsset(1);
    open([
      {
        ...newCard(A, asset, 0),
        move: [9, 9, 9],
        turn: [1, 2, 3],
        scale: [4, 5, 6],
        pivot: [1, 1, 1],
      } as Card,
    ]);
    desk.selected = A;
    place.resetPlace();
    const fresh = newCard(A, asset, 0);
    expect(object(A)).toMatchObject({
      move: fresh.move,
      turn: fresh.turn,
      scale: fresh.scale,
      pivot: [0, 0, 0],
    });
  });
  test.each(['middle', 'base', 'top'] as const)(
    'the pivot goes to the %s, and nothing is seen to move',
    (to) => {
      open([
        box('aaaa', CHIN, { move: [0.1, 0, 0], turn: [0, 0, 40], scale: [1, 2, 1], pivot: [0.3, 0, 0] }),
      ]);
      const p: Vec3 = [0.01, 0.02, 0.03];
      const before = transformPoint(restMatrix(restOf(effectStore.effect), A), p);
      place.setPivot(object(A), to);
      expect(object(A).pivot[1]).toBeCloseTo({ middle: 0, base: -0.02, top: 0.02 }[to], 9);
      expect(distance(transformPoint(restMatrix(restOf(effectStore.effect), A), p), before)).toBeLessThan(
        1e-9,
      );
    },
  );
  test('aligned and distributed along an axis', () => {
    open(rows());
    desk.selection = [A, B, C];
    place.alignSelected(1, 'low');
    expect([A, B, C].map((one) => object(one).move[1])).toEqual([0, 0, 0].map((x) => expect.closeTo(x, 9)));
    place.distributeSelected(0);
    expect(object(B).move[0]).toBeCloseTo(0.2, 9);
    expect([object(A).move[0], object(C).move[0]]).toEqual([0, 0.4]);
  });
  test('what is locked is neither aligned nor dragged', () => {
    open([...rows().slice(0, 2), box('cccc', CHIN, { move: [0.4, 0.9, 0], locked: true })]);
    desk.selection = [A, B, C];
    place.alignSelected(1, 'high');
    expect(object(C).move[1]).toBe(0.9);
    expect(object(A).move[1]).toBeCloseTo(0.02, 9);
    expect(heldNow(restOf(effectStore.effect)).map((h) => h.object.id)).toEqual([A, B]);
  });
  test('spread: one step, the group is selected', () => {
    open(rows());
    desk.selected = A;
    place.spreadSelected({
      count: 6,
      shape: { kind: 'ring', radius: 0.1, angle: 60, outward: true, about: 'y' },
      steps: NO_STEPS,
      jitter: NO_JITTER,
      seed: 1,
    });
    expect(object(desk.selected!).kind).toBe('group');
    expect(Object.values(effectStore.effect.objects).filter((o) => o.parent === desk.selected)).toHaveLength(
      6,
    );
    effectStore.undo();
    expect(Object.keys(effectStore.effect.objects)).toHaveLength(3);
  });
  test('what does not fit says so and changes nothing', () => {
    open(rows());
    desk.selected = A;
    const before = effectStore.effect;
    place.spreadSelected({
      count: 3000,
      shape: { kind: 'line', step: [0.01, 0, 0] },
      steps: NO_STEPS,
      jitter: NO_JITTER,
      seed: 1,
    });
    expect(effectStore.effect).toBe(before);
    expect(effectStore.notice).toMatch(/^An effect holds 2000 objects; this one has 3/);
    expect(desk.selected).toBe(A);
  });
  test('a card is fitted to its printed picture, and keeps its height above it', () => {
    const asset = sampleAsset(1);
    const anchor = { kind: 'picture', target: TARGET } as const;
    open([{ ...newCard(A, asset, 0, anchor), move: [0.03, 0.02, 0.1], turn: [0, 30, 0] } as Card]);
    place.fitToTarget(object(A));
    const card = object(A) as Card;
    expect(card.extent[0] * card.scale[0]).toBeCloseTo(0.15, 9);
    expect(card).toMatchObject({ move: [0, 0, 0.1], turn: [0, 0, 0] });
  });
  test('new things go beside what is selected, on its face, in the scene that is worked on', () => {
    open([box('aaaa', headAnchor('chin', 2))]);
    desk.selected = A;
    place.addNew('sphere');
    expect(object(desk.selected!)).toMatchObject({ kind: 'solid', shape: 'sphere', anchor: { face: 2 } });
    place.addNew('headOccluder');
    expect(object(desk.selected!)).toMatchObject({
      kind: 'occluder',
      anchor: { face: 2, point: 'headCentre' },
    });
    place.addLayer(sampleAsset(1), headAnchor('chin', 'every'));
    expect(object(desk.selected!)).toMatchObject({ kind: 'layer', anchor: { kind: 'skin', face: 'every' } });
    for (const kind of place.NEW_KINDS) place.addNew(kind, { kind: 'world', surface: 'floor' });
    expect(Object.keys(effectStore.effect.objects)).toHaveLength(4 + place.NEW_KINDS.length);
  });
  test('a contact shadow follows what is selected where that stands on the same, and reaches beyond its foot', () => {
    const floor = { kind: 'world', surface: 'floor' } as const;
    open([box('aaaa', floor, { extent: [0.2, 0.1, 0.1], scale: [2, 1, 1] })]);
    desk.selected = A;
    place.addNew('contactShadow', floor);
    const shadow = object(desk.selected!) as ContactShadow;
    expect(shadow.below).toBe(A);
    expect(shadow.extent).toEqual([expect.closeTo(0.52, 9), expect.closeTo(0.182, 9)]);
    desk.selected = A;
    place.addNew('contactShadow', { kind: 'world', surface: 'wall' });
    expect(object(desk.selected!)).toMatchObject({ below: null });
  });
});

describe('a drag of the handles', () => {
  const held = () => heldNow(restOf(effectStore.effect));
  test('moves all that is selected by the same way, as one step', () => {
    open(rows());
    desk.selection = [A, B];
    const session = new DragSession('space');
    session.start(held());
    for (const x of [0.01, 0.02, 0.03]) session.change({ kind: 'move', by: [x, 0, 0] }, false);
    session.end();
    expect(object(A).move[0]).toBeCloseTo(0.03, 6);
    expect(object(B).move[0]).toBeCloseTo(0.13, 6);
    expect(effectStore.undoLabel).toBe('Move 2 objects');
    effectStore.undo();
    expect([object(A).move, object(B).move]).toEqual([
      [0, 0, 0],
      [0.1, 0.02, 0],
    ]);
  });
  test('snaps one to steps, and several by the same steps', () => {
    open(rows());
    desk.place.snapStep = 1;
    desk.selection = [B];
    const session = new DragSession('space');
    session.start(held());
    session.change({ kind: 'move', by: [0.0042, 0.0142, 0] }, true);
    expect(object(B).move).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.03, 9), 0]);
    session.end();
    desk.selection = [A, B];
    session.start(held());
    session.change({ kind: 'move', by: [0.0042, 0.0142, 0] }, true);
    expect(object(A).move).toEqual([0, expect.closeTo(0.01, 9), 0]);
    expect(object(B).move[1]).toBeCloseTo(0.04, 9);
  });
  test('angles run on past a full turn', () => {
    open([box('aaaa', CHIN)]);
    desk.handleMode = 'turn';
    desk.selection = [A];
    const session = new DragSession('space');
    session.start(held());
    for (let a = 20; a <= 400; a += 20) {
      const half = (a * Math.PI) / 360;
      session.change({ kind: 'turn', by: [0, 0, Math.sin(half), Math.cos(half)], about: [0, 0, 0] }, false);
    }
    expect(object(A).turn[2]).toBeCloseTo(400, 6);
  });
  test('in pivot mode only the pivot is seen to move', () => {
    open([box('aaaa', CHIN, { turn: [0, 30, 0] })]);
    desk.handleMode = 'pivot';
    desk.selection = [A];
    const before = transformPoint(restMatrix(restOf(effectStore.effect), A), [0.01, 0, 0]);
    const session = new DragSession('space');
    session.start(held());
    session.change({ kind: 'move', by: [0.02, 0.01, 0] }, false);
    expect(
      distance(transformPoint(restMatrix(restOf(effectStore.effect), A), [0.01, 0, 0]), before),
    ).toBeLessThan(1e-9);
    expect(object(A).pivot).not.toEqual([0, 0, 0]);
    const base = restBase(restOf(effectStore.effect), object(A));
    expect(distance(handlePlaceFor(held())!.point, transformPoint(base, object(A).move))).toBeLessThan(1e-9);
  });
});
