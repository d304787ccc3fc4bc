/** Draws an effect on several takes, each into a canvas of its own, in one hidden stage. People of a take are made once and kept as long as it is on the wall. */
import { Player } from '../../core/behave/player';
import type { Recorded } from '../../core/behave/recorded';
import type { Effect, SceneId } from '../../core/document/schema';
import type { ScriptEngine } from '../../core/script/engine';
import type { Take } from '../../core/takes/take';
import type { Seconds } from '../../core/units';
import { ALL_ABILITIES } from '../../stage/abilities/all';
import { ClipPicture } from '../../stage/clip-picture';
import { createStores, keepOnly, loadUsed, type Stores } from '../../stage/effect/stores';
import type { FileSource } from '../../stage/effect/texture-store';
import { makePeople } from '../../stage/performer/people-maker';
import type { PeopleDetail } from '../../stage/performer/person-view';
import type { PictureImage } from '../../stage/printed-pictures';
import { scriptsFor } from '../../stage/script-engine';
import { Stage } from '../../stage/stage';
import { TakePicture } from '../../stage/take-picture';
import { clipPictureOf } from '../takes/clip-store';
import { whenNothingIsUrgent } from './urgent';

/** What all tiles show. */
export interface WallState {
  readonly effect: Effect;
  readonly scene: SceneId | null;
  /** What the viewer does on a take; the same list as long as it is the same. */
  readonly recordedOn: (take: Take) => readonly Recorded[];
  readonly people: PeopleDetail;
  /** What is printed on the takes' pictures. */
  readonly pictures: readonly PictureImage[];
}

interface Tile {
  readonly take: Take;
  readonly people: PeopleDetail;
  readonly pictures: readonly PictureImage[];
  readonly picture: TakePicture | ClipPicture;
  /** Plays the effect that was drawn last. */
  player: Player | null;
  played: readonly [Effect, SceneId | null, readonly Recorded[]] | null;
}

export class WallPainter {
  private stage: Stage | null = null;
  private readonly stores: Stores;
  private readonly tiles = new Map<string, Tile>();
  private isOver = false;

  constructor(source: FileSource) {
    this.stores = createStores(source);
  }

  /** Draws a take at a moment; a shorter take begins again. Sizes are in pixels. */
  async paint(
    onto: HTMLCanvasElement,
    take: Take,
    state: WallState,
    moment: Seconds,
    width: number,
    height: number,
  ): Promise<void> {
    await whenNothingIsUrgent();
    if (state.people === 'full' && !take.clip) await makePeople(take.performers);
    await loadUsed(this.stores, state.effect);
    const scripts = await scriptsFor(state.effect);
    // The wall may have been left meanwhile: what is made now, nobody would let go.
    if (this.isOver) return keepOnly(this.stores, new Set());
    this.stage ??= new Stage(document.createElement('canvas'), this.stores, ALL_ABILITIES);
    const tile = this.tileOf(take, state);
    const time = take.duration > 0 ? moment % take.duration : 0;
    const player = this.playerOf(tile, state, scripts);
    if (tile.picture instanceof ClipPicture) await tile.picture.ready(time);
    const { stage } = this;
    // It may have been let go meanwhile.
    if (!stage || this.tiles.get(take.id) !== tile) return;
    stage.lendPicture(tile.picture);
    stage.setSize(width, height, 1);
    stage.draw(take.frameAt(time), player.program, player.at(time));
    onto.width = width;
    onto.height = height;
    onto.getContext('2d')!.drawImage(stage.canvas, 0, 0);
  }

  private tileOf(take: Take, { people, pictures }: WallState): Tile {
    const kept = this.tiles.get(take.id);
    if (kept && kept.take === take && kept.people === people && kept.pictures === pictures) return kept;
    kept?.picture.dispose();
    const tile: Tile = {
      take,
      people,
      pictures,
      picture: take.clip ? clipPictureOf(take.clip) : new TakePicture(take, { people, pictures }),
      player: null,
      played: null,
    };
    this.tiles.set(take.id, tile);
    return tile;
  }

  private playerOf(
    tile: Tile,
    { effect, scene, recordedOn }: WallState,
    scripts: ScriptEngine | null,
  ): Player {
    const played = [effect, scene, recordedOn(tile.take)] as const;
    if (tile.player && played.every((part, i) => part === tile.played?.[i])) return tile.player;
    tile.player = new Player(effect, tile.take, { scripts, scene, recorded: played[2] });
    tile.played = played;
    return tile.player;
  }

  /** Lets go of the people of all other takes. */
  keepOnly(takes: readonly Take[]): void {
    const kept = new Set(takes.map(({ id }) => id));
    for (const [id, { picture }] of this.tiles)
      if (!kept.has(id)) {
        picture.dispose();
        this.tiles.delete(id);
      }
  }

  dispose(): void {
    this.isOver = true;
    this.keepOnly([]);
    this.stage?.dispose();
    this.stage = null;
    keepOnly(this.stores, new Set());
  }
}
