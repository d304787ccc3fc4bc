/** Compounds that a creator keeps for other effects: the text of nodes, as it is copied. */
export const keptCompounds = /* sql */ `
create table kept_compounds (
  id text primary key,
  owner text not null references accounts (id),
  -- The id that the compound has in every effect: it is kept once.
  compound text not null,
  name text not null,
  note text not null,
  content text not null,
  created_at timestamptz not null default now(),
  unique (owner, compound)
);
`;
