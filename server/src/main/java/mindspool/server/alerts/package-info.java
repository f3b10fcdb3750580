/** What needs a hand at once, shown on every page. */
@ApplicationModule(allowedDependencies = {})
package mindspool.server.alerts;

import org.springframework.modulith.ApplicationModule;
