/** Make-up on six skin tones, in pixels: what shows, what stays natural, what keeps its colour; and gloss on lids and lips that move. */
import { expect, test } from './harness/test';
import { regionMask } from '../src/core/face/region-mask';
import { landmarkNormals } from '../src/core/face/landmark-normals';
import { NEUTRAL_FACE, UV } from '../src/core/face/neutral';
import { newIris } from '../src/core/kinds/objects/iris';
import type { AssetId, FileRef } from '../src/core/document/schema';
import { KIT, KIT_LOOKS, type PieceLayer } from '../src/core/makeup/kit';
import { toOklch } from '../src/core/maths/colour-spaces';
import { linearOf, luminance, rgbOf } from '../src/core/maths/srgb';
import { COMPARED_FACES, toneOf } from '../src/core/takes/library/compared-faces';
import { SKINS, type SkinTone } from '../src/core/takes/skin-tones';
import type { Rgb } from '../src/core/maths/blend';
import type { Spot } from '../src/core/face/skin-spot';
import sharp from 'sharp';
import { newPicture } from '../src/core/document/defaults';
import { bare, draw, id, look, one, openFacePage, SIZE, type Picture } from './harness/face-pixels';

openFacePage();

const TONES = COMPARED_FACES.filter((f) => f.by === 'tone').map((f) => f.performer);
const uvOf = (i: number): Spot => [UV[2 * i]!, UV[2 * i + 1]!];
const both = ([u, v]: Spot): Spot[] => [
  [u, v],
  [1 - u, v],
];
/** Where a region begins to be whole: on lids that are open, on the apple of the cheek, on the bone. */
const LID = [27, 257].map(uvOf);
const CHEEK = both([uvOf(50)[0] - 0.03, uvOf(50)[1] - 0.016]);
const BONE = both([uvOf(117)[0] - 0.03, uvOf(117)[1] + 0.006]);
/** Close enough that lids are some pixels high. */
const near = (performer: string, lit = 'window') =>
  ({ take: `screen-test-${performer}`, lit, time: 0.5, fovY: 17 }) as const;
const piece = (name: string, change: Partial<PieceLayer> = {}): PieceLayer => ({
  ...KIT.find((p) => p.id === name)!.layer,
  ...change,
});
/** The mean colour of 3 x 3 pixels: lightness and chroma in hundredths, hue in degrees (OKLCH). */
const colourAt = (picture: Picture, [x, y]: readonly [number, number]) => {
  let sum: Rgb = [0, 0, 0];
  for (let j = -1; j <= 1; j++)
    for (let i = -1; i <= 1; i++) {
      const c = picture.colour([x + i, y + j]);
      sum = [sum[0] + c[0] / 9, sum[1] + c[1] / 9, sum[2] + c[2] / 9];
    }
  const [light, chroma, hue] = toOklch(linearOf(sum));
  return { light: 100 * light, chroma: 100 * chroma, hue };
};
type Seen = ReturnType<typeof colourAt>;
const from = (a: number, b: number): number => ((((b - a + 180) % 360) + 360) % 360) - 180;
/** Euclidean in OKLab, in hundredths: 2 is about the least that is noticed. */
const apart = (a: Seen, b: Seen): number => {
  const flat = ({ chroma, hue }: Seen) => [
    chroma * Math.cos((hue * Math.PI) / 180),
    chroma * Math.sin((hue * Math.PI) / 180),
  ];
  const [p, q] = [flat(a), flat(b)];
  return Math.hypot(a.light - b.light, p[0]! - q[0]!, p[1]! - q[1]!);
};
/** What is seen at some places without a piece, and with it. */
const beforeAndAfter = async (
  layer: PieceLayer,
  spots: readonly Spot[],
  view: ReturnType<typeof near>,
): Promise<[Seen, Seen][]> => {
  const [none, worn] = [
    await draw({ effect: bare, ...view, spots }),
    await draw({ effect: look(layer), ...view, spots }),
  ];
  return spots.map((_, i) => [colourAt(none, none.at[i]!), colourAt(worn, worn.at[i]!)]);
};

