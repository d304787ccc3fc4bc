/** What mends a reason why a cue does nothing, where one step does. */
import type { Reason } from '../../../../core/behave/why';
import { putCue } from '../../../../core/edits/cue-edits';
import { edit } from '../../../../core/document/edit';
import type { Cue, ObjectId } from '../../../../core/document/schema';
import { isTruth } from '../../../../core/kinds/signals/signals';
import { useDeskStore } from '../../../stores/desk';
import type { useEffectStore } from '../../../stores/effect';

export interface Mend {
  readonly label: string;
  readonly run: () => void;
}

const hundredths = (n: number, round: (n: number) => number): number => round(n * 100) / 100;

export const mendsOf = (effectStore: ReturnType<typeof useEffectStore>, cue: Cue, reason: Reason): Mend[] => {
  const desk = useDeskStore();
  const put = (label: string, change: Partial<Cue>): Mend => ({
    label,
    run: () => effectStore.edit(putCue({ ...cue, ...change }, label)),
  });
  switch (reason.code) {
    case 'off':
      return [put('Switch on', { enabled: true })];
    case 'beat-off':
      return [];
    case 'not-reached': {
      const trigger = cue.triggers[reason.trigger];
      if (trigger?.kind !== 'level' || reason.value === null) return [];
      // What is so or not has no level to be moved.
      if (isTruth(trigger.signal)) return [];
      // Just within what the take reaches.
      const near = 0.01 * Math.max(1, Math.abs(reason.value));
      const level =
        trigger.when === 'rises'
          ? hundredths(reason.value - near, Math.floor)
          : hundredths(reason.value + near, Math.ceil);
      if (trigger.when === 'rises' && trigger.signal.kind === 'expression' && level < 0.05) return [];
      const triggers = cue.triggers.map((t, i) =>
        i === reason.trigger
          ? { ...trigger, level, slack: Math.min(trigger.slack, Math.abs(level) * 0.3) }
          : t,
      );
      return [put(`${trigger.when === 'rises' ? 'Lower' : 'Raise'} to ${level.toFixed(2)}`, { triggers })];
    }
    case 'already-shown':
    case 'target-hidden':
    case 'already-hidden': {
      const hide = reason.code === 'already-shown';
      const object = effectStore.effect.objects[reason.target];
      if (!object) return [];
      const label = `${hide ? 'Hide' : 'Show'} ${object.name} at the start`;
      return [
        {
          label,
          run: () =>
            effectStore.edit(
              edit(`${hide ? 'Hide' : 'Show'} ${object.name}`, (d) => {
                d.objects[object.id]!.visible = !hide;
              }),
            ),
        },
      ];
    }
    case 'no-target': {
      const selected = desk.selected;
      const open: Mend = {
        label: 'Choose it',
        run: () => {
          desk.behave.cue = cue.id;
          desk.behave.action = reason.actionId;
        },
      };
      if (selected === null) return [open];
      const name = effectStore.effect.objects[selected]?.name ?? '';
      const aimed = cue.beats.map((b) => ({
        ...b,
        actions: b.actions.map((a) =>
          a.id === reason.actionId ? { ...a, targets: [selected as ObjectId] } : a,
        ),
      }));
      return [put(`Let it act on ${name}`, { beats: aimed }), open];
    }
    case 'no-change':
    case 'action-lacks':
    case 'wrong-kind': {
      const object = reason.code === 'wrong-kind' ? effectStore.effect.objects[reason.target] : undefined;
      return [
        ...(object?.kind === 'sound' && object.asset === null
          ? [{ label: 'Choose its file', run: () => desk.openLibrary({ tab: 'stock', from: object.id }) }]
          : []),
        {
          label: 'Open it',
          run: () => {
            desk.behave.cue = cue.id;
            desk.behave.action = reason.actionId;
          },
        },
      ];
    }
    case 'refused':
      if (reason.why.code === 'condition') {
        const { index } = reason.why;
        return [put('Take the condition off', { conditions: cue.conditions.filter((_, i) => i !== index) })];
      }
      if (reason.why.code === 'cooldown') return [put('Without a pause', { cooldown: 0 })];
      return reason.why.code === 'once' ? [put('Let it fire each time', { fires: 'each' })] : [];
    case 'never-reached':
      return [
        put('Begin half-way', {
          beats: cue.beats.map((b, i) => (i === reason.beatIndex ? { ...b, begins: 0.5 } : b)),
        }),
      ];
    case 'out-of-reach': {
      const [low, high] = reason.reach;
      if (reason.of === 'trigger')
        return [
          put(`Set it to ${((low + high) / 2).toFixed(2)}`, {
            triggers: cue.triggers.map((t, i) =>
              i === reason.index && t.kind === 'level'
                ? { ...t, level: (low + high) / 2, slack: (high - low) * 0.15 }
                : t,
            ),
          }),
        ];
      return [
        put('Take the condition off', { conditions: cue.conditions.filter((_, i) => i !== reason.index) }),
      ];
    }
    default:
      return [];
  }
};
