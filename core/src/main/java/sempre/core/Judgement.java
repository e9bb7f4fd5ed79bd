package sempre.core;

/**
 * The numbers of judgement that are no {@link sempre.core.planning.Weight}: where a step is drawn,
 * how far is near, what is told first. All are common practice, no source, unless one says
 * otherwise; they are kept in one place so that they can be argued with. What is computed, counted
 * or only keeps a list short stands where it is used.
 */
public final class Judgement {
  private Judgement() {}

  /** Notes that slip out between two fingerings. */
  public static final class Slips {
    /** How many semitones from one of the two notes a slip may lie: a major sixth. */
    public static final int REACH = 9;

    /** The time for which slips are put in order, in seconds. */
    public static final double UNHURRIED_SECONDS = 0.25;

    /** A finger is late for so much of the time there is, as a rule. */
    public static final double LATE_SHARE = 0.25;

    /** Bounds of that, in seconds. */
    public static final double LEAST_LATE_SECONDS = 0.015;

    public static final double MOST_LATE_SECONDS = 0.06;

    /** Half of such a moment is heard after so many seconds. */
    public static final double HEARD_SECONDS = 0.03;

    /** From so many semitones on a wrong note stands out by itself. */
    public static final int FAR = 4;

    /** Two fingers that err together are so much rarer than one. */
    public static final double TOGETHER = 0.25;

    /** From so much on it stands out, 0 to 1. */
    public static final double STANDS_OUT = 0.4;

    /** From so much on it is heard at all. */
    public static final double IS_HEARD = 0.2;

    private Slips() {}
  }

  /** Which hand strikes a drum. */
  public static final class Sticking {
    /** One hand alone strikes no quicker than this, from stroke to stroke, in seconds. */
    public static final double ONE_HAND_SECONDS = 0.16;

    private Sticking() {}
  }

  /** Figures that are fingered alike. */
  public static final class Figure {
    /** Neighbours that count on each side. */
    public static final int REACH = 2;

    /** Notes in the longest figure that is looked for as a turn. */
    public static final int LONGEST_TURN = 6;

    private Figure() {}
  }

  /** Trills and other ornaments. */
  public static final class Trilling {
    /** The widest trill, in semitones. */
    public static final int WHOLE_STEP = 2;

    /** From this partial on the lips trill to the next, a step away: 204 cents and less. */
    public static final int LIPS_FROM = 8;

    /** So many fingers don't trill together well. */
    public static final int MANY_FINGERS = 3;

    /** How much a trill is to be avoided that goes fairly, in units of the weight of trills. */
    public static final double FAIR = 1;

    /** The same of a poor one. */
    public static final double POOR = 3;

    /** The same of a note for which there is none. */
    public static final double NONE = 6;

    /** The same where the upper note is not the house's. */
    public static final double NOT_THE_HOUSES = 0.7;

    /** Each note of a turn or mordent is thought so long, in seconds. */
    public static final double STEP_SECONDS = 0.1;

    private Trilling() {}
  }

  /** How long a note is out of tune, as far as it counts, in seconds. */
  public static final class Tuned {
    public static final double LEAST_SECONDS = 0.1;

    public static final double MOST_SECONDS = 2;

    /** A fingering leans from so many cents on: what is less nobody hears in a line. */
    public static final double LEANS_CENTS = 5;

    private Tuned() {}
  }

  /** What is worth a word in a plan; in units of {@link sempre.core.planning.Weight}. */
  public static final class Telling {
    /** A difference in effort that is worth a word. */
    public static final double CLEARLY = 0.5;

    /** What weighs less is not told. */
    public static final double AUDIBLE = 0.05;

    /** A second reason is given where it weighs so much of the first. */
    public static final double SECOND = 0.4;

    /** Of places that weigh about the same the nearest is named: so much for each note between. */
    public static final double FARTHER = 0.05;

