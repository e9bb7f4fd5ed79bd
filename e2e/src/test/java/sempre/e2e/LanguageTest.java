package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The application in Spanish and in fixed do; what people typed stays as they typed it. */
public class LanguageTest {
  private static final String SYLLABLE = "(do|re|mi|fa|sol|la|si)[♭♯]?";

  private Browsing browsing;
  private Page page;

  @BeforeMethod
  void open() {
    browsing = new Browsing(true);
    page = browsing.page();
  }

  @AfterMethod(alwaysRun = true)
  void close() {
    browsing.close();
  }

  /** A teacher who changes the language finds it everywhere, until it is changed back. */
  @Test
  public void aTeacherChoosesTheLanguageOnceForAllPages() {
    page.navigate(browsing.at("/"));
    assertThat(page.locator("html")).hasAttribute("lang", "en");
    page.getByRole(AriaRole.BUTTON, named("Español")).click();
    assertThat(page.locator("html")).hasAttribute("lang", "es");
    assertThat(page.getByRole(AriaRole.NAVIGATION)).containsText("Personas");
    assertThat(page.locator("main")).containsText("Quién puede tocar qué");
    // what was typed for the class and about the piece stays
    // (which class is open, and so whose message is seen, follows the day of the week: on a
    // Saturday it is the private pupils)
    assertThat(page.locator("main"))
        .containsText(
            Pattern.compile(
                "the thumb comes off|tongue only the first|under tempo first|Even before quick"));
    assertThat(page.locator("main")).containsText("Quay Concert Band");
    page.navigate(browsing.at("/shelf"));
    assertThat(page.locator("h1")).hasText("Estante");
    page.getByRole(AriaRole.BUTTON, named("English")).click();
    assertThat(page.locator("h1")).hasText("Shelf");
  }

  @Test
  public void theStandIsReadAndPlayedInSpanish() {
    spanish("/stand/{Noor}/{Half-Tide Rock}", false);
    Locator aside = page.getByLabel("La nota elegida");
    assertThat(aside).containsText("compás 1, tiempo 2");
    assertThat(aside).containsText("Los cambios más difíciles");
    assertThat(page.locator("svg.lanes text.lane").first()).containsText("izq. pulgar");
    assertThat(page.locator(".summary")).containsText("Nuevo para Noor A.: B4, E5");
    page.keyboard().press("k");
    assertThat(aside.getByRole(AriaRole.STATUS)).containsText("Queda fija.");
    assertThat(aside).containsText("Fija: soltarla");
    page.keyboard().press("u");
    assertThat(aside.getByRole(AriaRole.STATUS)).containsText("Deshecho.");
    page.keyboard().press("e");
    assertThat(page.getByLabel("Este compás explicado")).containsText("Compás 1");
    noEnglish(page.locator("main"));
  }

  @Test
  public void theCheckOfAPartIsMarkedInSpanishAndInFixedDo() {
    spanish("/ear/{Ayşe}/{The Harbour Wall}", true);
    assertThat(page.locator("h1")).containsText("Escuchando a ");
    assertThat(page.locator("aside .pitch")).hasText(Pattern.compile(SYLLABLE + "\\d"));
    page.keyboard().press("2");
    assertThat(page.getByRole(AriaRole.STATUS).first())
        .hasText(Pattern.compile(SYLLABLE + "\\d: insegura"));
    page.keyboard().press("Enter");
    assertThat(page.locator(".summary")).containsText("Anotado: 1 de");
    noEnglish(page.locator("main"));
  }

  /**
   * The chosen notes travel as pitches: what is asked in syllables is asked, and heard, as meant.
   */
  @Test
  public void aClassIsCheckedInSpanishAndInFixedDo() {
    spanish("/ear/class/{First-year band}", true);
    page.getByLabel("Notas reales").fill("si♭ do");
    page.getByText("Añadir las notas").click();
    assertThat(page.locator("ul.items")).containsText("si♭");
    page.getByText("Empezar").click();
    assertThat(page).hasURL(Pattern.compile("/ear/check/\\d+"));
    assertThat(page.locator("thead")).containsText("si♭");
    Locator now = page.getByLabel("Lo que se pide ahora");
    assertThat(now).containsText(Pattern.compile(SYLLABLE + "\\d"));
    page.keyboard().press("3");
    assertThat(page.getByRole(AriaRole.STATUS).filter(said("todavía no"))).isVisible();
    page.keyboard().press("x");
    assertThat(page.locator("tbody")).containsText("ausente");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Resumen")).containsText("Terminado. Qué hay que trabajar");
    assertThat(page.getByLabel("Resumen")).containsText("todavía no");
    noEnglish(page.locator("main"));
  }

