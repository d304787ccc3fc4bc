/** Helpers that encode pictures beside the worker that opens files, on other cores. They are ended when their work is done. */
import * as Comlink from 'comlink';
import type { Raster } from '../core/assets/raster';
import type { KeptBytes } from './drafts';
import type { Encoder } from './encode-worker';

interface Helper {
  readonly worker: Worker;
  readonly remote: Comlink.Remote<Encoder>;
}

export class Encoders {
  private readonly helpers = new Map<number, Helper>();

  /** WebP; each quality has a helper of its own, so that two of them go side by side. 100 loses nothing. */
  async webp(raster: Raster, quality: number): Promise<KeptBytes> {
    let helper = this.helpers.get(quality);
    if (!helper) {
      const worker = new Worker(new URL('./encode-worker.ts', import.meta.url), {
        type: 'module',
        name: `encode ${quality}`,
      });
      helper = { worker, remote: Comlink.wrap<Encoder>(worker) };
      this.helpers.set(quality, helper);
    }
    return { bytes: await helper.remote.webp(raster, quality), mime: 'image/webp' };
  }

  dispose(): void {
    for (const { worker } of this.helpers.values()) worker.terminate();
    this.helpers.clear();
  }
}
