/** Assets became files of any kind; what is measured about them stands in the documents. A shelf for all effects. */
export const filesAndShelf = /* sql */ `
alter table assets rename to files;
alter table files drop column width, drop column height;

create table shelf (
  id text primary key,
  owner text not null references accounts (id),
  -- Kind and content of the files: the same content stands on the shelf once.
  content text not null,
  asset jsonb not null,
  created_at timestamptz not null default now(),
  unique (owner, content)
);
`;
