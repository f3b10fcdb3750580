/** Keeps what is stored: on the disk before it is promised, watched, backed up and restored. */
@ApplicationModule(allowedDependencies = {"alerts"})
package mindspool.server.keep;

import org.springframework.modulith.ApplicationModule;
