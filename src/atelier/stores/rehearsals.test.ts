/**
 * What rehearsals came to.
 * @jest-environment ./scripts/jest-page.mjs
 */
import 'fake-indexeddb/auto';
import { afterEach, expect, test } from '@jest/globals';
import { blankEffect } from '../../core/document/defaults';
import type { Rehearsal } from '../../core/document/schema';
import { newRehearsal } from '../../core/rehearse/new-rehearsal';
import { openEffect } from '../components/testing';
import { useEffectStore } from './effect';
import { useRehearsalsStore, type Shown } from './rehearsals';

afterEach(() => useEffectStore().close());
const opened = () => {
  const rehearsal: Rehearsal = newRehearsal('Calm', ['neutral', 'brows']);
  openEffect({ ...blankEffect('Calm'), rehearsals: { [rehearsal.id]: rehearsal } });
  const store = useRehearsalsStore();
  const came = (takeId: string, passed: boolean, trouble: string | null = null): Shown => ({
    ...{ rehearsal: 'Calm', rehearsalId: rehearsal.id, take: takeId, takeId, trouble, took: 1 },
    ...{ stills: [], urls: [], chronicle: null, of: useEffectStore().effect },
    verdicts: [{ expectation: 'exp_flash', passed, sentence: '', at: 0 }],
  });
  const stateWith = (...all: Shown[]) => {
    store.played = new Map([[rehearsal.id, all]]);
    return store.stateOf(useEffectStore().effect.rehearsals[rehearsal.id]!);
  };
  return { store, rehearsal, came, stateWith };
};

test('has passed only when all of its takes were played, and all passed', () => {
  const { came, stateWith } = opened();
  expect(stateWith()).toBe('not run');
  // It was stopped after the first take.
  expect(stateWith(came('neutral', true))).toBe('not run');
  expect(stateWith(came('neutral', true), came('brows', true))).toBe('passed');
  expect(stateWith(came('neutral', false))).toBe('failed');
  expect(stateWith(came('neutral', true), came('brows', true, 'The take is gone.'))).toBe('failed');
});

test('what came is old once the effect plays otherwise, and not because of its listing or another rehearsal', () => {
  const { store, rehearsal, came, stateWith } = opened();
  const both = [came('neutral', true), came('brows', true)];
  expect(stateWith(...both)).toBe('passed');
  const effectStore = useEffectStore();
  effectStore.edit({ label: 'List', change: (d) => void (d.listing.summary = 'Calm') });
  store.change({ ...newRehearsal('Other'), id: 'reh_other' as Rehearsal['id'] });
  expect(stateWith(...both)).toBe('passed');
  store.change({ ...rehearsal, takes: ['neutral'] });
  expect(stateWith(...both)).toBe('changed since');
  expect(stateWith(came('neutral', true))).toBe('passed');
  effectStore.edit({ label: 'Ask', change: (d) => void (d.asks = !d.asks) });
  expect(store.stateOf(effectStore.effect.rehearsals[rehearsal.id]!)).toBe('changed since');
});
