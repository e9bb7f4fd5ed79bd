package sempre.server.demo;

import org.springframework.beans.factory.SmartInitializingSingleton;

/** Practice in the demo, once its school is there. */
public class DemoPractice implements SmartInitializingSingleton {
  private final DemoSchool school;
  private final PracticeLogs logs;

  public DemoPractice(DemoSchool school, PracticeLogs logs) {
    this.school = school;
    this.logs = logs;
  }

  @Override
  public void afterSingletonsInstantiated() {
    school.prepare();
    logs.write();
  }
}
