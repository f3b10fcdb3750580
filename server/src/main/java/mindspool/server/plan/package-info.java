/** The plan: jobs with their deadlines, when somebody is there, and which load serves which job. */
@ApplicationModule(
    allowedDependencies = {
      "acts",
      "air",
      "alerts",
      "calc",
      "dry",
      "http",
      "keep",
      "materials",
      "places",
      "shelf",
      "stock",
      "today"
    })
package mindspool.server.plan;

import org.springframework.modulith.ApplicationModule;
