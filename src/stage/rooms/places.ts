/** Places the camera walks through: a hall, a kitchen table, a gallery wall, a garden path. */
import {
  BoxGeometry,
  CircleGeometry,
  Color,
  CylinderGeometry,
  Group,
  IcosahedronGeometry,
  LatheGeometry,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PlaneGeometry,
  RepeatWrapping,
  SphereGeometry,
  Vector2,
  type Material,
  type Object3D,
  type Texture,
} from 'three';
import { Random } from '../../core/maths/random';
import { EYE_HEIGHT, TABLE_AT, TABLE_SIZE, TABLE_TOP, WALL_AT } from '../../core/takes/library/rooms';
import { markPart } from '../parts';
import { css, paintCanvas, spot, textureOf, type Context } from '../performer/canvas';

const painted = (
  size: number,
  repeat: readonly [number, number],
  paint: (g: Context, size: number) => void,
): Texture => {
  const { canvas, context } = paintCanvas(size, size);
  paint(context, size);
  const texture = textureOf(canvas);
  texture.wrapS = texture.wrapT = RepeatWrapping;
  texture.repeat.set(...repeat);
  return texture;
};

/** Boards with grain, each of another tone: features for eyes and trackers to hold on to. */
const boards =
  (base: string, seed: number) =>
  (g: Context, size: number): void => {
    const random = new Random(seed);
    const rows = 6;
    for (let r = 0; r < rows; r++) {
      const y = (r / rows) * size;
      for (let x = -random.between(0, 0.5) * size; x < size;) {
        const long = random.between(0.35, 0.7) * size;
        const tone = random.between(0.82, 1.12);
        g.fillStyle = css(base, [tone, tone * random.between(0.97, 1.02), tone * 0.98]);
        g.fillRect(x, y, long, size / rows);
        for (let n = 0; n < 16; n++) {
          g.strokeStyle = css(base, [0.7, 0.66, 0.62], random.between(0.08, 0.3));
          g.lineWidth = random.between(0.5, 1.6);
          const gy = y + random.between(0.05, 0.95) * (size / rows);
          g.beginPath();
          g.moveTo(x, gy);
          g.bezierCurveTo(
            x + long * 0.3,
            gy + random.between(-4, 4),
            x + long * 0.6,
            gy + random.between(-4, 4),
            x + long,
            gy,
          );
          g.stroke();
        }
        g.strokeStyle = 'rgba(48,30,18,0.7)';
        g.lineWidth = 1.6;
        g.strokeRect(x, y, long, size / rows);
        x += long;
      }
    }
  };

const plaster =
  (base: string, seed: number) =>
  (g: Context, size: number): void => {
    const random = new Random(seed);
    g.fillStyle = base;
    g.fillRect(0, 0, size, size);
    for (let n = 0; n < 260; n++)
      spot(
        g,
        random.between(0, size),
        random.between(0, size),
        random.between(6, 46),
        random.between(6, 30),
        (o) => (random.next() < 0.5 ? `rgba(255,255,255,${o})` : `rgba(60,50,40,${o})`),
        0.05,
      );
  };

const gravel = (g: Context, size: number): void => {
  const random = new Random(5);
  g.fillStyle = '#b3a58c';
  g.fillRect(0, 0, size, size);
  for (let n = 0; n < 1500; n++) {
    const tone = random.between(0.6, 1.35);
    g.fillStyle = css('#a39478', [tone, tone, tone * 0.98], 0.85);
    g.beginPath();
    g.ellipse(
      random.between(0, size),
      random.between(0, size),
      random.between(1.5, 5),
      random.between(1.5, 4),
      random.between(0, 3),
      0,
      6.3,
    );
    g.fill();
  }
};
const grass = (g: Context, size: number): void => {
  const random = new Random(6);
  g.fillStyle = '#5c7a3e';
  g.fillRect(0, 0, size, size);
  for (let n = 0; n < 2600; n++) {
    const tone = random.between(0.6, 1.5);
    g.strokeStyle = css('#668846', [tone, tone, tone * 0.9], 0.7);
    g.lineWidth = random.between(0.8, 1.8);
    const [x, y] = [random.between(0, size), random.between(0, size)];
    g.beginPath();
    g.moveTo(x, y);
    g.lineTo(x + random.between(-3, 3), y - random.between(4, 11));
    g.stroke();
  }
};

