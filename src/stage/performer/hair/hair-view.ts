/** A performer's hair, put together by style. */
import { BufferGeometry, Group, Mesh, SphereGeometry, Float32BufferAttribute, Vector3 } from 'three';
import { shapedPoint } from '../../../core/face/head-shape';
import type { Performer } from '../../../core/takes/performer';
import type { Vec3 } from '../../../core/maths/vec3';
import { markPart } from '../../parts';
import { madeGeometry } from '../made-once';
import {
  capGeometry,
  capPoint,
  COVERED_HAIRLINE,
  fullOnTop,
  SHORT_HAIRLINE,
  SOFT_HAIRLINE,
  type Hairline,
} from './cap';
import { curlGeometry } from './curls';
import { BOB_ENDS, curtainGeometry, curtainPoint, FRINGE_ENDS, LONG_ENDS, type Ends } from './curtain';
import { looseEnds, type LooseEnds } from './loose-ends';
import { scarfGeometry } from './scarf';
import { hairMaterial, strandTexture, type Lag } from './strands';

const WHORL: Vec3 = [0.12, 0.9, -0.45];
const KNOT: Vec3 = [0, 0.72, -0.72];

export class HairView {
  readonly group = new Group();
  private readonly lag: Lag = { value: new Vector3() };

  constructor(private readonly performer: Performer) {
    markPart(this.group, 'hair');
    const styles: Record<Performer['hair']['style'], () => void> = {
      bald: () => undefined,
      short: () => this.short(),
      bob: () => this.hanging(BOB_ENDS, 0.014),
      long: () => this.hanging(LONG_ENDS, 0.0001),
      fringe: () => this.hanging(FRINGE_ENDS, 0.008),
      curly: () => this.curly(),
      bun: () => this.bun(),
      headScarf: () => this.scarf(),
    };
    styles[performer.hair.style]();
  }

  /** Hair hangs back by this, head space. */
  update(lag: Vec3): void {
    this.lag.value.fromArray(lag);
  }

  /** `name` tells it from the other parts of this hair. */
  private add(
    name: string | number,
    make: () => BufferGeometry,
    material: ReturnType<typeof hairMaterial>,
    shadow = true,
  ): void {
    const { hair, tone, seed, shape } = this.performer;
    const key = `hair ${name} ${JSON.stringify([hair, tone, seed, shape])}`;
    const mesh = new Mesh(madeGeometry(key, make), material);
    mesh.frustumCulled = false;
    mesh.userData.noShadow = !shadow;
    this.group.add(mesh);
  }

  /** A thin coloured ground, so that no skin shows between strands. */
  private ground(hairline: Hairline, lift = 0.0012, fade = 0.3): void {
    const { shape, hair, seed } = this.performer;
    this.add(
      'ground',
      () => capGeometry({ hairline, pole: WHORL, lift: (v) => lift * (1 - 0.5 * v), shape }),
      hairMaterial(this.lag, {
        map: strandTexture(hair.colour, { seed: seed + 1, ragged: 0.12 }),
        blended: true,
        alphaTest: 0.02,
        fade,
        hides: false,
      }),
    );
  }

  /** Single hairs, told apart by a name. */
  private ends(name: string, options: Omit<LooseEnds, 'colour' | 'seed'>): void {
    const { hair, seed } = this.performer;
    this.add(
      name,
      () => looseEnds({ ...options, colour: hair.colour, seed: seed + 30 + name.length }),
      hairMaterial(this.lag, { vertexColors: true }),
      false,
    );
  }

  private short(): void {
    const { shape, tone } = this.performer;
    this.ground(SHORT_HAIRLINE, 0.0012, 0.2);
    // Tight hair is cropped closer, and stands.
    const tight = tone === 'VI';
    const high = tight ? 0.003 : 0.006;
    const point = (degrees: number, v: number) =>
      capPoint(
        { hairline: SHORT_HAIRLINE, pole: WHORL, lift: (at) => fullOnTop(high)(at, 0.1) * 0.4, shape },
        degrees,
        v,
      );
    const of = { point, degrees: [0, 180], width: tight ? 0.00062 : 0.00075, shade: 0.62 } as const;
    const run = tight ? ([0.01, 0.03] as const) : ([0.05, 0.13] as const);
    const off = tight ? ([0.001, 0.0034] as const) : ([0.001, 0.0055] as const);
    this.ends('scalp', {
      ...of,
      count: tight ? 6500 : 6800,
      roots: [0.12, 0.95],
      run,
      off,
      wander: tight ? 2.5 : 1.2,
      points: tight ? 2 : 3,
    });
    // Finer and fewer at the hairline.
    this.ends('hairline', {
      ...of,
      count: 900,
      roots: [0.9, tight ? 0.985 : 1.01],
      run: tight ? [0.005, 0.02] : [0.02, 0.06],
      off: [0.0004, tight ? 0.0014 : 0.003],
      width: 0.0004,
      wander: 1.5,
      thinning: true,
      points: tight ? 2 : 3,
    });
  }

