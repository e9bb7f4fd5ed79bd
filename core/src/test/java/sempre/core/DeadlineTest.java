package sempre.core;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
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

  /** What is done side by side ends with the work that it is done for. */
  @Test
  public void otherThreadsHaveTheSameTime() throws InterruptedException {
    Deadline.begin(Duration.ofDays(1), () -> true);
    AtomicReference<Throwable> ended = new AtomicReference<>();
    Consumer<String> carried = Deadline.carried(x -> work());
    Thread other = new Thread(() -> carried.accept(""));
    other.setUncaughtExceptionHandler((t, e) -> ended.set(e));
    other.start();
    other.join();
    assertTrue(ended.get() instanceof Limit.Exceeded);
  }

  private static void work() {
    for (; ; ) {
      Deadline.check();
    }
  }
}
