-- The book: premises, places, appliances, runs, visits and the rest are made and changed by entries, like what happens on a run. Their tables are
-- derived from then on; what is in them already is written down as entries, so that nothing stands without one.

-- Kept among the entries of runs: one order, one count for each device, one name for each entry.
alter table entry add column subject_kind text check (subject_kind in ('premises', 'place', 'appliance', 'run', 'visit', 'follow-up', 'stock', 'shop'));
alter table entry add column subject_id uuid;
-- Keyed digest of what an entry said before a contact was erased from it.
alter table entry add column erased text check (erased ~ '^[0-9a-f]{64}$');
alter table entry alter column visit_id drop not null;
alter table entry alter column run_id drop not null;
alter table entry add constraint entry_is_of_run_or_book check (
  (subject_kind is null and subject_id is null and visit_id is not null and run_id is not null)
  or (subject_kind is not null and subject_id is not null and visit_id is null and run_id is null and joint_id is null and check_point_id is null));
alter table entry add constraint entry_corrects_of_shop foreign key (shop_id, corrects_id) references entry (shop_id, entry_id);
create index entry_of_subject on entry (shop_id, subject_id, position) where subject_id is not null;
create index entry_of_item on entry (shop_id, (body ->> 'item'), position) where subject_kind = 'stock';

alter table premises add column address text;
alter table premises add column access text;
alter table premises add column quiet jsonb;
alter table premises add column contact jsonb;
alter table premises add column contact_erased_by uuid;
-- All that it is found by, in small letters: its own words, and the names of its places and appliances.
alter table premises add column search text not null default '';
alter table appliance add column sheet jsonb;
-- Two devices may each write down a run of the same name: both are kept, and one is renamed or retired by a person.
alter table run drop constraint run_shop_id_appliance_id_water_name_key;

alter table visit add column minutes int check (minutes between 5 and 1440);
alter table visit add column note text;
alter table visit add column cancelled text;
alter table visit add column arrived_at timestamptz;
alter table visit add column left_at timestamptz;

alter table visit_run add column work text not null default 'stop-replace' check (work ~ '^[a-z][a-z-]{0,59}$');
alter table visit_run add column told jsonb not null default '[]' check (jsonb_typeof(told) = 'array');
alter table visit_run add column removed text;

create table follow_up (
  shop_id uuid not null references shop,
  follow_up_id uuid not null,
  premises_id uuid not null,
  run_id uuid,
  due_on date,
  body text not null check (length(body) between 1 and 2000),
  closed_reason text,
  closed_visit_id uuid,
  closed_at timestamptz,
  primary key (shop_id, follow_up_id),
  foreign key (shop_id, premises_id) references premises,
  foreign key (shop_id, run_id) references run,
  foreign key (shop_id, closed_visit_id) references visit
);
create index follow_up_open on follow_up (shop_id, due_on) where closed_at is null;

-- The shop as its entries have it.
create table shop_now (
  shop_id uuid primary key references shop,
  facts jsonb not null check (jsonb_typeof(facts) = 'object')
);

-- Why it is left out of lists; whether its making was taken back; the entry the row is up to.
do $$
declare t text;
begin
  foreach t in array array['premises', 'place', 'appliance', 'run', 'visit', 'follow_up'] loop
    execute format('alter table %I add column gone boolean not null default false', t);
    execute format('alter table %I add column up_to bigint not null default 0', t);
  end loop;
  foreach t in array array['premises', 'place', 'appliance', 'run'] loop
    execute format('alter table %I add column retired text', t);
  end loop;
end $$;
create index place_of_premises on place (shop_id, premises_id);
create index appliance_of_premises on appliance (shop_id, premises_id);
create index run_of_appliance on run (shop_id, appliance_id);
create index visit_of_premises on visit (shop_id, premises_id, on_date);

-- What each kind of appliance usually has done to it, where nobody said.
update visit_run vr set work = case a.kind
  when 'toilet' then 'toilet-line' when 'basin-faucet' then 'basin-faucet' when 'kitchen-faucet' then 'kitchen-faucet-lines'
  when 'bidet-seat' then 'bidet-seat' when 'dishwasher' then 'dishwasher-new' when 'refrigerator' then 'refrigerator-wall-box'
  when 'ice-maker' then 'ice-maker' when 'brewer' then 'brewer' when 'glass-rinser' then 'glass-rinser' when 'ro-dispenser' then 'ro-dispenser'
  when 'washing-machine' then 'washer-arrestors' when 'tub-filler' then 'tub-rough' when 'hydrant' then 'hydrant' else 'stop-replace' end
from run r join appliance a on a.shop_id = r.shop_id and a.appliance_id = r.appliance_id
where r.shop_id = vr.shop_id and r.run_id = vr.run_id;
alter table visit_run alter column work drop default;

-- An id that follows from what it is of, so that the same data carried over twice has the same entries.
create function carried_id(what text) returns uuid language sql immutable as $$
  select (substr(h, 1, 8) || '-' || substr(h, 9, 4) || '-7' || substr(h, 14, 3) || '-8' || substr(h, 18, 3) || '-' || substr(h, 21, 12))::uuid
  from (select md5(what) as h) hashed
