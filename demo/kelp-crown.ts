/** Kelp Crown, first version: a crown of kelp with the head inside it, and bubbles when lips pucker. */
import { blankEffect } from '../src/core/document/defaults';
import { newAction, newCue } from '../src/core/document/new-cues';
import { headAnchor, newCard, newOccluder } from '../src/core/document/new-objects';
import type {
  Action,
  ActionKind,
  AssetId,
  Card,
  CueId,
  Effect,
  ObjectId,
  PictureAsset,
} from '../src/core/document/schema';

export interface KelpAssets {
  readonly fan: PictureAsset;
  readonly band: PictureAsset;
  readonly bubbles: PictureAsset;
  readonly icon: PictureAsset;
}

const sized = (card: Card, width: number): Card => ({
  ...card,
  extent: [width, (width * card.extent[1]) / card.extent[0]],
});

export const kelpCrown = (assets: KelpAssets): Effect => {
  const fan: Card = {
    ...sized(newCard('obj_kelp-fan' as ObjectId, assets.fan, 2), 0.255),
    name: 'Kelp fan',
    anchor: headAnchor('crown'),
    move: [0, 0.0, -0.02],
    turn: [-6, 0, 0],
  };
  const band: Card = {
    ...sized(newCard('obj_kelp-band' as ObjectId, assets.band, 1), 0.195),
    name: 'Kelp band',
    move: [0, 0.028, 0.012],
    turn: [-14, 0, 0],
  };
  const bubbles: Card = {
    ...sized(newCard('obj_bubbles' as ObjectId, assets.bubbles, 0), 0.1),
    name: 'Bubbles',
    anchor: headAnchor('mouth'),
    move: [0.05, 0.03, 0.03],
    scale: [0.6, 0.6, 0.6],
    visible: false,
    blend: 'screen',
  };
  const act = (id: string, kind: ActionKind, target: ObjectId, more: Partial<Action> = {}): Action =>
    ({ ...newAction(id, kind, target), ...more }) as Action;
  return {
    ...blankEffect('Kelp Crown'),
    objects: {
      [bubbles.id]: bubbles,
      [band.id]: band,
      [fan.id]: fan,
      ['obj_head-occluder' as ObjectId]: newOccluder('obj_head-occluder' as ObjectId, 3),
    },
    assets: Object.fromEntries(Object.values(assets).map((a: PictureAsset) => [a.id, a])) as Effect['assets'],
    cues: {
      ['cue_pucker' as CueId]: newCue('cue_pucker' as CueId, 'lipsPucker', 0, [
        {
          id: 'beat_rise',
          actions: [
            act('act_show', 'show', bubbles.id, { duration: 1.6, thereAndBack: true }),
            act('act_rise', 'move', bubbles.id, { mode: 'by', by: [0.02, 0.07, 0], duration: 1.6 }),
            act('act_grow', 'size', bubbles.id, { mode: 'to', factor: 1.9, duration: 1.6 }),
          ],
        },
        {
          id: 'beat_back',
          actions: [
            act('act_down', 'move', bubbles.id, { mode: 'by', by: [-0.02, -0.07, 0], duration: 0 }),
            act('act_small', 'size', bubbles.id, { mode: 'to', factor: 1, duration: 0 }),
          ],
        },
      ]),
      ['cue_sway' as CueId]: newCue('cue_sway' as CueId, 'effectStarts', 1, [
        {
          id: 'beat_sway',
          actions: [
            act('act_sway', 'turn', fan.id, {
              mode: 'by',
              by: [0, 0, 4],
              duration: 1.5,
              easing: 'inOut',
              repeat: 0,
              thereAndBack: true,
            }),
          ],
        },
      ]),
    } as Effect['cues'],
    listing: {
      summary: 'A crown of kelp from Low Tide Nights. Pucker your lips and bubbles rise.',
      tags: ['ocean', 'crown', 'low tide nights'],
      icon: assets.icon.id as AssetId,
    },
  };
};
