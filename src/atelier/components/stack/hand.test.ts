/**
 * Things on a hand, as a creator puts them there.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { Select } from 'ant-design-vue';
import { defineComponent, h } from 'vue';
import { blankEffect } from '../../../core/document/defaults';
import { sampleModel } from '../../../core/document/sample-assets';
import type { ObjectId, Solid } from '../../../core/document/schema';
import { handAnchor, headAnchor } from '../../../core/kinds/objects/placed';
import { newSolid } from '../../../core/kinds/objects/solid';
import { requirementsOf } from '../../../core/requirements/requirements';
import { objectsFor } from '../../intake/placing';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { mounted, openEffect } from '../testing';
import PlaceFields from './PlaceFields.vue';

enableAutoUnmount(afterEach);
afterEach(() => useEffectStore().close());

const ID = 'obj_bead' as ObjectId;
const bead = (): Solid => useEffectStore().effect.objects[ID] as Solid;

test('from the head to a fingertip, onto every hand, hidden behind it: each one step to take back', async () => {
  const store = openEffect({
    ...blankEffect('Bead'),
    objects: { [ID]: newSolid(ID, 'sphere', 0, headAnchor('chin')) },
  });
  useDeskStore().selection = [ID];
  // It follows the document, as it does in the Stack.
  const form = mounted(defineComponent(() => () => h(PlaceFields, { object: bead() })));
  const choose = async (name: string, value: string): Promise<void> => {
    const select = form
      .findAllComponents(Select)
      .find((s) => (s.element as Element).querySelector('input')?.getAttribute('aria-label') === name)!;
    select.vm.$emit('change', value);
    await flushPromises();
  };
  expect(requirementsOf(store.effect)).toMatchObject({ faces: true, hands: false });
  await choose('Sticks to', 'hand indexTip');
  expect(bead().anchor).toEqual(handAnchor('indexTip'));
  // Where new things go there: just before the fingertip.
  expect(bead().move[2]).toBeGreaterThan(0);
  expect(form.text()).toContain('It lies where new things go there: tip of the index finger');
  expect(requirementsOf(store.effect)).toMatchObject({ faces: false, hands: true });
  await choose('Of which hand', 'every');
  expect(bead().anchor).toEqual(handAnchor('indexTip', 'every'));
  await choose('Sticks to', 'hand palm');
  expect(bead().anchor).toEqual(handAnchor('palm', 'every'));
  // The same hand: it stays where it was seen.
  expect(form.text()).toContain('It stays where it was seen.');

  const hide = () => form.findAll('button').find((b) => b.text() === 'Hidden behind the hand')!;
  expect(hide().attributes('aria-pressed')).toBe('false');
  await hide().trigger('click');
  expect(hide().attributes('aria-pressed')).toBe('true');
  expect(Object.values(store.effect.objects).map((o) => [o.kind, o.anchor.kind])).toEqual([
    ['solid', 'hand'],
    ['occluder', 'hand'],
  ]);
  await hide().trigger('click');
  expect(Object.values(store.effect.objects)).toHaveLength(1);
  for (let n = 0; n < 5; n++) store.undo();
  expect(bead().anchor).toEqual(headAnchor('chin'));
});
test('a model that is dropped on a hand brings what hides behind the hand, once', () => {
  const store = openEffect(blankEffect('Ring'));
  const to = { anchor: handAnchor('palm'), scene: null, at: null, parent: null, before: null } as never;
  const [model, hides] = objectsFor(store.effect, sampleModel(1), to);
  expect([model!.kind, model!.anchor]).toEqual(['model', handAnchor('palm')]);
  expect([hides!.kind, hides!.anchor.kind]).toEqual(['occluder', 'hand']);
  const again = { ...store.effect, objects: { [hides!.id]: hides! } };
  expect(objectsFor(again, sampleModel(1), to).map((o) => o.kind)).toEqual(['model']);
});
test('what stands in a room is hidden behind people, and shown again: one step each', async () => {
  const floor = { kind: 'world', surface: 'floor' } as const;
  const store = openEffect({ ...blankEffect('Buoy'), objects: { [ID]: newSolid(ID, 'sphere', 0, floor) } });
  useDeskStore().selection = [ID];
  const form = mounted(defineComponent(() => () => h(PlaceFields, { object: bead() })));
  const hide = () => form.findAll('button').find((b) => b.text() === 'Hidden behind people')!;
  await hide().trigger('click');
  expect(requirementsOf(store.effect)).toMatchObject({ people: true, faces: true });
  expect(hide().attributes('aria-pressed')).toBe('true');
  store.undo();
  expect(requirementsOf(store.effect)).toMatchObject({ people: false, faces: false });
});
