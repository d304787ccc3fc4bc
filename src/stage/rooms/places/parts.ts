/** What places are put together from: surfaces with grain, walls, contact shadows. */
import {
  BoxGeometry,
  Color,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PlaneGeometry,
  RepeatWrapping,
  type Material,
  type Object3D,
  type Texture,
} from 'three';
import { Random } from '../../../core/maths/random';
import { EYE_HEIGHT } from '../../../core/takes/library/rooms';
import { css, paintCanvas, spot, textureOf, type Context } from '../../performer/canvas';

export const painted = (
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
export const boards =
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

export const lit = (options: { map?: Texture; color?: string }): MeshLambertMaterial =>
  new MeshLambertMaterial({
    ...(options.map ? { map: options.map } : {}),
    ...(options.color ? { color: new Color(options.color) } : {}),
  });
export const put = (parent: Object3D, mesh: Mesh, x: number, y: number, z: number): Mesh => {
  mesh.position.set(x, y, z);
  parent.add(mesh);
  return mesh;
};
export const ground = (material: Material, width: number, depth: number): Mesh => {
  const mesh = new Mesh(new PlaneGeometry(width, depth), material);
  mesh.rotation.x = -Math.PI / 2;
  return mesh;
};

/** What standing things throw on the ground: a dark spot, so that they do not float where shadows are off. */
let spotTexture: Texture | null = null;
export const contact = (
  parent: Object3D,
  x: number,
  y: number,
  z: number,
  wide: number,
  deep: number,
): void => {
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

export const walls = (parent: Object3D, colour: string, seed: number, back: number, half: number): void => {
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
