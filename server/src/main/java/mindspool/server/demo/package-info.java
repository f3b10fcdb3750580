/** An invented workshop to look at: places, weather and spools, always up to today. */
@ApplicationModule(allowedDependencies = {"climate", "devices", "dry", "plan", "shelf"})
package mindspool.server.demo;

import org.springframework.modulith.ApplicationModule;