    /** Another place is named with, or in place of, the dearest where it weighs so much of it. */
    public static final double BOTH_SIDES = 0.4;

    /** A new fingering is worth learning for a piece where it saves so much. */
    public static final double WORTH_LEARNING = 0.5;

    /** Changes so many notes apart are fingered as one thing. */
    public static final int TOGETHER = 2;

    private Telling() {}
  }

  /** What the tubes of brass are asked for. */
  public static final class Brass {
    /** How far from equal temperament a combination of valves may lie, in cents. */
    public static final double LIMIT_CENTS = 35;

    /** A slide position is marked high or low where the partial is off by more, in cents. */
    public static final double MARKED_CENTS = 20;

    /** The attachment is offered where it shortens the slide by so much, in centimetres. */
    public static final double ATTACHMENT_SAVES_CM = 20;

    /** Partials used on the attachment's tube, for the low notes it is made for. */
    public static final int ATTACHMENT_HIGHEST = 4;

    /** So much further than seventh position the slide can be drawn, in centimetres. */
    public static final double BEYOND_CM = 5;

    /** A way of the slide that is shorter is none, in centimetres. */
    public static final double STILL_CM = 0.05;

    /** Up to this partial the attachment stands in for far positions. */
    public static final int NEAR_PARTIAL = 3;

    private Brass() {}
  }

  /** What a change may be for a student of a stage, as difficulty from 0 to 1. */
  public static final class TooHard {
    /** The first years play what needs care but no practice of its own. */
    public static final double FIRST_YEARS = 0.45;

    /** At school what needs practice is played. */
    public static final double SCHOOL = 0.65;

    /** Advanced players play anything that is done. */
    public static final double ADVANCED = 0.9;

    private TooHard() {}
  }

  /** How long what was heard stays, and what comes next. */
  public static final class Learning {
    /** What was secure counts half after so many days. */
    public static final int HALF_LIFE_DAYS = 21;

    /** So much must be left for a note to count as had. */
    public static final double LEFT = 0.25;

    /** An exercise that brings one new note costs so much. */
    public static final int EXERCISE = 2;

    /** A note learned by itself costs a little more. */
    public static final int BY_ITSELF = 3;

    /** A row of notes may go on so far from a note that is had, in semitones: a third. */
    public static final int NEXT_SEMITONES = 4;

    /** Where in the range of their stage beginners start, from 0 (its lowest note) to 1. */
    public static final double BEGINNING = 0.45;

    private Learning() {}
  }

  /** How near a known fingering is to a new one, in fingers that do something else. */
  public static final class Nearness {
    /** Farther away nothing is compared, in semitones: an octave and a twelfth are within. */
    public static final int SEMITONES = 19;

    /** Only the register key is added. */
    public static final double ONE_KEY = 0.6;

    /** A finger that goes from key to key. */
    public static final double SLIDE = 1.5;

    /** Each centimetre of slide. */
    public static final double CENTIMETRE = 0.1;

    /** Each partial between. */
    public static final double PARTIAL = 0.5;

    /** Each semitone between. */
    public static final double SEMITONE = 0.04;

    private Nearness() {}
  }

  /** How much is changed in a simpler part. */
  public static final class Simpler {
    /** A note in another octave, for each octave. */
    public static final double OCTAVE = 1;

    /** What each further note of the same turn saves of that. */
    public static final double SAME_TURN = 0.5;

    /** A chord note in its place. */
    public static final double CHORD_NOTE = 2;

    /** A rest off the beat. */
    public static final double LEFT_OUT_WEAK = 3;

    /** A rest on the beat. */
    public static final double LEFT_OUT_STRONG = 8;

    /** A grace note left out. */
    public static final double GRACE = 0.5;

    /** Each semitone that a chord note lies away or a leap has grown. */
    public static final double SEMITONE = 0.1;

    /** A leap of more than an octave. */
    public static final double WIDE_LEAP = 1;

