package mindspool.server;

import java.time.Clock;
import java.time.ZoneId;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.context.event.EventListener;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts Mind Spool. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
@EnableJpaRepositories(considerNestedRepositories = true)
public class MindSpoolApplication {

  private static final Logger LOG = LoggerFactory.getLogger(MindSpoolApplication.class);

  public static void main(String[] args) {
    SpringApplication.run(MindSpoolApplication.class, args);
  }

  /** Says where to look once it answers. */
  @EventListener
  void ready(ApplicationReadyEvent event) {
    String port = event.getApplicationContext().getEnvironment().getProperty("local.server.port");
    LOG.info("Mind Spool is ready at http://127.0.0.1:{}/", port);
  }

  @Bean
  Clock clock() {
    return Clock.system(ZoneId.systemDefault());
  }
}
