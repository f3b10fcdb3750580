package mindspool.server;

import java.time.Clock;
import java.time.ZoneId;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts Mind Spool. */
@SpringBootApplication
@EnableScheduling
@EnableJpaRepositories(considerNestedRepositories = true)
public class MindSpoolApplication {

  public static void main(String[] args) {
    SpringApplication.run(MindSpoolApplication.class, args);
  }

  @Bean
  Clock clock() {
    return Clock.system(ZoneId.systemDefault());
  }
}
