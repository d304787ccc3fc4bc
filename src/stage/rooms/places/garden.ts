/** A gravel path between trees. */
import {
  Color,
  CylinderGeometry,
  Group,
  IcosahedronGeometry,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  SphereGeometry,
} from 'three';
import { Random } from '../../../core/maths/random';
import { EYE_HEIGHT } from '../../../core/takes/library/rooms';
import { css, type Context } from '../../performer/canvas';
import { painted, lit, put, ground, contact } from './parts';

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

export const garden = (): Group => {
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
