/** Eyeballs that follow the gaze, with a lid shadow and a catch light that stay put. */
import { BackSide, Group, Mesh, MeshBasicMaterial, MeshLambertMaterial, SphereGeometry } from 'three';
import { EYEBALL_RADIUS } from '../../core/face/neutral';
import { Random } from '../../core/maths/random';
import { eyeGaze, gazeOf, headMesh } from '../../core/takes/head-mesh';
import type { Performer } from '../../core/takes/performer';
import type { Expressions } from '../../core/tracking/track-frame';
import type { SkinTone } from '../../core/takes/skin-tones';
import type { Hex } from '../../core/units';
import { markPart } from '../parts';
import { css, paintCanvas, textureOf } from './canvas';

/** The white of an eye, on deep skin a little browner. */
const WHITES: Readonly<Record<SkinTone, Hex>> = {
  I: '#e9e3de',
  II: '#e8e2db',
  III: '#e5ded6',
  IV: '#dfd6cc',
  V: '#d6cbc0',
  VI: '#cfc2b6',
};

const eyeTexture = ({ iris, seed, tone }: Performer) => {
  const { canvas, context: g } = paintCanvas(512, 256);
  const random = new Random(seed);
  const white = WHITES[tone];
  g.fillStyle = white;
  g.fillRect(0, 0, 512, 256);
  // A three.js sphere shows u = 0.25 towards +Z.
  const [x, y, r] = [128, 128, 38];
  // Redder and darker towards the corners, where it lies deep, with a few fine vessels.
  const corners = g.createRadialGradient(x, y, 1.1 * r, x, y, 2.3 * r);
  corners.addColorStop(0, css('#a5685a', [1, 1, 1], 0));
  corners.addColorStop(1, css('#a5685a', [1, 1, 1], 0.42));
  g.fillStyle = corners;
  g.fillRect(0, 0, 512, 256);
  for (let i = 0; i < 26; i++) {
    const a = (i % 2) * Math.PI + random.between(-0.5, 0.5);
    const [from, to] = [random.between(2.1, 2.6) * r, random.between(1.35, 1.8) * r];
    g.strokeStyle = css('#b05a50', [1, 1, 1], random.between(0.1, 0.28));
    g.lineWidth = random.between(0.4, 0.9);
    g.beginPath();
    g.moveTo(x + from * Math.cos(a), y + from * Math.sin(a));
    g.quadraticCurveTo(
      x + 1.9 * r * Math.cos(a) + random.between(-5, 5),
      y + 1.9 * r * Math.sin(a) + random.between(-5, 5),
      x + to * Math.cos(a),
      y + to * Math.sin(a),
    );
    g.stroke();
  }
  const disc = (radius: number, fill: string | CanvasGradient) => {
    g.beginPath();
    g.arc(x, y, radius, 0, 2 * Math.PI);
    g.fillStyle = fill;
    g.fill();
  };
  const rim = g.createRadialGradient(x, y, r * 0.86, x, y, r * 1.12);
  rim.addColorStop(0, css(iris, [0.35, 0.35, 0.35]));
  rim.addColorStop(1, css(white, [1, 1, 1], 0));
  disc(r * 1.12, rim);
  const body = g.createRadialGradient(x, y, r * 0.3, x, y, r);
  body.addColorStop(0, css(iris, [1.35, 1.3, 1.1]));
  body.addColorStop(0.55, css(iris));
  body.addColorStop(1, css(iris, [0.45, 0.45, 0.45]));
  disc(r * 0.97, body);
  for (let i = 0; i < 150; i++) {
    const a = random.next() * 2 * Math.PI;
    const [from, to] = [random.between(0.38, 0.55) * r, random.between(0.6, 0.92) * r];
    const light = random.between(0.7, 1.7);
    g.strokeStyle = css(iris, [light, light, light], 0.3);
    g.lineWidth = random.between(0.6, 1.3);
    g.beginPath();
    g.moveTo(x + from * Math.cos(a), y + from * Math.sin(a));
    g.lineTo(x + to * Math.cos(a), y + to * Math.sin(a));
    g.stroke();
  }
  const pupil = g.createRadialGradient(x, y, r * 0.34, x, y, r * 0.42);
  pupil.addColorStop(0, '#0a0807');
  pupil.addColorStop(1, 'rgba(10,8,7,0)');
  disc(r * 0.42, pupil);
  return textureOf(canvas);
};

/** Dark at the top, clear below: what the upper lid throws on the eye. */
const shadeTexture = () => {
  const { canvas, context: g } = paintCanvas(8, 128);
  const fill = g.createLinearGradient(0, 0, 0, 128);
  fill.addColorStop(0, 'rgba(60,34,26,0.85)');
  fill.addColorStop(0.36, 'rgba(60,34,26,0.5)');
  fill.addColorStop(0.47, 'rgba(60,34,26,0)');
  fill.addColorStop(1, 'rgba(60,34,26,0)');
  g.fillStyle = fill;
  g.fillRect(0, 0, 8, 128);
  return textureOf(canvas);
};

const SOCKET: Hex = '#40231d';

export class EyesView {
  readonly group = new Group();
  private readonly balls: Group[] = [];
  private readonly glints: Mesh[] = [];

  constructor(performer: Performer) {
    markPart(this.group, 'eyes');
    const material = new MeshLambertMaterial({ map: eyeTexture(performer) });
    const shade = new MeshBasicMaterial({ map: shadeTexture(), transparent: true, depthWrite: false });
    // At the corners one sees past the eyeball: there is flesh behind it, not the inside of the head.
    const flesh = new MeshLambertMaterial({ color: SOCKET, side: BackSide });
    const glint = new MeshBasicMaterial({ color: 0xffffff, transparent: true, opacity: 0.92 });
    for (const [x, y, z] of headMesh(performer).eyes) {
      const holder = new Group();
      holder.position.set(x, y, z);
      const ball = new Group();
      const sphere = new Mesh(new SphereGeometry(EYEBALL_RADIUS, 32, 20), material);
      ball.add(sphere);
      const lid = new Mesh(new SphereGeometry(EYEBALL_RADIUS * 1.012, 20, 16), shade);
      lid.renderOrder = 1;
      const spark = new Mesh(new SphereGeometry(0.00085, 10, 8), glint);
      spark.position.set(-0.0026, 0.0032, EYEBALL_RADIUS * 0.985);
      holder.add(new Mesh(new SphereGeometry(EYEBALL_RADIUS * 1.35, 20, 16), flesh), ball, lid, spark);
      this.balls.push(ball);
      this.glints.push(spark);
      this.group.add(holder);
    }
  }

  update(expressions: Expressions): void {
    const gaze = gazeOf(expressions);
    this.balls.forEach((ball, eye) => {
      const { x, y } = eyeGaze(gaze, eye);
      ball.rotation.set((-y * Math.PI) / 180, (x * Math.PI) / 180, 0, 'YXZ');
    });
    const [right, left] = this.glints;
    right!.visible = (expressions.eyeBlinkRight ?? 0) < 0.35;
    left!.visible = (expressions.eyeBlinkLeft ?? 0) < 0.35;
  }
}
