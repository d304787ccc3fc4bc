/** Does a grade over the finished picture: copies it off the canvas, takes it through the passes, writes it back. */
import {
  DataTexture,
  FloatType,
  FramebufferTexture,
  LinearFilter,
  Matrix3,
  NearestFilter,
  RGBAFormat,
  Vector2,
  Vector3,
  type ShaderMaterial,
  type Texture,
  type WebGLRenderTarget,
  type WebGLRenderer,
} from 'three';
import type { GradeStep, StepOf } from '../../core/schema/grade-schema';
import type { AssetId } from '../../core/document/schema';
import { grainCell } from '../../core/grade/grain';
import { contrastSlope, type PointStep } from '../../core/grade/grade';
import { passesOf } from '../../core/grade/passes';
import { toneCurve } from '../../core/grade/tone-curve';
import { balanceMatrix } from '../../core/grade/white-balance';
import type { OpenedTable } from '../effect/table-store';
import { copyDrawn, fineTarget, passMaterial, PassQuad, texture, value } from '../passes';
import {
  BLUR_FRAGMENT,
  BRIGHT_FRAGMENT,
  keyOf,
  pointsFragment,
  SHARPEN_FRAGMENT,
  SHINE_FRAGMENT,
  type ShaderStep,
} from './grade-shader';

/** A grade as it is to be done now. */
export interface GradeNow {
  readonly steps: readonly GradeStep[];
  readonly strength: number;
}

export interface GradeOptions {
  /** Sixtieths of a second since the effect started. */
  readonly frame: number;
  /** Left of this (0..1) the picture stays as it was; 0 grades all of it. */
  readonly line: number;
  readonly tableOf: (id: AssetId) => OpenedTable | null;
}

/** What a grade is mixed with in the end. */
interface GradeEnd {
  readonly before: Texture;
  readonly strength: number;
  readonly line: number;
}

/** Samples of a tone curve: fine enough for ten bits. */
const CURVE_SAMPLES = 1024;
/** The shine is made this much smaller, once, twice and three times. */
const SHINE_STEP = 4;

const curvesTexture = ({ all, red, green, blue }: StepOf<'curves'>): DataTexture => {
  const first = toneCurve(all);
  const own = [toneCurve(red), toneCurve(green), toneCurve(blue)];
  const data = new Float32Array(CURVE_SAMPLES * 4);
  for (let i = 0; i < CURVE_SAMPLES; i++) {
    const x = first(i / (CURVE_SAMPLES - 1));
    for (let k = 0; k < 3; k++) data[i * 4 + k] = own[k]!(x);
    data[i * 4 + 3] = 1;
  }
  const texture = new DataTexture(data, CURVE_SAMPLES, 1, RGBAFormat, FloatType);
  texture.minFilter = texture.magFilter = NearestFilter;
  texture.needsUpdate = true;
  return texture;
};

export class GradeView {
  private readonly quad = new PassQuad();
  private readonly size = new Vector2();
  private copy: FramebufferTexture | null = null;
  private readonly targets: (WebGLRenderTarget | null)[] = [null, null];
  private shines: { readonly blurred: WebGLRenderTarget; readonly across: WebGLRenderTarget }[] = [];
  private readonly points = new Map<string, ShaderMaterial>();
  private readonly curves = new Map<string, DataTexture>();
  private readonly sharpen = passMaterial(SHARPEN_FRAGMENT, {
    picture: texture(),
    texel: value(new Vector2()),
    amount: value(0),
  });
  private readonly bright = passMaterial(BRIGHT_FRAGMENT, {
    picture: texture(),
    texel: value(new Vector2()),
    above: value(1),
  });
  private readonly blur = passMaterial(BLUR_FRAGMENT, {
    picture: texture(),
    stride: value(new Vector2()),
  });
  private readonly shine = passMaterial(SHINE_FRAGMENT, {
    picture: texture(),
    near: texture(),
    middle: texture(),
    far: texture(),
    strength: value(0),
    reach: value(0),
  });

