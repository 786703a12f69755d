-- A shop's own parts: taken in as a whole from a CSV file, each row kept as it was written, so that the file comes out as it went in.

create table own_catalogue (
  shop_id uuid primary key references shop,
  -- Rises with every import; caches are keyed by it.
  revision int not null check (revision > 0),
  imported_at timestamptz not null
);

create table own_part (
  shop_id uuid not null,
  part_id text not null check (length(part_id) between 1 and 80),
  place_in_order int not null check (place_in_order >= 0),
  -- The cells by column, as text.
  cells jsonb not null check (jsonb_typeof(cells) = 'object'),
  primary key (shop_id, part_id),
  unique (shop_id, place_in_order),
  foreign key (shop_id) references own_catalogue
);

grant select, insert, delete on own_part to brass_nut_app;
grant select, insert on own_catalogue to brass_nut_app;
grant update (revision, imported_at) on own_catalogue to brass_nut_app;
