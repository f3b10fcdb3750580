/** Closed boxes and bags: what is done to them, and how long they stay dry. */
@ApplicationModule(allowedDependencies = {"acts", "air", "http", "places", "today"})
package mindspool.server.storage;

import org.springframework.modulith.ApplicationModule;