const lit = (options: { map?: Texture; color?: string }): MeshLambertMaterial =>
  new MeshLambertMaterial({
    ...(options.map ? { map: options.map } : {}),
    ...(options.color ? { color: new Color(options.color) } : {}),
  });
const put = (parent: Object3D, mesh: Mesh, x: number, y: number, z: number): Mesh => {
  mesh.position.set(x, y, z);
  parent.add(mesh);
  return mesh;
};
const ground = (material: Material, width: number, depth: number): Mesh => {
  const mesh = new Mesh(new PlaneGeometry(width, depth), material);
  mesh.rotation.x = -Math.PI / 2;
  return mesh;
};

/** What standing things throw on the ground: a dark spot, so that they do not float where shadows are off. */
let spotTexture: Texture | null = null;
const contact = (parent: Object3D, x: number, y: number, z: number, wide: number, deep: number): void => {
  if (!spotTexture) {
    const { canvas, context } = paintCanvas(64, 64);
    spot(context, 32, 32, 32, 32, (o) => `rgba(20,14,8,${o})`, 0.62);
    spotTexture = textureOf(canvas);
  }
  const mesh = ground(
    new MeshBasicMaterial({
      map: spotTexture,
      transparent: true,
      depthWrite: false,
      polygonOffset: true,
      polygonOffsetFactor: -2,
    }),
    wide,
    deep,
  );
  put(parent, mesh, x, y + 0.001, z);
};

const vase = (colour: string, scale: number): Mesh =>
  new Mesh(
    new LatheGeometry(
      [
        [0.001, 0],
        [0.045, 0],
        [0.062, 0.05],
        [0.05, 0.11],
        [0.026, 0.15],
        [0.034, 0.175],
      ].map(([x, y]) => new Vector2(x! * scale, y! * scale)),
      36,
    ),
    new MeshLambertMaterial({ color: new Color(colour), side: 2 }),
  );

const plant = (seed: number): Group => {
  const group = new Group();
  const random = new Random(seed);
  const pot = new Mesh(new CylinderGeometry(0.16, 0.12, 0.26, 28), lit({ color: '#b0684a' }));
  put(group, pot, 0, 0.13, 0);
  for (let n = 0; n < 30; n++) {
    const leaf = new Mesh(
      new CircleGeometry(0.11, 10),
      new MeshLambertMaterial({
        color: new Color('#4f7a4a').multiplyScalar(random.between(0.6, 1.3)),
        side: 2,
      }),
    );
    leaf.scale.set(0.42, 1.5, 1);
    const a = random.between(0, 6.28);
    leaf.rotation.set(random.between(-0.9, -0.2), a, 0, 'YXZ');
    put(group, leaf, 0.14 * Math.sin(a), 0.42 + random.between(-0.05, 0.35), 0.14 * Math.cos(a));
  }
  return group;
};

const walls = (parent: Object3D, colour: string, seed: number, back: number, half: number): void => {
  const material = lit({ map: painted(256, [4, 2], plaster(colour, seed)) });
  put(parent, new Mesh(new PlaneGeometry(2 * half, 3.2), material), 0, -EYE_HEIGHT + 1.6, back);
  const left = put(
    parent,
    new Mesh(new PlaneGeometry(9, 3.2), material),
    -half,
    -EYE_HEIGHT + 1.6,
    back + 4.5,
  );
  left.rotation.y = Math.PI / 2;
  const right = put(
    parent,
    new Mesh(new PlaneGeometry(9, 3.2), material),
    half,
    -EYE_HEIGHT + 1.6,
    back + 4.5,
  );
  right.rotation.y = -Math.PI / 2;
  const ceiling = put(
    parent,
    new Mesh(new PlaneGeometry(2 * half, 9), lit({ color: '#f2eee6' })),
    0,
    -EYE_HEIGHT + 3.2,
    back + 4.5,
  );
  ceiling.rotation.x = Math.PI / 2;
  // Behind the camera, for paths that turn round.
  const front = put(
    parent,
    new Mesh(new PlaneGeometry(2 * half, 3.2), material),
    0,
    -EYE_HEIGHT + 1.6,
    back + 8,
  );
  front.rotation.y = Math.PI;
  put(
    parent,
    new Mesh(new BoxGeometry(2 * half, 0.1, 0.03), lit({ color: '#efe9de' })),
    0,
    -EYE_HEIGHT + 0.05,
    back + 0.015,
  );
};

