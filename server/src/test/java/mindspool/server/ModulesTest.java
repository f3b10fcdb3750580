package mindspool.server;

import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

class ModulesTest {

  /** Stations speak through each other's public types only, and never in circles. */
  @Test
  void stationsKeepTheirBoundaries() {
    ApplicationModules.of(MindSpoolApplication.class).verify();
  }
}
