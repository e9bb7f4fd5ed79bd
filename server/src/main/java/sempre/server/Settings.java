package sempre.server;

import java.util.Optional;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.Binder;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.core.env.StandardEnvironment;

/**
 * What can be set from outside, in the environment or as a system property.
 *
 * @param jdbc a database of the school's own
 * @param rehearse whether it starts, answers the usual questions once and ends, so that the classes
 *     it loads can be kept for a quicker start
 */
@ConfigurationProperties("sempre")
public record Settings(@DefaultValue Jdbc jdbc, @DefaultValue("false") boolean rehearse) {
  /**
   * A database of the school's own in place of the file in the data folder.
   *
   * @param url its address ({@code SEMPRE_JDBC_URL}); others may change its data meanwhile
   */
  public record Jdbc(Optional<String> url) {}

  /** Whether another Sempre may change the same data, so that nothing worked out is kept. */
  public boolean shared() {
    return jdbc.url().isPresent();
  }

  /** As the environment of this process has them, before there is an application. */
  public static Settings now() {
    return Binder.get(new StandardEnvironment()).bindOrCreate("sempre", Settings.class);
  }
}
