/** What weighings tell of a spool whose polymer is not quite the table's. */
package mindspool.core.learning;