/** Teal on skin, which is of the opposite hue, does not turn grey. */
const staysTeal = async (view: ReturnType<typeof near>): Promise<void> => {
  const wanted = toOklch(linearOf(rgbOf('#2f7f78')))[2];
  for (const [, worn] of await beforeAndAfter(piece('shadow', { tint: '#2f7f78' }), LID, view)) {
    expect(Math.abs(from(wanted, worn.hue)), `${view.take} ${view.lit}`).toBeLessThan(25);
    expect(worn.chroma, `${view.take} ${view.lit}`).toBeGreaterThan(2);
  }
};

/**
 * Blush goes the way this skin flushes: never past the hue it flushes to, and not much darker. A tone that is dark itself hardly darkens
 * when it flushes; there the piece may be a little lighter than the skin, but no paler. Chalk is lighter and paler at once.
 */
const staysNatural = async (view: ReturnType<typeof near>, tone: SkinTone): Promise<void> => {
  const where = `${view.take} ${view.lit}`;
  const hueOf = (hex: string): number => toOklch(linearOf(rgbOf(hex)))[2];
  const [own, flush] = [SKINS[tone].base, SKINS[tone].flush].map(hueOf) as [number, number];
  for (const [none, worn] of await beforeAndAfter(piece('blush'), CHEEK, view)) {
    const turned = from(none.hue, worn.hue);
    expect(turned, where).toBeLessThan(0);
    expect(turned, where).toBeGreaterThan(from(own, flush) - 5);
    expect(worn.light - none.light, where).toBeGreaterThan(-12);
    expect(worn.light - none.light, where).toBeLessThan(4);
    expect(worn.chroma, where).toBeGreaterThan(none.chroma);
  }
  for (const [none, worn] of await beforeAndAfter(piece('highlight'), BONE, view)) {
    expect(worn.light - none.light, where).toBeGreaterThan(1.5);
    expect(worn.light - none.light, where).toBeLessThan(7);
    expect(worn.chroma, where).toBeGreaterThan(0.78 * none.chroma);
    expect(Math.abs(from(none.hue, worn.hue)), where).toBeLessThan(8);
  }
};

