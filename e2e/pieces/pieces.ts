/** Whole pieces of work, from Home to a picture that does what was wanted; each says how many actions it may take. */
import { expect } from '@playwright/test';
import type { Effect } from '../../src/core/document/schema';
import { row } from '../harness/place';
import { FACE_PIECES } from './face-pieces';
import type { Piece } from './piece';

const kinds = (effect: Effect): string[] =>
  Object.values(effect.objects)
    .map((o) => o.kind)
    .sort();
const actionsOf = (effect: Effect): string[] =>
  Object.values(effect.cues).flatMap((cue) => cue.beats.flatMap((b) => b.actions.map((a) => a.kind)));

const netFloats: Piece = {
  name: 'four net floats circle the head and pass behind it',
  most: 22,
  make: async (hand) => {
    await hand.begin('Blank');
    await hand.menu('+ Add object', 'Solid', 'Sphere');
    await hand.click('Hidden behind head');
    await hand.click('and behind hair');
    await hand.click('Spread');
    await hand.type('How many copies', '4');
    await hand.type('Radius of the ring, cm', '13');
    await hand.click(/^Make/);
    await hand.type('Move y, cm', '7');
    await hand.stage('Behave');
    await hand.recipe('turn round', /turn round and round from the start/i);
  },
  proves: (effect) => {
    expect(kinds(effect)).toEqual(['group', 'occluder', 'solid', 'solid', 'solid', 'solid']);
    expect(actionsOf(effect)).toEqual(['turn']);
  },
};

const shellHead: Piece = {
  name: 'a shell round the head whose lid rises and turns when recording starts',
  most: 45,
  make: async (hand, file) => {
    await hand.begin('Blank');
    await hand.drop([file('shell-with-pearl.glb')]);
    await hand.select('shell-with-pearl');
    await hand.choose('Sticks to', 'Middle of the head');
    await hand.type('Width, cm', '30');
    await hand.type('Move y, cm', '-6');
    await hand.click(/^\d+ parts/);
    await hand.click(hand.page.locator('.tree').getByText('Lid', { exact: true }));
    await hand.click('Set Lid apart');
    await hand.stage('Behave');
    await hand.halves('rise there and back', 'when recording starts');
    await hand.menu(hand.page.getByRole('button', { name: '+ Beside it' }).last(), 'turn');
    await hand.type(/^x, degrees/, '-60', hand.page.locator('article.cue.open'));
  },
  proves: (effect) => {
    const lid = Object.values(effect.objects).find((o) => o.kind === 'part')!;
    expect(lid.name).toBe('Lid');
    expect(actionsOf(effect)).toEqual(['move', 'turn']);
    for (const cue of Object.values(effect.cues))
      for (const action of cue.beats.flatMap((b) => b.actions)) expect(action.targets).toEqual([lid.id]);
  },
};

const pearl: Piece = {
  name: 'a pearl hidden by a tap, shown and hidden by the mouth',
  most: 25,
  make: async (hand) => {
    await hand.begin('Blank');
    await hand.menu('+ Add object', 'Solid', 'Sphere');
    await hand.stage('Behave');
    await hand.recipe('tap hide', /hide on a tap on it/i);
    await hand.recipe('mouth show', /show while the mouth is open/i);
  },
  proves: (effect) => {
    expect(actionsOf(effect).sort()).toEqual(['hide', 'show']);
    expect(kinds(effect)).toContain('solid');
  },
};

