/** A performer's hair, put together by style. */
import { BufferGeometry, Group, Mesh, SphereGeometry, Float32BufferAttribute, Vector3 } from 'three';
import { shapedPoint } from '../../../core/face/head-shape';
import type { Performer } from '../../../core/takes/performer';
import type { Vec3 } from '../../../core/maths/vec3';
import { markPart } from '../../parts';
import { madeGeometry } from '../made-once';
import {
  capGeometry,
  COVERED_HAIRLINE,
  fullOnTop,
  SHORT_HAIRLINE,
  SOFT_HAIRLINE,
  type Hairline,
} from './cap';
import { curlGeometry } from './curls';
import { BOB_ENDS, curtainGeometry, FRINGE_ENDS, LONG_ENDS, type Ends } from './curtain';
import { scarfGeometry } from './scarf';
import { furTexture, hairMaterial, strandTexture, type Lag } from './strands';

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
  ): void {
    const { hair, tone, seed, shape } = this.performer;
    const key = `hair ${name} ${JSON.stringify([hair, tone, seed, shape])}`;
    const mesh = new Mesh(madeGeometry(key, make), material);
    mesh.frustumCulled = false;
    this.group.add(mesh);
  }

  /** A thin coloured ground, so that no skin shows between strands. */
  private ground(hairline: Hairline, lift = 0.0012): void {
    const { shape, hair, seed } = this.performer;
    this.add(
      'ground',
      () => capGeometry({ hairline, pole: WHORL, lift: (v) => lift * (1 - 0.5 * v), shape }),
      hairMaterial(this.lag, {
        map: strandTexture(hair.colour, { seed: seed + 1, ragged: 0.12, fade: 0.3 }),
        blended: true,
        alphaTest: 0.05,
      }),
    );
  }

  private short(): void {
    const { shape, hair, seed, tone } = this.performer;
    this.ground(SHORT_HAIRLINE);
    // Tight hair is cropped closer.
    const high = tone === 'VI' ? 0.004 : 0.008;
    const layers = 6;
    for (let n = 1; n <= layers; n++)
      this.add(
        n,
        () =>
          capGeometry({
            hairline: SHORT_HAIRLINE,
            pole: WHORL,
            lift: fullOnTop((high * n) / layers),
            shape,
            repeat: 3,
            twist: 0.04 * n,
          }),
        hairMaterial(this.lag, {
          map: furTexture(hair.colour, seed + 10 + n, 1 - 0.3 * (n / layers)),
          alphaTest: 0.5,
        }),
      );
  }

  private hanging(ends: Ends, partAt: number): void {
    const { shape, hair, seed } = this.performer;
    this.ground(COVERED_HAIRLINE);
    for (const [lift, more] of [
      [0.006, 5],
      [0.0105, 6],
    ] as const)
      this.add(
        more,
        () => curtainGeometry({ ends, lift, shape, partAt }),
        hairMaterial(this.lag, {
          map: strandTexture(hair.colour, { seed: seed + more, ragged: 0.06, fade: 0.1 }),
          blended: true,
          alphaTest: 0.06,
        }),
      );
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
          count: tight ? 290 : 270,
          radius: tight ? 0.0062 : 0.0068,
          length: tight ? 0.042 : 0.075,
          hang: tight ? 0.3 : 0.85,
        }),
      hairMaterial(this.lag, { vertexColors: true }),
    );
  }

  private bun(): void {
    const { shape, hair, seed } = this.performer;
    this.ground(SOFT_HAIRLINE);
    const smooth = (lift: number, more: number) =>
      this.add(
        more,
        () => capGeometry({ hairline: SOFT_HAIRLINE, pole: KNOT, lift: fullOnTop(lift), shape }),
        hairMaterial(this.lag, {
          map: strandTexture(hair.colour, { seed: seed + more, ragged: 0.1, darkAtRoot: false, fade: 0.22 }),
          blended: true,
          alphaTest: 0.03,
        }),
      );
    smooth(0.003, 2);
    smooth(0.0055, 3);
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
