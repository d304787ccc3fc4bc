/** The moving thumbnail of an effect: a row of frames as WebP, as the effect was at a revision. */
export const films = /* sql */ `
create table films (
  effect text primary key references effects (id) on delete cascade,
  revision integer not null,
  bytes bytea not null,
  created_at timestamptz not null default now()
);
`;
