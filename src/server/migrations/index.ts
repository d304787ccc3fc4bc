/** Numbered migrations of the database. Each runs in one transaction together with its version stamp. */
import { first } from './0001-first';
import { takes } from './0002-takes';
import { filesAndShelf } from './0003-files-and-shelf';
import { bytesBeside } from './0004-bytes-beside';
import { films } from './0005-films';
import { keptCompounds } from './0006-kept-compounds';
import { tryLinks } from './0007-try-links';

export interface Migration {
  readonly number: number;
  readonly name: string;
  readonly sql: string;
}

export const MIGRATIONS: readonly Migration[] = [
  { number: 1, name: 'first', sql: first },
  { number: 2, name: 'takes', sql: takes },
  { number: 3, name: 'files and shelf', sql: filesAndShelf },
  { number: 4, name: 'bytes beside the database', sql: bytesBeside },
  { number: 5, name: 'films', sql: films },
  { number: 6, name: 'kept compounds', sql: keptCompounds },
  { number: 7, name: 'try links', sql: tryLinks },
];
