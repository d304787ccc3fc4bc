/** A kitchen table with a vase and fruit. */
import {
  BoxGeometry,
  Color,
  Group,
  LatheGeometry,
  Mesh,
  MeshLambertMaterial,
  SphereGeometry,
  Vector2,
} from 'three';
import { EYE_HEIGHT, TABLE_AT, TABLE_SIZE, TABLE_TOP } from '../../../core/takes/library/rooms';
import { painted, boards, lit, put, ground, contact, walls } from './parts';

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

export const kitchen = (): Group => {
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