    /** The line turns the other way. */
    public static final double OTHER_WAY = 0.2;

    private Simpler() {}
  }

  /** How a piece is cut into bits to practise, and how one goes round what catches. */
  public static final class Bits {
    /** A bit is so much work, in units of {@link #NOTE} and {@link #SECOND}. */
    public static final double WORK = 20;

    /** Each note. */
    public static final double NOTE = 1;

    /** Each second that a note lasts: a slow line is long in time before it is long in notes. */
    public static final double SECOND = 1;

    /** A change of difficulty 1 is as much work as so many notes more. */
    public static final double CHANGE = 3;

    /** A bit twice as long as it should be, or half as long, is as bad as so much. */
    public static final double SIZE = 1;

    /** A cut where nothing ends, on top of where it stands. */
    public static final double NOTHING_ENDS = 0.5;

    /** Behind a rest that is shorter than a beat. */
    public static final double SHORT_REST = 0.2;

    /** Behind a long note. */
    public static final double LONG_NOTE = 0.1;

    /**
     * Behind a rest of a beat and more, a breath, a fermata, or at a sign that leads elsewhere: to
     * cut there is a gain.
     */
    public static final double PHRASE = -0.4;

    /** A long note is so many times as long as the middle note of the line. */
    public static final double LONG = 2;

    /** Before a bar that is not the fourth, eighth … behind the first: phrases are so long. */
    public static final double WITHIN_FOUR_BARS = 0.2;

    /** Before one that is not the second, fourth, sixth … behind it, besides. */
    public static final double WITHIN_TWO_BARS = 0.2;

    /** Before a note on a beat that begins no bar. */
    public static final double ON_A_BEAT = 0.5;

    /** Before a note off the beat. */
    public static final double OFF_THE_BEAT = 1.5;

    /** So much of that counts where a phrase ends: an upbeat belongs to what follows. */
    public static final double UPBEAT = 0.5;

    /** A hard change that lies on a cut is practised by nobody; of difficulty 1. */
    public static final double CUT_CHANGE = 4;

    /**
     * A change is gone round from this difficulty on, 0 to 1: over the break in tongued eighths.
     */
    public static final double CATCHES = 0.3;

    /** Going round grows by one note up to so many; then comes the whole bit. */
    public static final int ROUND_NOTES = 6;

    /** So many changes of a bit are gone round. */
    public static final int MOST_CATCHES = 2;

    /** A note is led up to from a safe one at most so many steps away; farther it is too soon. */
    public static final int LED_FROM = 3;

    /** So many notes that are safe stand before it. */
    public static final int SAFE_BEFORE = 3;

    /** Tempos are told in steps of so many percent. */
    public static final int PERCENT_STEP = 5;

    /**
     * A bit is begun no quicker than at three quarters of the tempo, the first goal; in percent.
     */
    public static final int FIRST_GOAL_PERCENT = 75;

    /** … and no slower than at so much of it. */
    public static final int SLOWEST_PERCENT = 35;

    private Bits() {}
  }

  /** How a bit comes from a slow tempo to its own. */
  public static final class Ladders {
    /** So many clean runs in a row, and it goes on … */
    public static final int CLEAN_RUNS = 3;

    /** … by so much of the tempo, in percent. */
    public static final int STEP_PERCENT = 5;

    /** So many runs that are not clean, and it goes back. */
    public static final int MISSES = 2;

    /** Practised on so many days without a gain: another way is due. */
    public static final int PLATEAU_DAYS = 4;

    /** When it will be there follows from the last three weeks. */
    public static final int LOOKS_BACK_DAYS = 21;

    /** A day farther away is not told: nobody knows. */
    public static final int FARTHEST_DAYS = 180;

    private Ladders() {}
  }

  /** Where one starts that nobody chose; a bit that is practised daily and clean weighs 1. */
  public static final class Starts {
    /** Each day without practice, up to {@link #LONG_AGO}. */
    public static final double DAY = 0.5;

