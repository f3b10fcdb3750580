package mindspool.server.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Print limit and dry target of a material, or of one lot of it, as this workshop found them. */
@Entity
@Table(name = "own_limit")
class OwnLimit {

  /** Stored limits, also those taken back. */
  interface Store extends JpaRepository<OwnLimit, Long> {
    List<OwnLimit> findByRemovedSIsNullOrderByMaterialAscIdAsc();

    Optional<OwnLimit> findByMaterialAndLotId(String material, Long lotId);
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String material;

  /** Null for all lots. */
  Long lotId;

  Double printLimitPercent;
  Double dryTargetPercent;
  String reason;

  /** When it was taken back; null while it holds. */
  Long removedS;

  @Version int version;

  protected OwnLimit() {}

  OwnLimit(String material, Long lotId) {
    this.material = material;
    this.lotId = lotId;
  }
}
