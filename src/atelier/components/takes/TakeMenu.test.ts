/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, expect, jest, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { blankEffect } from '../../../core/document/defaults';
import { useEffectStore } from '../../stores/effect';
import { mounted, openEffect } from '../testing';

// Its pictures are found by the build.
jest.unstable_mockModule('./TakePicker.vue', () => ({ default: { render: () => null } }));
const { default: TakeMenu } = await import('./TakeMenu.vue');

enableAutoUnmount(afterEach);
afterEach(() => useEffectStore().close());

const isOpen = (menu: ReturnType<typeof mounted>): boolean =>
  menu.get('button.take-name').attributes('aria-expanded') === 'true';
const opened = async (): Promise<ReturnType<typeof mounted>> => {
  openEffect(blankEffect('Takes'));
  const menu = mounted(TakeMenu);
  await menu.get('button.take-name').trigger('click');
  await flushPromises();
  expect(isOpen(menu)).toBe(true);
  return menu;
};

test('Escape closes the list of takes, and gives the keys back to its button', async () => {
  const menu = await opened();
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
  await flushPromises();
  expect(isOpen(menu)).toBe(false);
  expect(document.activeElement).toBe(menu.get('button.take-name').element);
});
test('going on elsewhere closes it; working in it does not', async () => {
  const menu = await opened();
  menu.get('button.take-name').element.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
  await flushPromises();
  expect(isOpen(menu)).toBe(true);
  const elsewhere = document.body.appendChild(document.createElement('input'));
  elsewhere.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
  await flushPromises();
  expect(isOpen(menu)).toBe(false);
  elsewhere.remove();
});