    /** So many days are long ago, and so is never. */
    public static final int LONG_AGO = 7;

    /** A bit of which nothing is clean at any tempo. */
    public static final double FAR = 3;

    /** One in which something catches. */
    public static final double CATCHES = 1;

    /** Among so many numbers that is said which leads to what weighs most. */
    public static final int NUMBERS = 20;

    /** So many starts are enough for one sitting, in the first years; … */
    public static final int MOST_FIRST_YEARS = 6;

    /** … at school; … */
    public static final int MOST_SCHOOL = 8;

    /** … and for advanced players. */
    public static final int MOST_ADVANCED = 10;

    private Starts() {}
  }

  /** Practice from day to day. */
  public static final class Agenda {
    /** A session lasts about so many minutes: one skill, one bit or one task. */
    public static final int SESSION_MINUTES = 10;

    /** So long one practises a day where nothing else is said, in the first years; … */
    public static final int MINUTES_FIRST_YEARS = 15;

    /** … at school; … */
    public static final int MINUTES_SCHOOL = 20;

    /** … and for advanced players. */
    public static final int MINUTES_ADVANCED = 40;

    /** Minutes are advised in such steps, … */
    public static final int MINUTES_STEP = 5;

    /** … and no more than so many: what is more is said to be too much to do in the time. */
    public static final int MOST_ADVISED = 60;

    /** Playing is so much of a session: the rest is thinking, looking and trying again. */
    public static final double AROUND = 2;

    /** Names, fingers, notes and rhythm, each twice, before a bit is played the first time. */
    public static final int FIRST_RUNS = 8;

    /** So many steps up its ladder are enough for a bit on one day. */
    public static final int STEPS_A_DAY = 3;

    /** A new note makes a bit take a day longer, and so many of them at most count. */
    public static final int MOST_NEW = 2;

    /** So many bits are in hand at once; another is begun when one of them is secure. */
    public static final int IN_HAND = 3;

    /**
     * What is secure comes back after such a share of the days that are left (published: N. J.
     * Cepeda and others, Psychological Science 19, 2008: the best gap is 20 to 40 % of a delay of a
     * week, and 5 to 10 % of a delay of a year), …
     */
    public static final double GAP_SHARE = 0.2;

    /** … but not later than after so many days. */
    public static final int LONGEST_GAP = 7;

    /**
     * From so many sessions needed for each that there is, nothing returns before all is secure.
     */
    public static final double PRESSED = 0.8;

    /** A piece is played through at most so often, … */
    public static final int WHOLE_RUNS = 2;

    /** … in so many days before it is due. */
    public static final int WHOLE_WITHIN = 7;

    private Agenda() {}
  }

  /** Auditions. */
  public static final class Auditions {
    /** A judge has heard enough of an etude after so many bars. */
    public static final int CUT_BARS = 8;

    private Auditions() {}
  }

  /** What a line costs that is made to be read at sight; a step costs nothing. */
  public static final class Sight {
    /** Keys have at most so many signs, and one more with each level of rhythms. */
    public static final int SIGNS = 2;

    /** It is played at so many quarters a minute: slow enough to look ahead. */
    public static final int TEMPO = 66;

    /** With fewer notes there is no tune. */
    public static final int LEAST_NOTES = 3;

    /** From so many half steps on it is a leap that is filled: a third is none. */
    public static final int LEAP = 5;

    /** What the dice add to each note, at most. */
    public static final double DICE = 1.5;

    /** A note outside its chord: off the beat, on a beat, on the first. */
    public static final double[] OUTSIDE = {0.3, 1.5, 4};

    /** Neither the second nor the seventh step leads to the tonic at the end. */
    public static final double NO_LEAD = 4;

    /** The same note again. */
    public static final double SAME = 0.9;

    /** Each half step more than two. */
    public static final double PER_HALF_STEP = 0.22;

