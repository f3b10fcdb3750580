/** Dry: what a cycle would do to a spool in stock. */
package mindspool.server.dry;
