/**
 * The log of acts: every fact belongs to the one press of a button that stored it, and is taken
 * back and put back with it.
 */
@ApplicationModule(allowedDependencies = {"http", "keep"})
package mindspool.server.acts;

import org.springframework.modulith.ApplicationModule;
