package sempre.server;

import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.boot.Banner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import sempre.server.api.Ahead;

/** The web application. */
@SpringBootApplication
public class Server {

  /** The clock of the application; tests set their own. */
  @Bean
  Clock clock() {
    return Clock.systemDefaultZone();
  }

  /**
   * Starts it.
   *
   * @param data folder of the database
   * @param port on this machine only; 0 takes any free one
   * @param demo whether the demo school is wanted
   * @return the running context, to be closed
   */
  public static ConfigurableApplicationContext start(Path data, int port, boolean demo) {
    Map<String, Object> settings = new LinkedHashMap<>();
    settings.put("server.port", port);
    settings.put("sempre.demo", demo);
    String url = System.getenv("SEMPRE_JDBC_URL");
    settings.put(
        "spring.datasource.url",
        url == null
            ? "jdbc:h2:file:" + data.toAbsolutePath().resolve("sempre") + ";DB_CLOSE_ON_EXIT=FALSE"
            : url);
    SpringApplication application = new SpringApplication(Server.class);
    application.setBannerMode(Banner.Mode.OFF);
    application.setDefaultProperties(settings);
    return application.run();
  }

  /** Begins to work out ahead what will be asked for; returns at once. */
  public static void ahead(ConfigurableApplicationContext context) {
    context.getBean(Ahead.class).start();
  }

  /** The port it listens on. */
  public static int port(ConfigurableApplicationContext context) {
    return context.getEnvironment().getProperty("local.server.port", Integer.class, 0);
  }
}
