package sempre.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ScreenshotType;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;

/**
 * Takes the pictures of docs/screenshots, and those of the help in each language, from the demo
 * school: {@code ./sempre screenshots}.
 */
public final class Screenshots {
  /** Where the help has its pictures, from the folder of the others. */
  private static final String HELP = "../../web/src/help/pictures";

  /** Text stays sharp, and a picture has some 80 kB. */
  private static final int JPEG = 72;

  private Screenshots() {}

  public static void main(String[] args) {
    Path folder = Path.of(args[0]);
    try (Browsing browsing = new Browsing(true)) {
      shoot(browsing, folder, "today", "/", false);
      shoot(
          browsing,
          folder,
          "stand-flute",
          "/stand/{Noor}/{Half-Tide Rock}",
          false,
          "Home",
          "ArrowRight",
          "ArrowRight",
          "ArrowRight",
          "ArrowRight",
          "ArrowRight");
      shoot(browsing, folder, "practice", "/practice/{Noor}/{Undertow}", false, "n", "n");
      shoot(browsing, folder, "agenda", "/people/{Yuna}/agenda", false);
      shoot(browsing, folder, "stand-trombone-dark", "/stand/{Ioane}/{Fog Horn and Fiddle}", true);
      shoot(
          browsing,
          folder,
          "stand-trumpet-tablet",
          "/stand/{Saoirse}/{Signal Lamp}",
          false,
          "ArrowRight");
      // in Spanish, with notes by syllables
      shoot(
          browsing,
          folder,
          "ear",
          "/ear/{Mateo}/{The Harbour Wall}?lang=es&names=syllables",
          false,
          "1",
          "1",
          "2");
      shoot(browsing, folder, "shelf", "/shelf", false);
      shoot(browsing, folder, "notes-flute", "/notes/flute/Bb4", false);
      shoot(browsing, folder, "audition", "/people/audition/1", false);
      shoot(browsing, folder, "sheet", "/sheet/{Noor}/{The Harbour Wall}", false);
      shoot(browsing, folder, "chart", "/chart/flute?student={Noor}", false);
      shoot(
          browsing,
          folder,
          "simpler",
          "/simpler/{Nokomis}/{Quay Parade}",
          false,
          "Shift+ArrowRight");
      shoot(browsing, folder, "class-map", "/people/group/{Quay Concert Band}", false);
      shoot(
          browsing,
          folder,
          "class-pieces",
          "/people/group/{Quay Concert Band}/pieces",
          false,
          "ArrowRight");
      shoot(browsing, folder, "new-note", "/people/group/{Quay Concert Band}/note/Ab", false);
      shoot(
          browsing,
          folder,
          "class-check-start",
          "/ear/class/{Quay Concert Band}",
          false,
          "fill:Concert pitches=Bb C D Eb F",
          "Enter");
      shoot(browsing, folder, "people", "/people", false);
      shoot(browsing, folder, "student", "/people/{Linh}", false);
      for (String language : List.of("en", "es")) {
        help(browsing, folder.resolve(HELP), language);
      }
    } finally {
      Browsing.done();
    }
  }

  private static void help(Browsing browsing, Path folder, String language) {
    String names = "lang=" + language + (language.equals("es") ? "&names=syllables" : "");
    for (String[] of :
        new String[][] {
          {"today", "/"},
          {
            "stand",
            "/stand/{Noor}/{Half-Tide Rock}",
            "Home",
            "ArrowRight",
            "ArrowRight",
            "ArrowRight",
            "ArrowRight",
            "ArrowRight"
          },
          {"ear", "/ear/{Mateo}/{The Harbour Wall}", "1", "1", "2"},
          {"shelf", "/shelf"},
          {"notes", "/notes/flute/Bb4"},
          {"people", "/people/{Linh}"},
          {"paper", "/sheet/{Noor}/{The Harbour Wall}"}
        }) {
      shoot(
          browsing,
          folder,
          of[0] + "-" + language + ".jpg",
          of[1] + "?" + names,
          false,
          Arrays.copyOfRange(of, 2, of.length));
    }
  }

  private static void shoot(
      Browsing browsing, Path folder, String name, String path, boolean dark, String... keys) {
    boolean tablet = name.endsWith("tablet");
    Page page = browsing.page(tablet ? 820 : 1280, tablet ? 1180 : 800, dark);
    page.navigate(browsing.at(path));
    page.locator("h1").first().waitFor();
    String there = page.url().replaceFirst("https?://[^/]+", "");
    if (there.matches("/(stand|ear)/\\d.*")) {
      page.locator("section.drawn svg.lanes text").first().waitFor();
    }
    if (there.matches("/people/(group/)?\\d+(\\?.*)?") || there.matches("/notes/(?!across).+")) {
      page.locator(".range .engraved").first().waitFor();
    }
    if (there.startsWith("/practice/")) {
      page.locator(".bits svg.engraved").first().waitFor();
      page.waitForFunction("() => !document.querySelector('.meanwhile')");
    }
    if (there.startsWith("/simpler/")) {
      page.locator("svg.engraved").first().waitFor();
    }
    if (there.matches("/shelf(\\?.*)?")) {
      // what each row says comes later
      page.locator("li .quiet b").first().waitFor();
    }
    if (there.matches("/(sheet|chart)/.*")) {
      page.locator("html[data-printable=yes]").waitFor();
    }
    for (String key : keys) {
      if (key.startsWith("fill:")) {
        String[] field = key.substring("fill:".length()).split("=");
        page.getByLabel(field[0]).fill(field[1]);
        page.getByLabel(field[0]).focus();
      } else {
        page.keyboard().press(key);
      }
      page.waitForTimeout(150);
    }
    if (name.equals("new-note")) {
      page.locator("svg.engraved").first().waitFor();
    }
    if (name.startsWith("class-check")) {
      page.locator("article .staff svg").first().waitFor();
    }
    page.waitForTimeout(600);
    Page.ScreenshotOptions picture = new Page.ScreenshotOptions();
    page.screenshot(
        name.endsWith(".jpg")
            ? picture.setPath(folder.resolve(name)).setType(ScreenshotType.JPEG).setQuality(JPEG)
            : picture.setPath(folder.resolve(name + ".png")));
    page.close();
  }
}
