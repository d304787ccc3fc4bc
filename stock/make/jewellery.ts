/** Jewellery in true size: what hangs has its pivot where it hangs, what is worn closes around the head. */
import type { Document, Node } from '@gltf-transform/core';
import { HEAD_PIECE_WIDTH } from '../../src/core/face/head-fit';
import { fromAxisAngle } from '../../src/core/maths/quaternion';
import { grid, joined, Maker, mapped, moved, revolve, sphere, tube, type Shape } from './mesh';

const gold = (m: Maker) => m.material('Gold', [0.94, 0.67, 0.28], { metallic: 1, roughness: 0.26 });
const silver = (m: Maker) => m.material('Silver', [0.86, 0.87, 0.88], { metallic: 1, roughness: 0.22 });
const pearl = (m: Maker) =>
  m.material('Pearl', [0.93, 0.9, 0.87], { roughness: 0.24, clearcoat: 0.8, sheen: 0.4 });
const seaGlass = (m: Maker) =>
  m.material('Sea glass', [0.32, 0.72, 0.66], { roughness: 0.35, opacity: 0.82 });

const hook = (r: number): Shape =>
  tube(
    (t) => [0, -0.004 + r * Math.cos(t * 4 - 2.3), r * Math.sin(t * 4 - 2.3)],
    () => 0.0006,
    24,
    8,
  );

const swing = (m: Maker, node: Node, degrees = 9): void =>
  m.clip('Swing', 1.6, [
    { node, path: 'rotation', value: (t) => fromAxisAngle([0, 0, 1], degrees * Math.sin(t * 2 * Math.PI)) },
  ]);

/** A worn pebble: a ball pushed out of round. */
const pebble = (x: number, y: number, z: number, bumps: number): Shape =>
  grid(28, 18, (u, v) => {
    const [a, b] = [u * 2 * Math.PI, v * Math.PI];
    const k = 1 + 0.08 * Math.sin(bumps * a) * Math.sin(b) + 0.06 * Math.cos(3 * b);
    return [x * k * Math.sin(b) * Math.sin(a), y * k * Math.cos(b), z * k * Math.sin(b) * Math.cos(a)];
  });

