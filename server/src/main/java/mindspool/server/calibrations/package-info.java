/** Calibrations of lots and printers: worksheets, what they gave, what that changes. */
@ApplicationModule(allowedDependencies = {"acts", "http", "machines", "stock"})
package mindspool.server.calibrations;

import org.springframework.modulith.ApplicationModule;
