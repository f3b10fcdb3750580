/** The workshop's machines for printing: printers as places that print, and build plates. */
@ApplicationModule(allowedDependencies = {"acts", "air", "calc", "http", "places"})
package mindspool.server.machines;

import org.springframework.modulith.ApplicationModule;
