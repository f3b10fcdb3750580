/** Places and the air in them: logs imported or climates typed, and what to expect of them. */
@ApplicationModule(allowedDependencies = {"acts", "http", "keep", "today"})
package mindspool.server.climate;

import org.springframework.modulith.ApplicationModule;
