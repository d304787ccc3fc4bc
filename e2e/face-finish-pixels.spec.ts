/** How finishes of make-up catch light, in pixels. */
import { expect, test } from './harness/test';
import { regionCentre } from '../src/core/face/regions';
import type { Spot } from '../src/core/face/skin-spot';
import {
  CHEEK,
  SIZE,
  SKIN,
  bare,
  colour,
  draw,
  id,
  look,
  near,
  openFacePage,
  type Picture,
  type Spec,
} from './harness/face-pixels';

openFacePage();

test.describe('finishes', () => {
  const light = (x: number) => ({
    direction: [x, 0.35, Math.sqrt(1 - x * x - 0.35 ** 2)] as [number, number, number],
    colour: '#ffffff',
    brightness: 0.8,
  });
  /** The middle of what is brighter than the plain picture, in shares of the width, and the most of it. */
  const highlight = (drawn: Picture, level = 0.06) => {
    let [x, y, hits, most] = [0, 0, 0, 0];
    for (let i = 0; i < drawn.data.length; i += 4) {
      const more = drawn.data[i + 1]! / 255 - SKIN[1];
      most = Math.max(most, more);
      if (more < level) continue;
      hits++;
      x += (i / 4) % SIZE;
      y += Math.floor(i / 4 / SIZE);
    }
    return { x: x / hits / SIZE, y: y / hits / SIZE, hits, most };
  };
  const wet: Spec = { region: 'skin', tint: '#ffffff', blend: 'multiply', finish: 'gloss' };

  test('gloss mirrors the light from where it comes', async () => {
    const [left, right] = [
      highlight(await draw({ effect: look(wet), colour, light: light(-0.6) })),
      highlight(await draw({ effect: look(wet), colour, light: light(0.6) })),
    ];
    expect(left.hits).toBeGreaterThan(50);
    expect(left.x).toBeLessThan(right.x - 0.08);
    const none = highlight(
      await draw({ effect: look({ ...wet, finish: 'painted' }), colour, light: light(0) }),
    );
    expect(none.hits).toBe(0);
  });

  test('gloss limited by the lids shines on the lids only', async () => {
    const lids: Spec = { region: 'lids', tint: '#2f7f78', opacity: 0 };
    const size = { width: 640, height: 640 };
    const drawn = await draw({
      effect: look({ ...wet, maskedBy: id(1) }, lids),
      colour,
      light: light(0),
      ...size,
      spots: [regionCentre('lids') as unknown as Spot, CHEEK, regionCentre('noseTip') as unknown as Spot],
    });
    let [y, hits] = [0, 0];
    for (let i = 0; i < drawn.data.length; i += 4)
      if (drawn.data[i + 1]! / 255 - SKIN[1] > 0.012) {
        hits++;
        y += Math.floor(i / 4 / 640);
      }
    expect(hits).toBeGreaterThan(40);
    expect(Math.abs(y / hits - drawn.at[0]![1])).toBeLessThan(20);
    near(drawn.colour(drawn.at[1]!), SKIN, 1);
    near(drawn.colour(drawn.at[2]!), SKIN, 1);
  });

  test('satin is duller and wider than gloss, metal mirrors in its colour', async () => {
    const gloss = highlight(await draw({ effect: look(wet), colour, light: light(0.2) }));
    const satin = highlight(
      await draw({ effect: look({ ...wet, finish: 'satin' }), colour, light: light(0.2) }),
      0.02,
    );
    expect(satin.most).toBeLessThan(0.6 * gloss.most);
    const gold = await draw({
      effect: look({ region: 'skin', tint: '#c08a30', finish: 'metallic' }),
      colour,
      light: light(0.2),
    });
    let best = 0;
    for (let i = 0; i < gold.data.length; i += 4) if (gold.data[i]! > gold.data[best]!) best = i;
    expect(gold.data[best]! - gold.data[best + 2]!).toBeGreaterThan(40);
  });

  test('shimmer sparkles in points, which change as the face turns', async () => {
    const glitter: Spec = { ...wet, finish: 'shimmer' };
    const points = (drawn: Picture) => {
      const found = new Set<number>();
      for (let y = 1; y < SIZE - 1; y++)
        for (let x = 1; x < SIZE - 1; x++) {
          const i = 4 * (y * SIZE + x) + 1;
          const around =
            (drawn.data[i - 8]! +
              drawn.data[i + 8]! +
              drawn.data[i - 8 * SIZE]! +
              drawn.data[i + 8 * SIZE]!) /
            4;
          if (drawn.data[i]! - around > 14) found.add(i);
        }
      return found;
    };
    const first = points(await draw({ effect: look(glitter), colour, light: light(0.1) }));
    const turned = points(await draw({ effect: look(glitter), colour, light: light(0.1), turn: [0, 7, 0] }));
    const plain = points(
      await draw({ effect: look({ ...wet, finish: 'satin' }), colour, light: light(0.1) }),
    );
    expect(first.size).toBeGreaterThan(60);
    expect(plain.size).toBeLessThan(0.1 * first.size);
    const stayed = [...first].filter((i) => turned.has(i)).length;
    expect(stayed / first.size).toBeLessThan(0.6);
  });

  test('matte powder takes the shine off, and leaves the rest', async () => {
    // A face that is much lighter on its left half than as a whole.
    const shiny = 'mix(vec3(0.45, 0.33, 0.27), vec3(0.95, 0.85, 0.78), smoothstep(0.62, 0.66, vUv.x))';
    const spots: Spot[] = [CHEEK, [0.7, 0.5]];
    const none = await draw({ effect: bare, colour: shiny, spots });
    const powder = await draw({
      effect: look({ ...wet, finish: 'matte' }),
      colour: shiny,
      spots,
      light: light(0),
    });
    const [dark, lit] = none.at;
    expect(none.colour(lit!)[1] - powder.colour(lit!)[1]).toBeGreaterThan(0.06);
    near(powder.colour(dark!), none.colour(dark!), 4);
  });

  test('lit make-up is dark where the skin is in the shade, painted is not', async () => {
    const half = 'mix(vec3(0.7, 0.5, 0.4), vec3(0.25, 0.16, 0.12), step(0.5, vUv.x))';
    const spots: Spot[] = [
      [0.33, 0.55],
      [0.67, 0.55],
    ];
    const red: Spec = { region: 'skin', tint: '#c03040', opacity: 1 };
    const lit = await draw({
      effect: look({ ...red, finish: 'satin', shine: 0 }),
      colour: half,
      spots,
      light: light(0),
    });
    const painted = await draw({ effect: look(red), colour: half, spots });
    expect(lit.colour(lit.at[0]!)[0]).toBeGreaterThan(1.3 * lit.colour(lit.at[1]!)[0]);
    near(painted.colour(painted.at[0]!), painted.colour(painted.at[1]!), 1);
  });
});
