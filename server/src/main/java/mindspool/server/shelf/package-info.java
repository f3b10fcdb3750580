/**
 * Receive and Shelf: spools, the facts about them, and what the replay of those facts says of their
 * water now and in the days ahead.
 */
@ApplicationModule(allowedDependencies = {"acts", "climate", "http", "keep"})
package mindspool.server.shelf;

import org.springframework.modulith.ApplicationModule;