    /** A tritone or a seventh. */
    public static final double AWKWARD = 3;

    /** After a leap no step back. */
    public static final double NOT_FILLED = 1.8;

    /** The farthest note from the middle of what there is. */
    public static final double MIDDLE = 0.8;

    private Sight() {}
  }

  /** What is made from a piece to be practised beside it. */
  public static final class Material {
    /** A key counts from so many quarters on; a passing one of two bars of four does. */
    public static final double KEY_QUARTERS = 8;

    /** So many notes that stack in thirds are a chord the hand can learn. */
    public static final int CHORD_NOTES = 4;

    /** Scales and chords begin at so many quarters a minute … */
    public static final int SCALE_FROM = 60;

    /** … and go towards so many. */
    public static final int SCALE_TOWARDS = 120;

    /** A long note lasts as long as the breath, and at most so many seconds. */
    public static final int LONG_MOST = 8;

    /** Slurs from register to register are played at so many quarters a minute. */
    public static final int SLURS = 60;

    /** Slurs go up over so many partials of one tube. */
    public static final int MOST_PARTIALS = 4;

    private Material() {}
  }

  /** Where one breathes; a breath between two tongued notes off the beat costs 2. */
  public static final class Breathing {
    public static final int USUAL_PERCENT = 100;

    /** One who is small, or has just begun. */
    public static final int SHORT_PERCENT = 70;

    public static final int LONG_PERCENT = 130;

    /** A rest so long is a breath, in seconds; it needs no mark. */
    public static final double REST_SECONDS = 0.35;

    /** So much of a breath is left when the next one is taken; nobody plays until out of breath. */
    public static final double LEFT = 0.1;

    /** How much air a second takes, against one at mezzo forte: at double forte. */
    public static final double AIR_FF = 1.6;

    /** … at forte. */
    public static final double AIR_F = 1.25;

    /** … at piano and softer. */
    public static final double AIR_P = 0.85;

    /** Behind a breath mark, a fermata or a repeat: nothing. */
    public static final double THERE = 0;

    /**
     * Behind a note twice as long as most, which is cut a little short; behind one four times as
     * long half of that.
     */
    public static final double LONG_NOTE = 0.8;

    /** … less so much: something ends there, and a breath is a gain where a phrase does. */
    public static final double LONG_NOTE_ENDS = 0.5;

    /** In a run behind the first note of a beat: the run goes on from there. */
    public static final double BEHIND_THE_BEAT = 0.6;

    /** The same behind the first beat of a bar. */
    public static final double BEHIND_THE_BAR = 0.5;

    /** On a bar line where nothing ends. */
    public static final double BAR_LINE = 0.9;

    /** Before a beat. */
    public static final double BEFORE_A_BEAT = 1.4;

    /** Anywhere else between two tongued notes. */
    public static final double ELSEWHERE = 2;

    /** Inside a slur, where nothing else can be done. */
    public static final double IN_A_SLUR = 4;

    /** For each breath that has to be marked. */
    public static final double EACH = 0.3;

    /** A breath that is followed by a line of less than so much of one … */
    public static final double SOON = 0.45;

    /** … is taken for little. */
    public static final double TOO_SOON = 0.6;

    /** A breath that does not last; for each breath that would be needed in its place. */
    public static final double TOO_LONG = 50;

    /** A bit that has no place to breathe in for two breaths is as bad as so much. */
    public static final double BREATHLESS_BIT = 1;

    private Breathing() {}
  }

  /** The music, where it does not say. */
  public static final class Music {
    /** The tempo of a part that has none, in quarter notes a minute. */
    public static final double TEMPO = 96;

    private Music() {}
  }

  /**
   * In which order a teacher thinks of what may have gone wrong: the smaller the number, the
   * sooner.
   */
  public static final class Rank {
    /** Where a note has a sharp or flat and its natural sounds, reading is the likeliest of all. */
    public static final double ACCIDENTAL_FORGOTTEN = 0;

