import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import type { Finding } from '../core/checks/checks';
import {
  BLEND_MODES,
  type AssetId,
  type CircuitId,
  type CueId,
  type ObjectId,
} from '../core/document/schema';
import { FEATURE_POINT_NAMES } from '../core/face/feature-points';
import { sampleEffect } from '../core/document/sample';
import { api, ChecksFailed, Stale, Unreachable } from './api/client';
import { newAssetId, newCueId, newObjectId, newPartId } from './api/ids';
import * as words from './words';
import { matches } from './commands/keys';
import { SCHEMA_VERSION } from '../core/document/schema';

const A = 'obj_sample0' as ObjectId;

describe('the server’s answers', () => {
  const real = globalThis.fetch;
  afterEach(() => {
    globalThis.fetch = real;
  });
  const answer = (status: number, body: unknown) => {
    globalThis.fetch = jest.fn(() =>
      Promise.resolve(new Response(body === null ? null : JSON.stringify(body), { status })),
    ) as unknown as typeof fetch;
  };
  test('a problem becomes an error with its code and sentence', async () => {
    answer(422, { code: 'effect.unreadable', detail: 'It does not hold together.' });
    await expect(api.create(sampleEffect(0, 0))).rejects.toMatchObject({
      code: 'effect.unreadable',
      message: 'It does not hold together.',
    });
  });
  test('stale brings the document along; failed checks bring the findings', async () => {
    answer(409, {
      code: 'effect.stale',
      detail: 'The effect was changed meanwhile.',
      revision: 7,
      document: sampleEffect(1, 0),
    });
    const stale = await api.save('id', 6, []).catch((e: unknown) => e);
    expect(stale).toBeInstanceOf(Stale);
    expect(stale).toMatchObject({ revision: 7, effect: { name: 'Sample' } });
    answer(422, {
      code: 'release.checks',
      detail: 'The effect cannot be released yet.',
      findings: [{ code: 'no-icon', severity: 'stop', stage: 'release' }],
    });
    const checks = await api.release('id', 1).catch((e: unknown) => e);
    expect(checks).toBeInstanceOf(ChecksFailed);
    expect((checks as ChecksFailed).findings).toHaveLength(1);
  });
  test('no answer, or a broken gateway, is "unreachable": work is kept', async () => {
    globalThis.fetch = jest.fn(() => Promise.reject(new TypeError('failed'))) as unknown as typeof fetch;
    await expect(api.list()).rejects.toBeInstanceOf(Unreachable);
    answer(502, null);
    await expect(api.list()).rejects.toBeInstanceOf(Unreachable);
  });
  test('an answer that is not as the contract has it is refused, not passed on', async () => {
    answer(200, { items: [{ id: 'x', name: 7 }], next: null });
    await expect(api.list()).rejects.toMatchObject({
      code: 'server.answer',
      message: expect.stringMatching(/^Iconia’s server answered .*Reload the page/),
    });
  });
  test('a document of an older schema is brought up when it is read', async () => {
    const old: unknown = JSON.parse(readFileSync('src/core/document/fixtures/schema-1.json', 'utf8'));
    answer(200, { id: 'x', revision: 3, document: old, updatedAt: 'now' });
    expect((await api.get('x')).effect.schema).toBe(SCHEMA_VERSION);
  });
});

describe('ids', () => {
  test('are new, and what the schema takes', () => {
    for (const make of [newObjectId, newAssetId, newCueId, () => newPartId('act'), () => newPartId('beat')]) {
      const ids = Array.from({ length: 200 }, make);
      expect(new Set(ids).size).toBe(200);
      for (const id of ids) expect(id).toMatch(/^[a-z]+_[A-Za-z0-9-]{4,64}$/);
    }
  });
});

