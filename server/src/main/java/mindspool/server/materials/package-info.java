/** The materials that the program knows, with the source of every figure. */
@ApplicationModule(allowedDependencies = {})
package mindspool.server.materials;

import org.springframework.modulith.ApplicationModule;
