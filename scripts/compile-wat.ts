/** WebAssembly from its text, with vectors (SIMD). */
import wabt from 'wabt';

export const compileWat = async (text: string): Promise<Uint8Array> => {
  const parsed = (await wabt()).parseWat('module.wat', text, { simd: true });
  try {
    return parsed.toBinary({}).buffer;
  } finally {
    parsed.destroy();
  }
};
