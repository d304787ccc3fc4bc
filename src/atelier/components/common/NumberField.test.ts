/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { enableAutoUnmount } from '@vue/test-utils';
import { computed, defineComponent, h, nextTick } from 'vue';
import { blankEffect } from '../../../core/document/defaults';
import { headAnchor } from '../../../core/kinds/objects/placed';
import { newSolid } from '../../../core/kinds/objects/solid';
import type { EffectObject, ObjectId } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import PlaceFields from '../stack/PlaceFields.vue';
import { mounted, openEffect, press } from '../testing';
import NumberField from './NumberField.vue';

enableAutoUnmount(afterEach);

describe('a number field', () => {
  beforeEach(() => void openEffect(blankEffect('Numbers')));
  const field = (props: object = {}) =>
    mounted(NumberField, { value: 1.5, label: 'Height', unit: 'cm', ...props });
  test('shows its value with its unit, rounded to its digits', () => {
    expect(field({ value: 1.25678, digits: 2 }).get('input').element.value).toBe('1.26cm');
  });
  test('steps with the arrow keys, ten steps with Shift', async () => {
    const set: number[] = [];
    const made = field({ value: 2, step: 0.5, onChange: (to: number) => set.push(to) });
    await made.get('input').trigger('keydown', { key: 'ArrowUp' });
    await made.get('input').trigger('keydown', { key: 'ArrowDown', shiftKey: true });
    expect(set).toEqual([2.5, -3]);
  });
  test('Enter ends it, and the keys are the screen’s again; what cannot be taken keeps them', async () => {
    const told: (number | string)[] = [];
    const onChange = (to: number) => told.push(to);
    const made = field({ value: 4, onChange, onDone: () => told.push('done') });
    const input = made.get('input');
    input.element.focus();
    await input.setValue('12/2');
    await input.trigger('keydown', { key: 'Enter' });
    expect(told).toEqual([6, 'done']);
    expect(document.activeElement).toBe(document.body);
    input.element.focus();
    await input.setValue('banana');
    await input.trigger('keydown', { key: 'Enter' });
    expect(document.activeElement).toBe(input.element);
  });
  test('Escape takes back what was typed and stepped within the visit, and leaves it, not the panel around it', async () => {
    const set: number[] = [];
    let heard = 0;
    const listen = () => heard++;
    addEventListener('keydown', listen);
    const made = field({
      value: 4,
      onChange: (to: number) => (set.push(to), void made.setProps({ value: to })),
    });
    const input = made.get('input');
    input.element.focus();
    await input.setValue('7');
    await nextTick();
    await input.trigger('keydown', { key: 'ArrowUp' });
    await nextTick();
    heard = 0;
    await input.trigger('keydown', { key: 'Escape' });
    removeEventListener('keydown', listen);
    expect([...new Set(set)]).toEqual([7, 8, 4]);
    expect([heard, document.activeElement]).toEqual([0, document.body]);
  });
  test('is scrubbed by its letter: three pixels a step', async () => {
    const told: (number | string)[] = [];
    const onChange = (to: number) => told.push(to);
    const made = field({ value: 4, step: 0.5, mark: 'x', onChange, onDone: () => told.push('done') });
    await made.get('.mark').trigger('pointerdown', { clientX: 6 });
    dispatchEvent(Object.assign(new Event('pointermove'), { clientX: 15 }));
    dispatchEvent(new Event('pointerup'));
    dispatchEvent(Object.assign(new Event('pointermove'), { clientX: 90 }));
    expect(told).toEqual([5.5, 'done']);
  });
});

describe('the numbers of a box', () => {
  const ID = 'obj_box1' as ObjectId;
  const box = () => useEffectStore().effect.objects[ID] as Extract<EffectObject, { kind: 'solid' }>;
  /** Opens the fields of a box; gives its fields by name. */
  const open = () => {
    const object = newSolid(ID, 'box', 0, headAnchor('forehead'));
    openEffect({ ...blankEffect('Box'), objects: { [ID]: object } });
    useDeskStore().selected = ID;
    const fields = defineComponent(() => {
      const now = computed(() => useEffectStore().effect.objects[ID]!);
      return () => h(PlaceFields as never, { object: now.value });
    });
    const form = mounted(fields);
    const field = (name: string) => form.get<HTMLInputElement>(`[role="spinbutton"][aria-label="${name}"]`);
    const type = async (name: string, text: string): Promise<void> => {
      await field(name).trigger('focus');
      await field(name).setValue(text);
      await field(name).trigger('keydown', { key: 'Enter' });
      await nextTick();
    };
    return { form, field, type };
  };
  afterEach(() => useEffectStore().close());

  test.each([
    ['Move x, cm', '12/0', 'divides by zero', '0'],
    ['Move x, cm', 'banana', 'is no number: type one, or a sum like 12/2', '0'],
    ['Move x, cm', '1e11', 'The most is 10000', '10000'],
    ['Width, cm', '0', 'The least is 0.01', '0.01'],
    ['Width, cm', '-4', 'The least is 0.01', '0.01'],
  ])('%s: %s is answered by a sentence and a sane bound', async (name, typed, said, stays) => {
    const { form, field, type } = open();
    await type(name, typed);
    expect(form.get('.problem').text()).toContain(said);
    expect(field(name).element.value).toBe(stays);
    await field(name).trigger('keydown', { key: 'Escape' });
    expect(form.find('.problem').exists()).toBe(false);
  });
  test('a sum is worked out; centimetres and degrees are kept in metres, and unwrapped', async () => {
    const { field, type } = open();
    await type('Move x, cm', '(3+5)/2');
    expect(field('Move x, cm').element.value).toBe('4');
    await type('Move y, cm', '-3.25');
    await type('Turn z, degrees', '405');
    expect(box().move[0]).toBeCloseTo(0.04, 9);
    expect(box().move[1]).toBeCloseTo(-0.0325, 9);
    expect(box().turn[2]).toBe(405);
  });
  test('width and height grow together until they are told not to', async () => {
    const { type } = open();
    const wide = box().extent[0] * 100;
    await type('Width, cm', String(2 * wide));
    expect(box().scale.map((s) => Number(s.toFixed(6)))).toEqual([2, 2, 2]);
    await press('Width and height grow together');
    await type('Height, cm', '1');
    expect(box().scale[0]).toBeCloseTo(2, 6);
    expect(box().scale[1] * box().extent[1]).toBeCloseTo(0.01, 9);
  });
  test('what is typed within one visit is one step back', async () => {
    const { field, type } = open();
    const before = useEffectStore().effect;
    for (const text of ['-3', '-3.2', '-3.25']) await field('Move y, cm').setValue(text);
    await type('Move y, cm', '-3.25');
    await type('Turn z, degrees', '30');
    useEffectStore().undo();
    useEffectStore().undo();
    expect(useEffectStore().effect).toEqual(before);
  });
});