const hall = (): Group => {
  const group = new Group();
  put(group, ground(lit({ map: painted(512, [3, 4], boards('#b98a5c', 3)) }), 6, 9), 0, -EYE_HEIGHT, -1);
  walls(group, '#d9d2c4', 7, -5, 3);
  const pot = plant(4);
  pot.position.set(-1.5, -EYE_HEIGHT, -4);
  contact(group, -1.5, -EYE_HEIGHT, -4, 0.7, 0.7);
  const bench = new Mesh(new BoxGeometry(1.5, 0.08, 0.4), lit({ color: '#7d5b40' }));
  put(group, bench, 1.4, -EYE_HEIGHT + 0.44, -4.3);
  for (const x of [0.8, 2])
    put(
      group,
      new Mesh(new BoxGeometry(0.07, 0.42, 0.36), lit({ color: '#5f432e' })),
      x,
      -EYE_HEIGHT + 0.21,
      -4.3,
    );
  contact(group, 1.4, -EYE_HEIGHT, -4.3, 1.9, 0.7);
  const picture = new Mesh(
    new PlaneGeometry(0.9, 0.62),
    new MeshLambertMaterial({
      map: painted(128, [1, 1], (g, size) => {
        const sky = g.createLinearGradient(0, 0, 0, size);
        sky.addColorStop(0, '#9fbcc4');
        sky.addColorStop(0.55, '#e9dcc0');
        sky.addColorStop(0.56, '#3f6d74');
        sky.addColorStop(1, '#24494f');
        g.fillStyle = sky;
        g.fillRect(0, 0, size, size);
      }),
    }),
  );
  put(group, new Mesh(new BoxGeometry(0.98, 0.7, 0.03), lit({ color: '#3a332b' })), -0.1, 0.1, -4.99);
  put(group, picture, -0.1, 0.1, -4.97);
  group.add(pot);
  return group;
};

const kitchen = (): Group => {
  const group = new Group();
  put(
    group,
    ground(
      lit({
        map: painted(256, [8, 8], (g, size) => {
          g.fillStyle = '#a9a093';
          g.fillRect(0, 0, size, size);
          g.fillStyle = '#8f877b';
          g.fillRect(0, 0, size / 2, size / 2);
          g.fillRect(size / 2, size / 2, size / 2, size / 2);
        }),
      }),
      8,
      8,
    ),
    0,
    -EYE_HEIGHT,
    -1,
  );
  walls(group, '#cfd6d2', 9, -3.6, 2.6);
  const top = new Mesh(new BoxGeometry(TABLE_SIZE[0], 0.035, TABLE_SIZE[1]), [
    lit({ color: '#8a6242' }),
    lit({ color: '#8a6242' }),
    lit({ map: painted(512, [1, 1], boards('#c79c6c', 12)) }),
    lit({ color: '#8a6242' }),
    lit({ color: '#8a6242' }),
    lit({ color: '#8a6242' }),
  ] as unknown as MeshLambertMaterial);
  put(group, top, TABLE_AT[0], TABLE_TOP - 0.0175, TABLE_AT[2]);
  for (const [sx, sz] of [
    [-1, -1],
    [1, -1],
    [-1, 1],
    [1, 1],
  ] as const)
    put(
      group,
      new Mesh(new BoxGeometry(0.06, 0.74, 0.06), lit({ color: '#75513a' })),
      sx * 0.48,
      TABLE_TOP - 0.4,
      TABLE_AT[2] + sz * 0.31,
    );
  contact(group, 0, -EYE_HEIGHT, TABLE_AT[2], 1.7, 1.3);
  put(group, vase('#2f6f73', 0.8), -0.4, TABLE_TOP, TABLE_AT[2] - 0.22);
  contact(group, -0.4, TABLE_TOP, TABLE_AT[2] - 0.22, 0.18, 0.18);
  const bowl = new Mesh(
    new SphereGeometry(0.085, 30, 14, 0, 6.3, Math.PI / 2, Math.PI / 2),
    new MeshLambertMaterial({ color: new Color('#e8dcc4'), side: 2 }),
  );
  put(group, bowl, 0.36, TABLE_TOP + 0.085, TABLE_AT[2] - 0.2);
  contact(group, 0.36, TABLE_TOP, TABLE_AT[2] - 0.2, 0.22, 0.22);
  for (const [x, z, colour] of [
    [0.34, -0.21, '#c98a34'],
    [0.39, -0.18, '#b8542f'],
    [0.36, -0.23, '#c9a23a'],
  ] as const)
    put(
      group,
      new Mesh(new SphereGeometry(0.035, 20, 14), lit({ color: colour })),
      x,
      TABLE_TOP + 0.075,
      TABLE_AT[2] + z,
    );
  return group;
};

