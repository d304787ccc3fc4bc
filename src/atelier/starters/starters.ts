/** Ready starters: what a new effect can begin as. Their samples are marked, and one action clears them. */
import { blankEffect, newTarget } from '../../core/document/defaults';
import { isArtwork } from '../../core/edits/sample-edits';
import { FOREHEAD, headAnchor, onWholeFace } from '../../core/kinds/objects/placed';
import { newCard } from '../../core/kinds/objects/card';
import { newGroup } from '../../core/kinds/objects/group';
import { newLight } from '../../core/kinds/objects/light';
import { newModel } from '../../core/kinds/objects/model';
import { newOccluder } from '../../core/kinds/objects/occluder';
import { newShadowCatcher } from '../../core/kinds/objects/shadow-catcher';
import { newText } from '../../core/kinds/objects/text';
import { newPictureLayer } from '../../core/kinds/objects/layer';
import type {
  Anchor,
  Asset,
  Effect,
  EffectObject,
  ModelAsset,
  ObjectId,
  PictureAsset,
  TargetId,
} from '../../core/document/schema';
import { HANDLED } from '../../core/placing/handled';

/** The stock items a starter is made of, by their ids, as assets. */
export type Samples = ReadonlyMap<string, Asset>;

export interface Starter {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  /** Stock items it needs. */
  readonly stock: readonly string[];
  /** The take it is first seen on; null is the usual one. */
  readonly take: string | null;
  /** Asks for the creator's picture at once. */
  readonly asks: boolean;
  build(samples: Samples): Effect;
}

const id = (name: string): ObjectId => `obj_${name}` as ObjectId;
const FLOOR: Anchor = { kind: 'world', surface: 'floor' };
const TARGET = 'target_card' as TargetId;
const ON_CARD: Anchor = { kind: 'picture', target: TARGET };

const picture = (samples: Samples, stock: string): PictureAsset => samples.get(stock) as PictureAsset;
const model = (samples: Samples, stock: string): ModelAsset => samples.get(stock) as ModelAsset;

/** An effect of these objects, the first on top: artwork is there to be replaced, what it stands on is kept. `ground` is what it is for. */
const effectOf = (samples: Samples, objects: readonly EffectObject[], ground: Anchor): Effect => ({
  ...blankEffect(''),
  ground,
  assets: Object.fromEntries([...samples.values()].map((a) => [a.id, a])),
  objects: Object.fromEntries(
    objects.map((object, i): [ObjectId, EffectObject] => [
      object.id,
      { ...object, order: i, sample: isArtwork(object) },
    ]),
  ),
});

