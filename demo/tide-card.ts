/** Tide Card, first version: the printed tide table comes alive: a ferry crosses, the lighthouse turns, a tap sounds the horn. */
import { blankEffect, newTarget } from '../src/core/document/defaults';
import { newCue, newPrompt } from '../src/core/document/new-cues';
import { newCard } from '../src/core/kinds/objects/card';
import { newSolid } from '../src/core/kinds/objects/solid';
import { newSound } from '../src/core/kinds/objects/sound';
import { newText } from '../src/core/kinds/objects/text';
import type {
  Anchor,
  CueId,
  Effect,
  EffectObject,
  ObjectId,
  PictureAsset,
  PromptId,
  SoundAsset,
  TargetId,
} from '../src/core/document/schema';
import { act, byId, named } from './acting';

export interface TideAssets {
  readonly card: PictureAsset;
  readonly ferry: PictureAsset;
  readonly lighthouse: PictureAsset;
  readonly wave: PictureAsset;
  readonly surf: SoundAsset;
  readonly horn: SoundAsset;
  readonly icon: PictureAsset;
}

const TARGET = 'target_tide-card' as TargetId;
const ON_CARD: Anchor = { kind: 'picture', target: TARGET };
const id = (name: string): ObjectId => `obj_${name}` as ObjectId;

export const tideCard = (assets: TideAssets): Effect => {
  const card = (
    name: string,
    asset: PictureAsset,
    wide: number,
    move: [number, number, number],
  ): EffectObject => ({
    ...newCard(id(name.toLowerCase().replace(/ /g, '-')), asset, 0, ON_CARD),
    name,
    move,
    extent: [wide, (wide * asset.height) / asset.width],
  });
  const ferry = card('Ferry', assets.ferry, 0.05, [-0.055, -0.02, 0.02]);
  const lighthouse = card('Lighthouse', assets.lighthouse, 0.024, [0.055, 0.022, 0.012]);
  const waves = [
    card('Wave', assets.wave, 0.13, [-0.02, -0.045, 0.014]),
    card('Wave 2', assets.wave, 0.13, [0.03, -0.053, 0.024]),
  ];
  const beam: EffectObject = {
    ...newSolid(id('beam'), 'cone', 0, ON_CARD),
    name: 'Beam',
    extent: [0.03, 0.09, 0.03],
    pivot: [0, 0.045, 0],
    move: [0.055, 0.046, 0.02],
    turn: [0, 0, 90],
    colour: '#fff2b8',
    opacity: 0.35,
    blend: 'screen',
    visible: false,
  };
  const title: EffectObject = {
    ...newText(id('title'), 'Tonight 19:07', 0, ON_CARD),
    name: 'Title',
    size: 0.016,
    move: [0, 0.104, 0.04],
    outline: 0.08,
    visible: false,
  };
  const surf: EffectObject = {
    ...newSound(id('surf'), assets.surf, 0, ON_CARD),
    name: 'Surf',
    loop: true,
    opacity: 0.5,
    near: 0.3,
  };
  const horn: EffectObject = { ...newSound(id('horn'), assets.horn, 0, ON_CARD), name: 'Horn', near: 0.4 };
  const cues = [
    named(
      newCue('cue_found' as CueId, 'pictureFound', 0, [
        {
          id: 'beat_rises',
          actions: [
            act('ferry-crosses', 'move', ferry.id, {
              mode: 'by',
              by: [0.09, 0, 0],
              duration: 5,
              easing: 'inOut',
              thereAndBack: true,
              repeat: 0,
            }),
            act('ferry-rocks', 'sway', ferry.id, { axis: 'z', angle: 4, duration: 1.6 }),
            act(
              'waves',
              'move',
              waves.map((w) => w.id),
              {
                mode: 'by',
                by: [0.012, 0.004, 0],
                duration: 1.3,
                easing: 'inOut',
                thereAndBack: true,
                repeat: 0,
                vary: { seed: 4, delay: 0.8, speed: 0.2, amount: 0.3 },
              },
            ),
            act('surf', 'play', surf.id, { times: 0 }),
            act('title-shows', 'show', title.id, { delay: 0.6 }),
            act('title-pops', 'size', title.id, {
              mode: 'from',
              factor: 0,
              delay: 0.6,
              duration: 0.5,
              easing: 'overshoot',
            }),
          ],
        },
      ]),
      'The tide table comes alive',
      {
        triggers: [{ kind: 'picture', target: TARGET, when: 'found' }],
        resets: [{ kind: 'picture', target: TARGET, when: 'lost' }],
      },
    ),
    named(
      newCue('cue_lights' as CueId, 'screenTapped', 1, [
        {
          id: 'beat_lights',
          actions: [
            act('beam-shows', 'show', beam.id),
            act('beam-turns', 'turn', beam.id, {
              mode: 'by',
              by: [0, 0, 360],
              duration: 4,
              easing: 'steady',
              repeat: 0,
            }),
            act('horn', 'play', horn.id),
          ],
        },
      ]),
      'A tap lights the lighthouse, another puts it out',
      { fires: 'toggle' },
    ),
  ];
  const objects = [title, beam, lighthouse, ferry, ...waves.toReversed(), surf, horn];
  return {
    ...blankEffect('Tide Card'),
    objects: byId(objects.map((o, i) => ({ ...o, order: i }))),
    assets: byId(Object.values(assets)),
    targets: { [TARGET]: { ...newTarget(TARGET, 'Tide card', 0, assets.card.id), width: 0.18 } },
    cues: byId(cues),
    prompts: byId([
      {
        ...newPrompt('prompt_taps' as PromptId, 0),
        text: { kind: 'ready', key: 'tapScreen' },
        shownWhen: [{ kind: 'cue', cue: 'cue_found' as CueId, moment: 'begins', share: 0.5 }],
        hiddenWhen: [
          { kind: 'screen', gesture: 'tap' },
          { kind: 'picture', target: TARGET, when: 'lost' },
        ],
      },
    ]),
    listing: {
      summary: 'Point at the tide table of Low Tide Nights: the ferry sails. Tap to light the lighthouse.',
      tags: ['low tide nights', 'print', 'lighthouse'],
      icon: assets.icon.id,
    },
  } as unknown as Effect;
};
