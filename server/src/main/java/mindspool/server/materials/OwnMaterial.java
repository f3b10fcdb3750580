package mindspool.server.materials;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** A workshop's own material: like one of the table's but for some figures. */
@Entity
@Table(name = "own_material")
class OwnMaterial {

  /** Stored own materials. */
  interface Store extends JpaRepository<OwnMaterial, Long> {
    List<OwnMaterial> findByRemovedSIsNullOrderByName();
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  /** Never changes: spools and prints name it. */
  String name = "";

  String title = "";

  /** Name of the table's material that it is derived from; never changes. */
  String base = "";

  /** Keys and values of those figures that are its own, as JSON. */
  String figures = "{}";

  /** Where these come from. */
  String reason = "";

  long createdS;
  Long removedS;

  @Version int version;
}
