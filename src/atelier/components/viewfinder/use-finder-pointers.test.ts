import { beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { ref } from 'vue';
import { recordedOf } from '../../../core/behave/recorded';
import type { ObjectId } from '../../../core/document/schema';
import { pretendBrowser } from '../../stores/testing';

pretendBrowser();
const { useDeskStore } = await import('../../stores/desk');
const { usePlaybackStore } = await import('../../stores/playback');
const { useFinderPointers } = await import('./use-finder-pointers');

const [A, B] = ['obj_aaaa', 'obj_bbbb'] as ObjectId[] as [ObjectId, ObjectId];
/** A canvas of 100 by 200 at (10, 20); objects lie in its upper and lower half. */
const made = (more: { tapping?: boolean; movable?: boolean; overHandle?: boolean } = {}) => {
  const canvas = { getBoundingClientRect: () => ({ left: 10, top: 20, width: 100, height: 200 }) };
  const pointers = useFinderPointers({
    canvas: ref(canvas as HTMLCanvasElement),
    tapping: ref(more.tapping ?? false),
    movable: ref(more.movable ?? false),
    overHandle: () => more.overHandle ?? false,
    pick: ({ y }) => (y < 0.8 ? { id: y < 0.4 ? A : B, part: y < 0.4 ? 3 : null, point: [0, 0, 0] } : null),
    drawn: () => null,
    view: () => null,
  });
  const event = (x: number, y: number, keys = {}) =>
    ({ clientX: x, clientY: y, pointerId: 1, ...keys }) as PointerEvent;
  const click = (x: number, y: number, keys = {}): void => {
    pointers.onDown(event(x, y, keys));
    pointers.onUp(event(x, y, keys));
  };
  return { ...pointers, event, click };
};
beforeEach(() => {
  setActivePinia(createPinia());
});

describe('a press in the Viewfinder', () => {
  test('selects what is there, adds to the selection with a key, and lets go of all beside it', () => {
    const { click } = made();
    const desk = useDeskStore();
    click(60, 40);
    expect(desk.selection).toEqual([A]);
    click(60, 140, { shiftKey: true });
    expect(desk.selection).toEqual([A, B]);
    click(60, 140, { ctrlKey: true });
    expect(desk.selection).toEqual([A]);
    click(60, 215);
    expect(desk.selection).toEqual([]);
  });
  test('selects nothing when it was a drag, or when a handle takes it', () => {
    const { onDown, onUp, event } = made();
    const desk = useDeskStore();
    onDown(event(60, 40));
    onUp(event(70, 40));
    expect(desk.selection).toEqual([]);
    made({ overHandle: true }).click(60, 40);
    expect(desk.selection).toEqual([]);
  });
  test('the second on a model chooses its part; a point that is asked for and missed takes nothing away', () => {
    const { click } = made();
    const desk = useDeskStore();
    click(60, 40);
    expect(desk.part).toBeNull();
    click(60, 40);
    expect([desk.selection, desk.part]).toEqual([[A], 3]);
    click(60, 140);
    expect([desk.selection, desk.part]).toEqual([[B], null]);
    desk.pivotFor = B;
    click(60, 215);
    expect([desk.selection, desk.pivotFor]).toEqual([[B], B]);
    desk.stage = 'behave';
    expect(desk.pivotFor).toBeNull();
  });
  test('is a tap of the viewer where the viewer taps', () => {
    made({ tapping: true }).click(60, 120);
    expect(useDeskStore().selection).toEqual([]);
    expect(usePlaybackStore().recorded.map((r) => r.input)).toEqual([{ kind: 'tap', x: 0.5, y: 0.5 }]);
  });
  test('the wheel pinches only where something can be moved', () => {
    let prevented = 0;
    const wheel = { clientX: 60, clientY: 40, deltaY: 90, deltaX: 0, preventDefault: () => prevented++ };
    made().onWheel(wheel as unknown as WheelEvent);
    expect(prevented).toBe(0);
    made({ tapping: true, movable: true }).onWheel(wheel as unknown as WheelEvent);
    expect(prevented).toBe(1);
    expect(recordedOf(usePlaybackStore().recorded, 'fingers').length).toBeGreaterThan(0);
  });
});
