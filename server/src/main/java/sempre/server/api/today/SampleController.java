package sempre.server.api.today;

import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.demo.SampleSchool;

/** The sample school, to try things with. */
@RestController
@RequestMapping("/api/sample")
class SampleController {
  private final SampleSchool sample;

  SampleController(SampleSchool sample) {
    this.sample = sample;
  }

  @PostMapping
  Refs.Done bring() {
    return new Refs.Done(Speech.say("done.sample", "n", sample.bring()));
  }

  @DeleteMapping
  Refs.Done takeAway() {
    List<String> staying = sample.takeAway();
    return new Refs.Done(
        Speech.say("done.sample-gone", "n", staying.size(), "groups", Speech.words().and(staying)));
  }
}
