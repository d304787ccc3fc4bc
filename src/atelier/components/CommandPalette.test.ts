/**
 * Where the keys go when something is sought by name.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { createMemoryHistory, createRouter } from 'vue-router';
import { blankEffect } from '../../core/document/defaults';
import { useDeskStore } from '../stores/desk';
import CommandPalette from './CommandPalette.vue';
import { mounted, openEffect } from './testing';

enableAutoUnmount(afterEach);

const field = (): HTMLElement | null => document.querySelector('[aria-label="Find a command"]');
const focused = () => document.activeElement?.getAttribute('aria-label');
const mountPalette = (): void => {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:path(.*)', component: CommandPalette }],
  });
  mounted(CommandPalette, {}, [router]);
};
/** A few turns of the page: dialogs are put into it in steps. */
const settled = async (): Promise<void> => {
  for (let i = 0; i < 3; i++) await flushPromises();
};

test('it has the keys when it was asked for before it was there', async () => {
  openEffect(blankEffect('Early'));
  useDeskStore().paletteOpen = true;
  mountPalette();
  await settled();
  expect(field()).not.toBeNull();
  expect(focused()).toBe('Find a command');
});

test('it has the keys as soon as it is there, each time', async () => {
  openEffect(blankEffect('Again'));
  const desk = useDeskStore();
  mountPalette();
  await settled();
  expect(field()).toBeNull();
  for (let time = 0; time < 2; time++) {
    desk.paletteOpen = true;
    await settled();
    expect(focused()).toBe('Find a command');
    desk.paletteOpen = false;
    await settled();
    (document.activeElement as HTMLElement | null)?.blur();
  }
});
