/** The air in places: logs imported or climates typed, and what to expect of them. */
@ApplicationModule(allowedDependencies = {"acts", "http", "keep", "places"})
package mindspool.server.air;

import org.springframework.modulith.ApplicationModule;
