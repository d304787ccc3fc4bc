/**
 * Bytes of files and packages lie beside the database; rows say what they are. Public addresses are rows of their own, each
 * of one effect. What older versions kept in `bytes` and `package` is moved out when the server starts.
 */
export const bytesBeside = /* sql */ `
alter table files alter column bytes drop not null;
alter table releases alter column package drop not null;
alter table releases add column sha256 text check (sha256 ~ '^[0-9a-f]{64}$');

create table addresses (
  slug text primary key,
  owner text not null references accounts (id),
  effect text not null references effects (id) on delete cascade,
  outlet text not null,
  created_at timestamptz not null default now(),
  unique (effect, outlet)
);
insert into addresses (slug, owner, effect, outlet)
  select distinct on (slug) slug, owner, effect, outlet from releases order by slug, created_at, id
  on conflict do nothing;

create index files_by_age on files (owner, created_at);

-- A save writes its patch; the whole document is written now and then. This is the revision that stands in it.
alter table effects add column documented integer;
update effects set documented = revision;
alter table effects alter column documented set not null;
`;
