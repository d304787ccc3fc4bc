import { CameraParts } from '../backdrop/camera-parts';
import type { Abilities } from './abilities';

export const camera: Partial<Abilities> = { camera: () => new CameraParts() };
