package mindspool.server.support;

import java.util.Map;
import java.util.Set;
import mindspool.server.air.ClimateChanged;
import mindspool.server.http.KeptValue;
import mindspool.server.materials.MaterialsChanged;
import org.springframework.aop.framework.AopProxyUtils;
import org.springframework.aop.support.AopUtils;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestContext;
import org.springframework.test.context.TestExecutionListener;
import org.springframework.util.ReflectionUtils;

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
    application.getBeansOfType(Object.class).values().forEach(FreshDatabase::forget);
    application.publishEvent(new MaterialsChanged());
    application.publishEvent(new ClimateChanged(Map.of()));
  }

  /** What a bean keeps of its table goes with the table. */
  private static void forget(Object bean) {
    Class<?> type = AopUtils.getTargetClass(bean);
    Object target = AopProxyUtils.getSingletonTarget(bean);
    if (type.getPackageName().startsWith("mindspool")) {
      ReflectionUtils.doWithFields(
          type,
          field -> {
            field.setAccessible(true);
            ((KeptValue<?>) field.get(target == null ? bean : target)).forget();
          },
          field -> field.getType() == KeptValue.class);
    }
  }
}