describe('words', () => {
  const effect = sampleEffect(1, 1);
  const findings = [
    { code: 'no-name' },
    { code: 'no-icon' },
    { code: 'no-summary' },
    { code: 'nothing-to-see' },
    { code: 'missing-asset', object: A },
    { code: 'invisible', object: A, why: 'hidden' },
    { code: 'invisible', object: A, why: 'transparent' },
    { code: 'invisible', object: A, why: 'no-size' },
    { code: 'no-such-part', object: A },
    { code: 'cue-does-nothing', cue: 'cue_sample0' as CueId },
    { code: 'cue-without-target', cue: 'cue_sample0' as CueId },
    { code: 'formula', text: 'a +', why: 'It ends too early.' },
    { code: 'circuit', circuit: 'circuit_gone' as CircuitId, nodes: 2 },
    { code: 'unused-asset', asset: 'asset_sample0' as AssetId },
    { code: 'too-big', bytes: 6 * 1048576, budget: 5 * 1048576 },
  ].map((f) => ({ ...f, severity: 'stop', stage: 'place' }) as Finding);
  test.each(findings.map((f) => [f.code, f] as const))(
    'finding %s is a sentence that names the thing',
    (_code, finding) => {
      const text = words.findingWords(effect, finding);
      expect(text).toMatch(/\.$/);
      if ('object' in finding) expect(text).toContain('Shell 0');
      if ('asset' in finding) expect(text).toContain('shell-0.png');
      if (finding.code === 'too-big') expect(text).toContain('6.0 MB');
    },
  );
  test('every name the core knows has a word, and no two the same', () => {
    for (const [names, table] of [
      [FEATURE_POINT_NAMES, words.POINT_WORDS],
      [BLEND_MODES, words.BLEND_WORDS],
    ] as const) {
      const said = names.map((name) => (table as Record<string, string>)[name]);
      expect(said.every(Boolean)).toBe(true);
      expect(new Set(said).size).toBe(names.length);
    }
  });
  test('sizes', () => {
    expect([500, 2048, 1048576, 5.25 * 1048576, 250 * 1048576].map(words.sizeWords)).toEqual([
      '1 kB',
      '2 kB',
      '1.0 MB',
      '5.3 MB',
      '250 MB',
    ]);
  });
});

describe('keys', () => {
  const event = (key: string, held: Partial<KeyboardEvent> = {}) =>
    ({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...held }) as KeyboardEvent;
  test.each([
    ['M', event('m'), true],
    ['M', event('m', { ctrlKey: true }), false],
    ['M', event('m', { altKey: true }), false],
    ['Space', event(' '), true],
    ['Delete', event('Backspace'), true],
    ['Ctrl Z', event('z', { ctrlKey: true }), true],
    ['Ctrl Z', event('z', { metaKey: true }), true],
    ['Ctrl Z', event('Z', { ctrlKey: true, shiftKey: true }), false],
    ['Ctrl Shift Z', event('Z', { ctrlKey: true, shiftKey: true }), true],
    ['Ctrl Shift Z', event('z', { ctrlKey: true }), false],
    [',', event(','), true],
    ['1', event('1'), true],
    ['1', event('2'), false],
  ] as const)('%s', (keys, pressed, expected) => expect(matches(keys, pressed)).toBe(expected));
});

describe('colours', () => {
  const css = readFileSync('src/atelier/styles/base.css', 'utf8');
  const tokens = (block: string) =>
    Object.fromEntries(
      [...block.matchAll(/--([\w-]+):\s*(#[0-9a-f]{3,6});/g)].map(([, name, hex]) => [
        name,
        hex!.length === 4 ? `#${[...hex!.slice(1)].map((c) => c + c).join('')}` : hex!,
      ]),
    );
  const light = tokens(css.slice(0, css.indexOf("[data-theme='dark']")));
  const dark = { ...light, ...tokens(css.slice(css.indexOf("[data-theme='dark']"), css.indexOf('* {'))) };
  /** Relative luminance and contrast, WCAG 2.2. */
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  };
  const contrast = (a: string, b: string) => {
    const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p) as [number, number];
    return (x + 0.05) / (y + 0.05);
  };
  const pairs = [
    ...['ink', 'soft', 'accent', 'madder', 'ochre'].flatMap((text) =>
      ['paper', 'sheet', 'bench'].map((ground) => [text, ground]),
    ),
    ['faint', 'sheet'],
    ['faint', 'paper'],
    ['ochre', 'ochre-wash'],
    ['accent', 'wash'],
    ['ink', 'field'],
    ['on-accent', 'accent'],
  ] as [string, string][];
  test.each(pairs)('%s on %s meets WCAG AA in both themes', (text, ground) => {
    for (const theme of [light, dark])
      expect(contrast(theme[text]!, theme[ground]!)).toBeGreaterThanOrEqual(4.5);
  });
});
