/** What every station shares at its edge: errors as problems, security headers, page routes. */
@ApplicationModule(allowedDependencies = {"keep"})
package mindspool.server.http;

import org.springframework.modulith.ApplicationModule;
