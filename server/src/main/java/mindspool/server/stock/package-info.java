/** The stock: spools and lots, what happened to them, their labels. */
@ApplicationModule(allowedDependencies = {"acts", "air", "http", "materials", "places", "storage"})
package mindspool.server.stock;

import org.springframework.modulith.ApplicationModule;
