/** Trouble: what went wrong with a print, what would tell, and what it turned out to be. */
@ApplicationModule(
    allowedDependencies = {
      "acts",
      "air",
      "calc",
      "http",
      "machines",
      "print",
      "shelf",
      "today",
      "upkeep"
    })
package mindspool.server.trouble;

import org.springframework.modulith.ApplicationModule;