test.describe('on six skin tones', () => {
  for (const performer of TONES) {
    const tone = toneOf(performer);
    test(`tone ${tone}: shadow shows on open eyes, teal stays teal; blush and highlight stay within what skin does by itself`, async () => {
      for (const [none, worn] of await beforeAndAfter(piece('shadow'), LID, near(performer)))
        expect(apart(none, worn)).toBeGreaterThan(3);
      await staysTeal(near(performer));

      await staysNatural(near(performer), tone);
    });
  }

  test('teal stays teal in a dim room, under a hard lamp and in a studio', async () => {
    for (const view of [near('odile', 'dim'), near('wren', 'hard-lamp'), near('odile', 'studio')])
      await staysTeal(view);
  });

  for (const [performer, lit] of [
    ['wren', 'studio'],
    ['odile', 'dim'],
    ['marin', 'low-sun'],
    ['tobe', 'hard-lamp'],
  ] as const)
    test(`${performer}, ${lit}: blush and highlight stay within what skin does there`, async () =>
      staysNatural(near(performer, lit), toneOf(performer)));

  for (const performer of TONES)
    test(`${performer} between two coloured lamps: on neither side is a piece a patch of its own colour`, async () => {
      const view = near(performer, 'two-colours');
      // Neither darker nor chalky, and no other hue where the lamp gives the skin a clear one.
      for (const [none, worn] of await beforeAndAfter(piece('blush'), CHEEK, view)) {
        expect(worn.light - none.light, performer).toBeGreaterThan(-3);
        expect(worn.light - none.light, performer).toBeLessThan(5);
        expect(apart(none, worn), performer).toBeLessThan(7);
        if (none.chroma > 10) expect(Math.abs(from(none.hue, worn.hue)), performer).toBeLessThan(5);
      }
      for (const [none, worn] of await beforeAndAfter(piece('highlight'), BONE, view)) {
        expect(worn.light - none.light, performer).toBeGreaterThan(1.5);
        expect(worn.light - none.light, performer).toBeLessThan(7);
        expect(worn.chroma, performer).toBeGreaterThan(0.5 * none.chroma);
        expect(Math.abs(from(none.hue, worn.hue)), performer).toBeLessThan(30);
      }
    });

  test('a light iris is as light on dark skin as on light skin, and dim in a dim room', async () => {
    const iris = one({ ...newIris(id(0), 0), tint: '#8fb4c9', glint: 0 });
    const lightOf = async (performer: string, lit = 'window'): Promise<number> => {
      const drawn = await draw({ effect: iris, ...near(performer, lit), landmarks: [468, 469] });
      const [[x, y], [edge]] = drawn.marks as [[number, number], [number, number]];
      const radius = Math.abs(edge - x);
      // Between the pupil and the dark rim, below the shade of the lid.
      let [sum, count] = [0, 0];
      for (let j = -radius; j <= 0; j += 0.5)
        for (let i = -radius; i <= radius; i += 0.5) {
          const r = Math.hypot(i, j) / radius;
          if (r < 0.5 || r > 0.75) continue;
          sum += luminance(linearOf(drawn.colour([x + i, y + j])));
          count++;
        }
      return sum / count;
    };
    const light = await lightOf('wren');
    for (const performer of ['asha', 'odile', 'tobe'])
      expect(await lightOf(performer), performer).toBeGreaterThan(0.75 * light);
    expect(await lightOf('wren', 'dim')).toBeLessThan(0.75 * light);
  });

  test('a lip that is painted fuller has the hue of the lip at its rim', async () => {
    // The lips and 0.012 of the layout around them.
    const size = 256;
    const own = regionMask('lips', size);
    const reach = Math.round(0.012 * size);
    const rgba = new Uint8Array(4 * size * size).fill(255);
    for (let y = 0; y < size; y++)
      for (let x = 0; x < size; x++) {
        let most = 0;
        for (let j = -reach; j <= reach; j++)
          for (let i = -reach; i <= reach; i++)
            if (i * i + j * j <= reach * reach) most = Math.max(most, own[(y + j) * size + x + i] ?? 0);
        rgba[4 * (y * size + x) + 3] = most;
      }
    const png = await sharp(rgba, { raw: { width: size, height: size, channels: 4 } })
      .png()
      .toBuffer();
    const file = { sha256: 'fuller', mime: 'image/png', bytes: png.length } as unknown as FileRef;
    const asset = newPicture('asset_fuller' as AssetId, 'fuller.png', file, size, size);
    // On the skin just beyond the lower lip, and on the lip.
    const rim = uvOf(17);
    const spots: Spot[] = [
      [rim[0], rim[1] + 0.007],
      [rim[0], rim[1] - 0.014],
    ];
    const apartBy = { lips: 0, skin: 0 };
    for (const performer of ['wren', 'marin', 'asha', 'odile']) {
      const seen = async (change: Partial<PieceLayer>) => {
        const worn = look({ ...piece('lipMatte', { opacity: 0.5 }), ...change });
        const drawn = await draw({
          effect: { ...worn, assets: { [asset.id]: asset } },
          files: { [file.sha256]: png.toString('base64') },
          ...near(performer),
          spots,
        });
        return drawn.at.map((at) => colourAt(drawn, at)) as [Seen, Seen];
      };
      // The same mask where no lip is meant lies on skin, and shows it.
      for (const region of ['lips', 'skin'] as const) {
        const [full, lip] = await seen({ mask: asset.id, region });
        apartBy[region] += Math.abs(from(full.hue, lip.hue));
        // The rim lies in more shade than the lip.
        if (region === 'lips') expect(Math.abs(full.light - lip.light), performer).toBeLessThan(4);
      }
    }
    expect(apartBy.lips).toBeLessThan(0.6 * apartBy.skin);
  });

  test('whole looks change no pixel outside of their regions', async () => {
    const MASK = 256;
    const spots = Array.from({ length: 468 }, (_, i) => uvOf(i));
    const normals = landmarkNormals(Float32Array.from(NEUTRAL_FACE));
    const isSteep = (k: number): boolean => {
      const [x, y, z] = normals.subarray(3 * k, 3 * k + 3) as unknown as [number, number, number];
      return z < 0.5 * Math.hypot(x, y, z);
    };
    for (const [i, { layers }] of KIT_LOOKS.entries()) {
      const masks = layers.map(({ region, softness }) => regionMask(region, MASK, softness ?? 1));
      const performer = TONES[i + 1]!;
      const [none, worn] = [
        await draw({ effect: bare, ...near(performer), spots }),
        await draw({ effect: look(...layers), ...near(performer), spots }),
      ];
      let [outside, changed] = [0, 0];
      for (const [k, [u, v]] of spots.entries()) {
        const [x, y] = none.at[k]!;
        if (!(x > 2 && y > 2 && x < SIZE - 3 && y < SIZE - 3)) continue;
        // Nothing of a mask for some pixels around: the mesh is drawn as triangles, and where it is seen from the side a pixel holds more of it.
        const around = isSteep(k) ? 14 : 5;
        const empty = masks.every((mask) => {
          for (let j = -around; j <= around; j++)
            for (let h = -around; h <= around; h++)
              if (mask[(Math.floor(v * MASK) + j) * MASK + Math.floor(u * MASK) + h]! > 0) return false;
          return true;
        });
        const most = Math.max(
          ...none.colour([x, y]).map((c, n) => Math.abs(c - worn.colour([x, y])[n]!) * 255),
        );
        if (empty) {
          outside++;
          expect(most, `${performer}, look ${i}, landmark ${k}`).toBeLessThanOrEqual(3);
        } else if (most > 3) changed++;
      }
      expect(changed).toBeGreaterThan(30);
      // A matte look lies on all of the skin.
      if (!layers.some(({ region }) => region === 'skin')) expect(outside).toBeGreaterThan(60);
    }
  });
});