const gallery = (): Group => {
  const group = new Group();
  put(group, ground(lit({ map: painted(512, [3, 2], boards('#9b8468', 21)) }), 8, 6), 0, -EYE_HEIGHT, -1);
  walls(group, '#e2ddd2', 31, WALL_AT, 3.2);
  const random = new Random(17);
  for (const [x, y, w, h, hue] of [
    [-1.35, 0.05, 0.42, 0.56, '#3f6d74'],
    [-0.62, 0.12, 0.34, 0.34, '#b1663f'],
    [0.75, 0.02, 0.5, 0.38, '#5d6b4a'],
    [1.5, 0.1, 0.36, 0.5, '#6d4a5f'],
  ] as const) {
    put(
      group,
      new Mesh(new BoxGeometry(w + 0.05, h + 0.05, 0.025), lit({ color: '#40372d' })),
      x,
      y,
      WALL_AT + 0.012,
    );
    const canvas = painted(128, [1, 1], (g, size) => {
      g.fillStyle = '#e9e2d2';
      g.fillRect(0, 0, size, size);
      for (let n = 0; n < 16; n++) {
        g.fillStyle = css(
          hue,
          [random.between(0.7, 1.6), random.between(0.7, 1.6), random.between(0.7, 1.6)],
          0.8,
        );
        g.beginPath();
        g.ellipse(
          random.between(0, size),
          random.between(0, size),
          random.between(6, 30),
          random.between(6, 30),
          0,
          0,
          6.3,
        );
        g.fill();
      }
    });
    put(group, new Mesh(new PlaneGeometry(w, h), lit({ map: canvas })), x, y, WALL_AT + 0.026);
  }
  return group;
};

const garden = (): Group => {
  const group = new Group();
  put(group, ground(lit({ map: painted(512, [10, 12], grass) }), 24, 28), 0, -EYE_HEIGHT - 0.004, -8);
  put(group, ground(lit({ map: painted(512, [1.4, 10], gravel) }), 1.5, 22), 0, -EYE_HEIGHT, -8);
  const random = new Random(19);
  const bark = lit({ color: '#6b5543' });
  for (let n = 0; n < 11; n++) {
    const side = n % 2 === 0 ? -1 : 1;
    const [x, z] = [side * random.between(1.6, 4.5), -1.4 - n * 1.05];
    const high = random.between(1.4, 2.6);
    put(group, new Mesh(new CylinderGeometry(0.07, 0.11, high, 9), bark), x, -EYE_HEIGHT + high / 2, z);
    const crown = new MeshLambertMaterial({
      color: new Color('#56793f').multiplyScalar(random.between(0.75, 1.25)),
      flatShading: true,
    });
    for (let k = 0; k < 3; k++) {
      const ball = new Mesh(new IcosahedronGeometry(random.between(0.45, 0.8), 2), crown);
      put(
        group,
        ball,
        x + random.between(-0.4, 0.4),
        -EYE_HEIGHT + high + random.between(0, 0.6),
        z + random.between(-0.4, 0.4),
      );
    }
    contact(group, x, -EYE_HEIGHT, z, 1.8, 1.8);
  }
  const sky = new Mesh(
    new SphereGeometry(18, 24, 12),
    new MeshBasicMaterial({
      side: 1,
      toneMapped: false,
      map: painted(64, [1, 1], (g, size) => {
        const fill = g.createLinearGradient(0, 0, 0, size);
        fill.addColorStop(0, '#7fa8cf');
        fill.addColorStop(0.5, '#e6e3d2');
        fill.addColorStop(0.56, '#7d936f');
        fill.addColorStop(1, '#56793f');
        g.fillStyle = fill;
        g.fillRect(0, 0, size, size);
      }),
    }),
  );
  group.add(sky);
  return group;
};

const PLACES: Readonly<Record<string, () => Group>> = { hall, kitchen, gallery, garden };

export const placeView = (id: string): Group | null => {
  const group = PLACES[id]?.() ?? null;
  if (group) markPart(group, 'background');
  return group;
};
