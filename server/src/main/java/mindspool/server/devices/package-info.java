/**
 * Devices: the broker they publish to, how their messages are read, their readings, and the checks
 * of hygrometers.
 */
@ApplicationModule(
    allowedDependencies = {"acts", "air", "alerts", "http", "keep", "places", "today"})
package mindspool.server.devices;

import org.springframework.modulith.ApplicationModule;
