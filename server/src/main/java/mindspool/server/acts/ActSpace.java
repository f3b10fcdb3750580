package mindspool.server.acts;

import java.util.List;
import mindspool.server.keep.SpaceUse;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Acts are the workshop's memory: they are few and short, and none is ever deleted. */
@Component
class ActSpace implements SpaceUse {

  private final JdbcTemplate jdbc;

  ActSpace(JdbcTemplate jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public List<Use> uses() {
    Long count = jdbc.queryForObject("select count(*) from act", Long.class);
    return List.of(
        Use.inDatabase(
            "acts",
            "What was done",
            count == null ? 0 : count,
            0,
            "Kept for good, so that each can be looked up and undone."));
  }
}
