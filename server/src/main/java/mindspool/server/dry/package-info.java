/** Dry: what a cycle would do to a spool in stock. */
@ApplicationModule(
    allowedDependencies = {"acts", "calc", "climate", "devices", "http", "keep", "shelf", "today"})
package mindspool.server.dry;

import org.springframework.modulith.ApplicationModule;
