/** Jelly Drift, first version: jellyfish sleep over the floor, and wake up when the viewer comes near. */
import { blankEffect } from '../src/core/document/defaults';
import { newCue, newPrompt } from '../src/core/document/new-cues';
import { newFountain } from '../src/core/kinds/objects/fountain';
import { newLight } from '../src/core/kinds/objects/light';
import { newModel } from '../src/core/kinds/objects/model';
import { newShadowCatcher } from '../src/core/kinds/objects/shadow-catcher';
import { newSound } from '../src/core/kinds/objects/sound';
import { readyTrigger } from '../src/core/kinds/triggers/ready-triggers';
import type {
  Anchor,
  CueId,
  Effect,
  EffectObject,
  ModelAsset,
  ObjectId,
  PictureAsset,
  PromptId,
  SoundAsset,
  Trigger,
} from '../src/core/document/schema';
import { act, byId, named } from './acting';

export interface JellyAssets {
  readonly jellyfish: ModelAsset;
  readonly glimmer: SoundAsset;
  readonly icon: PictureAsset;
}

const FLOOR: Anchor = { kind: 'world', surface: 'floor' };
const id = (name: string): ObjectId => `obj_${name}` as ObjectId;
/** Where each sleeps, and how large it is. */
const SWARM: readonly (readonly [x: number, y: number, z: number, size: number])[] = [
  [0, 0.42, -1.1, 0.34],
  [-0.42, 0.6, -1.45, 0.26],
  [0.4, 0.7, -1.6, 0.24],
  [-0.15, 0.95, -1.9, 0.2],
  [0.28, 0.3, -1.35, 0.16],
];
/** The viewer is near when within so many metres of the first. */
const NEAR = 1.5;

export const jellyDrift = ({ jellyfish, glimmer, icon }: JellyAssets): Effect => {
  const longest = Math.max(...jellyfish.high.map((h, i) => h - jellyfish.low[i]!));
  const swarm = SWARM.map(([x, y, z, size], i): EffectObject => {
    const k = size / longest;
    return {
      ...newModel(id(`jelly-fish-${i}`), jellyfish, i, FLOOR),
      name: i === 0 ? 'Jellyfish' : `Jellyfish ${i + 1}`,
      move: [x, y, z],
      scale: [k, k, k],
      opacity: 0.45,
      clip: 'Drift',
      startDelay: i * 0.4,
    };
  });
  const all = swarm.map((o) => o.id);
  const sparks: EffectObject = {
    ...newFountain(id('sparks'), 6, FLOOR),
    name: 'Sparks',
    move: [0, 0.4, -1.2],
    runs: false,
    area: { kind: 'box', size: [1, 0.6, 0.8] },
    rate: 60,
    life: [1, 2.4],
    speed: [0.02, 0.08],
    spread: 180,
    gravity: -0.03,
    turbulence: 0.25,
    swirl: 0.2,
    size: 0.012,
    blend: 'plus-lighter',
    over: [
      { at: 0, size: 0.2, opacity: 0, colour: '#b8fff0' },
      { at: 0.3, size: 1, opacity: 0.9, colour: '#8ff0ff' },
      { at: 1, size: 0.2, opacity: 0, colour: '#6f8cff' },
    ],
  };
  const sound: EffectObject = {
    ...newSound(id('glimmer'), glimmer, 7, FLOOR),
    name: 'Glimmer',
    move: [0, 0.5, -1.2],
    near: 1,
  };
  const within = (name: 'viewerNear' | 'viewerFar', level: number): Trigger =>
    ({
      ...readyTrigger(name),
      signal: { kind: 'apart', object: all[0]!, from: null },
      level,
      slack: 0.1,
    }) as Trigger;
  const cues = [
    named(
      newCue('cue_drifts' as CueId, 'effectStarts', 0, [
        {
          id: 'beat_drifts',
          actions: [
            act('drifts', 'move', all, {
              mode: 'by',
              by: [0, 0.06, 0],
              duration: 2.4,
              easing: 'inOut',
              thereAndBack: true,
              repeat: 0,
              vary: { seed: 5, delay: 2, speed: 0.25, amount: 0.4 },
            }),
          ],
        },
      ]),
      'They drift in their sleep',
    ),
    named(
      newCue('cue_wakes' as CueId, 'viewerNear', 1, [
        {
          id: 'beat_wakes',
          actions: [
            act('glows', 'fade', all, {
              opacity: 1,
              duration: 0.8,
              vary: { seed: 8, delay: 0.7, speed: 0.2, amount: 0 },
            }),
            act('grows', 'size', all, {
              mode: 'to',
              factor: 1.25,
              duration: 0.9,
              easing: 'overshoot',
              vary: { seed: 8, delay: 0.7, speed: 0.2, amount: 0.3 },
            }),
            act('turns', 'turn', all, {
              mode: 'by',
              by: [0, 120, 0],
              duration: 2.5,
              easing: 'inOut',
              vary: { seed: 9, delay: 0.5, speed: 0.3, amount: 0.5 },
            }),
            act('sparks', 'flow', sparks.id, { duration: 4 }),
            act('sound', 'play', sound.id),
          ],
        },
      ]),
      'They wake up when the viewer comes near',
      { triggers: [within('viewerNear', NEAR)], again: 'ignore' },
    ),
    named(
      newCue('cue_sleeps' as CueId, 'viewerFar', 2, [
        {
          id: 'beat_sleeps',
          actions: [
            act('fades', 'fade', all, { opacity: 0.45, duration: 1.2 }),
            act('shrinks', 'size', all, { mode: 'to', factor: 1, duration: 1.2, easing: 'inOut' }),
          ],
        },
      ]),
      'They fall asleep again',
      {
        triggers: [within('viewerFar', NEAR + 0.4)],
        conditions: [{ signal: { kind: 'times', cue: 'cue_wakes' as CueId }, is: 'above', value: 0 }],
      },
    ),
  ];
  const objects: EffectObject[] = [
    ...swarm,
    sparks,
    sound,
    { ...newShadowCatcher(id('shadow'), 8, FLOOR), name: 'Shadow on the floor' },
    { ...newLight(id('moonlight'), 'directional', 9, FLOOR), name: 'Moon' },
    { ...newLight(id('nightsky'), 'ambient', 10, FLOOR), name: 'Sky', strength: 0.8 },
  ];
  return {
    ...blankEffect('Jelly Drift'),
    objects: byId(objects.map((o, i) => ({ ...o, order: i }))),
    assets: byId([jellyfish, glimmer, icon]),
    cues: byId(cues),
    prompts: byId([
      {
        ...newPrompt('prompt_closer' as PromptId, 0),
        text: { kind: 'ready', key: 'comeCloser' },
        shownWhen: [{ kind: 'surface', surface: 'floor', when: 'found' }],
        hiddenWhen: [{ kind: 'cue', cue: 'cue_wakes' as CueId, moment: 'begins', share: 0.5 }],
      },
    ]),
    listing: {
      summary: 'Jellyfish sleep over your floor. Come near, and they wake up.',
      tags: ['low tide nights', 'jellyfish', 'world'],
      icon: icon.id,
    },
  } as Effect;
};
