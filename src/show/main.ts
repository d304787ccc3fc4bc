/** The page of viewers: a released effect (`/show/...`), or one that is being made, by its try link (`/try/...`). */
import { sentence } from '../core/errors';
import { requirementsOf } from '../core/requirements/requirements';
import type { Abilities } from '../stage/abilities/abilities';
import { loadAbilities } from '../stage/abilities/load';
import { scriptsFor } from '../stage/script-engine';
import { arrived } from './arriving';
import { openReleased } from './open-released';
import type { Opening } from './opening';
import { briefly, element, say } from './page';
import { Player } from './player';
import { promptTexts } from './prompt-texts';

const open = async (): Promise<Opening> =>
  location.pathname.startsWith('/try/')
    ? (await arrived(import('./tried/open-tried'))).openTried()
    : openReleased();

const abilitiesFor = async ({ mayChange, playable }: Opening): Promise<Abilities> =>
  mayChange
    ? (await import('../stage/abilities/all')).ALL_ABILITIES
    : loadAbilities(requirementsOf(playable.effect));

const main = async (): Promise<void> => {
  say('Loading the effect');
  const opening = open();
  const performing = import('./on-performer');
  // The performer's head is made while the effect is on its way.
  void performing.then(({ makeFirstHead }) => makeFirstHead()).catch(() => undefined);
  const opened = await opening;
  const { effect } = opened.playable;
  document.title = `${effect.name} · Iconia`;
  for (const id of ['title', 'name']) element(id).textContent = effect.name;
  element('summary').textContent = opened.summary;
  if (opened.small) element('small').textContent = opened.small;
  if (opened.icon) {
    const image = element<HTMLImageElement>('icon');
    image.src = opened.icon;
    image.hidden = false;
  }
  const [abilities, texts, scripts] = await arrived(
    Promise.all([abilitiesFor(opened), promptTexts(), scriptsFor(effect)]),
  );
  const player = new Player(opened.playable, abilities, texts, scripts);
  player.showTake();
  performing
    .then(({ OnPerformer }) => player.setPerforming((of) => new OnPerformer(of)))
    .catch(() => say('The performer could not be loaded. Use your camera, or reload the page.'));
  element('start').hidden = false;
  element('use-camera').addEventListener('click', () => void player.showCamera());
  element('use-take').addEventListener('click', () => {
    element('start').hidden = true;
    player.offerOther();
    say('');
  });
  element('switch').addEventListener('click', () => player.switchSource());
  const capture = (work: () => Promise<void>) => (): void =>
    void work().catch((error: unknown) => briefly(sentence(error)));
  element('record').addEventListener(
    'click',
    capture(() => player.record()),
  );
  element('photo').addEventListener(
    'click',
    capture(() => player.photo()),
  );
  element('loop').addEventListener(
    'click',
    capture(() => player.loop()),
  );
  element('flip').addEventListener('click', () => void player.flip());
  requestAnimationFrame(player.draw);
  opened.begin?.(player);
};

main().catch((error: unknown) => say(sentence(error)));
