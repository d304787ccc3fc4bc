/** Creators' own takes: how they are written down, as JSON. */
export const takes = /* sql */ `
create table takes (
  id text primary key,
  owner text not null references accounts (id),
  spec jsonb not null,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now()
);
create index takes_by_owner on takes (owner, updated_at desc);
`;
