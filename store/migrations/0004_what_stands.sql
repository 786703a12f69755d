-- The ledger is read by the day the work was done.
create index derived_run_by_signing on derived_run (shop_id, signed_off_at desc) where signed_off_at is not null;

-- An entry that was taken back and put back can be taken back again: what may name what is checked in record/, under the shop's lock.
drop index entry_corrected_once;
create index entry_corrects on entry (shop_id, corrects_id) where corrects_id is not null;
