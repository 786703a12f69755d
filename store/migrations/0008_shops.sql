-- Shops beside each other: one is begun from the program, and the demo says that it is one.
alter table shop add column is_demo boolean not null default false;
grant insert (shop_id, name, created_at) on shop to brass_nut_app;
grant update (is_demo) on shop to brass_nut_app;
