package sempre.server;

import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import sempre.server.demo.DemoSchool;

/** The application on a database of its own in memory, asked over its real API. */
@SpringBootTest(classes = Server.class)
@AutoConfigureMockMvc
@Import(DemoSchool.class)
public abstract class ServerTestBase extends AbstractTestNGSpringContextTests {
  private static final String DATABASE = "jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1";

  @Autowired protected MockMvcTester mvc;

  @DynamicPropertySource
  static void settings(DynamicPropertyRegistry registry) {
    registry.add("spring.datasource.url", () -> DATABASE);
  }
}
