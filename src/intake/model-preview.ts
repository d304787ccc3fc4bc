/** Draws a small picture of a model. */
import { Box3, PerspectiveCamera, Scene, SRGBColorSpace, Vector3, WebGLRenderer } from 'three';
import { EffectLight } from '../stage/effect/effect-light';
import { disposeOf, openModel } from '../stage/effect/model-store';
import type { KeptBytes } from './drafts';

const [WIDTH, HEIGHT] = [192, 156];

interface Booth {
  readonly canvas: OffscreenCanvas;
  readonly renderer: WebGLRenderer;
  readonly scene: Scene;
}
let booth: Booth | null = null;

/** The renderer and its light take far longer to set up than a picture takes to draw, so they are kept. */
const openBooth = (): Booth => {
  const canvas = new OffscreenCanvas(WIDTH, HEIGHT);
  const renderer = new WebGLRenderer({
    canvas: canvas as unknown as HTMLCanvasElement,
    alpha: true,
    antialias: true,
  });
  renderer.setSize(WIDTH, HEIGHT, false);
  renderer.outputColorSpace = SRGBColorSpace;
  // A lost context is given up; the next picture begins anew.
  canvas.addEventListener('webglcontextlost', () => (booth = null));
  const scene = new Scene();
  const light = new EffectLight(scene);
  light.update(true, [], null, null);
  light.reflect(renderer);
  return { canvas, renderer, scene };
};

/** Null when nothing can be drawn here: the list then shows a sign instead. */
export const modelPreview = async (glb: Uint8Array): Promise<KeptBytes | null> => {
  try {
    const model = await openModel(glb.slice().buffer);
    const { canvas, renderer, scene } = (booth ??= openBooth());
    scene.add(model.scene);
    try {
      const box = new Box3().setFromObject(model.scene);
      const size = box.getSize(new Vector3()).length() || 1;
      const centre = box.getCenter(new Vector3());
      // So far away that the ball around the model fits.
      const camera = new PerspectiveCamera(26, WIDTH / HEIGHT, size / 100, size * 10);
      camera.position.copy(centre).add(new Vector3(0.55, 0.42, 1).normalize().multiplyScalar(size * 2.25));
      camera.lookAt(centre);
      renderer.render(scene, camera);
      const blob = await canvas.convertToBlob({ type: 'image/webp', quality: 0.85 });
      const mime = blob.type === 'image/webp' ? 'image/webp' : 'image/png';
      return { bytes: new Uint8Array(await blob.arrayBuffer()), mime };
    } finally {
      scene.remove(model.scene);
      disposeOf(model.scene);
    }
  } catch {
    return null;
  }
};