  private hanging(ends: Ends, partAt: number): void {
    const { shape, hair, seed } = this.performer;
    this.ground(COVERED_HAIRLINE);
    // The inner shell is seen only where the outer one thins out.
    for (const [lift, more, from] of [
      [0.006, 5, 0.62],
      [0.0105, 6, 0],
    ] as const)
      this.add(
        more,
        () => curtainGeometry({ ends, lift, shape, partAt, from }),
        hairMaterial(this.lag, {
          map: strandTexture(hair.colour, { seed: seed + more, ragged: 0.06 }),
          blended: true,
          alphaTest: 0.03,
          fade: 0.16,
          open: true,
          hides: from === 0,
        }),
      );
    const point = (lift: number) => (degrees: number, v: number) =>
      curtainPoint({ ends, lift, shape, partAt }, degrees, v);
    const of = { width: 0.00068, wander: 1.6, points: 3 };
    this.ends('over the face', {
      ...of,
      point: point(0.0075),
      count: 460,
      degrees: [0, 72],
      roots: [0.68, 0.88],
      run: [0.12, 0.2],
    });
    this.ends('around', {
      ...of,
      point: point(0.0095),
      count: 420,
      degrees: [48, 130],
      points: 2,
      roots: [0.66, 0.88],
      run: [0.12, 0.2],
      off: [0.0003, 0.003],
    });
  }

  private curly(): void {
    const { shape, hair, seed, tone } = this.performer;
    this.ground(SOFT_HAIRLINE, 0.004);
    const tight = tone === 'VI';
    this.add(
      'curls',
      () =>
        curlGeometry({
          colour: hair.colour,
          seed,
          shape,
          count: tight ? 1400 : 520,
          radius: tight ? 0.0042 : 0.0062,
          length: tight ? 0.027 : 0.075,
          segments: tight ? 11 : 26,
          hang: tight ? 0.3 : 0.85,
        }),
      hairMaterial(this.lag, { vertexColors: true }),
      false,
    );
    this.combedBack(0.004);
  }

  /** Hairs between the hairline and the mass, and the down before it. */
  private combedBack(lift: number): void {
    const { shape } = this.performer;
    const point = (degrees: number, v: number) =>
      capPoint({ hairline: SOFT_HAIRLINE, pole: KNOT, lift: () => lift * 0.4, shape }, degrees, v);
    this.ends('combed back', {
      point,
      count: 1300,
      degrees: [0, 100],
      // Laid down from within: they are finest where they grow.
      roots: [0.7, 0.84],
      run: [0.1, 0.185],
      width: 0.0006,
      off: [0.0003, 0.0009],
      wander: 1.5,
    });
    this.ends('down', {
      point,
      count: 130,
      degrees: [20, 90],
      roots: [0.97, 1.02],
      run: [0.01, 0.05],
      width: 0.0002,
      off: [0.0002, 0.0006],
      thinning: true,
      wander: 1.5,
      points: 3,
    });
  }

  private bun(): void {
    const { shape, hair, seed } = this.performer;
    this.ground(SOFT_HAIRLINE);
    const smooth = (lift: number, more: number) =>
      this.add(
        more,
        () => capGeometry({ hairline: SOFT_HAIRLINE, pole: KNOT, lift: fullOnTop(lift), shape }),
        hairMaterial(this.lag, {
          map: strandTexture(hair.colour, { seed: seed + more, ragged: 0.1, darkAtRoot: false }),
          blended: true,
          alphaTest: 0.02,
          fade: 0.22,
        }),
      );
    smooth(0.003, 2);
    smooth(0.0055, 3);
    this.combedBack(0.002);
    const knot = new SphereGeometry(0.036, 32, 20);
    knot.scale(1.05, 0.86, 0.9);
    knot.rotateX(-0.75);
    const count = knot.getAttribute('position').count;
    knot.setAttribute('loose', new Float32BufferAttribute(new Float32Array(count), 1));
    const mesh = new Mesh(
      knot,
      hairMaterial(this.lag, {
        map: strandTexture(hair.colour, { seed: seed + 4, ragged: 0, darkAtRoot: false }),
      }),
    );
    mesh.position.set(...shapedPoint([0, 0.03 + 0.76 * 0.118, -0.032 - 0.76 * 0.118], shape));
    this.group.add(mesh);
  }

  private scarf(): void {
    const { shape, hair } = this.performer;
    this.add(
      'scarf',
      () => scarfGeometry(hair.colour, shape),
      hairMaterial(this.lag, { vertexColors: true }),
    );
  }
}
