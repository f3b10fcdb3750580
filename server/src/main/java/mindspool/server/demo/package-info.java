/** An invented workshop to look at: places, weather and spools, always up to today. */
@ApplicationModule(
    allowedDependencies = {
      "calc",
      "devices",
      "dry",
      "machines",
      "places",
      "plan",
      "print",
      "receiving",
      "storage",
      "trouble",
      "upkeep"
    })
package mindspool.server.demo;

import org.springframework.modulith.ApplicationModule;
