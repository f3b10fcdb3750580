package mindspool.server.calibrations;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** A worksheet that was kept. */
@Entity
@Table(name = "calibration")
class KeptCalibration {

  /** Stored worksheets. */
  interface Store extends JpaRepository<KeptCalibration, Long> {
    List<KeptCalibration> findByRemovedSIsNullOrderByAtSDescIdDesc();

    List<KeptCalibration> findByLotIdAndRemovedSIsNullOrderByAtSDescIdDesc(long lotId);
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  /** Null for one of a printer. */
  Long lotId;

  /** Null where nobody said on which it was measured. */
  Long printerId;

  @Enumerated(EnumType.STRING)
  WorksheetKind kind = WorksheetKind.FLOW;

  /** Measurements as JSON. */
  String inputs = "{}";

  double amount;
  double unsure;
  String unit = "";
  String note;
  long atS;
  Long removedS;

  @Version int version;
}
