/** Listens how the device is held. Some devices ask their owner first, and many do not know it. */
import type { DeviceTurn } from '../core/tracking/device-turn';

/** A device that knows says so at once. */
const PATIENCE = 1500;

interface AsksFirst {
  requestPermission?(): Promise<'granted' | 'denied'>;
}

export class DeviceTurns {
  private latest: DeviceTurn | null = null;
  private isListening = false;
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** `onNothing` is called once, when the device does not say how it is held, or may not. */
  constructor(private readonly onNothing: () => void) {}

  /** How it is held now; null until it has said so. */
  get turn(): DeviceTurn | null {
    return this.latest;
  }

  /** Call it from a click, since some devices ask their owner then and only then. */
  start(): void {
    const asks = (window as { DeviceOrientationEvent?: AsksFirst }).DeviceOrientationEvent;
    window.addEventListener('deviceorientation', this.hear);
    this.isListening = true;
    const wait = (): void => {
      if (this.isListening) this.timer = setTimeout(() => this.latest ?? this.onNothing(), PATIENCE);
    };
    // Refused, no event ever comes: the timer says so. Its owner takes the time they need to answer.
    if (asks?.requestPermission) void asks.requestPermission().then(wait, wait);
    else wait();
  }

  private readonly hear = ({ alpha, beta, gamma }: DeviceOrientationEvent): void => {
    if (alpha === null || beta === null || gamma === null) return;
    this.latest = { alpha, beta, gamma, screen: screen.orientation?.angle ?? 0 };
  };

  stop(): void {
    window.removeEventListener('deviceorientation', this.hear);
    this.isListening = false;
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }
}
