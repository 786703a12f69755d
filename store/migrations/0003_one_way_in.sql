-- The one way in: what a device sends has its place in the device's count and in the shop's order; what is derived from it has tables of its own.

-- Kinds are declared in record/, one file each: the database takes any that reads as one. What must hold of a kind is checked there, on the run as it
-- stands, under the shop's lock.
alter table entry drop constraint entry_kind_check;
alter table entry add constraint entry_kind_reads check (kind ~ '^[a-z][a-z-]{0,59}$');
drop index signed_off_once;
drop index accepted_first;
drop index accepted_next;
drop index look_ended_once;

alter table entry add column seq int check (seq > 0);
alter table entry add column position bigint check (position > 0);
alter table entry disable trigger appended;
update entry set position = counted.n
from (select shop_id, entry_id, row_number() over (partition by shop_id order by recorded_at, entry_id) as n from entry) counted
where counted.shop_id = entry.shop_id and counted.entry_id = entry.entry_id;
alter table entry enable trigger appended;
alter table entry alter column position set not null;
create unique index entry_in_order on entry (shop_id, position);
create unique index entry_seq_once on entry (shop_id, device_id, seq) where seq is not null;
drop index entry_by_visit;
create index entry_by_visit on entry (shop_id, visit_id, run_id, position);

-- Whoever appends holds this row: positions appear in order, and a reader by cursor never passes one that is still being written.
create table shop_cursor (
  shop_id uuid primary key references shop,
  position bigint not null default 0 check (position >= 0),
  -- Rises with every visit that is added or taken in.
  visits_revision bigint not null default 0 check (visits_revision >= 0)
);
insert into shop_cursor (shop_id, position)
select s.shop_id, coalesce((select max(e.position) from entry e where e.shop_id = s.shop_id), 0) from shop s;

create function begin_shop_cursor() returns trigger language plpgsql security definer set search_path = public as $$
begin
  insert into shop_cursor (shop_id) values (new.shop_id);
  return new;
end $$;
create trigger cursor_of_shop after insert on shop for each row execute function begin_shop_cursor();

-- What came and went of a coil is counted in inches; before, whole coils were counted as pieces.
alter table stock_move add column unit text not null default 'piece' check (unit in ('piece', 'inch'));

-- Derived: caches, each row naming the entry it is up to; `npm run rebuild` makes them anew.
create table derived_run (
  shop_id uuid not null,
  visit_id uuid not null,
  run_id uuid not null,
  up_to bigint not null,
  summary jsonb not null check (jsonb_typeof(summary) = 'object'),
  accepted_id uuid,
  signed_off_at timestamptz,
  recheck_due_at timestamptz,
  recheck text not null,
  callbacks int not null default 0,
  primary key (shop_id, visit_id, run_id),
  foreign key (shop_id, visit_id, run_id) references visit_run
);
create index derived_run_recheck on derived_run (shop_id, recheck_due_at) where recheck in ('due', 'not dry');
create index derived_run_signed on derived_run (shop_id, visit_id, run_id) where signed_off_at is not null;

create table derived_joint (
  shop_id uuid not null,
  visit_id uuid not null,
  run_id uuid not null,
  joint_id uuid not null,
  up_to bigint not null,
  n int not null,
  seal text not null,
  made boolean not null,
  turns24 int not null,
  finding text,
  ml_per_day double precision,
  proven boolean not null,
  by_round jsonb not null,
  primary key (shop_id, visit_id, run_id, joint_id),
  foreign key (shop_id, run_id, joint_id) references joint (shop_id, run_id, joint_id)
);
create index derived_joint_by_seal on derived_joint (shop_id, seal);

create table derived_day (
  shop_id uuid not null references shop,
  on_date date not null,
  up_to bigint not null,
  visits int not null,
  runs int not null,
  signed_off int not null,
  findings int not null,
  primary key (shop_id, on_date)
);

-- By which program they were derived: another one rebuilds them.
create table derivation (
  shop_id uuid primary key references shop,
  version text not null
);

grant select on shop_cursor, derived_run, derived_joint, derived_day, derivation to brass_nut_app;
grant update (position, visits_revision) on shop_cursor to brass_nut_app;
grant insert, update, delete on derived_run, derived_joint, derived_day, derivation to brass_nut_app;