$$;

with carried (shop_id, step, subject_kind, subject_id, change, body, rank) as (
  select shop_id, 1, 'premises', premises_id, 'made', jsonb_build_object('name', name, 'timeZone', time_zone), 0 from premises
  union all select shop_id, 2, 'place', place_id, 'made', jsonb_build_object('name', name, 'premisesId', premises_id), 0 from place
  union all select shop_id, 3, 'appliance', appliance_id, 'made', jsonb_build_object('kind', kind, 'name', name, 'placeId', place_id, 'premisesId', premises_id), 0 from appliance
  union all select r.shop_id, 4, 'run', r.run_id, 'made', jsonb_build_object('name', r.name, 'water', r.water, 'applianceId', r.appliance_id, 'checkPoints',
      coalesce((select jsonb_agg(jsonb_build_object('id', c.check_point_id, 'kind', c.kind, 'name', c.name) order by c.check_point_id)
        from check_point c where c.shop_id = r.shop_id and c.run_id = r.run_id), '[]'::jsonb)), 0 from run r
  union all select shop_id, 5, 'visit', visit_id, 'made', jsonb_build_object('title', title, 'onDate', to_char(on_date, 'YYYY-MM-DD'),
      'startsAt', to_char(starts_at, 'HH24:MI'), 'premisesId', premises_id), 0 from visit
  union all select shop_id, 6, 'visit', visit_id, 'run-added', jsonb_build_object('work', work, 'runId', run_id), place_in_order from visit_run
), numbered as (
  select c.*, row_number() over (partition by c.shop_id order by step, subject_id, rank, body ->> 'runId') as n from carried c
)
insert into entry (shop_id, entry_id, kind, subject_kind, subject_id, device_id, seq, seen_at, sent_at, recorded_at, position, body)
select n.shop_id, carried_id(concat_ws(' ', n.subject_kind, n.subject_id, n.change, n.body ->> 'runId')), n.change, n.subject_kind, n.subject_id,
  '00000000-0000-7000-8000-0000000000bc', n.n, s.created_at, s.created_at, s.created_at, k.position + n.n, n.body
from numbered n join shop s using (shop_id) join shop_cursor k using (shop_id);
update shop_cursor k set position = coalesce((select max(e.position) from entry e where e.shop_id = k.shop_id), 0);

do $$
declare t text; key text;
begin
  foreach t in array array['premises', 'place', 'appliance', 'run', 'visit', 'follow_up'] loop
    key := t || '_id';
    execute format('update %I as own set up_to = coalesce((select max(e.position) from entry e where e.shop_id = own.shop_id and e.subject_id = own.%I), 0)', t, key);
  end loop;
end $$;

update premises p set search = lower(concat_ws(' ', p.name,
  (select string_agg(l.name, ' ') from place l where l.shop_id = p.shop_id and l.premises_id = p.premises_id),
  (select string_agg(a.name, ' ') from appliance a where a.shop_id = p.shop_id and a.premises_id = p.premises_id)));
create index premises_by_name on premises (shop_id, name, premises_id) where not gone and retired is null;

-- A key of each shop: what was erased is known again by its digest, and by nobody who has not the key.
create table shop_key (
  shop_id uuid primary key references shop,
  key text not null
);
create function begin_shop_key() returns trigger language plpgsql security definer set search_path = public as $$
begin
  insert into shop_key (shop_id, key) values (new.shop_id, replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''));
  return new;
end $$;
create trigger key_of_shop after insert on shop for each row execute function begin_shop_key();
insert into shop_key (shop_id, key) select shop_id, replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '') from shop;

-- The one rewrite the record allows: the contact goes from an entry of a premises, and what it said stays known by a digest. Only this function,
-- which belongs to the owner of the tables, gets past the refusal.
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and tg_table_name = 'entry' and current_setting('brass_nut.erasing', true) = 'contact' then
    if new.subject_kind = 'premises' and new.body = old.body - 'contact' and new.erased is not null
      and (to_jsonb(new) - 'body' - 'erased') = (to_jsonb(old) - 'body' - 'erased') then
      return new;
    end if;
  end if;
  raise exception 'rows of % are appended, never changed: write a correction that names the old one', tg_table_name
    using errcode = 'integrity_constraint_violation';
end $$;

create function erase_contact(of_shop uuid, of_entry uuid, digest text) returns void language plpgsql security definer set search_path = public as $$
begin
  perform set_config('brass_nut.erasing', 'contact', true);
  update entry set body = body - 'contact', erased = digest where shop_id = of_shop and entry_id = of_entry and subject_kind = 'premises' and body ? 'contact';
  perform set_config('brass_nut.erasing', '', true);
end $$;
revoke execute on function erase_contact from public;
grant execute on function erase_contact to brass_nut_app;

grant select on follow_up, shop_now, shop_key to brass_nut_app;
-- A run that was put on a list and taken back is not on it, and nothing is recorded there.
grant delete on visit_run to brass_nut_app;
grant insert, update on premises, place, appliance, run, check_point, visit, visit_run, follow_up, shop_now to brass_nut_app;

-- Nobody asked for the counts of days.
drop table derived_day;
