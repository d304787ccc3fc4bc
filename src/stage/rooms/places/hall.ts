/** A hall with a wooden floor, a plant and a bench. */
import {
  BoxGeometry,
  CircleGeometry,
  Color,
  CylinderGeometry,
  Group,
  Mesh,
  MeshLambertMaterial,
  PlaneGeometry,
} from 'three';
import { Random } from '../../../core/maths/random';
import { EYE_HEIGHT } from '../../../core/takes/library/rooms';
import { painted, boards, lit, put, ground, contact, walls } from './parts';

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

export const hall = (): Group => {
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