    /** What the catalogue says must not be held is the habit to look for first. */
    public static final double MUST_BE_UP = 0.3;

    /** Half of a hole, where the table has the note: covered, or half open. */
    public static final double HALF = 0.5;

    /** Two fingers or valves exchanged, where the table has just this note. */
    public static final double SWAPPED = 0.7;

    /** A register key, or the thumb that works as one, gives just this note. */
    public static final double REGISTER_KEY = 0.8;

    /** The next partial on the same valves or position is the commonest wrong note on brass. */
    public static final double NEXT_PARTIAL = 0.9;

    /** One finger is late, or one too many is down. */
    public static final double FINGER = 1;

    /** One valve is up or down, on the same partial. */
    public static final double VALVE = 1;

    /** The ring finger presses its valve though nothing asks for it: rarer. */
    public static final double WEAK_VALVE = 1.7;

    /** One finger is on another of its keys. */
    public static final double WRONG_KEY = 1;

    /** The slide stands elsewhere on the same partial: likelier, the nearer. */
    public static final double SLIDE = 1;

    /** On the way from the note before, fingers do not move together. */
    public static final double SLIPPED = 1.1;

    /** Palm or side keys that are not reached. */
    public static final double KEYS_MISSED = 1.2;

    /** Fingered as the octave below. */
    public static final double FINGERED_AS = 1.3;

    /** The right fingers in another register. */
    public static final double REGISTER = 1.4;

    /** The lower part of a fork is forgotten. */
    public static final double FORK = 1.5;

    /** The concert name was read. */
    public static final double CONCERT_NAME = 1.55;

    /** A place on the staff is misread; lines for lines and spaces for spaces first. */
    public static final double MISREAD = 1.6;

    /** A key is brushed. */
    public static final double BRUSHED = 2;

    /** Each semitone that a wrong key leads farther away than a neighbouring note. */
    public static final double FARTHER = 0.4;

    /** So many semitones away a key is still that of a neighbouring note. */
    public static final int NEAR = 2;

    /** Some key far above is brushed. */
    public static final double BRUSHED_ABOVE = 2.2;

    /** Some partials away on the same hold. */
    public static final double FAR_PARTIAL = 2.4;

    /** A sharp or flat is played that does not stand there. */
    public static final double ACCIDENTAL_ADDED = 2.5;

    /** A finger does not close quite. */
    public static final double LEAK = 2.6;

    /** The wrong octave was read. */
    public static final double OCTAVE = 2.8;

    /** The other clef was read. */
    public static final double CLEF = 3;

    /** Transposed the wrong way. */
    public static final double TRANSPOSED_TWICE = 3.2;

    /** A valve and the next partial besides. */
    public static final double VALVE_AND_PARTIAL = 3.5;

    /** What is only computed from the holes is less sure than what the table says. */
    public static final double BY_ITS_HOLES = 0.2;

    /** Another fingering than the player's usual one is meant less often. */
    public static final double NOT_USUAL = 0.6;

    /** The same on brass, where others are rare. */
    public static final double NOT_USUAL_BRASS = 3;

    /** How far above a spoiled note may come out, in semitones: up to the twelfth. */
    public static final int FAR_ABOVE = 19;

    /** Each further partial away. */
    public static final double PER_PARTIAL = 0.1;

    /** A line read as the next space, or a space as the next line, is rarer by so much. */
    public static final double MISREAD_BY_A_STEP = 0.3;

    /** In a lesson a fault comes so much sooner where its finger is new. */
    public static final double NEW_FINGER = 0.4;

    /** The same where the finger is weak. */
    public static final double WEAK_FINGER = 0.1;

    /** In a lesson each semitone to what is heard puts a fault a little later. */
    public static final double PER_SEMITONE = 0.01;

    private Rank() {}
  }
}
