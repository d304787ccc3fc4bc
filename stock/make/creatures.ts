/** Sea creatures with clips: shapes that change, bones that bend, parts that turn. */
import type { Document, Node } from '@gltf-transform/core';
import { fromAxisAngle, multiplyQuaternions } from '../../src/core/maths/quaternion';
import { grid, joined, Maker, moved, revolve, sphere, stand, tube, turnedOver, type Shape } from './mesh';

const TAU = 2 * Math.PI;

/** A jellyfish that pulses: its bell and arms change into a drawn-in shape and back. */
const jellyfish = (m: Maker): void => {
  const bell = (closed: number): Shape =>
    revolve(
      (v) => {
        const a = v * 0.62 * Math.PI;
        const scallop = v > 0.8 ? 1 + 0.02 * Math.sin(v * 60) : 1;
        const r = 0.05 * Math.sin(a) * scallop * (1 - closed * 0.34 * v);
        return [r, 0.045 * Math.cos(a) + closed * 0.012 * (v - 0.3)];
      },
      48,
      28,
    );
  const arms = (closed: number): Shape =>
    joined(
      ...Array.from({ length: 10 }, (_, i) => {
        const a = (i / 10) * TAU;
        const inner = i % 2 === 0;
        const r = inner ? 0.012 : 0.038 * (1 - 0.3 * closed);
        const long = inner ? 0.09 : 0.13;
        return tube(
          (t) => {
            const sway = 0.008 * t * Math.sin(t * 9 + i * 1.3 + closed * 1.6);
            const out = r * (1 - 0.35 * t) + sway;
            return [
              out * Math.cos(a + t * 0.4),
              0.012 - t * long * (1 - 0.12 * closed),
              out * Math.sin(a + t * 0.4),
            ];
          },
          (t) => (inner ? 0.0042 : 0.0013) * (1 - 0.8 * t) * (inner ? 1 + 0.3 * Math.sin(t * 40) : 1),
          28,
          inner ? 8 : 6,
        );
      }),
    );
  const skin = m.material('Bell', [0.86, 0.56, 0.74], {
    roughness: 0.25,
    opacity: 0.62,
    emission: [0.05, 0.015, 0.045],
    twoSided: true,
  });
  const flesh = m.material('Arms', [0.95, 0.74, 0.84], {
    roughness: 0.4,
    opacity: 0.78,
    emission: [0.04, 0.015, 0.03],
  });
  const top = m.part('Jellyfish', bell(0), skin);
  const below = m.part('Arms', arms(0), flesh, top);
  m.morph(top, 'Pulse', bell(1));
  m.morph(below, 'Pulse', arms(1));
  // Drawn in quickly, let go slowly.
  const pulse = (t: number): number =>
    t < 0.3 ? Math.sin((t / 0.3) * (Math.PI / 2)) : Math.cos(((t - 0.3) / 0.7) * (Math.PI / 2)) ** 1.5;
  m.clip(
    'Drift',
    2.4,
    [
      { node: top, path: 'weights', value: (t) => [pulse(t)] },
      { node: below, path: 'weights', value: (t) => [pulse((t + 0.9) % 1)] },
      { node: top, path: 'translation', value: (t) => [0, 0.13 + 0.012 * Math.sin(t * TAU - 1), 0] },
    ],
    25,
  );
};

