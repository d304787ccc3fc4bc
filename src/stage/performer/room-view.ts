/** A quiet room out of focus: warm wall, window light, a shelf, a plant. */
import { Group, LinearFilter, Mesh, MeshBasicMaterial, PlaneGeometry } from 'three';
import { paintCanvas, spot, textureOf } from './canvas';

/** Painted this small and shown large, the room is as soft as a lens would make it. */
const [WIDTH, HEIGHT] = [90, 120];

export const roomView = (): Group => {
  const { canvas, context: g } = paintCanvas(WIDTH, HEIGHT);
  const wall = g.createLinearGradient(0, 0, WIDTH, HEIGHT);
  wall.addColorStop(0, '#cfc6b8');
  wall.addColorStop(0.55, '#b3aa9d');
  wall.addColorStop(1, '#8d877f');
  g.fillStyle = wall;
  g.fillRect(0, 0, WIDTH, HEIGHT);
  spot(g, 22, 26, 52, 60, (o) => `rgba(255,244,222,${o})`, 0.55);
  const block = (fill: string, x: number, y: number, w: number, h: number) => {
    g.fillStyle = fill;
    g.fillRect(x, y, w, h);
  };
  g.filter = 'blur(1.2px)';
  block('#8c755f', 50, 62, 18, 2.6);
  block('#5f7a78', 52, 50, 2.2, 12);
  block('#b98565', 54.6, 48, 1.8, 14);
  block('#d9cdb8', 57, 52, 2.4, 10);
  block('#e8e0d2', 31, 40, 8, 22);
  block('#94aaa8', 32.4, 44, 5.2, 14);
  for (const [x, y, r] of [
    [61, 52, 3],
    [63, 46, 3.4],
    [60, 43, 2.8],
    [64, 56, 2.6],
  ] as const)
    spot(g, x, y, r, r * 2, (o) => `rgba(74,98,74,${o})`, 0.9);
  g.filter = 'none';
  const texture = textureOf(canvas);
  texture.magFilter = LinearFilter;
  const group = new Group();
  const back = new Mesh(
    new PlaneGeometry(2.2, 1.9),
    new MeshBasicMaterial({ map: texture, toneMapped: false }),
  );
  back.position.set(0, 0.05, -1.6);
  group.add(back);
  return group;
};
