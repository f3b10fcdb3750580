-- A dryer that stands in no room heats as well: what was kept of spools that were in one is computed
-- anew.
delete from spool_checkpoint;
