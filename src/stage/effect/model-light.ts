/** Light for models: from where the camera picture is lit, with something to mirror in metal and glass. */
import {
  Color,
  DataTexture,
  DirectionalLight,
  EquirectangularReflectionMapping,
  FloatType,
  HemisphereLight,
  LinearFilter,
  PMREMGenerator,
  RGBAFormat,
  type Scene,
  type Texture,
  type WebGLRenderer,
} from 'three';
import type { LightEstimate } from '../../core/tracking/track-frame';

/** A plain bright room: light above, a window at the side, a dim floor. */
const roomPicture = (): DataTexture => {
  const [width, height] = [64, 32];
  const data = new Float32Array(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const up = 1 - (2 * (y + 0.5)) / height;
      const window = Math.exp(-(((x / width - 0.3) / 0.07) ** 2) - ((up - 0.35) / 0.3) ** 2);
      const value = 0.35 + 0.45 * Math.max(0, up) - 0.2 * Math.max(0, -up) + 3 * window;
      data.set([value, value, value * 1.02, 1], (y * width + x) * 4);
    }
  const texture = new DataTexture(data, width, height, RGBAFormat, FloatType);
  texture.mapping = EquirectangularReflectionMapping;
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.flipY = true;
  texture.needsUpdate = true;
  return texture;
};

export class ModelLight {
  private readonly key = new DirectionalLight(0xffffff, 1.6);
  private readonly sky = new HemisphereLight(0xffffff, 0xb9b0a4, 0.6);
  private room: Texture | null = null;

  constructor(private readonly scene: Scene) {
    scene.add(this.key, this.key.target, this.sky);
    this.key.visible = this.sky.visible = false;
  }

  /** Lights up for models; without any it costs nothing. */
  update(wanted: boolean, estimate: LightEstimate | null): void {
    this.key.visible = this.sky.visible = wanted;
    if (!wanted) return;
    const [x, y, z] = estimate?.direction ?? [-0.4, 0.7, 0.6];
    this.key.position.set(x, y, z);
    this.key.color = new Color(estimate?.colour ?? '#ffffff');
    // A dim room dims what is put into it; what is bright stays below the picture's own white.
    const brightness = Math.min(1.2, Math.max(0.15, (estimate?.brightness ?? 0.6) / 0.6));
    this.key.intensity = 1.6 * brightness;
    this.sky.intensity = 0.6 * brightness;
    this.scene.environmentIntensity = 0.7 * brightness;
  }

  /** What models mirror; made when the first one is drawn. */
  reflect(renderer: WebGLRenderer): void {
    if (this.room) return;
    const generator = new PMREMGenerator(renderer);
    const picture = roomPicture();
    this.room = generator.fromEquirectangular(picture).texture;
    this.scene.environment = this.room;
    picture.dispose();
    generator.dispose();
  }

  dispose(): void {
    this.room?.dispose();
    this.room = null;
  }
}
