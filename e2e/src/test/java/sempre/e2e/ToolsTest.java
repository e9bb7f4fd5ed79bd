package sempre.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.regex.Pattern;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The metronome and the drone, by the clock of the sound card; the tuner. */
public class ToolsTest {
  private Browsing browsing;
  private Page page;

  @BeforeClass
  void open() {
    browsing = new Browsing(true);
    page = browsing.page();
    Clicks.listen(page);
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browsing.close();
  }

  @Test
  public void theMetronomeBeatsWhereItShouldAlsoWhenItIsSetAnew() {
    page.navigate(browsing.at("/tools?tempo=150"));
    assertThat(page.getByLabel("Beats a minute")).hasValue("150");
    page.keyboard().press(" ");
    page.waitForFunction("() => window.clicks.length >= 20");
    List<Clicks.Click> clicks = Clicks.heard(page);
    assertTrue(Clicks.farthest(clicks, 0.4) < 1, "ms: " + Clicks.farthest(clicks, 0.4));
    // the first of four is higher
    for (int i = 0; i < clicks.size(); i++) {
      assertEquals(clicks.get(i).hertz(), i % 4 == 0 ? 1800.0 : 1200.0, "click " + i);
    }
    // quicker: the click that was due comes when it was due
    page.keyboard().press("+");
    int before = Clicks.heard(page).size();
    page.waitForFunction("n => window.clicks.length > n + 4", before);
    List<Clicks.Click> later = Clicks.heard(page);
    double due = later.get(before).at() - later.get(before - 1).at();
    assertEquals(due, 0.4, 0.001);
    assertEquals(later.get(before + 2).at() - later.get(before + 1).at(), 60 / 151.0, 0.001);
    page.keyboard().press(" ");
    int stopped = Clicks.heard(page).size();
    page.waitForTimeout(600);
    assertEquals(Clicks.heard(page).size(), stopped);
  }

  /**
   * B flat below middle C at 440 Hz has 233.08 Hz, at 442 Hz 234.14; with its fifth half as much
   * more.
   */
  @Test(dependsOnMethods = "theMetronomeBeatsWhereItShouldAlsoWhenItIsSetAnew")
  public void theDroneHoldsTheNoteThatIsChosen() {
    int before = Clicks.heard(page).size();
    page.keyboard().press("o");
    page.waitForFunction("n => window.clicks.length === n + 2", before);
    List<Clicks.Click> held = Clicks.heard(page);
    assertEquals(held.get(before).hertz(), 233.08, 0.01);
    assertEquals(held.get(before + 1).hertz(), 466.16, 0.01);
    page.getByText("with its fifth").click();
    page.waitForFunction("n => window.clicks.length === n + 5", before);
    assertEquals(Clicks.heard(page).get(before + 3).hertz(), 349.62, 0.01);
    page.getByLabel("A4, in Hz").fill("442");
    page.getByLabel("A4, in Hz").press("Tab");
    page.waitForFunction("n => window.clicks.length === n + 8", before);
    assertEquals(Clicks.heard(page).get(before + 5).hertz(), 234.14, 0.01);
    page.keyboard().press("o");
  }

  /**
   * On a trumpet valves one and three together are 30 cents sharp, and on the third partial 32
   * (worked in docs/practice.md). The made-up player plays as the fingering does.
   */
  @Test
  public void theTunerTellsTheFingeringFromThePlayer() {
    Page tuner = browsing.page();
    tuner.navigate(browsing.at("/practice/{Saoirse}/{Signal Lamp}/tuner"));
    Locator heard = tuner.locator(".heard");
    assertThat(heard).containsText("Nothing is heard yet.");
    tuner.keyboard().press("y");
    tuner.getByLabel("Plays").selectOption("1");
    assertThat(heard.locator(".note b")).hasText("D4");
    assertThat(heard).containsText(Pattern.compile("3[1-3] cents sharp"));
    assertThat(heard).containsText("It is the fingering");
    assertThat(heard).containsText("Draw the third valve slide");
    // E4 with 1-2 is 13 sharp, with 3 alone 2
    tuner.getByLabel("Plays").selectOption("2");
    assertThat(heard.locator(".note b")).hasText("E4");
    assertThat(heard).containsText("On a held note try third valve, 2 cents sharp.");
    // C4, open, is in tune by itself; 25 cents off it is the player
    tuner.getByLabel("Plays").selectOption("0");
    assertThat(heard).containsText("In tune.");
    tuner.getByLabel("Cents off").fill("-25");
    tuner.getByLabel("Cents off").press("Tab");
    assertThat(heard).containsText(Pattern.compile("2[4-6] cents flat"));
    assertThat(heard).containsText("It is not the fingering");
    tuner.keyboard().press("y");
    assertThat(heard).containsText("Nothing is heard yet.");
    tuner.close();
  }

  /** A recording is heard as well; what is none gets a sentence, and so does a refusal. */
  @Test
  public void theTunerListensToAFile() {
    Page tuner = browsing.page();
    tuner.navigate(browsing.at("/practice/{Saoirse}/{Signal Lamp}/tuner"));
    Locator heard = tuner.locator(".heard");
    Locator file = tuner.locator("input[type=file]");
    // concert F4 is a trumpet's G4; ten cents higher
    byte[] wav = tone(349.228 * Math.pow(2, 10 / 1200.0), 3);
    file.setInputFiles(new FilePayload("held.wav", "audio/wav", wav));
    assertThat(heard.locator(".note b")).hasText("G4");
    assertThat(heard).containsText(Pattern.compile("(9|10|11) cents sharp"));
    file.setInputFiles(new FilePayload("notes.txt", "text/plain", "no sound".getBytes()));
    assertThat(tuner.locator(".trouble")).containsText("“notes.txt” holds no sound");
    tuner.keyboard().press("m");
    assertThat(tuner.locator(".trouble")).containsText("The microphone was not given.");
    tuner.close();
  }

  /** A sound of some seconds as a WAV file: 16 bits, one channel, 44,100 a second. */
  private static byte[] tone(double hertz, int seconds) {
    int rate = 44_100;
    byte[] samples = new byte[2 * rate * seconds];
    ByteBuffer out = ByteBuffer.wrap(samples).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < rate * seconds; i++) {
      double angle = 2 * Math.PI * hertz * i / rate;
      out.putShort((short) (8000 * Math.sin(angle) + 4000 * Math.sin(2 * angle)));
    }
    ByteArrayOutputStream wav = new ByteArrayOutputStream();
    try {
      AudioSystem.write(
          new AudioInputStream(
              new ByteArrayInputStream(samples),
              new AudioFormat(rate, 16, 1, true, false),
              (long) rate * seconds),
          AudioFileFormat.Type.WAVE,
          wav);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return wav.toByteArray();
  }
}
