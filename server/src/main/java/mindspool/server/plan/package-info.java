/** The plan: jobs with their deadlines, when somebody is there, and which load serves which job. */
@ApplicationModule(
    allowedDependencies = {"acts", "calc", "climate", "dry", "http", "keep", "shelf", "today"})
package mindspool.server.plan;

import org.springframework.modulith.ApplicationModule;