/** A fish with five bones along its back. */
const fish = (m: Maker): void => {
  const LENGTH = 0.16;
  const body = grid(28, 40, (u, v) => {
    const a = -u * TAU;
    const x = LENGTH * (0.5 - v);
    const tall = 0.032 * Math.sin(Math.PI * Math.min(1, v * 0.92 + 0.02)) ** 0.8 * (1 - 0.55 * v) + 0.001;
    return [x, tall * 1.25 * Math.sin(a), tall * 0.62 * Math.cos(a)];
  });
  const fin = (outline: (u: number, v: number) => readonly [number, number]): Shape =>
    grid(10, 10, (u, v) => {
      const [x, y] = outline(u, v);
      return [x, y, 0.0006 * Math.sin(u * 20)];
    });
  const tail = fin((u, v) => [
    -LENGTH / 2 - 0.036 * v * (0.7 + 0.6 * Math.abs(u - 0.5)),
    (u - 0.5) * (0.012 + 0.062 * v),
  ]);
  const back = fin((u, v) => [0.03 - 0.06 * u, 0.022 + 0.02 * v * Math.sin(Math.PI * (0.15 + 0.8 * u))]);
  const orange = m.material('Scales', [0.93, 0.38, 0.11], { roughness: 0.34, clearcoat: 0.6 });
  const pale = m.material('Fins', [0.98, 0.72, 0.4], { roughness: 0.5, opacity: 0.88, twoSided: true });
  const BONES = 5;
  const bones: Node[] = [];
  for (let i = 0; i < BONES; i++) {
    const step = LENGTH / BONES;
    const bone = m.document
      .createNode(`Bone ${i + 1}`)
      .setTranslation(i === 0 ? [LENGTH / 2, 0, 0] : [-step, 0, 0]);
    if (i === 0) m.scene.addChild(bone);
    else bones[i - 1]!.addChild(bone);
    bones.push(bone);
  }
  const inverse = new Float32Array(BONES * 16);
  for (let i = 0; i < BONES; i++) {
    inverse.set([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, -(LENGTH / 2 - (i * LENGTH) / BONES), 0, 0, 1], i * 16);
  }
  const skin = m.document
    .createSkin('Back')
    .setInverseBindMatrices(m.accessor('SCALAR', inverse).setType('MAT4'));
  for (const bone of bones) skin.addJoint(bone);
  const skinned = (name: string, shape: Shape, material: ReturnType<Maker['material']>): void => {
    const node = m.part(name, shape, material).setSkin(skin);
    const count = shape.positions.length / 3;
    const joints = new Uint8Array(count * 4);
    const weights = new Float32Array(count * 4);
    for (let i = 0; i < count; i++) {
      const along = Math.min(
        BONES - 1,
        Math.max(0, ((LENGTH / 2 - shape.positions[i * 3]!) / LENGTH) * BONES - 0.5),
      );
      const [a, part] = [Math.floor(along), along - Math.floor(along)];
      joints.set([a, Math.min(BONES - 1, a + 1), 0, 0], i * 4);
      weights.set([1 - part, part, 0, 0], i * 4);
    }
    node
      .getMesh()!
      .listPrimitives()[0]!
      .setAttribute('JOINTS_0', m.accessor('VEC4', joints))
      .setAttribute('WEIGHTS_0', m.accessor('VEC4', weights));
  };
  skinned('Body', body, orange);
  skinned('Fins', joined(tail, back, turnedOver(back, 0.8)), pale);
  skinned(
    'Eyes',
    joined(sphere(0.0042, [0.062, 0.007, 0.0105], 14, 10), sphere(0.0042, [0.062, 0.007, -0.0105], 14, 10)),
    m.material('Eyes', [0.02, 0.02, 0.03], { roughness: 0.12 }),
  );
  m.clip(
    'Swim',
    1.2,
    bones.slice(1).map((node, i) => ({
      node,
      path: 'rotation' as const,
      value: (t: number) => fromAxisAngle([0, 1, 0], (5 + 4 * i) * Math.sin(t * TAU - i * 0.8)),
    })),
  );
};

/** A starfish whose arms curl. */
const starfish = (m: Maker): void => {
  const star = (curl: number): Shape =>
    grid(100, 26, (u, v) => {
      const a = u * TAU;
      const arm = 0.5 + 0.5 * Math.cos(5 * a);
      const r = 0.055 * (0.3 + 0.7 * arm ** 1.6);
      const b = v * Math.PI;
      const out = r * Math.sin(b);
      const thick = 0.011 * (1 - 0.55 * (out / 0.055));
      const lift = curl * 0.03 * (out / 0.055) ** 2.2;
      const bumps = v < 0.5 ? 0.0008 * Math.sin(15 * a) * Math.sin(10 * b) : 0;
      return [out * Math.sin(a), thick * Math.cos(b) + 0.011 + lift + bumps, out * Math.cos(a)];
    });
  const node = m.part('Starfish', star(0), m.material('Skin', [0.86, 0.34, 0.2], { roughness: 0.75 }));
  m.morph(node, 'Curl', star(1));
  m.clip('Wave', 2, [{ node, path: 'weights', value: (t) => [0.5 - 0.5 * Math.cos(t * TAU)] }]);
};

