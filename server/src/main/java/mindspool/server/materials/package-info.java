/** The materials that the program knows, with the source of every figure. */
@ApplicationModule(allowedDependencies = {"acts", "http"})
package mindspool.server.materials;

import org.springframework.modulith.ApplicationModule;
