/** Kelp Crown: it pops in, sea glass circles the head as fast as the viewer likes, and bubbles rise from puckered lips. */
import { blankEffect } from '../src/core/document/defaults';
import { newControl, newCue, newDrive, newPrompt } from '../src/core/document/new-cues';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { newCard } from '../src/core/kinds/objects/card';
import { newFountain } from '../src/core/kinds/objects/fountain';
import { newGroup } from '../src/core/kinds/objects/group';
import { newOccluder } from '../src/core/kinds/objects/occluder';
import { newSolid } from '../src/core/kinds/objects/solid';
import { newSound } from '../src/core/kinds/objects/sound';
import type {
  Card,
  ControlId,
  CueId,
  DriveId,
  Effect,
  EffectObject,
  Fountain,
  ObjectId,
  PictureAsset,
  PromptId,
  SoundAsset,
} from '../src/core/document/schema';
import { act, byId, named } from './acting';

export interface KelpAssets {
  readonly fan: PictureAsset;
  readonly band: PictureAsset;
  readonly icon: PictureAsset;
  readonly chime: SoundAsset;
}

const sized = (card: Card, width: number): Card => ({
  ...card,
  extent: [width, (width * card.extent[1]) / card.extent[0]],
});
const id = (name: string): ObjectId => `obj_${name}` as ObjectId;

const RING = id('sea-glass-ring');
const GLASS = ['#7fd6c2', '#bfe9d2', '#6fb7d6', '#d8f0c8', '#57c2b0', '#a9d8ea', '#e6d9a8', '#7ccfa3'];
/** Eight pieces of glass around the head, each turned outwards. */
const glass = (): EffectObject[] =>
  GLASS.map((colour, i): EffectObject => {
    const angle = (2 * Math.PI * i) / GLASS.length;
    return {
      ...newSolid(id(`glass-${i}`), 'sphere', i, headAnchor('crown')),
      name: `Glass ${i + 1}`,
      parent: RING,
      colour,
      roughness: 0.25,
      metalness: 0,
      opacity: 0.86,
      extent: [0.02, 0.027, 0.009],
      move: [0.135 * Math.sin(angle), 0.012 * Math.sin(3 * angle), 0.135 * Math.cos(angle)],
      turn: [0, (360 * i) / GLASS.length, 25 * Math.sin(5 * angle)],
    };
  });

export const kelpCrown = (assets: KelpAssets): Effect => {
  const fan: Card = {
    ...sized(newCard(id('kelp-fan'), assets.fan, 4), 0.255),
    name: 'Kelp fan',
    anchor: headAnchor('crown'),
    move: [0, 0.0, -0.02],
    turn: [-6, 0, 0],
  };
  const band: Card = {
    ...sized(newCard(id('kelp-band'), assets.band, 2), 0.195),
    name: 'Kelp band',
    move: [0, 0.028, 0.012],
    turn: [-14, 0, 0],
  };
  const bubbles: Fountain = {
    ...newFountain(id('bubbles'), 0, headAnchor('mouth')),
    name: 'Bubbles',
    asset: null,
    runs: false,
    area: { kind: 'face', part: 'lips' },
    rate: 34,
    life: [1, 2],
    speed: [0.05, 0.14],
    spread: 50,
    gravity: -0.16,
    turbulence: 0.3,
    size: 0.013,
    sizeVaries: 0.6,
    blend: 'screen',
    most: 220,
    over: [
      { at: 0, size: 0.3, opacity: 0, colour: '#ffffff' },
      { at: 0.15, size: 1, opacity: 0.75, colour: '#d6f5ff' },
      { at: 0.85, size: 1.2, opacity: 0.6, colour: '#bfe9ff' },
      { at: 1, size: 1.5, opacity: 0, colour: '#ffffff' },
    ],
  };
  const ring: EffectObject = {
    ...newGroup(RING, 'Sea-glass ring', 1, headAnchor('headCentre')),
    move: [0, 0.055, 0],
    turn: [8, 0, -4],
  };
  const chime: EffectObject = {
    ...newSound(id('chime'), assets.chime, 3, headAnchor('mouth')),
    name: 'Bubbling',
  };
  const speed = {
    ...newControl('control_speed' as ControlId, 'slider', 'Speed of the glass', 0),
    start: 0.2,
  };
  const circle = act('ring', 'circle', RING, { duration: 8 });
  const cues = [
    named(
      newCue('cue_appears' as CueId, 'effectStarts', 0, [
        {
          id: 'beat_pops',
          actions: [
            act('pops', 'size', [fan.id, band.id], {
              mode: 'from',
              factor: 0,
              duration: 0.7,
              easing: 'overshoot',
              vary: { seed: 2, delay: 0.25, speed: 0, amount: 0 },
            }),
          ],
        },
        {
          id: 'beat_sways',
          begins: 0.5,
          actions: [act('sways', 'sway', fan.id, { axis: 'z', angle: 4, duration: 3 }), circle],
        },
      ]),
      'The crown appears',
    ),
    named(
      newCue('cue_pucker' as CueId, 'lipsPucker', 1, [
        {
          id: 'beat_bubbles',
          actions: [
            act('burst', 'burst', bubbles.id, { count: 14 }),
            act('flow', 'flow', bubbles.id, { duration: 1.6 }),
            act('sound', 'play', chime.id),
          ],
        },
      ]),
      'Bubbles rise',
      { cooldown: 1 },
    ),
  ];
  const objects = [bubbles, ring, ...glass(), band, chime, fan, newOccluder(id('head-occluder'), 5)];
  return {
    ...blankEffect('Kelp Crown'),
    objects: byId(objects),
    assets: byId([assets.fan, assets.band, assets.icon, assets.chime]),
    cues: byId(cues),
    controls: { [speed.id]: speed },
    drives: byId([
      {
        ...newDrive(
          'drive_speed' as DriveId,
          0,
          { kind: 'control', control: speed.id },
          { kind: 'duration', cue: cues[0]!.id, action: circle.id },
        ),
        remap: { from: [0, 1], to: [10, 0.8], curve: [0, 0, 0.4, 1], bounded: true },
        lag: 0.2,
      },
    ]),
    prompts: byId([
      {
        ...newPrompt('prompt_pucker' as PromptId, 0),
        text: { kind: 'ready', key: 'puckerLips' },
        shownWhen: [{ kind: 'after', seconds: 1.5 }],
        hiddenWhen: [{ kind: 'cue', cue: cues[1]!.id, moment: 'begins', share: 0.5 }],
        seconds: 8,
      },
    ]),
    listing: {
      summary:
        'A crown of kelp from Low Tide Nights. Sea glass circles it; pucker your lips and bubbles rise.',
      tags: ['ocean', 'crown', 'low tide nights'],
      icon: assets.icon.id,
    },
  } as Effect;
};
