/** An invented workshop to look at: places, weather and spools, always up to today. */
@ApplicationModule(
    allowedDependencies = {"devices", "dry", "places", "plan", "receiving", "storage"})
package mindspool.server.demo;

import org.springframework.modulith.ApplicationModule;
