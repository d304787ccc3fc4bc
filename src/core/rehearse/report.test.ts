import { expect, test } from '@jest/globals';
import { htmlReport, type Reported } from './report';

const reported = (change: Partial<Reported> = {}): Reported => ({
  effect: 'kelp.zip',
  rehearsal: 'Lamp',
  take: 'Neutral',
  trouble: null,
  took: 2,
  verdicts: [{ expectation: 'exp_a', passed: false, sentence: 'Kelp is gone.', at: 1.5 }],
  stills: [
    { time: 0, url: 'data:image/webp;base64,AAAA' },
    { time: 1.5, url: 'data:image/webp;base64,BBBB' },
  ],
  differences: { exp_a: 'data:image/png;base64,CCCC' },
  ...change,
});

test('says what failed, marks the moment, and shows where it differs', () => {
  const html = htmlReport([reported(), reported({ take: 'Walk', verdicts: [], trouble: null })]);
  expect(html).toContain('<title>Rehearsals: 1 passed, 1 failed</title>');
  expect(html).toContain(
    '<li class="failed"><span>Kelp is gone.</span><img src="data:image/png;base64,CCCC"',
  );
  expect(html.match(/<figure class="bad">/g)).toHaveLength(1);
  expect(html).toMatch(/<figure class="bad"><img src="data:image\/webp;base64,BBBB"/);
});

test('names from outside are text, and only pictures made here are shown', () => {
  const html = htmlReport([
    reported({
      effect: '<script>alert(1)</script>',
      take: '"><img onerror=x>',
      stills: [{ time: 0, url: 'javascript:alert(1)' }],
      differences: { exp_a: 'https://example.org/x.png' },
    }),
  ]);
  expect(html).not.toContain('<script');
  expect(html).not.toContain('<img onerror');
  expect(html).not.toContain('javascript:');
  expect(html).not.toContain('example.org');
});
