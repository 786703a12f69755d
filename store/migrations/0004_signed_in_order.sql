-- The ledger is read by the day the work was done.
create index derived_run_by_signing on derived_run (shop_id, signed_off_at desc) where signed_off_at is not null;
