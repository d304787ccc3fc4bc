/** Runs in a blank page: draws frames of the shipped take, for clips and pictures. */
import { NeutralToneMapping, SRGBColorSpace, WebGLRenderer } from 'three';
import { FIRST_TAKE } from '../../src/core/takes/library';
import { TakePicture } from '../../src/stage/take-picture';
import type { TrackFrame } from '../../src/core/tracking/track-frame';

const canvas = document.createElement('canvas');
const renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
renderer.outputColorSpace = SRGBColorSpace;
renderer.toneMapping = NeutralToneMapping;
const picture = new TakePicture(FIRST_TAKE);

export interface TakePage {
  /** JPEG or PNG of the take at `time`; `fovY` replaces the take's own lens. */
  draw(time: number, width: number, height: number, fovY?: number, mime?: string, stamp?: number): string;
}

const page: TakePage = {
  draw(time, width, height, fovY, mime = 'image/png', stamp) {
    renderer.setSize(width, height, false);
    const truth = FIRST_TAKE.frameAt(time);
    const frame: TrackFrame = fovY ? { ...truth, camera: { ...truth.camera, fovY } } : truth;
    picture.draw(renderer, frame, width / height);
    if (stamp === undefined) return canvas.toDataURL(mime, 0.92);
    // A row of eight black or white squares along the bottom tells which frame this is.
    const stamped = document.createElement('canvas');
    stamped.width = width;
    stamped.height = height;
    const g = stamped.getContext('2d')!;
    g.drawImage(canvas, 0, 0);
    for (let bit = 0; bit < 8; bit++) {
      g.fillStyle = (stamp >> bit) & 1 ? '#fff' : '#000';
      g.fillRect(bit * 16, height - 16, 16, 16);
    }
    return stamped.toDataURL(mime, 0.92);
  },
};
(window as unknown as { takePage: TakePage }).takePage = page;
