/** Receive: spools and whole deliveries taken into stock, with what their state means. */
@ApplicationModule(allowedDependencies = {"acts", "air", "http", "places", "stock"})
package mindspool.server.receiving;

import org.springframework.modulith.ApplicationModule;
