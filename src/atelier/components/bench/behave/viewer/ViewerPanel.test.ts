/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { blankEffect } from '../../../../../core/document/defaults';
import { newPrompt } from '../../../../../core/document/new-cues';
import type { ObjectId, PromptId } from '../../../../../core/document/schema';
import { putPrompt } from '../../../../../core/edits/viewer-edits';
import { handAnchor } from '../../../../../core/kinds/objects/placed';
import { newSolid } from '../../../../../core/kinds/objects/solid';
import { useEffectStore } from '../../../../stores/effect';
import { mounted, openEffect } from '../../../testing';
import ViewerPanel from './ViewerPanel.vue';

enableAutoUnmount(afterEach);
afterEach(() => useEffectStore().close());

test('what the effect asks for by itself is said, switched off, undone, and gives way to a prompt of its own', async () => {
  const id = 'obj_bead' as ObjectId;
  const store = openEffect({
    ...blankEffect('Bead'),
    objects: { [id]: newSolid(id, 'sphere', 0, handAnchor('palm')) },
  });
  const panel = mounted(ViewerPanel);
  expect(panel.text()).toContain('“Show your hand”');
  const asks = panel.get('[aria-label="Asks by itself for what is missing"]');
  expect(asks.attributes('aria-checked')).toBe('true');
  await asks.trigger('click');
  expect(store.effect.asks).toBe(false);
  store.undo();
  expect(store.effect.asks).toBe(true);
  const own = newPrompt('prompt_hand' as PromptId, 0);
  store.edit(putPrompt({ ...own, hiddenWhen: [], text: { kind: 'ready', key: 'showHand' } }));
  await flushPromises();
  expect(Object.keys(store.effect.prompts)).toHaveLength(1);
  expect(panel.find('[aria-label="Asks by itself for what is missing"]').exists()).toBe(false);
});
test('an effect that needs nothing asks for nothing', () => {
  openEffect(blankEffect('Nothing'));
  expect(mounted(ViewerPanel).text()).not.toContain('Asks by itself');
});
