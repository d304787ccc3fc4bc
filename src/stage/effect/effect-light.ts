/**
 * Light on what an effect shows. Without lights of its own it is lit as the camera picture is; with them, by them
 * alone. Surroundings of its own replace the plain bright room that metal and glass mirror.
 */
import {
  AmbientLight,
  Color,
  DirectionalLight,
  HemisphereLight,
  PMREMGenerator,
  PointLight,
  Vector3,
  type DataTexture,
  type Scene,
  type WebGLRenderer,
  type WebGLRenderTarget,
} from 'three';
import { roomReflection } from './room-reflection';
import type { Light } from '../../core/document/schema';
import { transformDirection, positionOf, decomposeMatrix, type Matrix } from '../../core/maths/matrix';
import { toAngles } from '../../core/maths/quaternion';
import { normalise, type Vec3 } from '../../core/maths/vec3';
import type { LightEstimate } from '../../core/tracking/track-frame';

/** A light object and where it is. */
export interface PlacedLight {
  readonly light: Light;
  readonly matrix: Matrix;
}

/** Where shadows fall: the middle of a catcher, and half its size. */
export interface ShadowGround {
  readonly centre: Vec3;
  readonly reach: number;
  readonly softness: number;
}

const SHADOW_PIXELS = 1024;
/** As bright as the usual light. */
const KEY = 1.6;
const SKY = 0.6;
const ROOM = 0.7;

export class EffectLight {
  private readonly key = new DirectionalLight(0xffffff, KEY);
  private readonly sky = new HemisphereLight(0xffffff, 0xb9b0a4, SKY);
  private readonly own: (AmbientLight | DirectionalLight | PointLight)[] = [];
  private wanted: DataTexture | null = null;
  /** Of surroundings of the effect's own. */
  private made: WebGLRenderTarget | null = null;
  /** What is mirrored now. */
  private mirrored: DataTexture | 'room' | null = null;
  private lit = false;

  constructor(private readonly scene: Scene) {
    scene.add(this.key, this.key.target, this.sky);
    this.key.visible = this.sky.visible = false;
  }

  /** True when some light throws shadows now. */
  shadows = false;

  /**
   * `lit` is false when nothing is there to be lit: then it costs nothing. `pictureOf` gives the picture of light
   * surroundings, or null for the plain room.
   */
  update(
    lit: boolean,
    lights: readonly PlacedLight[],
    estimate: LightEstimate | null,
    ground: ShadowGround | null,
    pictureOf: (light: Light) => DataTexture | null = () => null,
  ): void {
    this.lit = lit;
    const surroundings = lights.find((l) => l.light.light === 'surroundings');
    const lamps = lights.filter((l) => l.light.light !== 'surroundings');
    this.key.visible = this.sky.visible = lit && lights.length === 0;
    const brightness = Math.min(1.2, Math.max(0.15, (estimate?.brightness ?? 0.6) / 0.6));
    if (this.key.visible) {
      // A dim room dims what is put into it; what is bright stays below the picture's own white.
      this.aim(this.key, normalise(estimate?.direction ?? [-0.4, 0.7, 0.6]), ground);
      this.key.color = new Color(estimate?.colour ?? '#ffffff');
      this.key.intensity = KEY * brightness;
      this.sky.intensity = SKY * brightness;
    }
    this.place(lit ? lamps : [], ground);
    this.shadows =
      lit && ground !== null && (this.key.visible ? this.key.castShadow : this.own.some((l) => l.castShadow));
    this.scene.environmentIntensity =
      lights.length === 0 ? ROOM * brightness : (surroundings?.light.strength ?? 0.25);
    this.wanted = surroundings ? pictureOf(surroundings.light) : null;
    const turn = surroundings ? toAngles(decomposeMatrix(surroundings.matrix).rotation) : [0, 0, 0];
    this.scene.environmentRotation.set(
      ...(turn.map((a) => (a! * Math.PI) / 180) as [number, number, number]),
    );
  }

  private place(lamps: readonly PlacedLight[], ground: ShadowGround | null): void {
    lamps.forEach(({ light, matrix }, i) => {
      let lamp = this.own[i];
      const fits =
        (light.light === 'ambient' && lamp instanceof AmbientLight) ||
        (light.light === 'directional' && lamp instanceof DirectionalLight) ||
        (light.light === 'point' && lamp instanceof PointLight);
      if (!lamp || !fits) {
        this.removeFrom(i);
        lamp =
          light.light === 'ambient'
            ? new AmbientLight()
            : light.light === 'point'
              ? new PointLight(0xffffff, 1, 0, 2)
              : new DirectionalLight();
        this.own[i] = lamp;
        this.scene.add(lamp);
        if (lamp instanceof DirectionalLight) this.scene.add(lamp.target);
      }
      lamp.color.set(light.colour);
      if (lamp instanceof AmbientLight) lamp.intensity = 1.2 * light.strength;
      else if (lamp instanceof PointLight) {
        // As bright as the usual light at 30 cm (inverse square law).
        lamp.intensity = KEY * Math.PI * 0.09 * light.strength;
        lamp.position.fromArray(positionOf(matrix));
      } else {
        lamp.intensity = KEY * light.strength;
        const towards = transformDirection(matrix, [0, 1, 0]);
        this.aim(lamp, normalise(towards), light.shadows ? ground : null);
      }
    });
    this.removeFrom(lamps.length);
  }

  /** Lets a light shine from a direction, and its shadows fall on the ground. */
  private aim(lamp: DirectionalLight, from: Vec3, ground: ShadowGround | null): void {
    const centre = new Vector3(...(ground?.centre ?? [0, 0, 0]));
    const reach = ground?.reach ?? 1;
    lamp.position
      .set(...from)
      .multiplyScalar(3 * reach)
      .add(centre);
    lamp.target.position.copy(centre);
    lamp.castShadow = ground !== null;
    if (!ground) return;
    const { camera } = lamp.shadow;
    Object.assign(camera, {
      left: -reach,
      right: reach,
      top: reach,
      bottom: -reach,
      near: 0.1 * reach,
      far: 6 * reach,
    });
    camera.updateProjectionMatrix();
    if (lamp.shadow.mapSize.x !== SHADOW_PIXELS) lamp.shadow.mapSize.set(SHADOW_PIXELS, SHADOW_PIXELS);
    lamp.shadow.bias = -0.0008;
    lamp.shadow.normalBias = reach / 300;
    lamp.shadow.radius = 0.5 + 12 * ground.softness;
  }

  private removeFrom(first: number): void {
    for (const lamp of this.own.splice(first)) {
      lamp.removeFromParent();
      if (lamp instanceof DirectionalLight) lamp.target.removeFromParent();
      lamp.dispose();
    }
  }

  /** What metal and glass mirror; made when the first lit thing is drawn, and when it changes. */
  reflect(renderer: WebGLRenderer): void {
    if (!this.lit || this.mirrored === (this.wanted ?? 'room')) return;
    this.made?.dispose();
    this.made = null;
    this.mirrored = this.wanted ?? 'room';
    if (!this.wanted) {
      this.scene.environment = roomReflection();
      return;
    }
    const generator = new PMREMGenerator(renderer);
    this.made = generator.fromEquirectangular(this.wanted);
    this.scene.environment = this.made.texture;
    generator.dispose();
  }

  dispose(): void {
    this.removeFrom(0);
    this.made?.dispose();
    this.made = null;
    this.key.dispose();
  }
}
