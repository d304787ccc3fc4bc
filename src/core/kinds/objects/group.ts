/** A group: holds objects together. They move, turn, grow, fade and hide with it. */
import type { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { share } from '../../schema/properties';
import { defineObject } from './object-kind';
import { FOREHEAD, placed } from './placed';
import { restOn } from './resting';

export const group = defineObject({
  kind: 'group',
  fields: { opacity: share('Opacity') },
  isSeen: false,
  drawn: 'otherwise',
  drawnBy: [],
  isTouched: false,
  onFace: false,
  holds: ['things', 'worn'],
  rests: 'before',
  bounds: () => null,
});
export type Group = z.infer<typeof group.schema>;

/** An empty group. */
export const newGroup = (id: ObjectId, name: string, order: number, anchor: Anchor = FOREHEAD): Group => ({
  ...placed(id, name || 'Group', order, anchor),
  kind: 'group',
  ...restOn(anchor, group.rests),
  opacity: 1,
});
