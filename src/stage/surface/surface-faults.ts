/** Circuits whose code the graphics of this machine refuse: they are left out, and whoever made them is told. */
import type { WebGLRenderer } from 'three';

export class SurfaceFaults {
  /** What the driver said, by the mark of the circuit. */
  private readonly found = new Map<string, string>();

  constructor(private readonly onFound: () => void = () => {}) {}

  has(mark: string): boolean {
    return this.found.has(mark);
  }

  /** What the driver said of a circuit; null when it draws. */
  of(mark: string): string | null {
    return this.found.get(mark) ?? null;
  }

  /** Has a renderer report what it cannot compile. Faults of other shaders go to the console, as without this. */
  watch(renderer: WebGLRenderer): void {
    renderer.debug.onShaderError = (gl, program, vertex, fragment) => {
      const source = gl.getShaderSource(fragment) ?? '';
      const mark = /^\/\/ (surface [0-9a-f]+)$/m.exec(source)?.[1];
      const said = [gl.getProgramInfoLog(program), gl.getShaderInfoLog(vertex), gl.getShaderInfoLog(fragment)]
        .filter(Boolean)
        .join(' ')
        .trim();
      if (!mark) {
        // Thrown from within a frame it would take the whole picture away.
        console.error(`The graphics of this machine refuse a shader: ${said.slice(0, 400)}`);
        return;
      }
      this.found.set(mark, said.slice(0, 400));
      this.onFound();
    };
  }
}
