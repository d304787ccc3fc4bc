/** Numbered migrations of the database. Each runs in one transaction together with its version stamp. */
import { first } from './0001-first';

export interface Migration {
  readonly number: number;
  readonly name: string;
  readonly sql: string;
}

export const MIGRATIONS: readonly Migration[] = [{ number: 1, name: 'first', sql: first }];
