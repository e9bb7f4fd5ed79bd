package sempre.server.api.today;

import java.time.Clock;
import java.time.LocalDate;
import sempre.core.instrument.Instrument;
import sempre.core.learning.NextThing;
import sempre.core.planning.HardMove;
import sempre.server.api.Errors;
import sempre.server.api.Refs.Ready;
import sempre.server.api.Speech;
import sempre.server.app.Today;
import sempre.words.Words;

/**
 * The one thing to say to a student, in words.
 *
 * @param about the note or the bar
 * @param lead what to do with it
 */
record SayWords(Ready state, String about, String lead, String sentence) {

  static SayWords of(Today.Say say, Clock clock) {
    if (say instanceof Today.Say.Odd odd) {
      return new SayWords(Ready.ODD, "", "", odd.why().map(Errors::sentence).orElse(""));
    }
    return of((Today.Say.Thing) say, clock);
  }

  private static SayWords of(Today.Say.Thing say, Clock clock) {
    Words words = Speech.words();
    Instrument i = say.instrument();
    NextThing thing = say.thing();
    if (thing instanceof NextThing.Learn t) {
      return new SayWords(
          Ready.LACKS,
          words.note(t.note()),
          words.say("say.lead.new"),
          say.lesson()
              .filter(l -> l.from().isPresent())
              .map(l -> words.teaching().comparison(i, l))
              .orElse(words.say("say.from-the-start")));
    }
    if (thing instanceof NextThing.Beyond t) {
      return new SayWords(
          Ready.LACKS, words.note(t.note()), words.say("say.lead.beyond"), words.say("say.beyond"));
    }
    if (thing instanceof NextThing.PlayAgain t) {
      return new SayWords(
          Ready.SHAKY,
          words.note(t.note()),
          words.say("say.lead.again"),
          say.lesson()
              .flatMap(l -> l.mistakes().stream().filter(m -> m.heard().isPresent()).findFirst())
              .map(m -> words.teaching().mistake(i, t.note(), m))
              .orElse(words.say("say.slowly")));
    }
    if (thing instanceof NextThing.Slowly t) {
      HardMove m = t.change();
      return new SayWords(
          Ready.HARD,
          Speech.say("bar", "bars", say.bar().orElse("")),
          words.say("say.lead.slowly"),
          Speech.say("say.two-notes", "from", m.from().pitch(), "to", m.to().pitch()));
    }
    if (thing instanceof NextThing.HearAgain t) {
      return new SayWords(
          Ready.FADED,
          words.note(t.note()),
          words.say("say.lead.hear"),
          t.last()
              .map(m -> m.at().atZone(clock.getZone()).toLocalDate())
              .map(d -> Speech.say("say.last-heard", "when", words.ago(d, LocalDate.now(clock))))
              .orElse(words.say("say.not-for-long")));
    }
    return new SayWords(Ready.READY, "", "", "");
  }
}
