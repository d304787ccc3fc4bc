/** Secret addresses at which an effect is tried as it is now. */
export const tryLinks = /* sql */ `
create table try_links (
  id text primary key,
  owner text not null references accounts (id),
  effect text not null references effects (id) on delete cascade,
  secret text not null unique check (secret ~ '^[0-9a-f]{40}$'),
  name text not null,
  one_device boolean not null,
  -- The device that has it, when it is for one.
  device text,
  expires_at timestamptz not null,
  created_at timestamptz not null default now()
);
create index try_links_by_effect on try_links (effect, created_at desc);
`;
