/** What a viewer does about the room: puts things down anew, and says how high the device is held over the floor. */
import { LEAST_REACH, MOST_REACH } from '../../core/placing/assumed-room';
import type { Room } from '../../core/placing/room';

const make = <K extends keyof HTMLElementTagNameMap>(tag: K, name: string): HTMLElementTagNameMap[K] =>
  Object.assign(document.createElement(tag), { className: name });

export class RoomBar {
  readonly element = make('div', 'viewer-room');
  private readonly again = make('button', 'viewer-again');
  private readonly reach = make('input', 'viewer-slider');
  private readonly lower = make('span', 'viewer-room-reach');
  private room: Room | null = null;

  constructor() {
    Object.assign(this.again, { type: 'button', textContent: 'Place again' });
    this.again.addEventListener('click', () => this.room?.placeAgain());
    Object.assign(this.reach, {
      type: 'range',
      min: String(LEAST_REACH),
      max: String(MOST_REACH),
      step: '0.05',
      value: '1',
    });
    this.reach.setAttribute('aria-label', 'Nearer or farther');
    this.reach.addEventListener('input', () => this.room?.setReach(Number(this.reach.value)));
    const [near, far] = [make('span', 'viewer-sign'), make('span', 'viewer-sign')];
    Object.assign(near, { textContent: 'near' });
    Object.assign(far, { textContent: 'far' });
    for (const word of [near, far]) word.setAttribute('aria-hidden', 'true');
    this.lower.append(near, this.reach, far);
    this.element.append(this.again, this.lower);
    this.element.hidden = true;
  }

  /** Null where there is no room to place things in. */
  update(room: Room | null): void {
    if (room !== this.room && room) this.reach.value = String(room.reach);
    this.room = room;
    this.element.hidden = !room || room.state === 'seeking';
    this.again.hidden = room?.state !== 'placed';
    this.lower.hidden = room?.state !== 'placing' || room.isMeasured;
  }
}
