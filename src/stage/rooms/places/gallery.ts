/** A wall with pictures. */
import { BoxGeometry, Group, Mesh, PlaneGeometry } from 'three';
import { Random } from '../../../core/maths/random';
import { EYE_HEIGHT, WALL_AT } from '../../../core/takes/library/rooms';
import { css } from '../../performer/canvas';
import { painted, boards, lit, put, ground, walls } from './parts';

export const gallery = (): Group => {
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
