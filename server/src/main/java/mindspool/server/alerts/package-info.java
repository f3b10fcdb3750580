/** What needs a hand at once, shown on every page. */
package mindspool.server.alerts;
