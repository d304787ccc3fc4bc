/** Ready materials: numbers only, so that they weigh nothing. */
import type { Material } from '../document/schema';

export interface StockMaterial {
  readonly key: string;
  readonly name: string;
  readonly look: Partial<Omit<Material, 'id' | 'name' | 'circuit' | 'maps'>>;
}

export const STOCK_MATERIALS: readonly StockMaterial[] = [
  { key: 'chalk', name: 'Chalk', look: { colour: '#f0ece2', roughness: 1 } },
  {
    key: 'wet-shell',
    name: 'Wet shell',
    look: { colour: '#e7c2a4', roughness: 0.45, clearcoat: 1, clearcoatRoughness: 0.06 },
  },
  {
    key: 'mother-of-pearl',
    name: 'Mother of pearl',
    look: {
      colour: '#e9e4ee',
      roughness: 0.25,
      metalness: 0.35,
      clearcoat: 0.8,
      clearcoatRoughness: 0.1,
      sheen: '#7fb7c9',
      sheenRoughness: 0.3,
    },
  },
  {
    key: 'sea-glass',
    name: 'Sea glass',
    look: { colour: '#8fd0bd', roughness: 0.42, transmission: 0.92, ior: 1.45, thickness: 0.02 },
  },
  {
    key: 'clear-water',
    name: 'Clear water',
    look: { colour: '#dff3f5', roughness: 0.02, transmission: 1, ior: 1.33, thickness: 0.03 },
  },
  { key: 'brass', name: 'Ship brass', look: { colour: '#d6a54b', roughness: 0.28, metalness: 1 } },
  { key: 'silver', name: 'Fish silver', look: { colour: '#dfe5e8', roughness: 0.16, metalness: 1 } },
  { key: 'rust', name: 'Rust', look: { colour: '#8a4a2a', roughness: 0.95, metalness: 0.25 } },
  {
    key: 'kelp',
    name: 'Kelp',
    look: { colour: '#3f6b3a', roughness: 0.5, clearcoat: 0.5, clearcoatRoughness: 0.3, doubleSided: true },
  },
  {
    key: 'velvet',
    name: 'Anemone velvet',
    look: { colour: '#5b1f4a', roughness: 0.95, sheen: '#e58bc0', sheenRoughness: 0.35 },
  },
  { key: 'rubber', name: 'Wader rubber', look: { colour: '#24323a', roughness: 0.62 } },
  { key: 'lantern', name: 'Lantern light', look: { shading: 'unlit', colour: '#ffd58a' } },
  {
    key: 'ember',
    name: 'Glow worm',
    look: { colour: '#1c2a22', roughness: 0.6, glow: '#6dffb0', glowStrength: 1.6 },
  },
  {
    key: 'stand-in',
    name: 'As the room is lit',
    look: { shading: 'camera', colour: '#e4ded4', roughness: 0.8 },
  },
];
