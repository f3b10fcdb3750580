/** What the replay of the facts says of the water of each spool, now and in the days ahead. */
@ApplicationModule(allowedDependencies = {"air", "keep", "materials", "stock"})
package mindspool.server.estimates;

import org.springframework.modulith.ApplicationModule;
