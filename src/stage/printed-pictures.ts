/** The printed pictures of a take: sheets with the creator's own target on them. */
import {
  BoxGeometry,
  CanvasTexture,
  Group,
  LinearMipmapLinearFilter,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PlaneGeometry,
  SRGBColorSpace,
  Texture,
} from 'three';
import type { ScenePicture } from '../core/takes/scene';
import { markPart } from './parts';
import { paintCanvas, spot, textureOf } from './performer/canvas';

export interface PictureImage {
  readonly image: ImageBitmap | HTMLCanvasElement | OffscreenCanvas;
  /** Width over height. */
  readonly aspect: number;
}

/** What is printed when the creator has not chosen a picture yet: a plain sheet that says so. */
const blankSheet = (number: number): Texture => {
  const [w, h] = [452, 640];
  const { canvas, context: g } = paintCanvas(w, h);
  g.fillStyle = '#f6f3ee';
  g.fillRect(0, 0, w, h);
  g.strokeStyle = '#0f6b62';
  g.lineWidth = 6;
  g.setLineDash([22, 14]);
  g.strokeRect(28, 28, w - 56, h - 56);
  g.setLineDash([]);
  g.fillStyle = '#1d2327';
  g.font = '600 46px sans-serif';
  g.textAlign = 'center';
  g.fillText(number === 1 ? 'Your picture' : `Your picture ${number}`, w / 2, h / 2 - 24);
  g.font = '400 27px sans-serif';
  g.fillText('Choose it in Try', w / 2, h / 2 + 26);
  return textureOf(canvas);
};

interface Sheet {
  readonly group: Group;
  readonly face: Mesh;
  readonly back: Mesh;
  readonly cover: Mesh;
}

export class PrintedPictures {
  readonly group = new Group();
  private readonly sheets: Sheet[] = [];

  constructor(private readonly images: readonly PictureImage[]) {
    markPart(this.group, 'object');
  }

  private texture(index: number): Texture {
    const given = this.images[index];
    if (!given) return blankSheet(index + 1);
    const texture = new CanvasTexture(given.image as OffscreenCanvas);
    texture.colorSpace = SRGBColorSpace;
    texture.minFilter = LinearMipmapLinearFilter;
    texture.anisotropy = 4;
    // WebGL does not turn bitmaps over when it takes them in, as it does canvases.
    if (given.image instanceof ImageBitmap) {
      texture.repeat.y = -1;
      texture.offset.y = 1;
    }
    return texture;
  }

  private sheet(index: number): Sheet {
    const kept = this.sheets[index];
    if (kept) return kept;
    const group = new Group();
    const face = new Mesh(new PlaneGeometry(1, 1), new MeshLambertMaterial({ map: this.texture(index) }));
    const back = new Mesh(new PlaneGeometry(1, 1), new MeshLambertMaterial({ color: 0xeee9e0 }));
    back.rotation.y = Math.PI;
    back.position.z = -0.0008;
    const cover = new Mesh(new BoxGeometry(1, 1, 0.004), new MeshLambertMaterial({ color: 0x6d7f8a }));
    const { canvas, context } = paintCanvas(64, 64);
    spot(context, 32, 32, 32, 32, (o) => `rgba(20,14,8,${o})`, 0.5);
    const shade = new Mesh(
      new PlaneGeometry(1.12, 1.12),
      new MeshBasicMaterial({ map: textureOf(canvas), transparent: true, depthWrite: false }),
    );
    shade.position.z = -0.0009;
    group.add(shade, face, back, cover);
    face.receiveShadow = true;
    this.group.add(group);
    return (this.sheets[index] = { group, face, back, cover });
  }

  update(pictures: readonly ScenePicture[]): void {
    pictures.forEach(({ pose, width, height, covered }, i) => {
      const { group, cover } = this.sheet(i);
      group.position.fromArray(pose.position);
      group.quaternion.fromArray(pose.rotation);
      group.scale.set(width, height, 1);
      cover.visible = covered > 0.001;
      // The card comes in from the left edge.
      cover.position.set(-0.5 + covered / 2 - 0.06, -0.02, 0.006);
      cover.scale.set(covered + 0.12, 1.16, 1);
    });
  }
}
