/** Whole pieces of work on faces: make-up, masks, a sculpted skin, living cutouts, a shape that grows. */
import { expect } from '@playwright/test';
import type { Effect, EffectObject } from '../../src/core/document/schema';
import { row } from '../harness/place';
import type { Hand } from './hand';
import type { Piece } from './piece';

type Of<K extends EffectObject['kind']> = Extract<EffectObject, { kind: K }>;
const all = <K extends EffectObject['kind']>(effect: Effect, kind: K): Of<K>[] =>
  Object.values(effect.objects).filter((o): o is Of<K> => o.kind === kind);
const layer = (effect: Effect, name: string): Of<'layer'> =>
  all(effect, 'layer').find((l) => l.name === name)!;

const toFace = async (hand: Hand): Promise<void> => {
  await hand.stage('Style');
  await hand.click(hand.page.getByRole('tab', { name: 'Face', exact: true }));
};
/** A piece of the kit; its tile says in its title what a click does. */
const wear = (hand: Hand, piece: string): Promise<void> =>
  hand.click(hand.page.locator('.tile').filter({ has: hand.page.getByText(piece, { exact: true }) }));
const dye = (hand: Hand, piece: string, colour: string): Promise<void> => hand.click(`${piece} in ${colour}`);
const painted = (hand: Hand): Promise<void> =>
  expect(hand.page.getByText('Loading what is painted')).toHaveCount(0);
const close = (hand: Hand): Promise<void> => hand.click('Make-up');
const spotOnFace = async (hand: Hand, u: number, v: number): Promise<void> => {
  const canvas = hand.page.locator('.finder canvas');
  const box = (await canvas.boundingBox())!;
  await hand.click(canvas, { position: { x: u * box.width, y: v * box.height } });
};

const TIDE = '#2f7f78';
const tideColours: Piece = {
  name: 'lids, lips, lashes, irises and hair in the colours of the tide',
  most: 18,
  make: async (hand) => {
    await hand.begin('Blank');
    await toFace(hand);
    await wear(hand, 'Lid shimmer');
    await dye(hand, 'Lid shimmer', TIDE);
    await wear(hand, 'Lipstick');
    await dye(hand, 'Lipstick', '#d87a78');
    await hand.click('Lashes');
    await dye(hand, 'Lashes', TIDE);
    await hand.click('Iris');
    await dye(hand, 'Iris', TIDE);
    await hand.click('Hair colour');
    await dye(hand, 'Hair colour', TIDE);
  },
  proves: (effect) => {
    for (const kind of ['lashes', 'iris', 'hair'] as const) expect(all(effect, kind)[0]!.tint).toBe(TIDE);
    expect(layer(effect, 'Lid shimmer').tint).toBe(TIDE);
    expect(layer(effect, 'Lipstick').tint).toBe('#d87a78');
  },
};

const fullLook: Piece = {
  name: 'a full look: a lid mask of one’s own, freckles, sea-creature stickers, sheen',
  most: 45,
  make: async (hand, file) => {
    await hand.begin('Blank');
    await hand.drop([file('sea-star.png'), file('little-crab.png')], hand.page.locator('.drawer'));
    await toFace(hand);
    await wear(hand, 'Blush');
    await wear(hand, 'Lip gloss');
    await wear(hand, 'Wet glow');
    await hand.type('Strength of the finish, as a number', '70');
    // A wing of one's own, painted over the lids and out of them.
    await wear(hand, 'Eye shadow');
    await dye(hand, 'Eye shadow', TIDE);
    await hand.click('Paint its mask');
    await painted(hand);
    await hand.stroke(hand.page.locator('.layout'), [
      [0.32, 0.36],
      [0.27, 0.345],
      [0.22, 0.325],
      [0.17, 0.295],
    ]);
    await close(hand);
    // Freckles, dotted over the nose and the cheeks.
    await hand.click('Paint a colour');
    await painted(hand);
    await hand.type('Size of the brush, as a number', '14');
    for (const [u, v] of [
      [0.46, 0.48],
      [0.42, 0.5],
      [0.38, 0.49],
      [0.35, 0.52],
      [0.3, 0.5],
    ] as const)
      await hand.stroke(hand.page.locator('.layout'), [[u, v]]);
    await close(hand);
    await hand.type('Tint as hex', '#7a4a32');
    // Stickers.
    await hand.click('Paint a picture, write, stick on');
    await painted(hand);
    await hand.choose('Sticker to place', 'sea-star.png');
    await spotOnFace(hand, 0.36, 0.55);
    await hand.click('Set it');
    await hand.choose('Sticker to place', 'little-crab.png');
    await spotOnFace(hand, 0.6, 0.56);
    await hand.click('Set it');
    await close(hand);
  },
  proves: (effect) => {
    expect(layer(effect, 'Eye shadow').mask).not.toBeNull();
    expect(layer(effect, 'Wet glow')).toMatchObject({ finish: 'gloss', shine: 0.7 });
    const own = all(effect, 'layer').filter((l) => l.region === 'face');
    expect(own.filter((l) => l.mask)).toHaveLength(1);
    expect(own.filter((l) => l.asset)).toHaveLength(1);
    // What is drawn lies over make-up and its shine.
    const order = all(effect, 'layer').sort((a, b) => a.order - b.order);
    expect(order.slice(0, 2).map((l) => l.region)).toEqual(['face', 'face']);
  },
};

