/** The public computation API: what core computes, asked without stored data. */
@ApplicationModule(allowedDependencies = {"http", "photos"})
package mindspool.server.calc;

import org.springframework.modulith.ApplicationModule;
