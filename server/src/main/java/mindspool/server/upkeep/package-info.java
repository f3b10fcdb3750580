/** Upkeep: what is due on machines and plates, what was done, and what changed on a machine. */
@ApplicationModule(
    allowedDependencies = {
      "acts",
      "air",
      "devices",
      "dry",
      "http",
      "machines",
      "photos",
      "places",
      "plan",
      "print",
      "stock",
      "today"
    })
package mindspool.server.upkeep;

import org.springframework.modulith.ApplicationModule;
