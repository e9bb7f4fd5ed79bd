package sempre.core;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

public class DeadlineTest {
  @AfterMethod(alwaysRun = true)
  void over() {
    Deadline.over();
  }

  /** Work without an end is given up when its time is over, and when Sempre stops. */
  @Test
  public void endlessWorkIsGivenUp() {
    Deadline.begin(Duration.ofMillis(1), () -> false);
    assertFalse(expectThrows(Limit.Exceeded.class, DeadlineTest::work).getMessage().isEmpty());
    Deadline.begin(Duration.ofDays(1), () -> true);
    expectThrows(Limit.Exceeded.class, DeadlineTest::work);
    // the thread itself is never interrupted: that would close a file it happens to read
    assertFalse(Thread.currentThread().isInterrupted());
    // without a deadline there is always time
    Deadline.over();
    for (int i = 0; i < 1_000; i++) {
      Deadline.check();
    }
  }

  private static void work() {
    for (; ; ) {
      Deadline.check();
    }
  }
}