export const STARTERS: readonly Starter[] = [
  {
    id: 'picture',
    name: 'Picture on a face',
    about: 'Your picture on the forehead, hidden behind the head where it should be.',
    stock: [],
    take: null,
    asks: true,
    build: (samples) => effectOf(samples, [newOccluder(id('head-occluder'), 0)], FOREHEAD),
  },
  {
    id: 'head-piece',
    name: 'Head piece',
    about: 'A crown that fits every head, and is hidden behind it.',
    stock: ['jewellery-kelp-crown'],
    take: 'slow-turn',
    asks: false,
    build: (samples) =>
      effectOf(
        samples,
        [
          { ...newModel(id('head-piece'), model(samples, 'jewellery-kelp-crown'), 0), name: 'Head piece' },
          newOccluder(id('head-occluder'), 1),
        ],
        headAnchor('crown'),
      ),
  },
  {
    id: 'make-up',
    name: 'Make-up look',
    about: 'Colour on lids, cheeks and lips that goes with the skin.',
    stock: ['masks-lids', 'masks-cheeks', 'masks-lips', 'masks-glitter'],
    take: 'smile-and-wink',
    asks: false,
    build: (samples) => {
      const layer = (
        name: string,
        stock: string,
        tint: string,
        opacity: number,
        blend: 'multiply' | 'screen' | 'soft-light',
      ): EffectObject => ({
        ...newPictureLayer(id(name.toLowerCase()), picture(samples, stock), 0),
        name,
        tint,
        opacity,
        blend,
      });
      return effectOf(
        samples,
        [
          layer('Glitter', 'masks-glitter', '#ffe9c4', 0.55, 'screen'),
          layer('Lids', 'masks-lids', '#2f8f86', 0.6, 'multiply'),
          layer('Cheeks', 'masks-cheeks', '#d9705f', 0.4, 'multiply'),
          layer('Lips', 'masks-lips', '#b4374a', 0.6, 'multiply'),
        ],
        onWholeFace(1),
      );
    },
  },
  {
    id: 'sticker',
    name: 'Layered sticker in the world',
    about: 'Layers with air between them, standing on the floor.',
    stock: ['pictures-moon', 'pictures-wave', 'pictures-buoy'],
    take: 'walk-floor',
    asks: false,
    build: (samples) => {
      const group: EffectObject = {
        ...newGroup(id('sticker'), 'Sticker', 0, FLOOR),
        move: [0, 0.42, -0.9],
        lookAt: { front: '+z', about: 'y' },
        byViewer: HANDLED,
      };
      const layer = (name: string, stock: string, wide: number, y: number, z: number): EffectObject => {
        const asset = picture(samples, stock);
        return {
          ...newCard(id(name.toLowerCase()), asset, 0, FLOOR),
          name,
          parent: group.id,
          move: [0, y, z],
          extent: [wide, (wide * asset.height) / asset.width],
        };
      };
      return effectOf(
        samples,
        [
          group,
          { ...layer('Buoy', 'pictures-buoy', 0.22, -0.1, 0.16), move: [0.14, -0.1, 0.16] },
          layer('Wave', 'pictures-wave', 0.72, -0.2, 0.08),
          layer('Moon', 'pictures-moon', 0.7, 0.05, 0),
          { ...newShadowCatcher(id('shadow'), 0, FLOOR), name: 'Shadow on the floor' },
        ],
        FLOOR,
      );
    },
  },
  {
    id: 'floor',
    name: 'Model on the floor',
    about: 'Stands on the floor with a soft shadow; the viewer drags, pinches and twists it.',
    stock: ['creatures-turtle'],
    take: 'walk-floor',
    asks: false,
    build: (samples) => {
      const asset = model(samples, 'creatures-turtle');
      const longest = Math.max(...asset.high.map((h, i) => h - asset.low[i]!));
      const k = 0.7 / longest;
      return effectOf(
        samples,
        [
          {
            ...newModel(id('turtle'), asset, 0, FLOOR),
            name: 'Turtle',
            move: [0, -asset.low[1] * k, -0.8],
            scale: [k, k, k],
            byViewer: HANDLED,
          },
          { ...newShadowCatcher(id('shadow'), 0, FLOOR), name: 'Shadow on the floor' },
          { ...newLight(id('sunlight'), 'directional', 0, FLOOR), name: 'Sun' },
          { ...newLight(id('skylight'), 'ambient', 0, FLOOR), name: 'Sky', strength: 0.7 },
        ],
        FLOOR,
      );
    },
  },
  {
    id: 'printed',
    name: 'Printed picture comes alive',
    about: 'Layers rise from your printed picture, measured in its centimetres.',
    stock: ['pictures-tide-card', 'pictures-ferry', 'pictures-lighthouse'],
    take: 'picture-on-table',
    asks: false,
    build: (samples) => {
      const card = (
        name: string,
        stock: string,
        wide: number,
        move: [number, number, number],
      ): EffectObject => {
        const asset = picture(samples, stock);
        return {
          ...newCard(id(name.toLowerCase()), asset, 0, ON_CARD),
          name,
          move,
          extent: [wide, (wide * asset.height) / asset.width],
        };
      };
      const effect = effectOf(
        samples,
        [
          card('Ferry', 'pictures-ferry', 0.055, [-0.03, -0.022, 0.02]),
          card('Lighthouse', 'pictures-lighthouse', 0.024, [0.04, 0.022, 0.01]),
          {
            ...newText(id('title'), 'Tonight 19:07', 0, ON_CARD),
            size: 0.016,
            move: [0, 0.06, 0.03],
            outline: 0.08,
          },
        ],
        ON_CARD,
      );
      const target = {
        ...newTarget(TARGET, 'Tide card', 0, picture(samples, 'pictures-tide-card').id),
        width: 0.18,
      };
      return { ...effect, targets: { [TARGET]: target } };
    },
  },
  {
    id: 'backdrop',
    name: 'Backdrop swap',
    about: 'Another place behind the people.',
    stock: ['pictures-deep-water', 'sequences-bubbles-rising'],
    take: null,
    asks: false,
    build: (samples) => {
      const bubbles = samples.get('sequences-bubbles-rising') as PictureAsset;
      return effectOf(
        samples,
        [
          {
            ...newCard(id('bubbles'), bubbles, 0, { kind: 'screen', pin: 'bottom' }),
            name: 'Bubbles',
            move: [0, 0.035, 0],
            blend: 'screen',
          },
          {
            ...newCard(id('backdrop'), picture(samples, 'pictures-deep-water'), 0, { kind: 'backdrop' }),
            name: 'Deep water',
          },
        ],
        { kind: 'backdrop' },
      );
    },
  },
  {
    id: 'two',
    name: 'Two faces',
    about: 'One thing for the first face, another for the second.',
    stock: ['jewellery-tide-tiara'],
    take: 'two-people',
    asks: false,
    build: (samples) =>
      effectOf(
        samples,
        [
          {
            ...newModel(id('tiara'), model(samples, 'jewellery-tide-tiara'), 0, headAnchor('crown', 1)),
            name: 'Tiara',
          },
          {
            ...newText(id('words'), 'me too', 0, headAnchor('crown', 2)),
            move: [0, 0.09, 0],
            arc: 40,
            size: 0.045,
            colour: '#ffe7a6',
            outline: 0.1,
          },
          newOccluder(id('occluder-1'), 0, 1),
          newOccluder(id('occluder-2'), 0, 2),
        ],
        headAnchor('crown'),
      ),
  },
  {
    id: 'blank',
    name: 'Blank',
    about: 'A performer before the camera and an empty Stack.',
    stock: [],
    take: null,
    asks: false,
    build: () => blankEffect(''),
  },
];

export const starterOf = (wanted: string): Starter => STARTERS.find((s) => s.id === wanted)!;