/** A crab that walks on the spot and snaps. */
const crab = (m: Maker): void => {
  const red = m.material('Shell', [0.74, 0.2, 0.12], { roughness: 0.45, clearcoat: 0.4 });
  const pale = m.material('Joints', [0.9, 0.55, 0.4], { roughness: 0.6 });
  const body = m.part(
    'Body',
    moved(
      grid(40, 22, (u, v) => {
        const [a, b] = [u * TAU, v * Math.PI];
        const wide = 0.05 + 0.006 * Math.cos(2 * a);
        return [
          wide * Math.sin(b) * Math.sin(a),
          0.02 * Math.cos(b) + (b < 1.6 ? 0.0012 * Math.sin(9 * a) * Math.sin(b) : 0),
          0.036 * Math.sin(b) * Math.cos(a),
        ];
      }),
      [0, 0, 0],
    ),
    red,
    null,
    [0, 0.04, 0],
  );
  const tracks: { node: Node; path: 'rotation'; value: (t: number) => readonly number[] }[] = [];
  for (const side of [1, -1])
    for (let i = 0; i < 4; i++) {
      const z = -0.022 + i * 0.013;
      const leg = m.part(
        `Leg ${side > 0 ? 'left' : 'right'} ${i + 1}`,
        tube(
          (t) => [
            side * (0.045 * t + 0.012 * t * t),
            t < 0.45 ? 0.03 * t : 0.0135 - 0.1 * (t - 0.45),
            z * t * 0.8,
          ],
          (t) => 0.0046 * (1 - 0.72 * t),
          24,
          8,
        ),
        pale,
        body,
        [side * 0.034, -0.004, z],
      );
      const shift = (i % 2) * 0.5 + (side > 0 ? 0 : 0.5);
      tracks.push({
        node: leg,
        path: 'rotation',
        value: (t) =>
          multiplyQuaternions(
            fromAxisAngle([0, 1, 0], 9 * Math.sin((t * 2 + shift) * TAU)),
            fromAxisAngle([0, 0, 1], side * 8 * Math.max(0, Math.cos((t * 2 + shift) * TAU))),
          ),
      });
    }
  for (const side of [1, -1]) {
    const arm = m.part(
      `Arm ${side > 0 ? 'left' : 'right'}`,
      tube(
        (t) => [side * 0.03 * t, 0.012 * Math.sin(t * 3), 0.04 * t],
        (t) => 0.006 * (1 - 0.25 * t),
        20,
        10,
      ),
      red,
      body,
      [side * 0.03, 0, 0.026],
    );
    const claw = (sign: number): Shape =>
      grid(14, 18, (u, v) => {
        const a = u * TAU;
        const t = v;
        const thick = 0.0085 * Math.sin(Math.PI * Math.min(1, 0.12 + 0.88 * (1 - t))) ** 0.7;
        return [
          thick * 0.8 * Math.sin(a),
          sign * 0.011 * Math.sin(t * 2.4) * (sign > 0 ? 1 : 0.75) + thick * Math.cos(a) * 0.8,
          0.034 * t,
        ];
      });
    m.part('Claw', claw(1), red, arm, [side * 0.03, 0.0025, 0.04]);
    const jaw = m.part('Pincer', claw(-1), red, arm, [side * 0.03, -0.001, 0.041]);
    tracks.push({
      node: jaw,
      path: 'rotation',
      value: (t) => fromAxisAngle([1, 0, 0], 16 * Math.max(0, Math.sin(t * TAU + (side > 0 ? 0 : 2)))),
    });
  }
  const eyes = joined(
    ...[1, -1].flatMap((s) => [
      tube(
        (t) => [s * 0.014, 0.014 + 0.016 * t, 0.026],
        () => 0.0018,
        8,
        8,
      ),
      sphere(0.0042, [s * 0.014, 0.033, 0.026], 14, 10),
    ]),
  );
  m.part('Eyes', eyes, m.material('Eyes', [0.03, 0.025, 0.03], { roughness: 0.15 }), body);
  m.clip('Scuttle', 1.4, tracks, 29);
  stand(m.document);
};

