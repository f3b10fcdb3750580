/** Work at the bench step by step, and what its measured values say. */
@ApplicationModule(allowedDependencies = {"devices", "http"})
package mindspool.server.procedures;

import org.springframework.modulith.ApplicationModule;
