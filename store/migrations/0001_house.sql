-- The house: one shop and what it owns. Every key begins with the shop, so that no row can point into another's.

create table shop (
  shop_id uuid primary key,
  name text not null check (length(name) between 1 and 200),
  currency text not null default 'USD' check (currency ~ '^[A-Z]{3}$'),
  created_at timestamptz not null default now()
);

insert into shop (shop_id, name) values ('00000000-0000-7000-8000-000000000001', 'This shop');

create table premises (
  shop_id uuid not null references shop,
  premises_id uuid not null,
  name text not null check (length(name) between 1 and 200),
  time_zone text not null check (length(time_zone) between 1 and 60),
  primary key (shop_id, premises_id)
);

create table place (
  shop_id uuid not null,
  place_id uuid not null,
  premises_id uuid not null,
  name text not null check (length(name) between 1 and 200),
  primary key (shop_id, place_id),
  unique (shop_id, premises_id, place_id),
  foreign key (shop_id, premises_id) references premises
);

create table appliance (
  shop_id uuid not null,
  appliance_id uuid not null,
  premises_id uuid not null,
  place_id uuid not null,
  kind text not null check (length(kind) between 1 and 60),
  name text not null check (length(name) between 1 and 200),
  primary key (shop_id, appliance_id),
  foreign key (shop_id, premises_id, place_id) references place (shop_id, premises_id, place_id)
);

-- A supply path to one inlet; a faucet has two.
create table run (
  shop_id uuid not null,
  run_id uuid not null,
  appliance_id uuid not null,
  water text not null check (water in ('cold', 'hot')),
  name text not null check (length(name) between 1 and 200),
  primary key (shop_id, run_id),
  unique (shop_id, appliance_id, water, name),
  foreign key (shop_id, appliance_id) references appliance
);

-- What is watched besides the joints: stop stems, drain joints.
create table check_point (
  shop_id uuid not null,
  check_point_id uuid not null,
  run_id uuid not null,
  kind text not null check (kind in ('stem', 'drain')),
  name text not null check (length(name) between 1 and 200),
  primary key (shop_id, check_point_id),
  unique (shop_id, run_id, check_point_id),
  foreign key (shop_id, run_id) references run
);

create table visit (
  shop_id uuid not null,
  visit_id uuid not null,
  premises_id uuid not null,
  -- A local day and hour at the premises.
  on_date date not null,
  starts_at time not null,
  title text not null check (length(title) between 1 and 200),
  demo boolean not null default false,
  primary key (shop_id, visit_id),
  foreign key (shop_id, premises_id) references premises
);
create index visit_by_day on visit (shop_id, on_date, starts_at);

create table visit_run (
  shop_id uuid not null,
  visit_id uuid not null,
  run_id uuid not null,
  place_in_order int not null check (place_in_order >= 0),
  primary key (shop_id, visit_id, run_id),
  foreign key (shop_id, visit_id) references visit,
  foreign key (shop_id, run_id) references run
);
create index visit_run_by_run on visit_run (shop_id, run_id);

-- A joint has an identity for life; J1, J2 are only how it is drawn today.
create table joint (
  shop_id uuid not null,
  joint_id uuid not null,
  run_id uuid not null,
  primary key (shop_id, joint_id),
  unique (shop_id, run_id, joint_id),
  foreign key (shop_id, run_id) references run
);

