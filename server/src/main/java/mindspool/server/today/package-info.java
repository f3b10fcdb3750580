/**
 * Today: what people, dryers and printers are to do, in order of time, with what was said of it.
 */
@ApplicationModule(allowedDependencies = {"acts", "http"})
package mindspool.server.today;

import org.springframework.modulith.ApplicationModule;