  /** A sheet may be in another language than the screen, and with other names of notes. */
  @Test
  public void theNewNoteIsPrintedInTheLanguageAndNamingOfItsReaders() {
    page.navigate(browsing.at("/people/group/{Quay Concert Band}/note/Ab"));
    assertThat(page.locator("h1")).hasText("Everyone plays A♭");
    page.getByLabel("This sheet in").selectOption("es");
    assertThat(page.locator("h1")).hasText("Todos tocan A♭");
    page.getByLabel("Notas con").selectOption("syllables");
    assertThat(page.locator("h1")).hasText("Todos tocan la♭");
    Locator first = page.locator("article").first();
    assertThat(first).containsText(Pattern.compile("suena la♭\\d"));
    assertThat(first).containsText(Pattern.compile("Como " + SYLLABLE));
    noEnglish(page.locator("main"));
    // the next page is the teacher's again
    page.getByRole(AriaRole.LINK, named("Hoy")).click();
    assertThat(page.locator("main")).containsText("Who can play what");
    assertThat(page.locator("html")).hasAttribute("lang", "en");
  }

  /** An address may be typed: what it asks for and there is not leaves the sheet as it would be. */
  @Test
  public void aLanguageOrNamingThatThereIsNotIsNotAskedFor() {
    page.navigate(browsing.at("/people/group/{Quay Concert Band}/note/Bb?lang=qq&names=%C5%9D"));
    assertThat(page.locator("h1")).hasText("Everyone plays B♭");
    assertThat(page.locator("article").first()).containsText("B♭");
    assertThat(page.getByLabel("Notes named")).hasValue("letters");
  }

  /** What one teacher reads is no matter of the house: another browser is as it was. */
  @Test
  public void twoTeachersOfOneSchoolReadTheirOwnLanguageAndNames() {
    page.navigate(browsing.at("/people"));
    page.getByLabel("You, in this browser: language").selectOption("es");
    page.getByLabel("Tú, en este navegador: nombres de las notas").selectOption("syllables");
    assertThat(page.locator("html")).hasAttribute("lang", "es");
    page.navigate(browsing.at("/people/group/{First-year band}/note/Bb"));
    assertThat(page.locator("h1")).hasText("Todos tocan si♭");
    Page other = browsing.page();
    other.navigate(browsing.at("/people/group/{First-year band}/note/Bb"));
    assertThat(other.locator("h1")).hasText("Everyone plays B♭");
  }

  @Test
  public void whatIsWrongIsToldInSpanishAndNothingTypedIsLost() {
    spanish("/people", false);
    page.getByLabel("Un grupo nuevo").fill("Quay Concert Band");
    page.getByText("Añadirlo").click();
    assertThat(page.getByText("Este nombre ya está en uso; elige otro.")).isVisible();
    assertThat(page.getByLabel("Un grupo nuevo")).hasValue("Quay Concert Band");
    page.navigate(browsing.at("/shelf"));
    page.locator("#piece-file")
        .setInputFiles(
            new com.microsoft.playwright.options.FilePayload(
                "carta.xml", "text/xml", "Querida profesora".getBytes()));
    assertThat(page.getByRole(AriaRole.ALERT).first())
        .containsText("carta.xml: El archivo no es MusicXML; exporta la pieza como MusicXML");
  }

  private void spanish(String path, boolean syllables) {
    page.navigate(browsing.at("/people"));
    if (syllables) {
      page.getByLabel("Everyone: note names", new Page.GetByLabelOptions().setExact(true))
          .selectOption("syllables");
      assertThat(page.getByText("The house style is changed")).isVisible();
    }
    page.getByRole(AriaRole.BUTTON, named("Español")).click();
    assertThat(page.locator("h1")).hasText("Personas");
    page.navigate(browsing.at(path));
    page.locator("h1").first().waitFor();
    if (path.startsWith("/stand") || path.startsWith("/ear/{Ay")) {
      page.locator("section.drawn").first().waitFor();
    }
  }

  /** Words that the interface would say in English. */
  private static void noEnglish(Locator main) {
    String text = main.innerText();
    List<String> english =
        Pattern.compile("\\b(the|and|with|note|bar|fingers?|left|right|of|not|first|key)\\b")
            .matcher(text)
            .results()
            .map(m -> text.substring(Math.max(0, m.start() - 30), m.end()))
            .toList();
    assertEquals(english, List.of());
  }

  private static Page.GetByRoleOptions named(String name) {
    return new Page.GetByRoleOptions().setName(name).setExact(true);
  }

  private static Locator.FilterOptions said(String text) {
    return new Locator.FilterOptions().setHasText(text);
  }
}
