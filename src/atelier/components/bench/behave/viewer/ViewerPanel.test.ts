/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, expect, test } from '@jest/globals';
import { enableAutoUnmount, flushPromises } from '@vue/test-utils';
import { blankEffect } from '../../../../../core/document/defaults';
import { newDrive, newPrompt } from '../../../../../core/document/new-cues';
import type { Drive, DriveId, ObjectId, PromptId } from '../../../../../core/document/schema';
import { putDrive, putPrompt } from '../../../../../core/edits/viewer-edits';
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

test('of two that drive the same number the first says that the second counts, until that is switched off', async () => {
  const id = 'obj_bead' as ObjectId;
  const store = openEffect({
    ...blankEffect('Bead'),
    objects: { [id]: newSolid(id, 'sphere', 0, handAnchor('palm')) },
  });
  const drive = (name: string, order: number, kind: 'time' | 'loudness'): Drive =>
    newDrive(
      `drive_${name}` as DriveId,
      order,
      { kind },
      { kind: 'number', objects: [id], property: 'size' },
    );
  store.edit(putDrive(drive('slow', 0, 'time')));
  store.edit(putDrive(drive('loud', 1, 'loudness')));
  const rows = mounted(ViewerPanel).findAll('[aria-label="What it drives"]');
  expect(rows[0]!.find('[role="note"]').text()).toBe(
    'loudness writes the same, and comes later: that one counts.',
  );
  expect(rows[1]!.find('[role="note"]').exists()).toBe(false);
  await rows[1]!.get('[aria-label="It drives"]').trigger('click');
  expect(store.effect.drives['drive_loud' as DriveId]!.enabled).toBe(false);
  expect(rows[0]!.find('[role="note"]').exists()).toBe(false);
});
