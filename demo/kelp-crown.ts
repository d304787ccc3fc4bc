/** Kelp Crown, first version: a crown of kelp with the head inside it, and bubbles when lips pucker. */
import { blankEffect } from '../src/core/document/defaults';
import { headAnchor, newCard, newOccluder } from '../src/core/document/new-objects';
import type { AssetId, Card, CueId, Effect, ObjectId, PictureAsset } from '../src/core/document/schema';

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
  const timed = { delay: 0, easing: 'out' as const, repeat: 1, thereAndBack: false };
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
      ['cue_pucker' as CueId]: {
        id: 'cue_pucker' as CueId,
        name: '',
        order: 0,
        enabled: true,
        trigger: { kind: 'lipsPucker', threshold: 0.45 },
        beats: [
          {
            id: 'beat_rise',
            actions: [
              {
                ...timed,
                id: 'act_show',
                kind: 'show',
                target: bubbles.id,
                duration: 1.6,
                thereAndBack: true,
              },
              {
                ...timed,
                id: 'act_rise',
                kind: 'move',
                mode: 'by',
                by: [0.02, 0.07, 0],
                target: bubbles.id,
                duration: 1.6,
              },
              {
                ...timed,
                id: 'act_grow',
                kind: 'size',
                mode: 'to',
                factor: 1.9,
                target: bubbles.id,
                duration: 1.6,
              },
            ],
          },
          {
            id: 'beat_back',
            actions: [
              {
                ...timed,
                id: 'act_down',
                kind: 'move',
                mode: 'by',
                by: [-0.02, -0.07, 0],
                target: bubbles.id,
                duration: 0,
              },
              {
                ...timed,
                id: 'act_small',
                kind: 'size',
                mode: 'to',
                factor: 1,
                target: bubbles.id,
                duration: 0,
              },
            ],
          },
        ],
      },
      ['cue_sway' as CueId]: {
        id: 'cue_sway' as CueId,
        name: '',
        order: 1,
        enabled: true,
        trigger: { kind: 'effectStarts', threshold: 0.4 },
        beats: [
          {
            id: 'beat_sway',
            actions: [
              {
                id: 'act_sway',
                kind: 'turn',
                mode: 'by',
                by: [0, 0, 4],
                target: fan.id,
                duration: 1.5,
                delay: 0,
                easing: 'inOut',
                repeat: 0,
                thereAndBack: true,
              },
            ],
          },
        ],
      },
    } as Effect['cues'],
    listing: {
      summary: 'A crown of kelp from Low Tide Nights. Pucker your lips and bubbles rise.',
      tags: ['ocean', 'crown', 'low tide nights'],
      icon: assets.icon.id as AssetId,
    },
  };
};
