/** Places: what stands in what, how large it is, and what it takes. */
@ApplicationModule(allowedDependencies = {"acts", "http"})
package mindspool.server.places;

import org.springframework.modulith.ApplicationModule;
