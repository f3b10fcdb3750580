package mindspool.server.keep;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Leaves in the data folder where the program answers, for commands on the same machine. */
@Component
class RunningAddress implements DisposableBean {

  static final String FILE = "address";

  private final Path file;

  RunningAddress(@Value("${mindspool.data-dir}") Path folder) {
    this.file = folder.resolve(FILE);
  }

  @EventListener
  void ready(ApplicationReadyEvent event) throws IOException {
    String port = event.getApplicationContext().getEnvironment().getProperty("local.server.port");
    if (port != null && Files.isDirectory(file.getParent())) {
      Files.writeString(file, "http://127.0.0.1:" + port);
    }
  }

  @Override
  public void destroy() throws IOException {
    Files.deleteIfExists(file);
  }
}
