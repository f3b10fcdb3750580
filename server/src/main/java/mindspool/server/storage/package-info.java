/** Closed boxes and bags: what is done to them, and how long they stay dry. */
@ApplicationModule(allowedDependencies = {"acts", "air", "alerts", "http", "places", "today"})
package mindspool.server.storage;

import org.springframework.modulith.ApplicationModule;