const MODELS: Record<string, (m: Maker) => void> = {
  'Hoop earring': (m) => {
    const top = m.part('Hoop earring', null, null);
    m.part(
      'Hoop',
      tube(
        (t) => [0, -0.022 + 0.02 * Math.cos(t * 2 * Math.PI), 0.02 * Math.sin(t * 2 * Math.PI)],
        (t) => 0.0012 + 0.0009 * Math.sin(t * Math.PI),
        72,
        14,
      ),
      gold(m),
      top,
    );
    swing(m, top);
  },
  'Pearl drop': (m) => {
    const top = m.part('Pearl drop', hook(0.004), gold(m));
    m.part(
      'Chain',
      tube(
        (t) => [0, -0.006 - 0.014 * t, 0],
        (t) => 0.0005 + 0.0004 * Math.abs(Math.sin(t * 20)),
        60,
        8,
      ),
      gold(m),
      top,
    );
    m.part(
      'Pearl',
      moved(
        revolve((v) => [0.0068 * Math.sin(v * Math.PI) * (0.72 + 0.28 * v), 0.009 * Math.cos(v * Math.PI)]),
        [0, -0.028, 0],
      ),
      pearl(m),
      top,
    );
    swing(m, top, 12);
  },
  'Sea-glass pendant': (m) => {
    const top = m.part(
      'Pendant',
      tube(
        (t) => [0.003 * Math.cos(t * 2 * Math.PI), 0.003 * Math.sin(t * 2 * Math.PI), 0],
        () => 0.0007,
        24,
        8,
      ),
      silver(m),
    );
    m.part(
      'Cap',
      moved(
        revolve((v) => [0.004 * Math.sin(v * Math.PI * 0.5), -0.002 - 0.004 * v], 24, 8),
        [0, -0.001, 0],
      ),
      silver(m),
      top,
    );
    m.part('Glass', moved(pebble(0.009, 0.014, 0.004, 4), [0, -0.019, 0]), seaGlass(m), top);
    swing(m, top, 7);
  },
  'Pearl necklace': (m) => {
    const pearls: Shape[] = [];
    const count = 44;
    for (let i = 0; i < count; i++) {
      const a = ((i + 0.5) / count) * 2 * Math.PI;
      const front = 0.5 + 0.5 * Math.cos(a);
      pearls.push(
        sphere(
          0.0038 + 0.0022 * front ** 2,
          [0.066 * Math.sin(a), -0.03 * front ** 3, 0.066 * Math.cos(a)],
          14,
          8,
        ),
      );
    }
    m.part('Pearls', joined(...pearls), pearl(m));
  },
  'Tide tiara': (m) => {
    const r = HEAD_PIECE_WIDTH / 2 + 0.003;
    // Two thirds of a circle, open at the back; waves rise to the front.
    const arc = (t: number) => (t - 0.5) * 4.2;
    const band = tube(
      (t) => [r * Math.sin(arc(t)), 0.004, r * Math.cos(arc(t))],
      () => 0.0022,
      96,
      12,
    );
    const wave = tube(
      (t) => {
        const a = arc(t);
        const rise = 0.042 * Math.cos(a / 2.1) ** 2;
        return [r * Math.sin(a), 0.006 + rise * (0.62 + 0.38 * Math.cos(a * 7)), r * Math.cos(a)];
      },
      (t) => 0.0014 + 0.0012 * Math.sin(t * Math.PI),
      220,
      10,
    );
    const drops: Shape[] = [];
    for (const k of [-3, -2, -1, 0, 1, 2, 3]) {
      const a = (k * 2 * Math.PI) / 7;
      const rise = 0.042 * Math.cos(a / 2.1) ** 2;
      if (rise > 0.004)
        drops.push(
          sphere(
            0.002 + 0.0035 * Math.cos(a / 2.1) ** 2,
            [r * Math.sin(a), 0.009 + rise, r * Math.cos(a)],
            20,
            12,
          ),
        );
    }
    const top = m.part('Tide tiara', joined(band, wave), silver(m));
    m.part('Drops', joined(...drops), pearl(m), top);
  },
  'Kelp crown': (m) => {
    const r = HEAD_PIECE_WIDTH / 2 + 0.005;
    const ring = tube(
      (t) => [
        r * Math.sin(t * 2 * Math.PI),
        0.008 + 0.002 * Math.sin(t * 24 * Math.PI),
        r * Math.cos(t * 2 * Math.PI),
      ],
      () => 0.0055,
      96,
      8,
    );
    const leaf = (angle: number, tall: number, lean: number): Shape =>
      mapped(
        grid(5, 17, (u, v) => {
          const h = (1 - v) * tall;
          const w =
            0.0115 * Math.sin(Math.PI * Math.min(1, v * 0.94 + 0.06)) * (0.75 + 0.25 * Math.sin(v * 30));
          const x = (u - 0.5) * 2 * w + lean * (h / tall) ** 2;
          const bend = 0.016 * (h / tall) ** 2 + 0.004 * Math.cos((u - 0.5) * 3);
          return [x, 0.008 + h, r + bend];
        }),
        ([x, y, z]) => [
          x * Math.cos(angle) + z * Math.sin(angle),
          y,
          z * Math.cos(angle) - x * Math.sin(angle),
        ],
        ([x, y, z]) => [
          x * Math.cos(angle) + z * Math.sin(angle),
          y,
          z * Math.cos(angle) - x * Math.sin(angle),
        ],
      );
    const leaves: Shape[] = [];
    for (let i = 0; i < 26; i++) {
      const a = (i / 26) * 2 * Math.PI;
      leaves.push(
        leaf(
          a,
          0.05 + 0.035 * (0.5 + 0.5 * Math.cos(a)) + 0.012 * Math.sin(i * 2.4),
          0.012 * Math.sin(i * 1.7),
        ),
      );
    }
    const top = m.part('Kelp crown', ring, m.material('Stipe', [0.06, 0.11, 0.045], { roughness: 0.6 }));
    m.part(
      'Fronds',
      joined(...leaves),
      m.material('Kelp', [0.045, 0.25, 0.07], { roughness: 0.42, clearcoat: 0.5, twoSided: true }),
      top,
    );
    const glass = Array.from({ length: 9 }, (_, i) => {
      const a = ((i - 4) / 9) * 2.6;
      return sphere(
        0.0055 - Math.abs(i - 4) * 0.0005,
        [(r + 0.005) * Math.sin(a), 0.009, (r + 0.005) * Math.cos(a)],
        18,
        12,
      );
    });
    m.part('Sea glass', joined(...glass), seaGlass(m), top);
  },
};

export const jewellery = (): Map<string, Document> =>
  new Map(
    Object.entries(MODELS).map(([name, make]) => {
      const maker = new Maker();
      make(maker);
      return [name, maker.document];
    }),
  );
