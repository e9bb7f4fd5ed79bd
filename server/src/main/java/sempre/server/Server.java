package sempre.server;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.aot.AotDetector;
import org.springframework.boot.Banner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.core.SpringProperties;
import org.springframework.util.ClassUtils;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.server.app.WorkingAhead;
import sempre.server.demo.DemoPractice;
import sempre.server.demo.DemoSchool;
import sempre.server.file.Daily;
import sempre.server.file.H2File;
import sempre.server.file.School;
import sempre.server.store.Db;

/** The web application. */
@SpringBootApplication
@EnableConfigurationProperties(Settings.class)
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
    SpringApplication application = new SpringApplication(Server.class);
    application.setBannerMode(Banner.Mode.OFF);
    application.addInitializers(Server::onlyHere);
    if (demo) {
      application.addInitializers(
          context -> {
            ((GenericApplicationContext) context).registerBean(DemoSchool.class);
            ((GenericApplicationContext) context).registerBean(DemoPractice.class);
          });
    }
    Optional<String> url = Settings.now().jdbc().url();
    if (url.isPresent()) {
      settings.put("spring.datasource.url", H2File.lasting(url.get()));
      application.setDefaultProperties(settings);
      return application.run();
    }
    School school = School.open(data, Clock.systemDefaultZone());
    settings.putAll(onAFolder(school.url()));
    application.setDefaultProperties(settings);
    application.setMainApplicationClass(Server.class);
    SpringProperties.setProperty(AotDetector.AOT_ENABLED, String.valueOf(prepared()));
    application.addInitializers(context -> lend(school, context));
    ConfigurableApplicationContext context;
    try {
      context = application.run();
    } catch (RuntimeException e) {
      school.close();
      throw e;
    }
    school.handOver();
    school.folder().running(port(context));
    context.getBean(Daily.class).start();
    return context;
  }

  /**
   * Run by the build and never by a user: Spring works out from here what it would find out anew at
   * each start by reading the application's classes. It stops before anything is opened.
   */
  public static void main(String[] args) {
    SpringApplication application = new SpringApplication(Server.class);
    application.setDefaultProperties(onAFolder("jdbc:h2:mem:"));
    application.run();
  }

  /** The settings where the data is a folder of its own, in its newest form already. */
  private static Map<String, Object> onAFolder(String url) {
    return Map.of("spring.datasource.url", url, "spring.flyway.enabled", false);
  }

  /**
   * Whether what Spring works out at the build is there. Beside loose classes, as they are while
   * one works on them, it may be of another day.
   */
  private static boolean prepared() {
    String here = Server.class.getProtectionDomain().getCodeSource().getLocation().getPath();
    return here.endsWith(".jar")
        && ClassUtils.isPresent(Server.class.getName() + "__ApplicationContextInitializer", null);
  }

  /**
   * Whoever reaches Sempre sees all students, so nobody but this machine may.
   *
   * @throws Refusal where the environment asks for another address
   */
  private static void onlyHere(ConfigurableApplicationContext context) {
    String address = context.getEnvironment().getProperty("server.address", "");
    try {
      if (!address.isEmpty() && InetAddress.getByName(address).isLoopbackAddress()) {
        return;
      }
    } catch (UnknownHostException e) {
      // refused as any other
    }
    throw new Refusal("wrong.listens", "address", address);
  }

  /** The school is closed after the last connection to it. */
  private static void lend(School school, ConfigurableApplicationContext context) {
    GenericApplicationContext beans = (GenericApplicationContext) context;
    beans.registerBean("school", School.class, () -> school, d -> d.setDestroyMethodName("close"));
    beans.registerBean(
        "daily",
        Daily.class,
        () ->
            new Daily(
                school,
                () -> beans.getBean(Db.class).inTurn(school::backup),
                Clock.systemDefaultZone()));
    context.addBeanFactoryPostProcessor(
        f -> f.getBeanDefinition("dataSource").setDependsOn("school"));
  }

  /** What the user is to know of the opening of the data, a sentence each. */
  public static List<Saying> said(ConfigurableApplicationContext context) {
    return context.getBeanProvider(School.class).stream().flatMap(s -> s.said().stream()).toList();
  }

  /** Begins to work out ahead what will be asked for; returns at once. */
  public static void workAhead(ConfigurableApplicationContext context) {
    context.getBean(WorkingAhead.class).start();
  }

  /** The port it listens on. */
  public static int port(ConfigurableApplicationContext context) {
    return context.getEnvironment().getProperty("local.server.port", Integer.class, 0);
  }
}
