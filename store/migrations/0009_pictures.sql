-- Pictures by their content, and what is gathered on a visit beside the work; where the main valve of a premises is.
alter table visit add column gathered jsonb;
alter table premises add column main_valve text;

create table picture (
  shop_id uuid not null references shop,
  picture_id text not null check (picture_id ~ '^[0-9a-f]{64}$'),
  type text not null check (type in ('image/jpeg', 'image/png', 'image/webp')),
  width int not null check (width between 1 and 65535),
  height int not null check (height between 1 and 65535),
  content bytea not null,
  thumbnail bytea not null,
  kept_at timestamptz not null,
  primary key (shop_id, picture_id)
);
-- They are compressed already.
alter table picture alter column content set storage external;
alter table picture alter column thumbnail set storage external;

-- Of a picture that is on its way: from where each piece begins.
create table picture_piece (
  shop_id uuid not null references shop,
  picture_id text not null check (picture_id ~ '^[0-9a-f]{64}$'),
  begins int not null check (begins >= 0),
  content bytea not null,
  kept_at timestamptz not null,
  primary key (shop_id, picture_id, begins)
);
alter table picture_piece alter column content set storage external;

create trigger picture_stays before update or delete on picture for each row execute function refuse_change();
create trigger picture_stays_whole before truncate on picture for each statement execute function refuse_change();

grant select, insert on picture to brass_nut_app;
grant select, insert, delete on picture_piece to brass_nut_app;