const beads: Piece = {
  name: 'eight beads of glass in a ring: a tap fades and rocks them, a slider sets the speed, amber at last',
  most: 48,
  make: async (hand) => {
    await hand.begin('Blank');
    await hand.menu('+ Add object', 'Solid', 'Sphere');
    await hand.stage('Style');
    await hand.type('Opacity, per cent', '70');
    await hand.stage('Place');
    await hand.type('Width, cm', '2.5');
    await hand.click('Hidden behind head');
    await hand.click('Spread');
    await hand.type('How many copies', '8');
    await hand.click(/^Make/);
    await hand.stage('Behave');
    await hand.halves('sway', 'on a tap on the screen');
    await hand.menu(hand.page.getByRole('button', { name: '+ Beside it' }).last(), 'fade');
    await hand.menu('+ Next beat', 'colour');
    await hand.click(hand.page.getByRole('tab', { name: 'Controls and prompts' }));
    await hand.click('+ Slider');
    await hand.click('+ What it drives');
    await hand.choose('What is driven', /sway/);
  },
  proves: (effect) => {
    expect(Object.values(effect.objects).filter((o) => o.kind === 'solid')).toHaveLength(8);
    expect(actionsOf(effect)).toEqual(['sway', 'fade', 'colour']);
    expect(Object.values(effect.drives)[0]!.to.kind).toBe('duration');
  },
};

const buoy: Piece = {
  name: 'a buoy on the floor with shadow, fingers and three maps',
  most: 22,
  make: async (hand, file) => {
    await hand.begin('Model on the floor');
    await hand.drop([file('buoy.glb')], row(hand.page, 'Turtle'));
    await hand.drop(
      ['buoy_BaseColor.png', 'buoy_normal.png', 'buoy_roughness.png'].map(file),
      row(hand.page, 'buoy'),
    );
  },
  proves: (effect) => {
    const model = Object.values(effect.objects).find((o) => o.kind === 'model')!;
    expect(model).toMatchObject({ name: 'buoy', sample: false });
    expect(model.byViewer).not.toBeNull();
    expect(kinds(effect)).toContain('shadowCatcher');
    const [material] = Object.values(effect.materials);
    expect(Object.values(material!.maps).filter(Boolean).length).toBeGreaterThanOrEqual(3);
  },
};

const tideCard: Piece = {
  name: 'the tide card with an overlay of frames and a wave that rises',
  most: 26,
  make: async (hand, file) => {
    await hand.begin('Printed picture comes alive');
    await hand.click('Clear the samples');
    await hand.click(/^Settings of Picture/);
    await hand.drop([file('tide-card.png')], hand.page.getByText('Printed', { exact: true }));
    await hand.drop([file('bubbles.zip')], hand.page.locator('.at-foot'));
    await hand.drop([file('wave.png')], hand.page.locator('.at-foot'));
    await hand.select('wave');
    await hand.stage('Behave');
    await hand.halves('rise there and back', 'when the printed picture is found');
  },
  proves: (effect) => {
    const cards = Object.values(effect.objects).filter((o) => o.kind === 'card');
    expect(cards.map((o) => o.anchor.kind)).toEqual(['picture', 'picture']);
    expect(Object.values(effect.assets).some((a) => a.kind === 'sequence')).toBe(true);
    expect(actionsOf(effect)).toEqual(['move']);
  },
};

const visitors: Piece = {
  name: 'a visitor before the deep, a copy before and one behind, table at 32 %',
  most: 25,
  make: async (hand, file) => {
    await hand.begin('Backdrop swap');
    await hand.drop([file('deep.png')], row(hand.page, 'Deep water'));
    await hand.menu('+ Add object', 'Camera picture on a card', 'The person, cut out');
    await hand.click('Duplicate');
    await hand.choose('Sticks to', 'Middle of the screen');
    await hand.drop([file('deep.cube')]);
    await hand.stage('Style');
    await hand.click(hand.page.getByRole('tab', { name: 'Grade' }));
    await hand.type('Strength of the grade, as a number', '32');
  },
  proves: (effect) => {
    const people = Object.values(effect.objects).filter((o) => o.kind === 'live');
    expect(people.map((o) => o.anchor.kind).sort()).toEqual(['backdrop', 'screen']);
    expect(Object.values(effect.objects).find((o) => o.kind === 'grade')).toBeDefined();
  },
};

