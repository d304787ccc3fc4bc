/**
 * Where the keys go when something is sought by name.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, describe, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { Modal } from 'ant-design-vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import { blankEffect } from '../../core/document/defaults';
import { useDeskStore } from '../stores/desk';
import CommandPalette from './CommandPalette.vue';
import { mounted, openEffect } from './testing';

enableAutoUnmount(afterEach);

const field = (): HTMLElement | null => document.querySelector('[aria-label="Find a command"]');
const focused = () => document.activeElement?.getAttribute('aria-label');
const mountPalette = () => {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:path(.*)', component: CommandPalette }],
  });
  return mounted(CommandPalette, {}, [router]);
};
/** Dialogs are put into the page in steps of their own: waits until the keys are there, however many that takes. */
const keysAt = async (label: string): Promise<void> => {
  for (let tries = 0; focused() !== label && tries < 600; tries++)
    await new Promise((next) => setTimeout(next, 5));
  expect(focused()).toBe(label);
};

test('it has the keys when it was asked for before it was there', async () => {
  openEffect(blankEffect('Early'));
  useDeskStore().paletteOpen = true;
  mountPalette();
  await keysAt('Find a command');
});

test('it has the keys as soon as it is there, each time', async () => {
  openEffect(blankEffect('Again'));
  const desk = useDeskStore();
  mountPalette();
  expect(field()).toBeNull();
  for (let time = 0; time < 2; time++) {
    desk.paletteOpen = true;
    await keysAt('Find a command');
    desk.paletteOpen = false;
    await flushPromises();
    (document.activeElement as HTMLElement | null)?.blur();
  }
});

describe('closed, the keys go back to where they were', () => {
  const open = async (): Promise<() => void> => {
    openEffect(blankEffect('Back'));
    const palette = mountPalette();
    const button = document.body.appendChild(document.createElement('button'));
    button.setAttribute('aria-label', 'Where they were');
    button.focus();
    const desk = useDeskStore();
    desk.paletteOpen = true;
    await keysAt('Find a command');
    // Closing and opened again, it is not what they go back to.
    desk.paletteOpen = false;
    desk.paletteOpen = true;
    await flushPromises();
    desk.paletteOpen = false;
    return () => (palette.findComponent(Modal).props('afterClose') as () => void)();
  };
  afterEach(() => document.querySelector('[aria-label="Where they were"]')?.remove());

  test('while the field still has them', async () => {
    const closed = await open();
    field()?.focus();
    closed();
    expect(focused()).toBe('Where they were');
  });

  test('when the field is gone', async () => {
    const closed = await open();
    field()?.blur();
    closed();
    expect(focused()).toBe('Where they were');
  });

  test('not when what was run has taken them', async () => {
    const closed = await open();
    const other = document.body.appendChild(document.createElement('input'));
    other.setAttribute('aria-label', 'Taken');
    other.focus();
    closed();
    expect(focused()).toBe('Taken');
    other.remove();
  });
});