test.describe('gloss within a region', () => {
  /** How much the highlight adds at most, of 255, and its middle. */
  const highlight = (none: Picture, wet: Picture) => {
    let [most, weight, x, y] = [0, 0, 0, 0];
    for (let i = 0; i < none.data.length; i += 4) {
      const more = wet.data[i + 1]! - none.data[i + 1]!;
      most = Math.max(most, more);
      if (more < 20) continue;
      weight += more;
      x += more * ((i / 4) % SIZE);
      y += more * Math.floor(i / 4 / SIZE);
    }
    return { most, at: [x / weight, y / weight] as const };
  };
  const wet = (region: 'lids' | 'lips') =>
    look(
      {
        region: 'face',
        coversEyes: false,
        coversMouth: false,
        tint: '#ffffff',
        blend: 'multiply',
        finish: 'gloss',
        maskedBy: id(1),
      },
      { region, tint: '#ffffff', opacity: 0 },
    );
  const seen = async (performer: string, region: 'lids' | 'lips', change: object) => {
    const view = { ...near(performer), ...change };
    return highlight(await draw({ effect: bare, ...view }), await draw({ effect: wet(region), ...view }));
  };
  const SHUT = { eyeBlinkLeft: 1, eyeBlinkRight: 1 };

  for (const performer of ['wren', 'marin', 'asha', 'tobe'])
    test(`${performer}: it flashes on shut lids, and wanders over them as the head turns`, async () => {
      const turned = await seen(performer, 'lids', { expressions: SHUT, turn: [0, -12, 0] });
      const straight = await seen(performer, 'lids', { expressions: SHUT });
      for (const { most } of [turned, straight]) expect(most).toBeGreaterThan(35);
      expect(Math.hypot(turned.at[0] - straight.at[0], turned.at[1] - straight.at[1])).toBeGreaterThan(2);
    });

  test('on lips it goes with them as they open and smile', async () => {
    for (const performer of ['wren', 'tobe']) {
      const shut = await seen(performer, 'lips', {});
      const smile = await seen(performer, 'lips', {
        expressions: { mouthSmileLeft: 0.9, mouthSmileRight: 0.9, jawOpen: 0.35 },
      });
      for (const { most } of [shut, smile]) expect(most).toBeGreaterThan(60);
      expect(Math.hypot(smile.at[0] - shut.at[0], smile.at[1] - shut.at[1])).toBeGreaterThan(2);
    }
  });
});