const lighthouse: Piece = {
  name: 'a lighthouse on its chart, its lamp room turned by a slider with signs at its ends',
  most: 32,
  make: async (hand, file) => {
    await hand.begin('Printed picture comes alive');
    await hand.click('Clear the samples');
    await hand.drop([file('lighthouse.glb')], hand.page.locator('.at-foot'));
    await hand.select('lighthouse');
    await hand.click(/^\d+ parts/);
    await hand.click(hand.page.locator('.tree').getByText('Lid of brass', { exact: true }));
    await hand.click('Set Lid of brass apart');
    await hand.stage('Behave');
    await hand.click(hand.page.getByRole('tab', { name: 'Controls and prompts' }));
    await hand.click('+ Slider');
    await hand.click('+ What it drives');
    await hand.choose('Which number is driven', /^turn y/);
    await hand.choose('Picture at its lower end', 'Moon');
    await hand.choose('Picture at its upper end', 'Sun');
    await expect(hand.page.locator('.viewer-icon')).toHaveCount(2);
  },
  proves: (effect) => {
    const part = Object.values(effect.objects).find((o) => o.kind === 'part')!;
    expect(Object.values(effect.drives)[0]!.to).toEqual({
      kind: 'number',
      objects: [part.id],
      property: 'turnY',
    });
    const [slider] = Object.values(effect.controls);
    if (slider?.kind !== 'slider') throw new Error('It has no slider.');
    expect([slider.lowIcon, slider.highIcon].map((icon) => effect.assets[icon!]!.name)).toEqual([
      'Moon',
      'Sun',
    ]);
  },
};

const lanternNight: Piece = {
  name: 'a lantern night',
  most: 110,
  make: async (hand, file) => {
    const { page } = hand;
    const open = page.locator('article.cue.open');
    /** The cue that was just made goes into a group. */
    const intoGroup = async (name: string): Promise<void> => {
      await hand.menu(
        open.getByRole('button', { name: 'More about this cue' }),
        'How often, reset, name, note',
      );
      await hand.type('Group', name, open);
    };
    await hand.begin('Blank');
    // A cap whose pictures are stepped through by taps.
    await hand.drop(['cap-1.png', 'cap-2.png', 'cap-3.png'].map(file));
    await hand.select('cap');
    await hand.choose('Sticks to', 'Crown');
    await hand.stage('Behave');
    await hand.halves('next picture', 'on a tap on the screen');
    await intoGroup('Cap');
    // A lantern: a tap lights it, a pucker puts it out if it is lit.
    await hand.stage('Place');
    await hand.drop([file('lighthouse.glb')]);
    await hand.choose('Sticks to', 'Chin');
    await hand.type('Width, cm', '6');
    await hand.type('Move y, cm', '-14');
    await hand.menu('+ Add object', 'Light', 'Point light');
    await hand.click('Hide Point light');
    await hand.stage('Behave');
    await hand.halves('show', 'on a tap on the screen');
    await intoGroup('Lantern');
    await hand.halves('hide', 'on a pucker');
    await hand.click(open.getByRole('button', { name: /lips pucker/ }));
    await hand.click(open.getByRole('button', { name: '+ Only if' }));
    await intoGroup('Lantern');
    // Then a title pops in, two fountains run 3 s, three jellyfish drift, sounds play.
    await hand.stage('Place');
    await hand.menu('+ Add object', 'Text');
    await hand.type(/^(Words|Text)/, 'Low tide tonight');
    await hand.menu('+ Add object', 'Fountain: bubbles, sparks, snow');
    await hand.click('Duplicate');
    await hand.drop([file('jellyfish.glb')]);
    await hand.select('jellyfish');
    await hand.click('Spread');
    await hand.type('How many copies', '3');
    await hand.click(/^Make/);
    await hand.drop([file('lap.wav')]);
    await hand.drop([file('bell.wav')]);
    await hand.stage('Behave');
    await hand.select('Low tide tonight');
    await hand.halves('pop in with overshoot', 'on a pucker');
    await intoGroup('Finale');
    await hand.select('Fountain', 'Fountain 2');
    await hand.halves('flow for 3 s', 'on a pucker');
    await intoGroup('Finale');
    await hand.select('jellyfish ring');
    await hand.halves('drift up and down', 'from the start');
    await intoGroup('Water');
    await hand.select('lap', 'bell');
    await hand.halves('play once', 'on a pucker');
    await intoGroup('Finale');
    await hand.click(page.getByRole('tab', { name: 'Controls and prompts' }));
    await hand.click('+ Prompt');
  },
  proves: (effect) => {
    const all = kinds(effect);
    for (const kind of ['card', 'model', 'light', 'text', 'fountain', 'sound']) expect(all).toContain(kind);
    expect(all.filter((k) => k === 'fountain')).toHaveLength(2);
    expect(all.filter((k) => k === 'sound')).toHaveLength(2);
    expect(all.filter((k) => k === 'model')).toHaveLength(4);
    expect(actionsOf(effect).sort()).toEqual(
      ['flow', 'hide', 'move', 'picture', 'play', 'show', 'show', 'size'].sort(),
    );
    expect(Object.values(effect.cues).some((cue) => cue.conditions.length > 0)).toBe(true);
    expect(
      Object.values(effect.cues)
        .map((cue) => cue.group)
        .sort(),
    ).toEqual(['Cap', 'Finale', 'Finale', 'Finale', 'Lantern', 'Lantern', 'Water']);
    expect(Object.keys(effect.prompts)).toHaveLength(1);
  },
};