-- What happened: appended, never edited.
create table entry (
  shop_id uuid not null,
  entry_id uuid not null,
  visit_id uuid not null,
  run_id uuid not null,
  joint_id uuid,
  check_point_id uuid,
  kind text not null check (kind in (
    'end-seen', 'stop-tried', 'old-line-judged', 'distance-measured', 'place-seen', 'chain-accepted', 'gate-answered', 'step-done',
    'joint-made', 'look-begun', 'look-ended', 'remedied', 'signed-off', 'callback-reported', 'noted')),
  corrects_id uuid,
  -- The entry this one follows from: the look it ends, the acceptance it replaces.
  follows_id uuid,
  device_id uuid not null,
  seen_at timestamptz not null,
  sent_at timestamptz not null,
  recorded_at timestamptz not null,
  body jsonb not null check (jsonb_typeof(body) = 'object'),
  primary key (shop_id, entry_id),
  foreign key (shop_id, visit_id, run_id) references visit_run,
  unique (shop_id, run_id, entry_id),
  foreign key (shop_id, run_id, joint_id) references joint (shop_id, run_id, joint_id),
  foreign key (shop_id, run_id, check_point_id) references check_point (shop_id, run_id, check_point_id),
  foreign key (shop_id, run_id, corrects_id) references entry (shop_id, run_id, entry_id),
  foreign key (shop_id, run_id, follows_id) references entry (shop_id, run_id, entry_id),
  check (joint_id is null or check_point_id is null),
  check (corrects_id is null or corrects_id <> entry_id)
);
create index entry_by_visit on entry (shop_id, visit_id, run_id, kind);
create index entry_by_kind on entry (shop_id, kind, recorded_at desc);
-- One correction for an entry; one sign-off for a run in a visit, unless it corrects the one before.
create unique index entry_corrected_once on entry (shop_id, corrects_id) where corrects_id is not null;
create unique index signed_off_once on entry (shop_id, visit_id, run_id) where kind = 'signed-off' and corrects_id is null;
-- One acceptance to begin with, and one in place of each.
create unique index accepted_first on entry (shop_id, visit_id, run_id) where kind = 'chain-accepted' and follows_id is null;
create unique index accepted_next on entry (shop_id, follows_id) where kind = 'chain-accepted' and follows_id is not null;
-- A look is ended once.
create unique index look_ended_once on entry (shop_id, follows_id) where kind = 'look-ended' and corrects_id is null;

-- The van: what came and went. A stock figure is the sum.
create table stock_move (
  shop_id uuid not null references shop,
  move_id uuid not null,
  item text not null check (length(item) between 1 and 80),
  quantity int not null check (quantity <> 0),
  reason text not null check (length(reason) between 1 and 200),
  entry_id uuid,
  recorded_at timestamptz not null,
  primary key (shop_id, move_id),
  foreign key (shop_id, entry_id) references entry (shop_id, entry_id)
);
create index stock_by_item on stock_move (shop_id, item);

-- House rules: each change is a new version with its reason.
create table house_rules (
  shop_id uuid not null references shop,
  version int not null check (version > 0),
  rules jsonb not null check (jsonb_typeof(rules) = 'object'),
  reason text not null check (length(reason) between 1 and 1000),
  recorded_at timestamptz not null,
  primary key (shop_id, version)
);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'rows of % are appended, never changed: write a correction that names the old one', tg_table_name
    using errcode = 'integrity_constraint_violation';
end $$;

create trigger appended before update or delete on entry for each row execute function refuse_change();
create trigger not_emptied before truncate on entry for each statement execute function refuse_change();
create trigger appended before update or delete on joint for each row execute function refuse_change();
create trigger not_emptied before truncate on joint for each statement execute function refuse_change();
create trigger appended before update or delete on stock_move for each row execute function refuse_change();
create trigger not_emptied before truncate on stock_move for each statement execute function refuse_change();
create trigger appended before update or delete on house_rules for each row execute function refuse_change();
create trigger not_emptied before truncate on house_rules for each statement execute function refuse_change();

-- The program's own role: it owns nothing and may change only what may be changed.
-- A role belongs to the whole cluster: another database of it may be making it at this moment.
do $$ begin
  if not exists (select from pg_roles where rolname = 'brass_nut_app') then create role brass_nut_app nologin; end if;
exception when duplicate_object or unique_violation then null;
end $$;
do $$ begin execute format('grant brass_nut_app to %I', current_user); end $$;
grant usage on schema public to brass_nut_app;
grant select on all tables in schema public to brass_nut_app;
grant insert on premises, place, appliance, run, check_point, visit, visit_run, joint, entry, stock_move, house_rules to brass_nut_app;
grant update (name) on premises, place, appliance, run, check_point to brass_nut_app;
grant update (on_date, starts_at, title) on visit to brass_nut_app;
