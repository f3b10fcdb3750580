/**
 * Today: what people, dryers and printers are to do, in order of time, with what was said of it.
 */
package mindspool.server.today;