const kitChanged: Piece = {
  name: 'a look of the kit changed, a word on the cheek in a chosen font, gloss on the lids',
  most: 45,
  make: async (hand) => {
    await hand.begin('Blank');
    await toFace(hand);
    await hand.click('Harbour night');
    await wear(hand, 'Matte lipstick');
    await dye(hand, 'Matte lipstick', '#a3243f');
    await hand.type('Opacity, per cent', '60');
    await wear(hand, 'Contour');
    await hand.click('Delete');
    // Gloss over the shadow, on the lids alone.
    await wear(hand, 'Lid shimmer');
    await hand.choose('Finish', 'Gloss');
    await hand.type('Opacity, per cent', '20');
    await hand.click('Paint a picture, write, stick on');
    await painted(hand);
    await hand.click('Text');
    await hand.type('Words on the face', 'ebb');
    await hand.choose('Font of the words', 'Caveat');
    await hand.type('Size, as a number', '8');
    await spotOnFace(hand, 0.4, 0.53);
    await hand.click('Set it');
    await close(hand);
  },
  proves: (effect) => {
    expect(layer(effect, 'Matte lipstick')).toMatchObject({ tint: '#a3243f', opacity: 0.6 });
    expect(layer(effect, 'Contour')).toBeUndefined();
    expect(layer(effect, 'Lid shimmer')).toMatchObject({ finish: 'gloss', region: 'lids', opacity: 0.2 });
    expect(all(effect, 'layer').filter((l) => l.asset)).toHaveLength(1);
  },
};

const scales: Piece = {
  name: 'a skin of scales sculpted outside with three maps, light turned, a second face with its own',
  most: 40,
  make: async (hand, file) => {
    const { page } = hand;
    await hand.begin('Blank');
    await toFace(hand);
    await hand.click('Shape of the face');
    await page.locator('input[aria-label="Sculpted mesh to bring in"]').setInputFiles(file('scales.obj'));
    // The button, and the file in the system's own window.
    hand.count += 2;
    await expect(page.getByText(/^\s*Fits to/)).toBeVisible({ timeout: 20_000 });
    await hand.drop(
      ['scales_BaseColor.png', 'scales_normal.png', 'scales_ORM.png'].map(file),
      row(page, 'Face morph'),
    );
    await hand.click(page.getByRole('tab', { name: 'Light', exact: true }));
    await hand.click('Light surroundings');
    await hand.choose('Whether Light surroundings reaches faces', /instead/);
    await hand.type('Turn of Light surroundings, as a number', '60');
    await hand.click(page.getByRole('tab', { name: 'Face', exact: true }));
    await hand.click('Face 2');
    await hand.click('Tide glass');
  },
  proves: (effect) => {
    const [morph] = all(effect, 'morph');
    expect(morph!.mesh).not.toBeNull();
    const maps = effect.materials[morph!.material!]!.maps;
    expect([maps.base, maps.normal, maps.occlusion, maps.roughness, maps.metalness].every(Boolean)).toBe(
      true,
    );
    expect(all(effect, 'light')[0]).toMatchObject({ onFaces: 'instead', turn: [0, 60, 0] });
    const second = all(effect, 'layer').filter((l) => 'face' in l.anchor && l.anchor.face === 2);
    expect(second.length).toBeGreaterThan(3);
  },
};

const paintedFish: Piece = {
  name: 'a painted fish with living eyes and mouth',
  most: 25,
  make: async (hand, file) => {
    await hand.begin('Blank');
    await hand.drop([file('painted-fish.png')]);
    await hand.select('painted-fish');
    await hand.choose('Sticks to', 'Tip of the nose');
    await hand.type('Width, cm', '22');
    await hand.type('Move y, cm', '1');
    await toFace(hand);
    for (const part of ['Left eye', 'Right eye', 'Mouth']) {
      await hand.click(part);
      await hand.click('Close');
    }
  },
  proves: (effect) => {
    const [fish] = all(effect, 'card');
    expect(all(effect, 'cutout').map((o) => [o.part, o.parent])).toEqual(
      expect.arrayContaining(['leftEye', 'rightEye', 'mouth'].map((part) => [part, fish!.id])),
    );
  },
};

const chin: Piece = {
  name: 'a chin drawn out over four seconds',
  most: 12,
  make: async (hand) => {
    await hand.begin('Blank');
    await toFace(hand);
    await hand.click('Shape of the face');
    await hand.type('Cheeks and jaw: Chin, as a number', '100');
    await hand.click('Keep this shape');
    await hand.click('A cue that goes to Shape');
    await hand.click(hand.page.getByRole('button', { name: /Shape strength to 100 %/ }));
    await hand.type(/^Duration/, '4');
  },
  proves: (effect) => {
    const [cue] = Object.values(effect.cues);
    expect(cue!.beats[0]!.actions[0]).toMatchObject({ kind: 'number', property: 'amount', duration: 4 });
  },
};

export const FACE_PIECES: readonly Piece[] = [tideColours, fullLook, kitChanged, scales, paintedFish, chin];
