/** Photographs that people add to things, kept small and without what a camera writes into them. */
@ApplicationModule(allowedDependencies = {"acts", "http", "keep"})
package mindspool.server.photos;

import org.springframework.modulith.ApplicationModule;