  /** Grades what stands on the canvas. */
  apply(renderer: WebGLRenderer, { steps, strength }: GradeNow, options: GradeOptions): void {
    const passes = passesOf(steps);
    if (passes.length === 0 || strength === 0) return;
    const source = this.copyOf(renderer);
    let now: Texture = source;
    const end: GradeEnd = { before: source, strength, line: options.line };
    // The last pass of points ends the grade as well; a pass over what is around needs one without steps after it.
    const last = passes.at(-1)!.kind === 'points' ? passes.length - 1 : passes.length;
    passes.slice(0, last).forEach((pass, i) => {
      const target = this.target(renderer, i % 2);
      if (pass.kind === 'points') this.drawPoints(renderer, pass.steps, now, target, options, null);
      else if (pass.kind === 'sharpen') {
        const { uniforms } = this.sharpen;
        uniforms.picture!.value = now;
        (uniforms.texel!.value as Vector2).set(1 / this.size.x, 1 / this.size.y);
        uniforms.amount!.value = pass.step.amount;
        this.quad.draw(renderer, this.sharpen, target);
      } else this.drawBloom(renderer, pass.step, now, target);
      now = target.texture;
    });
    const ending = passes[last];
    this.drawPoints(renderer, ending?.kind === 'points' ? ending.steps : [], now, null, options, end);
  }

  private copyOf(renderer: WebGLRenderer): FramebufferTexture {
    renderer.getDrawingBufferSize(this.size);
    const { x, y } = this.size;
    if (this.copy?.image.width !== x || this.copy.image.height !== y) {
      this.copy?.dispose();
      this.copy = new FramebufferTexture(x, y);
      this.copy.minFilter = this.copy.magFilter = LinearFilter;
      for (const [i, target] of this.targets.entries()) {
        target?.dispose();
        this.targets[i] = null;
      }
      this.dropShines();
    }
    copyDrawn(renderer, this.copy);
    return this.copy;
  }

  private target(renderer: WebGLRenderer, i: number): WebGLRenderTarget {
    return (this.targets[i] ??= fineTarget(renderer, this.size.x, this.size.y));
  }

  private drawPoints(
    renderer: WebGLRenderer,
    steps: readonly PointStep[],
    picture: Texture,
    into: WebGLRenderTarget | null,
    { frame, tableOf }: GradeOptions,
    end: GradeEnd | null,
  ): void {
    // A table that is on its way changes nothing yet.
    const ready = steps.filter((s) => s.kind !== 'table' || tableOf(s.asset!) !== null);
    const kinds = ready.map((s): ShaderStep =>
      s.kind === 'table' && tableOf(s.asset!)!.table.dimensions === 1 ? 'line' : s.kind,
    );
    const ending = end === null ? 'on' : end.before === picture ? 'whole' : 'ends';
    const key = keyOf(kinds, ending);
    const shader =
      this.points.get(key) ??
      passMaterial(pointsFragment(kinds, ending), { picture: texture(), frame: value(0) });
    this.points.set(key, shader);
    const { uniforms } = shader;
    uniforms.picture!.value = picture;
    uniforms.frame!.value = frame;
    const set = (name: string, to: unknown): void => {
      uniforms[name] = value(to);
    };
    if (end) {
      set('before', end.before);
      set('strength', end.strength);
      set('compare', end.line);
    }
    ready.forEach((step, i) => {
      switch (step.kind) {
        case 'exposure':
          return set(`gain${i}`, 2 ** step.stops);
        case 'whiteBalance':
          return set(`balance${i}`, new Matrix3(...balanceMatrix(step.kelvin, step.tint)));
        case 'contrast':
          return set(`slope${i}`, contrastSlope(step.amount));
        case 'saturation':
          return set(`amount${i}`, step.amount);
        case 'curves':
          return set(`curves${i}`, this.curvesOf(step));
        case 'table': {
          const { table, texture } = tableOf(step.asset!)!;
          set(`table${i}`, texture);
          set(`low${i}`, new Vector3(...table.low));
          set(`high${i}`, new Vector3(...table.high));
          return set(`strength${i}`, step.strength);
        }
        case 'vignette':
          return set(
            `vignette${i}`,
            new Vector3(step.amount, step.begin, step.begin + Math.max(0.001, step.softness)),
          );
        case 'grain': {
          const { cell, part } = grainCell(step.size, this.size.x);
          return set(`grain${i}`, new Vector2(step.amount * part, cell));
        }
      }
    });
    this.quad.draw(renderer, shader, into);
  }

