package sempre.core.instrument;

import org.testng.IInvokedMethod;
import org.testng.IInvokedMethodListener;
import org.testng.ITestResult;

/**
 * With {@code -Dsempre.forget=true} each test works out for itself what a set-up otherwise keeps,
 * so that it is known which test runs through what ({@code ./sempre mutants}).
 */
public final class Forgetting implements IInvokedMethodListener {
  private static final boolean WANTED = Boolean.getBoolean("sempre.forget");

  @Override
  public void beforeInvocation(IInvokedMethod method, ITestResult result) {
    if (WANTED) {
      Catalogue.standard().forget();
    }
  }
}