const badge: Piece = {
  name: 'a three-layer badge on the floor with spin, rock, pulse, drift and a soft oval shadow',
  most: 60,
  make: async (hand, file) => {
    await hand.begin('Layered sticker in the world');
    await hand.click('Clear the samples');
    await hand.drop(['badge-ring.png', 'badge-wave.png', 'badge-star.png'].map(file));
    await hand.menu('+ Add object', 'Contact shadow: a soft oval below a thing');
    await hand.stage('Behave');
    await hand.select('badge-ring');
    await hand.recipe('turn round', /turn round and round from the start/i);
    await hand.select('badge-wave');
    await hand.recipe('sway', /sway from the start/i);
    await hand.select('badge-star');
    await hand.recipe('pulse', /pulse from the start/i);
    await hand.select('badge-ring', 'badge-wave', 'badge-star');
    await hand.click('Group');
    await hand.recipe('drift', /drift up and down from the start/i);
  },
  proves: (effect) => {
    expect(kinds(effect).filter((k) => k === 'card')).toHaveLength(3);
    expect(kinds(effect)).toContain('contactShadow');
    expect(Object.keys(effect.cues)).toHaveLength(4);
  },
};

const hopper: Piece = {
  name: 'a sand hopper on the nose that hops off when the mouth opens',
  most: 30,
  make: async (hand, file) => {
    await hand.begin('Blank');
    await hand.drop([file('crab.glb')]);
    await hand.select('crab');
    await hand.choose('Sticks to', 'Tip of the nose');
    await hand.type('Width, cm', '5');
    await hand.stage('Behave');
    await hand.halves('jump once', 'when the mouth opens');
    await hand.menu('+ Next beat', 'hide');
  },
  proves: (effect) => {
    const crab = Object.values(effect.objects).find((o) => o.kind === 'model')!;
    expect(crab.anchor).toMatchObject({ kind: 'head', point: 'noseTip' });
    expect(actionsOf(effect)[0]).toBe('bounce');
  },
};

export const PIECES: readonly Piece[] = [
  netFloats,
  shellHead,
  pearl,
  beads,
  lanternNight,
  buoy,
  tideCard,
  visitors,
  lighthouse,
  badge,
  hopper,
  ...FACE_PIECES,
];
