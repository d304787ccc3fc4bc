/** The page that the command line drives (`scripts/rehearse.ts`): plays the rehearsals of a package, and hands back what came. */
import type { Raster } from '../../core/assets/raster';
import { readEffect } from '../../core/document/migrations';
import { newRehearsal } from '../../core/rehearse/new-rehearsal';
import type { Reported } from '../../core/rehearse/report';
import { shippedTake } from '../../core/takes/library/compared-faces';
import { SHIPPED_TAKES } from '../../core/takes/library';
import type { PeopleDetail } from '../../stage/performer/person-view';
import { printedImages } from '../drawing/printed-images';
import { playRehearsals, type Played } from './rehearse';

export interface PageRequest {
  /** The file it was read from. */
  readonly name: string;
  readonly document: unknown;
  /** In the place of those that each rehearsal names. */
  readonly takes: readonly string[] | null;
  readonly people: PeopleDetail;
}
/** What the command line gives the page. */
interface Given {
  rehearsalFile(sha256: string): Promise<{ readonly base64: string; readonly mime: string }>;
  rehearsalPlayed(reported: Reported): Promise<void>;
}
export interface RehearsalPage {
  rehearse(request: PageRequest): Promise<void>;
  /** The ids of all takes that can be named. */
  takes(): string[];
}

const given = window as unknown as Given;
const dataUrl = (blob: Blob): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(reader.error!);
    reader.readAsDataURL(blob);
  });
const urlOf = ({ width, height, data }: Raster): string => {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  return canvas.toDataURL('image/png');
};
const reportedOf = async (effect: string, played: Played): Promise<Reported> => ({
  effect,
  rehearsal: played.rehearsal,
  take: played.take,
  trouble: played.trouble,
  took: played.took,
  // Pictures go as addresses.
  verdicts: played.verdicts.map(({ expectation, passed, sentence, at }) => ({
    expectation,
    passed,
    sentence,
    at,
  })),
  stills: await Promise.all(
    played.stills.map(async ({ time, picture }) => ({ time, url: await dataUrl(picture) })),
  ),
  differences: Object.fromEntries(
    played.verdicts.flatMap(({ expectation, difference }) =>
      difference ? [[expectation, urlOf(difference)]] : [],
    ),
  ),
});

const page: RehearsalPage = {
  takes: () => SHIPPED_TAKES.map(({ id }) => id),
  rehearse: async ({ name, document: json, takes, people }) => {
    const effect = readEffect(json);
    const own = Object.values(effect.rehearsals).sort((a, b) => a.order - b.order);
    // Nothing was said of it: that it plays, and does not flash.
    const all = own.length > 0 ? own : [newRehearsal('Plays, and nothing flashes')];
    const source = async ({ sha256 }: { readonly sha256: string }): Promise<Blob> => {
      const { base64, mime } = await given.rehearsalFile(sha256);
      return new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], { type: mime });
    };
    const coming: Promise<void>[] = [];
    await playRehearsals({
      effect,
      rehearsals: takes ? all.map((rehearsal) => ({ ...rehearsal, takes: [...takes] })) : all,
      takeOf: shippedTake,
      look: { people, pictures: await printedImages(effect, source) },
      source,
      signal: new AbortController().signal,
      onPlayed: (played) =>
        void coming.push(reportedOf(name, played).then((reported) => given.rehearsalPlayed(reported))),
    });
    await Promise.all(coming);
  },
};
(window as unknown as { rehearsalPage: RehearsalPage }).rehearsalPage = page;
