import { readFileSync } from 'node:fs';
import { guessHair } from '../src/core/face/seen/hair-guess';
import { headSeen } from '../src/core/face/seen/head-seen';
import { performanceOf, PERFORMERS, screenTest } from '../src/core/takes/library';
import { makeTake } from '../src/core/takes/make-take';
import { hairMatte } from '../src/core/face/seen/hair-matte';
const [W, H] = [360, 640];
const S = { width: 135, height: 240 };
const bilinear = (src: (x: number, y: number) => number, u: number, v: number, w: number, h: number) => {
  const x = Math.min(w - 1.001, Math.max(0, u)),
    y = Math.min(h - 1.001, Math.max(0, v));
  const x0 = Math.floor(x),
    y0 = Math.floor(y),
    fx = x - x0,
    fy = y - y0;
  return (
    (src(x0, y0) * (1 - fx) + src(x0 + 1, y0) * fx) * (1 - fy) +
    (src(x0, y0 + 1) * (1 - fx) + src(x0 + 1, y0 + 1) * fx) * fy
  );
};
const total = { now: [0, 0, 0, 0], ref: [0, 0, 0, 0] } as Record<string, number[]>;
let ms = 0,
  msG = 0;
for (const { id, hair: of } of PERFORMERS) {
  if (['bald', 'headScarf'].includes(of.style)) continue;
  const line: Record<string, number[]> = { now: [0, 0, 0, 0], ref: [0, 0, 0, 0] };
  for (const time of [0.2, 2, 6]) {
    const base = `/dev/shm/hair/${id}-${time}`;
    const [pic, people, hair] = ['rgba', 'people', 'hair'].map((x) => readFileSync(`${base}.${x}`)) as [
      Buffer,
      Buffer,
      Buffer,
    ];
    const frame = makeTake(
      screenTest(id, 'turn-and-mouth', performanceOf('turn-and-mouth').duration),
    ).frameAt(time);
    const head = headSeen(frame.faces[0]!, frame, frame.camera.fovY, W / H, S.width, S.height)!;
    const small = new Uint8Array(4 * S.width * S.height),
      sp = new Uint8Array(S.width * S.height);
    for (let y = 0; y < S.height; y++)
      for (let x = 0; x < S.width; x++) {
        const [u, v] = [((x + 0.5) / S.width) * W - 0.5, ((y + 0.5) / S.height) * H - 0.5];
        for (let k = 0; k < 3; k++)
          small[4 * (y * S.width + x) + k] = Math.round(
            bilinear((a, b) => pic[4 * (b * W + a) + k]!, u, v, W, H),
          );
        sp[y * S.width + x] = Math.round(bilinear((a, b) => people[b * W + a]!, u, v, W, H));
      }
    for (let k = 0; k < 10; k++) hairMatte({ ...S, data: small }, guessHair({ ...S, data: small }, sp, head));
    const t0 = performance.now();
    const guess = guessHair({ ...S, data: small }, sp, head);
    const t1 = performance.now();
    const m = hairMatte({ ...S, data: small }, guess);
    ms += performance.now() - t1;
    msG += t1 - t0;
    const refined = [0, 1, 2, 3].map((k) =>
      Float32Array.from({ length: S.width * S.height }, (_, i) => m[4 * i + k]!),
    );
    for (const [name, alphaAt] of [
      [
        'now',
        (x: number, y: number) =>
          bilinear(
            (a, b) => guess[b * S.width + a]!,
            ((x + 0.5) / W) * S.width - 0.5,
            ((y + 0.5) / H) * S.height - 0.5,
            S.width,
            S.height,
          ) / 255,
      ],
      [
        'ref',
        (x: number, y: number) => {
          const at = (p: Float32Array) =>
            bilinear(
              (a, b) => p[b * S.width + a]!,
              ((x + 0.5) / W) * S.width - 0.5,
              ((y + 0.5) / H) * S.height - 0.5,
              S.width,
              S.height,
            );
          const i = 4 * (y * W + x);
          const v =
            (at(refined[0]!) * pic[i]!) / 255 +
            (at(refined[1]!) * pic[i + 1]!) / 255 +
            (at(refined[2]!) * pic[i + 2]!) / 255 +
            at(refined[3]!);
          const t = Math.min(1, Math.max(0, (v - 0.3) / 0.4));
          return t * t * (3 - 2 * t);
        },
      ],
    ] as [string, (x: number, y: number) => number][]) {
      const c = line[name]!;
      for (let y = 0; y < H; y++)
        for (let x = 0; x < W; x++) {
          const i = y * W + x;
          if (hair[i]! > 230) {
            c[2]!++;
            if (alphaAt(x, y) > 0.06) c[3]!++;
          } else if (hair[i] === 0 && people[i] === 255) {
            c[0]!++;
            if (alphaAt(x, y) > 0.06) c[1]!++;
          }
        }
    }
  }
  for (const n of ['now', 'ref']) line[n]!.forEach((v, k) => (total[n]![k]! += v));
  const say = (n: string) =>
    `${((100 * line[n]![1]!) / line[n]![0]!).toFixed(2)} / ${((100 * line[n]![3]!) / line[n]![2]!).toFixed(2)}`;
  console.log(id.padEnd(8), 'now', say('now'), ' refined', say('ref'));
}
for (const n of ['now', 'ref'])
  console.log(
    n,
    ((100 * total[n]![1]!) / total[n]![0]!).toFixed(3),
    ((100 * total[n]![3]!) / total[n]![2]!).toFixed(2),
  );
console.log('ms a frame', (ms / 30).toFixed(1), (msG / 30).toFixed(1));
