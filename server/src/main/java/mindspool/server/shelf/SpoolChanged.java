package mindspool.server.shelf;

/** The facts about a spool are no longer what they were. */
record SpoolChanged(long spoolId) {}
