-- The ledger over years: what is searched, counted and due has narrow tables of its own, so that a page of it never reads the record.
create extension if not exists pg_trgm;

-- A connection that was signed off, as it is searched. Narrow: a count over all of them reads all of it.
create table ledger_line (
  shop_id uuid not null references shop,
  visit_id uuid not null,
  run_id uuid not null,
  premises_id uuid not null,
  kind text not null,
  signed_off_at timestamptz not null,
  -- By the clock of the premises.
  on_date date not null,
  -- When its run was signed off anew: it stood until then.
  replaced_at timestamptz,
  joints int not null,
  callbacks int not null,
  recheck text not null,
  -- The names of where it is, a line end, its ends and parts; in small letters.
  search text not null,
  ends text[] not null,
  parts text[] not null,
  seals text[] not null,
  found text[] not null,
  primary key (shop_id, visit_id, run_id),
  foreign key (shop_id, visit_id, run_id) references visit_run on delete cascade
);
-- The first page, newest first, and the sums of all of it, from the index alone.
create index ledger_line_newest on ledger_line (shop_id, signed_off_at desc, visit_id, run_id) include (joints, callbacks);
create index ledger_line_of_premises on ledger_line (shop_id, premises_id, signed_off_at desc);
create index ledger_line_of_run on ledger_line (shop_id, run_id, signed_off_at);
create index ledger_line_of_day on ledger_line (shop_id, on_date) include (joints, callbacks);
create index ledger_line_of_kind on ledger_line (shop_id, kind, signed_off_at desc, visit_id, run_id) include (joints, callbacks);
-- What few lines have: the first of them, and all of them, are found without passing the others.
create index ledger_line_called on ledger_line (shop_id, signed_off_at desc) where callbacks > 0;
create index ledger_line_recheck on ledger_line (shop_id, signed_off_at desc) where recheck in ('due', 'not dry');
create index ledger_line_found on ledger_line (shop_id, signed_off_at desc) where cardinality(found) > 0;
create index ledger_line_search on ledger_line using gin (search gin_trgm_ops);
create index ledger_line_ends on ledger_line using gin (ends);
create index ledger_line_parts on ledger_line using gin (parts);

-- What its row shows besides: ends, names of parts, price, as they were.
alter table derived_run add column shown jsonb;

-- Joints that are alike in all that their callbacks are counted by.
create table joint_alike (
  shop_id uuid not null references shop,
  alike bigint not null,
  kind text not null,
  seal text not null,
  turns24 int not null,
  sealant text,
  parts text[] not null,
  -- The house's choices they were made under.
  rules jsonb not null,
  primary key (shop_id, alike)
);

-- A joint as its callbacks are counted: what it is like, when it was made, when it first came back, and until when it stood.
alter table derived_joint drop column by_round;
alter table derived_joint add column alike bigint;
alter table derived_joint add column made_at timestamptz;
alter table derived_joint add column called_at timestamptz;
-- Of its line: the local day it was signed off, and when the run was signed off anew.
alter table derived_joint add column signed_on date;
alter table derived_joint add column replaced_at timestamptz;
drop index derived_joint_by_seal;
create index derived_joint_counted on derived_joint (shop_id, alike) include (made_at, called_at, replaced_at, signed_on) where made and signed_on is not null;
create index derived_joint_called on derived_joint (shop_id, signed_on) where called_at is not null;
create index derived_joint_of_run on derived_joint (shop_id, run_id);

-- What is due again at a connection: since when its time runs, by what its interval goes; put off until a day.
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
create index derived_duty_put_off on derived_duty (shop_id, goes_by, not_before) where is_live and not_before is not null;
create index derived_duty_of_run on derived_duty (shop_id, run_id);

grant select, insert, update, delete on ledger_line, joint_alike, derived_duty to brass_nut_app;
