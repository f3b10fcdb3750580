package mindspool.server.support;

import java.util.Map;
import java.util.Set;
import mindspool.server.air.ClimateChanged;
import mindspool.server.materials.MaterialsChanged;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestContext;
import org.springframework.test.context.TestExecutionListener;

/**
 * An empty workshop for each class of tests: all of them ask one running application, and none
 * finds what another left. Numbers go on, so that nothing remembered is taken for something new.
 */
public final class FreshDatabase implements TestExecutionListener {

  /** The database's own history, and the one row that a new database begins with. */
  private static final Set<String> KEPT = Set.of("flyway_schema_history", "ATTENDANCE_WEEK");

  @Override
  public void beforeTestClass(TestContext context) {
    ApplicationContext application = context.getApplicationContext();
    JdbcTemplate jdbc = application.getBean(JdbcTemplate.class);
    jdbc.execute("set referential_integrity false");
    jdbc
        .queryForList(
            "select table_name from information_schema.tables where table_schema = 'PUBLIC'"
                + " and table_type = 'BASE TABLE'",
            String.class)
        .stream()
        .filter(table -> !KEPT.contains(table))
        .forEach(table -> jdbc.execute("truncate table \"" + table + "\""));
    jdbc.execute("set referential_integrity true");
    application.publishEvent(new MaterialsChanged());
    application.publishEvent(new ClimateChanged(Map.of()));
  }
}
