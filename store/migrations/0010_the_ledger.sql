-- The ledger over years: what is searched, counted and due has narrow tables of its own, so that a page of it never reads the record.
create extension if not exists pg_trgm;

-- A connection that was signed off, as it is searched.
create table ledger_line (
  shop_id uuid not null references shop,
  visit_id uuid not null,
  run_id uuid not null,
  premises_id uuid not null,
  kind text not null,
  signed_off_at timestamptz not null,
  -- By the clock of the premises.
  on_date date not null,
  -- Its ends and parts, in small letters; with the names of where it is: what is searched.
  words text not null,
  -- What its row shows besides: ends, names of parts, price as they were.
  shown jsonb not null,
  search text not null default '',
  ends text[] not null,
  parts text[] not null,
  seals text[] not null,
  found text[] not null,
  joints int not null,
  callbacks int not null,
  recheck text not null,
  -- The house's choices it was accepted under; the same ones have the same key.
  rules jsonb not null,
  rules_key text not null,
  -- When its run was signed off anew: it stood until then.
  replaced_at timestamptz,
  primary key (shop_id, visit_id, run_id),
  foreign key (shop_id, visit_id, run_id) references visit_run on delete cascade
);
-- The first page, newest first, and the sums of all of it, from the index alone.
create index ledger_line_newest on ledger_line (shop_id, signed_off_at desc, visit_id, run_id) include (joints, callbacks);
create index ledger_line_of_premises on ledger_line (shop_id, premises_id);
create index ledger_line_of_run on ledger_line (shop_id, run_id, signed_off_at);
create index ledger_line_called on ledger_line (shop_id, signed_off_at desc) where callbacks > 0;
create index ledger_line_recheck on ledger_line (shop_id, signed_off_at desc) where recheck in ('due', 'not dry');
create index ledger_line_search on ledger_line using gin (search gin_trgm_ops);
create index ledger_line_ends on ledger_line using gin (ends);
create index ledger_line_parts on ledger_line using gin (parts);

-- A joint as its callbacks are counted: which seal, parts, turns and sealant, when it was made, and when it first came back.
alter table derived_joint add column made_at timestamptz;
alter table derived_joint add column parts text[] not null default '{}';
alter table derived_joint add column sealant text;
alter table derived_joint add column called_at timestamptz;

-- What is due again at a connection: since when its time runs, by what its interval goes; put off until a day, or dropped.
create table derived_duty (
  shop_id uuid not null references shop,
  visit_id uuid not null,
  run_id uuid not null,
  duty text not null,
  what text not null,
  goes_by text not null,
  -- Local days at the premises.
  since_on date not null,
  not_before date,
  -- Of the connection that its run stands with now, and nothing of it is retired.
  is_live boolean not null default true,
  primary key (shop_id, visit_id, run_id, duty, what),
  foreign key (shop_id, visit_id, run_id) references visit_run on delete cascade
);
create index derived_duty_due on derived_duty (shop_id, goes_by, since_on, visit_id, run_id) where is_live and not_before is null;
create index derived_duty_put_off on derived_duty (shop_id, not_before) where is_live and not_before is not null;
create index derived_duty_of_run on derived_duty (shop_id, run_id);

grant select, insert, update, delete on ledger_line, derived_duty to brass_nut_app;
