/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises, type VueWrapper } from '@vue/test-utils';
import { blankEffect } from '../../../../core/document/defaults';
import { FOREHEAD } from '../../../../core/kinds/objects/placed';
import { newSolid } from '../../../../core/kinds/objects/solid';
import { formulaAt } from '../../../../core/edits/formula-edits';
import type { EffectObject, ObjectId } from '../../../../core/document/schema';
import { useEffectStore } from '../../../stores/effect';
import { mounted, openEffect } from '../../testing';
import PropertyField from '../PropertyField.vue';
import FormulaInput from './FormulaInput.vue';

enableAutoUnmount(afterEach);
afterEach(() => useEffectStore().close());

const BALL = 'obj_ball' as ObjectId;
const ball = newSolid(BALL, 'sphere', 0, FOREHEAD) as EffectObject;
const OPACITY = { objects: [BALL], property: 'opacity' };
let field: VueWrapper;
const store = () => useEffectStore();
const kept = () => formulaAt(store().effect, OPACITY);
const opacity = (): number => (store().effect.objects[BALL] as unknown as { opacity: number }).opacity;
const input = () => field.findComponent(FormulaInput);
const alert = (): string => document.querySelector('.sheet [role="alert"]')?.textContent ?? '';
/** Typed into the number field: the sheet opens, and the line is there. */
const written = async (text: string): Promise<void> => {
  await field.get('input').setValue(text);
  await flushPromises();
  await import('../../../code/formula-editor');
  await flushPromises();
};
const done = async (): Promise<void> => {
  [...document.querySelectorAll<HTMLElement>('.sheet button')]
    .find((b) => b.textContent?.trim() === 'Done')!
    .click();
  await flushPromises();
};
beforeEach(() => {
  openEffect({ ...blankEffect('Tide'), objects: { [BALL]: ball } });
  field = mounted(PropertyField, { object: ball, path: 'opacity' });
});

test('what cannot be worked out is kept nowhere, and the sheet waits for being mended', async () => {
  await written('=jawOpne');
  expect(alert()).toContain('Did you mean jawOpen?');
  await done();
  expect(input().exists()).toBe(true);
  field.findComponent({ name: 'APopover' }).vm.$emit('update:open', false);
  await flushPromises();
  expect(input().exists()).toBe(true);
  expect(kept()).toBeNull();
  input().vm.$emit('leave');
  await flushPromises();
  expect(input().exists()).toBe(false);
});

test('a sum is a number within the ends of the field, in one step; one that gives none is refused', async () => {
  await written('=20 * 4');
  await done();
  expect(opacity()).toBeCloseTo(0.8, 9);
  await written('=500');
  await done();
  expect(opacity()).toBe(1);
  await written('=1 / 0');
  await done();
  expect(alert()).toContain('That gives no number');
  expect(opacity()).toBe(1);
  input().vm.$emit('leave');
  await flushPromises();
  // Instead of a formula: both in one step.
  await written('=jawOpen');
  await done();
  expect(kept()).not.toBeNull();
  field.findComponent({ name: 'APopover' }).vm.$emit('update:open', true);
  await flushPromises();
  input().vm.$emit('change', { text: '50', inputs: {} });
  await done();
  expect(kept()).toBeNull();
  expect(opacity()).toBeCloseTo(0.5, 9);
  store().undo();
  expect(kept()?.signal.text).toBe('jawOpen');
  expect(opacity()).toBe(1);
});

test('clicked elsewhere, what can be worked out is kept', async () => {
  await written('=30');
  field.findComponent({ name: 'APopover' }).vm.$emit('update:open', false);
  await flushPromises();
  expect(opacity()).toBeCloseTo(0.3, 9);
});

test('looking at a formula changes nothing', async () => {
  await written('=jawOpen * 50%');
  await done();
  const before = store().effect;
  const label = store().undoLabel;
  field.findComponent({ name: 'APopover' }).vm.$emit('update:open', true);
  await flushPromises();
  await import('../../../code/formula-editor');
  await flushPromises();
  expect(input().exists()).toBe(true);
  await done();
  expect(store().effect).toBe(before);
  expect(store().undoLabel).toBe(label);
});

test('Enter before the line is there ends the formula once it is; what is wrong waits for being mended', async () => {
  const typedFast = async (text: string): Promise<void> => {
    const number = field.get('input');
    await number.setValue(text);
    await number.trigger('keydown', { key: 'Enter' });
    await flushPromises();
    await import('../../../code/formula-editor');
    await flushPromises();
  };
  await typedFast('=20 * 4');
  expect(opacity()).toBeCloseTo(0.8, 9);
  expect(input().exists()).toBe(false);
  await typedFast('=jawOpne');
  expect(alert()).toContain('Did you mean jawOpen?');
  expect(kept()).toBeNull();
});
