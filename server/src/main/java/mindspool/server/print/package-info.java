/** Print: what a job is set up with, whether it may start, what came of it, what that teaches. */
@ApplicationModule(
    allowedDependencies = {
      "acts",
      "air",
      "calc",
      "calibrations",
      "devices",
      "dry",
      "http",
      "keep",
      "machines",
      "photos",
      "places",
      "plan",
      "shelf",
      "stock",
      "today"
    })
package mindspool.server.print;

import org.springframework.modulith.ApplicationModule;