/** A shell whose lid opens over a pearl. */
const shell = (m: Maker): void => {
  const half = (side: number): Shape =>
    grid(64, 24, (u, v) => {
      const a = (u - 0.5) * Math.PI * 0.94;
      const r = 0.055 * v * (1 + 0.012 * Math.cos(u * 26 * Math.PI) * v);
      const dome =
        0.018 * Math.sin(Math.PI * Math.min(1, v * 0.86 + 0.1)) + 0.0011 * Math.cos(u * 26 * Math.PI) * v;
      return [r * Math.sin(a), side * dome, r * Math.cos(a)];
    });
  const out = m.material('Ribs', [0.86, 0.62, 0.52], { roughness: 0.55, twoSided: true });
  const base = m.part('Lower half', half(-1), out, null, [0, 0.02, -0.028]);
  const lid = m.part('Lid', half(1), out, base);
  m.part(
    'Pearl',
    sphere(0.0095, [0, -0.004, 0.034], 28, 18),
    m.material('Pearl', [0.95, 0.93, 0.9], { roughness: 0.2, clearcoat: 0.9, sheen: 0.5 }),
    base,
  );
  m.clip('Open', 3, [
    {
      node: lid,
      path: 'rotation',
      value: (t) => fromAxisAngle([1, 0, 0], -46 * (0.5 - 0.5 * Math.cos(t * TAU))),
    },
  ]);
};

/** A sea turtle that paddles. */
const turtle = (m: Maker): void => {
  const green = m.material('Skin', [0.28, 0.42, 0.24], { roughness: 0.7 });
  const top = m.part(
    'Shell',
    grid(48, 26, (u, v) => {
      const [a, b] = [u * TAU, v * Math.PI];
      const long = 0.062 * (1 + 0.08 * Math.cos(a));
      const plates = b < 1.6 ? 0.0016 * Math.cos(6 * a) * Math.cos(5 * b) : 0;
      return [
        0.05 * Math.sin(b) * Math.sin(a),
        (b < Math.PI / 2 ? 0.026 : 0.009) * Math.cos(b) + plates,
        long * Math.sin(b) * Math.cos(a),
      ];
    }),
    m.material('Plates', [0.36, 0.24, 0.1], { roughness: 0.4, clearcoat: 0.6 }),
    null,
    [0, 0.03, 0],
  );
  m.part(
    'Head',
    joined(
      moved(sphere(0.0145, [0, 0, 0], 24, 16), [0, 0.004, 0.082]),
      tube(
        (t) => [0, 0.001 + 0.003 * t, 0.055 + 0.025 * t],
        () => 0.0095,
        10,
        14,
      ),
    ),
    green,
    top,
  );
  m.part(
    'Eyes',
    joined(sphere(0.0026, [0.0105, 0.008, 0.09], 12, 8), sphere(0.0026, [-0.0105, 0.008, 0.09], 12, 8)),
    m.material('Eyes', [0.02, 0.02, 0.02], { roughness: 0.1 }),
    top,
  );
  const flipper = (side: number, long: number): Shape =>
    grid(18, 16, (u, v) => {
      // The other side is a mirror image: it is gone around the other way.
      const a = -side * u * TAU;
      const w = 0.0135 * Math.sin(Math.PI * Math.min(1, 0.22 + 0.78 * (1 - v))) ** 0.7;
      return [side * long * v, 0.0028 * Math.cos(a) * (1 - 0.6 * v), w * Math.sin(a) - 0.026 * v * v];
    });
  const tracks = (
    [
      ['Front left', 1, 0.07, 0.034],
      ['Front right', -1, 0.07, 0.034],
      ['Back left', 1, 0.036, -0.04],
      ['Back right', -1, 0.036, -0.04],
    ] as const
  ).map(([name, side, long, z]) => {
    const node = m.part(name, flipper(side, long), green, top, [side * 0.038, -0.002, z]);
    const shift = z < 0 ? 0.4 : 0;
    return {
      node,
      path: 'rotation' as const,
      value: (t: number) =>
        multiplyQuaternions(
          fromAxisAngle([0, 0, 1], side * 26 * Math.sin((t + shift) * TAU)),
          fromAxisAngle([0, 1, 0], side * 14 * Math.cos((t + shift) * TAU)),
        ),
    };
  });
  m.clip('Paddle', 2.2, tracks, 21);
  stand(m.document);
};

export const creatures = (): Map<string, Document> =>
  new Map(
    Object.entries({
      Jellyfish: jellyfish,
      Fish: fish,
      Starfish: starfish,
      Crab: crab,
      'Shell with pearl': shell,
      Turtle: turtle,
    }).map(([name, make]) => {
      const maker = new Maker();
      make(maker);
      return [name, maker.document];
    }),
  );
