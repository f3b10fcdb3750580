/**
 * Devices: the broker they publish to, how their messages are read, their readings, and the checks
 * of hygrometers.
 */
package mindspool.server.devices;
