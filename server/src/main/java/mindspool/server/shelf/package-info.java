/** Shelf: the stock with its estimates, as pages and other stations see it. */
@ApplicationModule(allowedDependencies = {"acts", "air", "estimates", "http", "places", "stock"})
package mindspool.server.shelf;

import org.springframework.modulith.ApplicationModule;
