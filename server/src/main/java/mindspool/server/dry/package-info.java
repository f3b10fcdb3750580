/** Dry: what a cycle would do to a spool in stock. */
@ApplicationModule(
    allowedDependencies = {
      "acts", "air", "alerts", "calc", "devices", "http", "keep", "places", "shelf", "stock",
      "today"
    })
package mindspool.server.dry;

import org.springframework.modulith.ApplicationModule;
