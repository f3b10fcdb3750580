package mindspool.server;

import java.util.Locale;
import org.hibernate.boot.model.naming.Identifier;
import org.hibernate.boot.model.naming.PhysicalNamingStrategySnakeCaseImpl;
import org.hibernate.engine.jdbc.env.spi.JdbcEnvironment;
import org.springframework.stereotype.Component;

/** Snake case that also splits off a unit of one letter: {@code temperatureC} is temperature_c. */
@Component
public class UnitColumnNaming extends PhysicalNamingStrategySnakeCaseImpl {

  private static final long serialVersionUID = 1L;

  @Override
  public Identifier toPhysicalColumnName(Identifier name, JdbcEnvironment environment) {
    String snake = name.getText().replaceAll("([a-z0-9])([A-Z])", "$1_$2").toLowerCase(Locale.ROOT);
    return new Identifier(snake, name.isQuoted());
  }
}
