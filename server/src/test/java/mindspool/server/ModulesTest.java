package mindspool.server;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

@Tag("long")
class ModulesTest {

  /** Stations speak through each other's public types only, and never in circles. */
  @Test
  void stationsKeepTheirBoundaries() {
    ApplicationModules.of(MindSpoolApplication.class).verify();
  }
}