  private curvesOf(step: StepOf<'curves'>): DataTexture {
    const key = JSON.stringify([step.all, step.red, step.green, step.blue]);
    const known = this.curves.get(key);
    if (known) return known;
    // While a point is dragged each moment is a curve of its own; only the last few are kept.
    for (const [old, texture] of [...this.curves].slice(0, -3)) {
      texture.dispose();
      this.curves.delete(old);
    }
    const made = curvesTexture(step);
    this.curves.set(key, made);
    return made;
  }

  private drawBloom(
    renderer: WebGLRenderer,
    { above, strength, reach }: StepOf<'bloom'>,
    picture: Texture,
    into: WebGLRenderTarget,
  ): void {
    if (this.shines.length === 0)
      this.shines = [1, 2, 3].map((n) => {
        const [w, h] = [this.size.x, this.size.y].map((x) => Math.ceil(x / SHINE_STEP ** n)) as [
          number,
          number,
        ];
        return { blurred: fineTarget(renderer, w, h), across: fineTarget(renderer, w, h) };
      });
    let from: Texture = picture;
    let fromSize: readonly [number, number] = [this.size.x, this.size.y];
    this.shines.forEach(({ blurred, across }, n) => {
      // The first keeps what is bright; the others only make smaller.
      const { uniforms } = this.bright;
      uniforms.picture!.value = from;
      (uniforms.texel!.value as Vector2).set(1 / fromSize[0], 1 / fromSize[1]);
      uniforms.above!.value = above;
      const stride = this.blur.uniforms.stride!.value as Vector2;
      const { width, height } = blurred;
      if (n === 0) this.quad.draw(renderer, this.bright, blurred);
      else {
        this.blur.uniforms.picture!.value = from;
        stride.set(0.5 / fromSize[0], 0);
        this.quad.draw(renderer, this.blur, blurred);
      }
      this.blur.uniforms.picture!.value = blurred.texture;
      stride.set(1 / width, 0);
      this.quad.draw(renderer, this.blur, across);
      this.blur.uniforms.picture!.value = across.texture;
      stride.set(0, 1 / height);
      this.quad.draw(renderer, this.blur, blurred);
      from = blurred.texture;
      fromSize = [width, height];
    });
    const { uniforms } = this.shine;
    uniforms.picture!.value = picture;
    [uniforms.near!.value, uniforms.middle!.value, uniforms.far!.value] = this.shines.map(
      (s) => s.blurred.texture,
    );
    uniforms.strength!.value = strength;
    uniforms.reach!.value = reach;
    this.quad.draw(renderer, this.shine, into);
  }

  private dropShines(): void {
    for (const { blurred, across } of this.shines) {
      blurred.dispose();
      across.dispose();
    }
    this.shines = [];
  }

  dispose(): void {
    this.copy?.dispose();
    for (const target of this.targets) target?.dispose();
    this.dropShines();
    for (const shader of this.points.values()) shader.dispose();
    for (const texture of this.curves.values()) texture.dispose();
    for (const m of [this.sharpen, this.bright, this.blur, this.shine]) m.dispose();
    this.quad.dispose();
  }
}
