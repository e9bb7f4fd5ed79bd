package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What the browser keeps: the interface itself and engraved music, and nothing of students. */
public class KeptTest {
  private Browsing b;

  @BeforeClass
  void open() {
    b = new Browsing(true);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    b.close();
  }

  private static final String ENGRAVED =
      "() => new Promise(done => { const open = indexedDB.open('sempre-engraved');"
          + " open.onsuccess = () => { const q = open.result.transaction('lines').objectStore("
          + "'lines').count(); q.onsuccess = () => done(q.result) } })";

  @Test
  public void thePageStandsThereWithoutTheServerAndSaysSo() {
    Page page = b.keepingPage();
    page.navigate(b.at("/"));
    page.waitForFunction("() => navigator.serviceWorker.controller");
    page.locator("a[href^='/stand/']").first().click();
    assertThat(page.locator(".line.drawn").first()).isVisible();
    page.waitForFunction("async () => (await (" + ENGRAVED + ")()) > 0");
    Object kept =
        page.evaluate(
            "async () => { const all = []; for (const name of await caches.keys())"
                + " for (const r of await (await caches.open(name)).keys()) all.push(r.url);"
                + " return all.filter(u => new URL(u).pathname.startsWith('/api')).length }");
    assertEquals(kept, 0, "names of students do not rest in a browser's cache");

    b.stop();
    page.navigate(b.at("/people"));
    assertThat(page.locator("main")).containsText("Sempre does not answer");
    b.restart();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Try again")).click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
        .hasText("People");
  }
}
