-- Who said it; null while nobody signs in.
alter table entry add column person_id uuid;
-- Keyed digest of what an entry says, made when it is kept; those of before are made when the program starts (store/carry/digests.ts).
alter table entry add column digest text check (digest ~ '^[0-9a-f]{64}$');
create index entry_without_digest on entry (shop_id, position) where digest is null;

alter table entry drop constraint entry_subject_kind_check;
alter table entry add constraint entry_subject_kind_check
  check (subject_kind in ('premises', 'place', 'appliance', 'run', 'visit', 'follow-up', 'stock', 'shop', 'rules', 'part'));

-- A digest that is missing may be added; the erasing of a contact leaves it.
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and tg_table_name = 'entry' then
    if current_setting('brass_nut.erasing', true) = 'contact' then
      if new.subject_kind = 'premises' and new.body = old.body - 'contact' and new.erased is not null
        and (to_jsonb(new) - 'body' - 'erased') = (to_jsonb(old) - 'body' - 'erased') then
        return new;
      end if;
    elsif current_setting('brass_nut.erasing', true) = 'digest' then
      if old.digest is null and new.digest is not null and (to_jsonb(new) - 'digest') = (to_jsonb(old) - 'digest') then
        return new;
      end if;
    end if;
  end if;
  raise exception 'rows of % are appended, never changed: write a correction that names the old one', tg_table_name
    using errcode = 'integrity_constraint_violation';
end $$;

-- What was erased stands in the files of the tables until they are written anew (store/write-anew.ts), within a day.
create table to_write_anew (since timestamptz not null);

create or replace function erase_contact(of_shop uuid, of_entry uuid, digest text) returns void language plpgsql security definer set search_path = public as $$
#variable_conflict use_variable
begin
  perform set_config('brass_nut.erasing', 'contact', true);
  update entry set body = body - 'contact', erased = digest where shop_id = of_shop and entry_id = of_entry and subject_kind = 'premises' and body ? 'contact';
  perform set_config('brass_nut.erasing', '', true);
  insert into to_write_anew values (now());
end $$;

create function keep_digests(of_shop uuid, ids uuid[], digests text[]) returns void language plpgsql security definer set search_path = public as $$
begin
  perform set_config('brass_nut.erasing', 'digest', true);
  update entry e set digest = d.digest from unnest(ids, digests) as d (entry_id, digest)
  where e.shop_id = of_shop and e.entry_id = d.entry_id and e.digest is null;
  perform set_config('brass_nut.erasing', '', true);
end $$;
revoke execute on function keep_digests from public;
grant execute on function keep_digests to brass_nut_app;

-- House rules and own parts are said in the book from now on. What was kept of them becomes entries, in its order and with its dates.
create function carried_in_order(at timestamptz, n bigint, what text) returns uuid language sql immutable as $$
  select (substr(ms, 1, 8) || '-' || substr(ms, 9, 4) || '-7' || lpad(to_hex(n % 4096), 3, '0') || '-8' || substr(h, 1, 3) || '-' || substr(h, 4, 12))::uuid
  from (select lpad(to_hex((extract(epoch from at) * 1000)::bigint), 12, '0') as ms, md5(what) as h) made
$$;

insert into entry (shop_id, entry_id, subject_kind, subject_id, kind, device_id, seen_at, sent_at, recorded_at, position, body)
select r.shop_id, carried_in_order(r.recorded_at, r.n, r.shop_id || ' rules ' || r.version), 'rules', r.shop_id, 'changed',
  '00000000-0000-7000-8000-0000000000bd', r.recorded_at, r.recorded_at, r.recorded_at, c.position + r.n,
  jsonb_build_object('reason', r.reason, 'rules',
    coalesce((select jsonb_object_agg(said.key, said.value) from jsonb_each(r.rules) said where r.before is null or r.before -> said.key is distinct from said.value), '{}')
    || coalesce((select jsonb_object_agg(said.key, null) from jsonb_each(r.before) said where not r.rules ? said.key), '{}'))
from (
  select shop_id, version, rules, reason, recorded_at, lag(rules) over same as before, row_number() over same as n
  from house_rules window same as (partition by shop_id order by version)) r
join shop_cursor c using (shop_id)
order by r.shop_id, r.n;
update shop_cursor c set position = greatest(c.position, (select coalesce(max(e.position), 0) from entry e where e.shop_id = c.shop_id));

insert into entry (shop_id, entry_id, subject_kind, subject_id, kind, device_id, seen_at, sent_at, recorded_at, position, body)
select p.shop_id, carried_in_order(p.imported_at, p.n, p.shop_id || ' part ' || p.part_id), 'part', carried_id(p.shop_id || ' part ' || p.part_id), 'set',
  '00000000-0000-7000-8000-0000000000bd', p.imported_at, p.imported_at, p.imported_at, c.position + p.n,
  jsonb_build_object('row', p.cells, 'place', p.n, 'importId', carried_id(p.shop_id || ' parts ' || p.revision))
from (
  select own.shop_id, own.part_id, own.cells, kept.imported_at, kept.revision, row_number() over (partition by own.shop_id order by own.place_in_order) as n
  from own_part own join own_catalogue kept using (shop_id)) p
join shop_cursor c using (shop_id)
order by p.shop_id, p.n;
update shop_cursor c set position = greatest(c.position, (select coalesce(max(e.position), 0) from entry e where e.shop_id = c.shop_id));

-- Rises whenever an own part is another: caches are keyed by it. 0: the shop never had any.
alter table shop_cursor add column parts_revision bigint not null default 0 check (parts_revision >= 0);
update shop_cursor c set parts_revision = kept.revision from own_catalogue kept where kept.shop_id = c.shop_id;

drop table own_part;
drop table own_catalogue;
drop table house_rules;

-- Derived: the house rules in force.
create table rules_now (
  shop_id uuid primary key references shop,
  -- How often they were changed.
  version int not null check (version >= 0),
  rules jsonb not null check (jsonb_typeof(rules) = 'object'),
  reason text not null,
  changed_at timestamptz,
  conflicts jsonb not null default '[]',
  up_to bigint not null
);

-- Derived: a shop's own parts, those it has no more among them, for what was fitted once keeps its name.
create table shop_part (
  shop_id uuid not null references shop,
  subject_id uuid not null,
  part_id text not null,
  -- In the order of its file.
  place double precision not null,
  -- The cells by column, as text.
  cells jsonb not null check (jsonb_typeof(cells) = 'object'),
  gone boolean not null,
  up_to bigint not null,
  primary key (shop_id, subject_id),
  unique (shop_id, part_id)
);
create index shop_part_in_order on shop_part (shop_id, place) where not gone;

grant update (parts_revision) on shop_cursor to brass_nut_app;
grant select, insert, update, delete on rules_now, shop_part to brass_nut_app;

-- After much was taken in at once the database does not know yet what lies in its tables, and plans badly. The program's role owns none of them.
create function tell_statistics() returns void language plpgsql security definer set search_path = public as $$
begin
  analyze entry, premises, place, appliance, run, check_point, visit, visit_run, joint, derived_run, ledger_line;
end $$;
revoke execute on function tell_statistics from public;
grant execute on function tell_statistics to brass_nut_app;
