/** Outcomes as one HTML page that needs nothing beside it: filmstrips, sentences, and where pictures differ. */
import { hasPassed, tallyOf, type Outcome } from './outcome';

/** An outcome with pictures as data addresses. */
export interface Reported extends Outcome {
  /** The package it is of. */
  readonly effect: string;
  readonly stills: readonly { readonly time: number; readonly url: string }[];
  /** Where pictures differ, by the id of the expectation. */
  readonly differences: Readonly<Record<string, string>>;
}

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign]!);
/** Nothing but pictures that were made here. */
const picture = (url: string, words: string): string =>
  /^data:image\/(png|webp|jpeg);base64,[A-Za-z0-9+/=]+$/.test(url)
    ? `<img src="${url}" alt="${escaped(words)}" title="${escaped(words)}">`
    : '';

const STYLE = `
body { font: 15px/1.45 system-ui, sans-serif; color: #1d2327; background: #f6f3ee; margin: 32px auto; max-width: 960px; padding: 0 20px; }
h1 { font-size: 22px; margin: 0 0 4px; } h2 { font-size: 17px; margin: 28px 0 6px; }
section { background: #fff; border: 1px solid #ddd8cf; border-radius: 8px; padding: 10px 16px 14px; margin: 8px 0; }
h3 { font-size: 15px; margin: 0 0 6px; } .time { color: #666; font-weight: normal; }
.film { display: flex; gap: 4px; overflow-x: auto; } .film figure { margin: 0; } .film img { width: 64px; border-radius: 4px; display: block; }
figcaption { font-size: 11px; color: #666; } figure.bad img { outline: 3px solid #b3403a; }
ul { list-style: none; margin: 8px 0 0; padding: 0; } li { display: flex; gap: 8px; align-items: start; margin: 3px 0; }
.passed::before { content: "\\2713"; color: #0f6b62; } .failed::before { content: "\\2717"; color: #b3403a; } li img { width: 90px; border-radius: 4px; }`;

const sectionOf = (outcome: Reported): string => {
  const { take, took, trouble, stills, verdicts, differences } = outcome;
  const bad = verdicts.filter((v) => !v.passed).map((v) => v.at);
  const film = stills
    .map(({ time, url }) => {
      const isBad = bad.some((at) => Math.abs(at - time) < 0.011);
      return `<figure${isBad ? ' class="bad"' : ''}>${picture(url, `${time.toFixed(2)} s`)}<figcaption>${time.toFixed(1)} s</figcaption></figure>`;
    })
    .join('');
  const lines = verdicts.map(({ passed, sentence, expectation }) => {
    const shown = differences[expectation];
    return `<li class="${passed ? 'passed' : 'failed'}"><span>${escaped(sentence)}</span>${shown ? picture(shown, 'Where it differs') : ''}</li>`;
  });
  return `<section><h3>${escaped(take)} <span class="time">${hasPassed(outcome) ? 'passed' : 'failed'}, ${took.toFixed(1)} s</span></h3>
<div class="film">${film}</div><ul>${trouble === null ? lines.join('\n') : `<li class="failed"><span>${escaped(trouble)}</span></li>`}</ul></section>`;
};

/** A whole page. */
export const htmlReport = (outcomes: readonly Reported[]): string => {
  const { passed, failed } = tallyOf(outcomes);
  const groups = new Map<string, Reported[]>();
  for (const outcome of outcomes) {
    const title = `${outcome.effect}: ${outcome.rehearsal}`;
    groups.set(title, [...(groups.get(title) ?? []), outcome]);
  }
  const parts = [...groups].map(
    ([title, list]) => `<h2>${escaped(title)}</h2>\n${list.map(sectionOf).join('\n')}`,
  );
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Rehearsals: ${passed} passed, ${failed} failed</title><style>${STYLE}</style></head>
<body><h1>Rehearsals</h1><p>${passed} passed, ${failed} failed</p>
${parts.join('\n')}
</body></html>
`;
};
