package sempre.core.teaching;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.Test;

public class SeatOrderTest {
  private static final List<SeatOrder.Player> BAND =
      List.of(
          new SeatOrder.Player("Ada", "trumpet", 0, "10"),
          new SeatOrder.Player("Ben", "trumpet", 0, "2b"),
          new SeatOrder.Player("Cem", "trumpet", 0, ""),
          new SeatOrder.Player("Dov", "flute", 0, "3"),
          new SeatOrder.Player("Eli", "tuba", 0, "1"));

  private static String listed(SeatOrder order) {
    return String.join(
        " ", BAND.stream().sorted(order.comparator()).map(SeatOrder.Player::name).toList());
  }

  @Test
  public void aGroupIsListedBySectionBySeatOrByName() {
    assertEquals(listed(SeatOrder.SECTION), "Dov Ben Ada Cem Eli", "2b before 10, no seat last");
    assertEquals(listed(SeatOrder.SEAT), "Eli Ben Dov Ada Cem");
    assertEquals(listed(SeatOrder.NAME), "Ada Ben Cem Dov Eli");
    assertEquals(SeatOrder.of("name"), SeatOrder.NAME);
    assertEquals(SeatOrder.of(""), SeatOrder.SECTION);
    Ways.all().stream()
        .filter(w -> w.name().equals(Ways.ORDER))
        .flatMap(w -> w.schools().keySet().stream())
        .forEach(word -> assertEquals(SeatOrder.of(word).word(), word));
    assertEquals(Stream.of(SeatOrder.values()).count(), 3);
  }

  @Test
  public void inASectionThePartComesBeforeTheSeat() {
    List<SeatOrder.Player> section =
        List.of(
            new SeatOrder.Player("third", "clarinet", 3, "1"),
            new SeatOrder.Player("nobody knows", "clarinet", 0, "1"),
            new SeatOrder.Player("first, behind", "clarinet", 1, "2"),
            new SeatOrder.Player("first", "clarinet", 1, "1"));
    assertEquals(
        section.stream()
            .sorted(SeatOrder.SECTION.comparator())
            .map(SeatOrder.Player::name)
            .toList(),
        List.of("first", "first, behind", "third", "nobody knows"));
  }

  @Test
  public void aSeatWithoutALetterComesBeforeTheSameWithOne() {
    List<SeatOrder.Player> three =
        Stream.of("10", "2a", "2", "1B", "1a")
            .map(seat -> new SeatOrder.Player(seat, "flute", 0, seat))
            .toList();
    assertEquals(
        three.stream().sorted(SeatOrder.SEAT.comparator()).map(SeatOrder.Player::seat).toList(),
        List.of("1a", "1B", "2", "2a", "10"));
  }
}
