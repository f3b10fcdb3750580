package mindspool.server.stock;

import java.util.List;
import java.util.Optional;
import mindspool.server.materials.MaterialInUse;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** A material is needed as long as a spool ever was of it: the past is computed with it. */
@Component
class SpoolsOfMaterials implements MaterialInUse {

  private final JdbcTemplate database;

  SpoolsOfMaterials(JdbcTemplate database) {
    this.database = database;
  }

  @Override
  public Optional<String> useOf(String material) {
    List<String> codes =
        database.queryForList(
            "select code from spool where material = ? order by arrived_s desc limit 1",
            String.class,
            material);
    return codes.isEmpty() ? Optional.empty() : Optional.of("spool " + codes.get(0));
  }
}
