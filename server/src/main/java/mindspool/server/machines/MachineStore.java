package mindspool.server.machines;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class MachineStore {

  private MachineStore() {}

  interface Printers extends JpaRepository<PrinterDescription, Long> {}

  interface Plates extends JpaRepository<StoredPlate, Long> {
    List<StoredPlate> findByRemovedSIsNullOrderByName();
  }
}
