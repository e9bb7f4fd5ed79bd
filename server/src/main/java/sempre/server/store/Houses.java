package sempre.server.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.House;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Role;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;

/** What the teacher has changed of each instrument's table. */
@Component
public class Houses {
  private enum Kind {
    HIDDEN,
    STANDARD,
    WORDS
  }

  private record Choice(House.Key key, Kind kind, String words) {}

  private static final Logger LOG = LoggerFactory.getLogger(Houses.class);

  private record SetupKey(House house, Map<String, String> options) {}

  private final Cache<SetupKey, Setup> setups = Caffeine.newBuilder().maximumSize(100).build();

  /** The house of one instrument; one that changes nothing when the teacher has changed nothing. */
  public House house(Db.Tx tx, String instrument) {
    Instrument i = Catalogue.standard().instrument(instrument);
    List<Entry> own = own(tx, i, false);
    // what was said of an own fingering is removed with it, and comes back with it
    Set<House.Key> gone = own(tx, i, true).stream().map(House.Key::of).collect(Collectors.toSet());
    Set<House.Key> hidden = new TreeSet<>();
    Set<House.Key> standards = new TreeSet<>();
    Map<House.Key, String> words = new TreeMap<>();
    for (Choice c :
        tx.list(
            "select midi, fingering, kind, words from fingering_choice where instrument = ?",
            r ->
                new Choice(
                    new House.Key(r.number("midi"), r.text("fingering")),
                    r.one("kind", Kind.class),
                    r.text("words")),
            instrument)) {
      if (gone.contains(c.key())) {
        continue;
      }
      switch (c.kind()) {
        case HIDDEN -> hidden.add(c.key());
        case STANDARD -> standards.add(c.key());
        case WORDS -> words.put(c.key(), c.words());
      }
    }
    return new House(instrument, own, hidden, standards, words);
  }

  private static List<Entry> own(Db.Tx tx, Instrument i, boolean removed) {
    return tx
        .list(
            """
            select written, fingering, role, label, note from own_fingering
            where instrument = ? and (removed_at is not null) = ? order by id
            """,
            r -> own(i, r),
            i.id(),
            removed)
        .stream()
        .flatMap(Optional::stream)
        .toList();
  }

  private static Optional<Entry> own(Instrument i, Row r) {
    try {
      return Optional.of(
          House.none(i.id())
              .checked(
                  i,
                  Pitch.parse(r.text("written")),
                  r.text("fingering"),
                  r.one("role", Role.class),
                  r.text("label"),
                  r.text("note")));
    } catch (Refusal e) {
      // a later catalogue may have this fingering itself; the row stays, the page still opens
      LOG.warn("an own fingering of {} is passed over: {}", i.id(), e.getMessage());
      return Optional.empty();
    }
  }

  /** The set-up of an instrument as this house plays it. */
  public Setup setup(Db.Tx tx, String instrument, Map<String, String> options) {
    House house = house(tx, instrument);
    return setups.get(
        new SetupKey(house, Map.copyOf(options)),
        k -> Catalogue.standard().setup(instrument, options, house));
  }

  public void add(Db.Tx tx, String instrument, Entry own) {
    // one that was removed is not kept beside a new one
    tx.run(
        """
        delete from own_fingering
        where instrument = ? and midi = ? and fingering = ? and removed_at is not null
        """,
        instrument,
        own.written().midi(),
        own.pattern().text());
    tx.insert(
        """
        insert into own_fingering (instrument, written, midi, fingering, role, label, note)
        values (?, ?, ?, ?, ?, ?, ?)
        """,
        instrument,
        own.written().toString(),
        own.written().midi(),
        own.pattern().text(),
        own.role().name(),
        own.label(),
        own.note());
  }

  /** The row of an own fingering, by which it is removed and put back. */
  public Optional<Long> row(Db.Tx tx, House house, House.Key key) {
    for (Entry e : house.own()) {
      if (House.Key.of(e).equals(key)) {
        return tx.one(
            "select id from own_fingering where instrument = ? and midi = ? and fingering = ?",
            r -> r.id("id"),
            house.instrument(),
            key.midi(),
            e.pattern().text());
      }
    }
    return Optional.empty();
  }

  public void hide(Db.Tx tx, String instrument, House.Key key, boolean hidden) {
    choose(tx, instrument, key, Kind.HIDDEN, hidden, "");
  }

  /** Makes a fingering the house's standard of its note, in place of another; or no longer. */
  public void standard(Db.Tx tx, String instrument, House.Key key, boolean standard) {
    tx.run(
        "delete from fingering_choice where instrument = ? and midi = ? and kind = ?",
        instrument,
        key.midi(),
        Kind.STANDARD.name());
    choose(tx, instrument, key, Kind.STANDARD, standard, "");
  }

  /** Keeps the class's own words for a fingering; empty words are forgotten. */
  public void say(Db.Tx tx, String instrument, House.Key key, String words) {
    choose(tx, instrument, key, Kind.WORDS, !words.isBlank(), words.strip());
  }

  /** Replaces all that was changed of an instrument. */
  public void replace(Db.Tx tx, House house) {
    tx.run(
        "delete from own_fingering where instrument = ? and removed_at is null",
        house.instrument());
    tx.run("delete from fingering_choice where instrument = ?", house.instrument());
    for (Entry e : house.own()) {
      add(tx, house.instrument(), e);
    }
    for (House.Key k : house.hidden()) {
      hide(tx, house.instrument(), k, true);
    }
    for (House.Key k : house.standards()) {
      choose(tx, house.instrument(), k, Kind.STANDARD, true, "");
    }
    for (Map.Entry<House.Key, String> w : house.words().entrySet()) {
      say(tx, house.instrument(), w.getKey(), w.getValue());
    }
  }

  private static void choose(
      Db.Tx tx, String instrument, House.Key key, Kind kind, boolean is, String words) {
    if (is) {
      tx.run(
          """
          merge into fingering_choice (instrument, midi, fingering, kind, words)
          key (instrument, midi, fingering, kind) values (?, ?, ?, ?, ?)
          """,
          instrument,
          key.midi(),
          key.fingering(),
          kind.name(),
          words);
    } else {
      tx.run(
          """
          delete from fingering_choice
          where instrument = ? and midi = ? and fingering = ? and kind = ?
          """,
          instrument,
          key.midi(),
          key.fingering(),
          kind.name());
    }
  }
}
