/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { flushPromises } from '@vue/test-utils';
import { defineComponent, h } from 'vue';
import { blankEffect } from '../../core/document/defaults';
import { useEffectStore } from '../stores/effect';
import { fetchLaterParts, laterPart } from './later-parts';
import { mounted, openEffect } from './testing';

/** As an import gives it. */
const moduleOf = (text: string) => ({ __esModule: true, default: defineComponent(() => () => h('p', text)) });

const shown = (): string => {
  const text = document.body.textContent!.trim();
  document.body.replaceChildren();
  return text;
};

beforeEach(() => void openEffect(blankEffect('Parts')));
afterEach(() => useEffectStore().close());

test('a part is fetched when it is shown; one that cannot be fetched says so in its place, and is asked for again', async () => {
  let asked = 0;
  const bench = laterPart(() => {
    asked++;
    return Promise.resolve(moduleOf('the bench'));
  });
  expect(asked).toBe(0);
  mounted(bench);
  await flushPromises();
  expect(shown()).toBe('the bench');

  let away = true;
  const lost = laterPart(() =>
    away ? Promise.reject(new TypeError('Failed to fetch')) : Promise.resolve(moduleOf('back')),
  );
  mounted(lost);
  await flushPromises();
  expect(shown()).toMatch(/^This part of the page could not be fetched.*Reload the page$/s);
  away = false;
  mounted(lost);
  await flushPromises();
  expect(shown()).toBe('back');
});

test('what is fetched when there is time goes on without browsers that tell when they are idle', () => {
  const pretended = globalThis as { requestIdleCallback?: unknown };
  const idle: (() => void)[] = [];
  pretended.requestIdleCallback = (call: () => void) => idle.push(call);
  let asked = 0;
  laterPart(() => {
    asked++;
    return Promise.reject(new Error('away'));
  });
  fetchLaterParts();
  expect([idle.length, asked]).toEqual([1, 0]);
  idle[0]!();
  expect(asked).toBe(1);
  delete pretended.requestIdleCallback;
  expect(fetchLaterParts).not.toThrow();
});
