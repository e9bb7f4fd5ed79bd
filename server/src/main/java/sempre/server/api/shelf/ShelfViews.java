package sempre.server.api.shelf;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import sempre.core.score.PartChoice;
import sempre.server.api.Refs;

/** What the screen is sent: plain values, every field always there. */
public final class ShelfViews {
  private ShelfViews() {}

  /** A fingering to know. */
  public record UnusualView(String shown, String label) {}

  /** One player's part of what is given; {@code practice} says how far practice is, or nothing. */
  public record PartView(
      Refs.StudentRef student,
      Refs.Ready state,
      String sentence,
      List<Refs.NoteName> lacking,
      boolean simpler,
      List<UnusualView> unusual,
      String practice) {}

  /**
   * What is given to whom, with everyone's part.
   *
   * @param drums who reads rhythm and sticking
   * @param without who has no part in it, and why, a sentence each
   */
  public record AssignmentView(
      long id,
      Refs.PieceRef piece,
      @JsonUnwrapped GivenView given,
      boolean locked,
      String message,
      List<PartView> parts,
      List<DrumsView> drums,
      List<String> without) {}

  /** A part without pitches, and who reads it. */
  public record DrumsView(Refs.StudentRef student, String part, String sentence) {}

  /** To whom, until when and what of a piece; a tempo of 0 is the written one. */
  public record GivenView(
      String givenTo,
      long groupId,
      String section,
      String due,
      String dueWords,
      String what,
      String bars,
      int tempo) {}

  /** What one says of a piece in a row: length, key and range as they sound. */
  public record FactsView(long id, int bars, int parts, String key, String range) {}

  /** An instrument in a book's map. */
  public record MapReader(String id, String name) {}

  /**
   * What an exercise brings that none before it in its book had.
   *
   * @param fresh notes
   * @param fingerings of notes that were there before
   * @param others keys, metres and lengths
   * @param early what is met in passing, and where it is introduced
   * @param soFar how many notes the book has had with it
   */
  public record ExerciseRow(
      Refs.PieceRef piece,
      List<String> fresh,
      List<String> fingerings,
      List<String> others,
      List<String> early,
      int soFar) {}

  /**
   * A piece as every instrument reads it.
   *
   * @param typed the text it was typed as; empty where it came as a file
   */
  public record ReadingsView(
      Refs.PieceRef piece, String typed, FactsView facts, List<ReadingRow> rows) {}

  /**
   * One instrument's reading.
   *
   * @param remark what was done to the page; empty where nothing was
   * @param beyond notes outside what the players have at their stage
   * @param hard the hardest change of each bar, 0 to 1, for one who has every note
   * @param bars the printed numbers of these bars
   */
  public record ReadingRow(
      String instrument,
      String name,
      String key,
      String range,
      String remark,
      int beyond,
      List<Double> hard,
      List<String> bars) {}

  /** A page to be engraved. */
  public record PageXml(String xml) {}

  /**
   * What a file holds, before it is kept.
   *
   * @param meant how its pages are taken where nobody says it
   * @param asked why that is asked; empty where it is clear
   * @param beginnings what each of some players would read
   */
  public record LookView(
      String title,
      boolean concert,
      int bars,
      List<LookPart> parts,
      List<String> remarks,
      PartChoice.Pages meant,
      String asked,
      List<BeginningView> beginnings) {}

  /** The beginning of a player's page, put over from concert pitch or as it stands. */
  public record BeginningView(String instrument, String moved, String asWritten) {}

  public record LookPart(
      String id,
      String name,
      String key,
      String range,
      String transposition,
      int notes,
      int voices,
      List<String> readBy,
      List<String> remarks) {}

  public record ShelfPiece(Refs.PieceRef piece, String added, List<String> groups) {}
}
