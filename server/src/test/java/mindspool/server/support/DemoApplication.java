package mindspool.server.support;

import java.lang.annotation.ElementType;
import java.lang.annotation.Inherited;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.Tag;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.SpringBootTest.WebEnvironment;
import org.springframework.test.context.ActiveProfiles;

/** The running demo, one for all classes of tests that carry this. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@Inherited
@SpringBootTest(
    webEnvironment = WebEnvironment.RANDOM_PORT,
    properties = {
      "mindspool.mqtt.port=0",
      "mindspool.data-dir=target/demo-data",
      DemoApplication.BEGINS
    })
@ActiveProfiles("demo")
@Tag("browser")
public @interface DemoApplication {

  /** A Wednesday in the heating season; another by {@code -Dmindspool.test.hour=03:00}. */
  String BEGINS = "mindspool.test.begins=2026-01-14T${mindspool.test.hour:10:30}";
}
