import type { Help } from '../help/help';

export const help: Help = {
  title: 'Help',
  steps: 'How it goes',
  questions: 'Questions',
  terms: 'Terms',
  places: [
    {
      id: 'today',
      name: 'Today',
      lead: 'What each group plays next, who does not have its notes yet, and what to say to them.',
      caption:
        'The first-year band: who lacks a note of the next piece, and how each of them learns it.',
      steps: [
        'Groups that meet today are open. Choose the name of another to open it.',
        'The line under a group’s name is the piece that is due next, and how many lack a note of it.',
        'Each row is a student who is stuck: which note, and the words to say. They compare the new note with one that this student has.',
        'Choose a name for the student’s record, what is lacking for the part on the stand, hear to listen to the student.',
        'Playing check asks the whole group note by note; New note shows one sounding note on every instrument; All parts prints them; Who can play what looks ahead in the book.'
      ],
      questions: [
        {
          ask: 'Nobody is listed.',
          answer:
            'Everyone has the notes of the piece. What is ready, and what has not been heard for long, stands below.'
        },
        {
          ask: 'I only want to look around.',
          answer:
            'In a school that has nothing yet, Today offers a sample school. It is taken away again from the same place.'
        }
      ]
    },
    {
      id: 'stand',
      name: 'Stand',
      lead: 'One student’s part: every note with the fingering that this student should use here, and why.',
      caption:
        'A flute part. The panel says why this B flat is played so, and what else there would be.',
      steps: [
        'Under each note stands its fingering. In a dashed frame: new for this student. Bold and underlined: not the usual one. With a line below: you have kept it.',
        'The bars under it are the fingers: where a bar goes on, the finger stays down. On a trombone a curve shows the slide.',
        'The small columns over the bars say where it is hard; a cross means that fingers go up and down at once.',
        'Choose a note. The panel says why, shows the fingers’ way from the note before, and lists what else there is.',
        'Take another fingering, for this note, for every such note or for the figure, and for others who read the same page. Keep holds what is planned.',
        'Play plays the part, with a count-in, round and round, some bars only. The note that sounds stands in the panel by letter and picture.',
        'Only the page shows music and fingerings alone; a key, a tap on the right or a pedal turns on.',
        'Practise in bits cuts the part where its phrases end. Each bit has five steps, from the names to joining it to the next; each goes round and round, at a tempo where its hardest change has time. The bits can be printed, with boxes to tick. Exercises made from it has its scales and chords over its own notes, and each bit in other rhythms, backwards and a half step lower; tick what goes on a sheet, or put one on the shelf. Clean and Not clean write a run down: after three clean ones in a row the bit gets quicker, after two that were not it gets slower again; the teacher can set both under People. Start anywhere draws bars as in an audition: who says the same number starts in the same bars.'
      ],
      questions: [
        {
          ask: 'What do the marks mean?',
          answer: 'What the marks mean, above the page, names those that are on it.'
        },
        {
          ask: 'The part is too hard.',
          answer:
            'Make it simpler offers notes that the student has, next to the written ones. Keep, change or leave each one. Ready still means the part as written.'
        },
        {
          ask: 'I teach another fingering.',
          answer:
            'Ways of playing shows what your way would change in this part. It can be this student’s own way, or the house style.'
        }
      ]
    },
    {
      id: 'ear',
      name: 'Ear',
      lead: 'Listening: each note is secure, shaky or not yet. What was heard is kept for good, with its day.',
      caption: 'Hearing a part: three keys or three buttons, one for each grade.',
      steps: [
        'For one student open hear beside the name. The notes of the part come one after the other, each fingering of a note once.',
        'Grade each: secure, shaky or not yet. All that is left can be graded secure at once.',
        'For a group choose Playing check. Choose sounding notes, a scale or bars of a piece; each student is asked for it on the own page, in an octave that fits.',
        'Grade each student; the next one comes at once, and who is absent is passed over.',
        'A remark goes with the next grade. You can always take back the last grade.'
      ],
      questions: [
        {
          ask: 'The network went away.',
          answer:
            'Marks wait in this browser and are sent when Sempre answers again; the page says how many.'
        },
        {
          ask: 'When is a note asked again?',
          answer:
            'A grade fades with time. A note that was not heard for long is told on Today; how long that is, is a choice under People.'
        }
      ]
    },
    {
      id: 'shelf',
      name: 'Shelf',
      lead: 'Books and pieces: brought in, looked at, and given to a group, a section or a student.',
      caption: 'Each row says length, key, range and how many of a group are ready.',
      steps: [
        'Drop a MusicXML file, or choose one. Sempre says what it holds before it is kept.',
        'Type a piece: type note names as you say them, Bb C D. A number before a note is its length: 4 a quarter note, 8 an eighth note. The notes and their fingerings appear as you type.',
        'How it was read lists each guess. An octave that was not typed is the nearest one; a length that was not typed fills the measures.',
        'You can also click the keys, play a MIDI keyboard, or open a tune in ABC or a MIDI file. A page of the book, as a picture or a PDF, fits beside the text.',
        'Make a scale or chord: any key, figure, rhythm and articulation, for one instrument or for everyone in a group, each on their own page; it stands as letters you can change.',
        'A title opens the piece as each instrument reads it: key, range, where it is hard, whose page it comes from.',
        'Give it: to whom, until when, which bars, how fast, a sentence for the students.',
        'Tick several pieces to give or remove them together.',
        'Beside a book’s name: what each exercise brings an instrument, what it meets in passing before it is introduced, a map of all instruments, and what a group can play already. There the book is saved as an archive, too.',
        'Bring in a whole book: many files, a folder or an archive, with a report of what could not be read.'
      ],
      questions: [
        {
          ask: 'Where does MusicXML come from?',
          answer:
            'Programs in which music is written save it; the menu is called Export. A picture or a PDF holds no notes that can be read.'
        },
        {
          ask: 'Something in my file was wrong.',
          answer:
            'A wrong note costs its bar and no more; what has one meaning is mended. Both are told with part and bar before the piece is kept.'
        },
        {
          ask: 'My instrument has no part of its own.',
          answer:
            'It reads another’s, moved to its key and into an octave that fits. The page says which.'
        }
      ]
    },
    {
      id: 'notes',
      name: 'Notes',
      lead: 'The fingerings of an instrument: the usual one, what else there is and when it is used.',
      caption: 'B flat on the flute, as the player sees the instrument.',
      steps: [
        'Choose an instrument and a note on its range. The first card is the usual fingering; each other one says what it is for.',
        'Held keys are dark, a half-dark hole is half covered. Thumb keys stand beside the body.',
        'Compare from here, then choose another note: what moves between the two is said in words.',
        'What comes out wrong: choose what you hear, and the likely causes come in order, each with what to do.',
        'Add a fingering of your own, or rename one as your class calls it.',
        'A note across the band shows one sounding note on every instrument.'
      ],
      questions: [
        {
          ask: 'Where do the fingerings come from?',
          answer:
            'Each card says it: computed, published, common practice, or from memory. Own fingerings are marked as yours.'
        },
        {
          ask: 'The picture is not how we hold it.',
          answer: 'It can be turned to be seen from in front, or shown as a plain scheme.'
        }
      ]
    },
    {
      id: 'people',
      name: 'People',
      lead: 'Groups and students, what each of them has, and how your house plays.',
      caption: 'A student: which notes are there, which come next, and how they have grown.',
      steps: [
        'Set up a group and the days on which it meets. Add students one by one, or many from a list.',
        'For each student: the instrument with its options, a reach that is too far for the hand, the seat.',
        'A name opens the record: the range with what is secure, what comes next, everything that was heard.',
        'Who has which note, and who can play what, look at the group as a whole. The plot shows the notes over the weeks.',
        'Practice plan, on a student’s record, says what is practised on which day up to the day on which a piece is due: on paper, and for a calendar. Today tells of those for whom it was set up.',
        'Auditions are below the groups. Requirements come as a table. Each candidate’s readiness comes from notes, clean tempos and changes. A mock audition draws by number, and judges score on their own devices. Name the judges first. The result appears when all have handed in.',
        'Report for home says in words what was learned since a day, with nothing about other children.',
        'The house style says how everyone plays where teachers differ.'
      ],
      questions: [
        {
          ask: 'A student leaves.',
          answer:
            'Remove keeps the record and can be put back. Erase takes it out for good, from the file too.'
        },
        {
          ask: 'Who sees the students’ data?',
          answer:
            'They stay in one file on this machine. Nothing is sent anywhere. A copy is made each day and kept for 14 days.'
        }
      ]
    },
    {
      id: 'paper',
      name: 'On paper',
      lead: 'Parts with fingerings, charts, grids and reports, black on white.',
      caption:
        'A sheet: the music, and under it each new or unusual fingering once, with its picture.',
      steps: [
        'All parts prints everyone’s sheet, in the order of the seats or sections. On the stand the menu has one sheet.',
        'Choose the staff’s height, which fingerings stand under the notes, whether names stand over them, A4 or Letter.',
        'From Notes: a chart for a stage or a student’s own range, as a page, a poster or cards to cut out. One scale for the band shows each instrument in its key.',
        'From People: a grid of students and notes for the wall, also blank; the record, and a report.',
        'The browser’s own print key prints what is seen. A PDF comes from its print dialog, or from the command sempre print.'
      ],
      questions: [
        {
          ask: 'A sheet is in the wrong language.',
          answer:
            'This sheet in, above it, changes the language and the names of its notes for this sheet alone.'
        }
      ]
    }
  ],
  glossary: [
    ['concert pitch', 'What sounds. A clarinet’s written C is concert B flat.'],
    ['written note', 'What stands on a player’s page, in the instrument’s own key and clef.'],
    ['fingering', 'Which keys, holes or valves are held for a note, or where the slide is.'],
    [
      'alternate fingering',
      'Another fingering for the same note, better in some places: before a certain note, in a trill, for pitch.'
    ],
    [
      'register',
      'The notes that an instrument gives with one way of blowing; the next begins where a key or the lips make it jump.'
    ],
    [
      'partial',
      'One of the notes that a brass player gets from one length of tube, by the lips alone.'
    ],
    ['half hole', 'A hole that is covered in part, so that the note speaks an octave higher.'],
    ['slide position', 'How far out a trombone’s slide is: first is in, seventh is furthest.'],
    ['new note', 'A note of the part that this student was never heard to play.'],
    ['secure, shaky, not yet', 'The three grades of a note that was heard.'],
    [
      'stage',
      'How far a group plays: the first years, school, advanced. It limits what is asked and offered.'
    ],
    ['kept fingering', 'One that you have fixed for a note; the plan goes around it.'],
    ['house style', 'How everyone plays by default where teachers differ.'],
    ['lane', 'A row under the music for one finger: dark while the finger is down.'],
    ['figure', 'A group of notes that comes again in the part, in the same shape.'],
    ['range', 'From the lowest to the highest note that is played.'],
    ['section', 'Those of a group who play the same instrument.'],
    ['exercise, etude', 'A short piece of a method book; a longer one for one difficulty.'],
    [
      'MusicXML',
      'An open file format for sheet music, which most programs for writing music can save.'
    ]
  ]
};
