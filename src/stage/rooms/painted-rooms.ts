/** Rooms far out of focus behind people: painted small and shown large, they are as soft as a lens would make them. */
import { Group, LinearFilter, Mesh, MeshBasicMaterial, PlaneGeometry } from 'three';
import { Random } from '../../core/maths/random';
import { paintCanvas, spot, textureOf, type Context } from '../performer/canvas';
import { markPart } from '../parts';

const [WIDTH, HEIGHT] = [90, 120];

const livingRoom = (g: Context): void => {
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
};

const paper = (g: Context): void => {
  const sheet = g.createLinearGradient(0, 0, 0, HEIGHT);
  sheet.addColorStop(0, '#d9d4cb');
  sheet.addColorStop(0.7, '#c2bcb2');
  sheet.addColorStop(1, '#a49e95');
  g.fillStyle = sheet;
  g.fillRect(0, 0, WIDTH, HEIGHT);
  spot(g, 45, 52, 46, 56, (o) => `rgba(255,252,244,${o})`, 0.5);
};

const shore = (g: Context): void => {
  const sky = g.createLinearGradient(0, 0, 0, 66);
  sky.addColorStop(0, '#8fb4d2');
  sky.addColorStop(0.7, '#f0d9b8');
  sky.addColorStop(1, '#f6c98d');
  g.fillStyle = sky;
  g.fillRect(0, 0, WIDTH, 66);
  spot(g, 72, 58, 24, 22, (o) => `rgba(255,238,190,${o})`, 0.95);
  g.filter = 'blur(1px)';
  const sea = g.createLinearGradient(0, 64, 0, 84);
  sea.addColorStop(0, '#7b9aa3');
  sea.addColorStop(1, '#45707a');
  g.fillStyle = sea;
  g.fillRect(-4, 64, WIDTH + 8, 22);
  g.fillStyle = 'rgba(255,224,168,0.75)';
  for (let i = 0; i < 8; i++) g.fillRect(66 - i * 0.6, 66 + i * 2.2, 12 + i * 1.4, 0.8);
  g.fillStyle = '#b99c76';
  g.fillRect(-4, 84, WIDTH + 8, 40);
  g.fillStyle = '#4d5a50';
  g.beginPath();
  g.moveTo(-4, 66);
  g.quadraticCurveTo(10, 54, 26, 66);
  g.fill();
  g.filter = 'none';
};

const night = (g: Context): void => {
  const wall = g.createLinearGradient(0, 0, WIDTH, HEIGHT);
  wall.addColorStop(0, '#4a4d63');
  wall.addColorStop(0.6, '#2f2f40');
  wall.addColorStop(1, '#57412f');
  g.fillStyle = wall;
  g.fillRect(0, 0, WIDTH, HEIGHT);
  const random = new Random(8);
  for (let n = 0; n < 26; n++) {
    const warm = random.next() < 0.7;
    const [x, y, r] = [random.between(4, 86), random.between(12, 78), random.between(1.8, 4.2)];
    spot(
      g,
      x,
      y,
      r,
      r,
      (o) => (warm ? `rgba(255,206,130,${o})` : `rgba(150,196,255,${o})`),
      random.between(0.35, 0.85),
    );
  }
  spot(g, 84, 46, 26, 30, (o) => `rgba(255,190,110,${o})`, 0.9);
};

const PAINTERS: Readonly<Record<string, (g: Context) => void>> = {
  'living-room': livingRoom,
  paper,
  shore,
  night,
};

/** The wall behind people; null when there is no painted room of this name. */
export const paintedRoom = (id: string): { group: Group; material: MeshBasicMaterial } | null => {
  const paint = PAINTERS[id];
  if (!paint) return null;
  const { canvas, context } = paintCanvas(WIDTH, HEIGHT);
  paint(context);
  const texture = textureOf(canvas);
  texture.magFilter = LinearFilter;
  const material = new MeshBasicMaterial({ map: texture, toneMapped: false });
  const back = new Mesh(new PlaneGeometry(3.2, 2.76), material);
  back.position.set(0, 0.07, -2.4);
  const group = new Group();
  markPart(group, 'background');
  group.add(back);
  return { group, material };
};
