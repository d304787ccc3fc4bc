/** Accounts, effects with their revisions, assets by content, releases. Every row carries its owner. */
export const first = /* sql */ `
create table accounts (
  id text primary key,
  name text not null,
  created_at timestamptz not null default now()
);

create table effects (
  id text primary key,
  owner text not null references accounts (id),
  name text not null,
  revision integer not null,
  document jsonb not null,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now()
);
create index effects_by_owner on effects (owner, updated_at desc);

-- Each revision holds the patch from the one before; now and then the whole document stands beside it.
create table revisions (
  effect text not null references effects (id) on delete cascade,
  owner text not null references accounts (id),
  revision integer not null,
  patch jsonb not null,
  snapshot jsonb,
  created_at timestamptz not null default now(),
  primary key (effect, revision)
);

create table assets (
  owner text not null references accounts (id),
  sha256 text not null check (sha256 ~ '^[0-9a-f]{64}$'),
  mime text not null,
  size integer not null,
  width integer not null,
  height integer not null,
  bytes bytea not null,
  created_at timestamptz not null default now(),
  primary key (owner, sha256)
);

create table releases (
  id text primary key,
  owner text not null references accounts (id),
  effect text not null references effects (id) on delete cascade,
  outlet text not null,
  version integer not null,
  slug text not null,
  manifest jsonb not null,
  package bytea not null,
  size integer not null,
  created_at timestamptz not null default now(),
  unique (effect, outlet, version)
);
create index releases_by_slug on releases (slug, version desc);

create table facts (key text primary key, value jsonb not null);

insert into accounts (id, name) values ('owner', 'You');
`;
