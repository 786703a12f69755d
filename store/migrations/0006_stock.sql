-- What lies on shelves and vans follows from what was said of them and from the joints that were made. The moves of older programs are written down as
-- entries when the program starts (store/carry-stock.ts): how long a coil is stands in the catalogue, not here.

-- Derived: shelves and vans.
create table stock_place (
  shop_id uuid not null references shop,
  stock_place_id uuid not null,
  name text not null,
  kind text not null check (kind in ('shelf', 'van')),
  -- Of the entry that made it: the first van is the one that is meant where none is named.
  made bigint not null,
  gone boolean not null default false,
  primary key (shop_id, stock_place_id)
);

-- Derived: what lies there of each item that anything was said of. `told` is what was counted and what came and went since; `used` what runs took since.
create table stock_level (
  shop_id uuid not null,
  stock_place_id uuid not null,
  item text not null,
  told int not null,
  used int not null default 0,
  minimum int not null default 0,
  -- The count it goes by.
  counted_at timestamptz,
  counted_device uuid,
  counted_seq int,
  -- What runs took before anything was said of the item here is not counted.
  since bigint not null,
  primary key (shop_id, stock_place_id, item),
  foreign key (shop_id, stock_place_id) references stock_place
);
create index stock_level_of_item on stock_level (shop_id, item);

-- Derived: what runs took, each piece by the making of the joint that took it.
create table derived_use (
  shop_id uuid not null references shop,
  visit_id uuid not null,
  run_id uuid not null,
  entry_id uuid not null,
  item text not null,
  quantity int not null check (quantity > 0),
  -- As the visit names it; null: the first van of the shop.
  van_id uuid,
  used_at timestamptz not null,
  device_id uuid not null,
  seq int,
  position bigint not null,
  primary key (shop_id, visit_id, run_id, entry_id, item)
);
create index use_of_item on derived_use (shop_id, item, used_at);

-- Which use counts against a level: not what came before its count (by a device's own order, else by the time), nor before the item was ever spoken of.
create function use_counts(at_position bigint, used_at timestamptz, device uuid, seq int, since bigint, counted_at timestamptz, counted_device uuid, counted_seq int)
returns boolean language sql immutable as $$
  select at_position > since and (counted_at is null
    or case when device = counted_device and seq is not null and counted_seq is not null then seq > counted_seq else used_at > counted_at end)
$$;

-- The van of a shop that a visit means when it names none.
create function first_van(of_shop uuid) returns uuid language sql stable as $$
  select stock_place_id from stock_place where shop_id = of_shop and kind = 'van' and not gone order by made limit 1
$$;

alter table visit add column van_id uuid;
-- Rises whenever a level changes, so that a reader knows whether what it has is still so.
alter table shop_cursor add column stock_revision bigint not null default 0;
alter table shop_cursor drop column visits_revision;

grant update (stock_revision) on shop_cursor to brass_nut_app;
grant select, insert, update, delete on stock_place, stock_level, derived_use to brass_nut_app;
