-- A run may stand on a visit's list to be looked at again: what is seen is recorded in the visit that signed it off.
alter table visit_run add column recheck_of uuid;
create index visit_run_recheck on visit_run (shop_id, recheck_of) where recheck_of is not null;

-- What was found at a run before is asked for by the run.
create index derived_run_of_run on derived_run (shop_id, run_id);
