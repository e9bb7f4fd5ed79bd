import type { Help } from '../help/help';

export const help: Help = {
  title: 'Ayuda',
  steps: 'Cómo se hace',
  questions: 'Preguntas',
  terms: 'Términos',
  places: [
    {
      id: 'today',
      name: 'Hoy',
      lead: 'Qué toca cada grupo ahora, a quién le faltan notas y qué decirle.',
      caption:
        'La banda de primer año: a quién le falta una nota de la pieza que viene, y cómo la aprende cada uno.',
      steps: [
        'Los grupos que se reúnen hoy están abiertos. Elige el nombre de otro para abrirlo.',
        'La línea bajo el nombre es la pieza que toca ahora y a cuántos les falta alguna nota.',
        'Cada fila es un alumno atascado: qué nota, y las palabras para decírselo. Comparan la nota nueva con una que ese alumno ya tiene.',
        'Elige un nombre para ver su ficha, lo que falta para ver la parte en el atril, y oír para escucharlo.',
        'La prueba pregunta a todo el grupo nota por nota; Nota nueva muestra una nota real en cada instrumento; Todas las partes las imprime; Quién puede tocar qué mira adelante en el libro.'
      ],
      questions: [
        {
          ask: 'No aparece nadie.',
          answer:
            'Todos tienen las notas de la pieza. Abajo está lo que ya sale y lo que hace mucho que no se oye.'
        },
        {
          ask: 'Solo quiero mirar.',
          answer:
            'En una escuela que aún no tiene nada, Hoy ofrece una escuela de muestra. Se quita desde el mismo lugar.'
        }
      ]
    },
    {
      id: 'stand',
      name: 'Atril',
      lead: 'La parte de un alumno: cada nota con la digitación que le conviene aquí, y por qué.',
      caption:
        'Una parte de flauta. El panel dice por qué este si bemol se toca así y qué otras hay.',
      steps: [
        'Bajo cada nota está su digitación. En un marco de trazos: nueva para este alumno. Negrita y subrayada: no es la habitual. Con una línea debajo: la has fijado tú.',
        'Las barras de abajo son los dedos: donde la barra sigue, el dedo se queda. En el trombón una curva muestra la vara.',
        'Las columnas pequeñas sobre las barras dicen dónde es difícil; una cruz, que unos dedos suben mientras otros bajan.',
        'Elige una nota. El panel dice por qué, muestra el camino de los dedos desde la nota anterior y las otras digitaciones.',
        'Toma otra digitación para esta nota, para todas las iguales o para la figura, y para otros que leen la misma página. Fijar conserva lo previsto.',
        'Tocar hace sonar la parte, con compás de entrada, una y otra vez, o solo unos compases. La nota que suena está en el panel con su letra y su dibujo.',
        'Solo la página deja solas la música y las digitaciones; una tecla, un toque a la derecha o un pedal la pasan.',
        'Estudiar por fragmentos corta la parte donde acaban sus frases. Cada fragmento tiene cinco pasos, desde los nombres hasta unirlo al siguiente; cada uno se repite sin parar, a un tempo en el que su cambio más difícil tiene tiempo. Los fragmentos se pueden imprimir, con casillas para marcar. Ejercicios hechos de ella tiene sus escalas y acordes sobre sus propias notas, y cada fragmento en otros ritmos, al revés y medio tono más bajo; marca lo que va a una hoja, o pon uno en el estante. Limpio y No salió limpio anotan cada vez: tras tres limpias seguidas el fragmento se acelera, tras dos que no lo fueron se frena; el profesor puede cambiar ambas cosas en Personas. Empezar donde sea saca compases como en una audición: quien dice el mismo número empieza en los mismos compases.'
      ],
      questions: [
        {
          ask: '¿Qué significan las marcas?',
          answer: 'Qué significan las marcas, sobre la página, nombra las que hay en ella.'
        },
        {
          ask: 'La parte es demasiado difícil.',
          answer:
            'Hacerla más fácil ofrece notas que el alumno tiene, junto a las escritas; cada una se deja, se cambia o se quita. «Lista» se refiere siempre a la parte tal como está escrita.'
        },
        {
          ask: 'Yo enseño otra digitación.',
          answer:
            'Maneras de tocar muestra qué cambiaría tu manera en esta parte. Puede ser la de este alumno o la de la casa.'
        }
      ]
    },
    {
      id: 'ear',
      name: 'Oído',
      lead: 'Escuchar: cada nota está segura, insegura o todavía no. Lo que se oyó queda guardado, con su día.',
      caption: 'Escuchar una parte: tres teclas o tres botones, uno por grado.',
      steps: [
        'Para un alumno abre oír junto a su nombre. Las notas de la parte vienen una tras otra, cada digitación de una nota una sola vez.',
        'Califica cada una: segura, insegura o todavía no. Las que quedan se pueden dar por seguras de una vez.',
        'Para un grupo elige Prueba. Elige notas reales, una escala o compases de una pieza; a cada alumno se le pide en su página, en una octava que le va.',
        'Califica a cada alumno; el siguiente viene enseguida, y quien falta ese día se salta.',
        'Una observación va con el próximo grado. El último siempre se puede retirar.'
      ],
      questions: [
        {
          ask: 'Se fue la red.',
          answer:
            'Las marcas esperan en este navegador y se envían cuando Sempre responde; la página dice cuántas.'
        },
        {
          ask: '¿Cuándo se vuelve a preguntar una nota?',
          answer:
            'Un grado se apaga con el tiempo. Hoy avisa de la nota que hace mucho que no se oye; cuánto es mucho se elige en Personas.'
        }
      ]
    },
    {
      id: 'shelf',
      name: 'Estante',
      lead: 'Libros y piezas: se traen, se miran y se dan a un grupo, a una sección o a un alumno.',
      caption:
        'Cada fila dice longitud, tonalidad, extensión y cuántos de un grupo la tienen lista.',
      steps: [
        'Suelta un archivo MusicXML o elige uno. Sempre dice qué contiene antes de guardarlo.',
        'Escribe una pieza: escribe los nombres de las notas, Bb C D o sib do re. Un número antes de la nota es su figura: 4 una negra, 8 una corchea. Las notas y sus digitaciones aparecen mientras escribes.',
        'Cómo se leyó muestra lo que Sempre supuso. Sin octava, la nota es la más cercana; sin figura, la que llena los compases.',
        'También puedes pulsar las teclas, tocar un teclado MIDI o abrir una pieza en ABC o un archivo MIDI. Una página del libro, en imagen o PDF, cabe junto al texto.',
        'Haz una escala o un acorde: cualquier tonalidad, figura, ritmo y articulación, para un instrumento o para todo un grupo, cada uno en su página; queda en letras que puedes cambiar.',
        'Un título abre la pieza como la lee cada instrumento: tonalidad, extensión, dónde es difícil, de quién es la página.',
        'Dala: a quién, para cuándo, qué compases, a qué tempo, una frase para los alumnos.',
        'Marca varias piezas para darlas o quitarlas juntas.',
        'Junto al nombre de un libro: qué trae cada ejercicio a un instrumento, qué encuentra de paso antes de que se introduzca, un mapa de todos los instrumentos y lo que un grupo ya puede tocar. Ahí también se guarda el libro en un archivo comprimido.',
        'Trae un libro entero: muchos archivos, una carpeta o un comprimido, con un informe de lo que no se pudo leer.'
      ],
      questions: [
        {
          ask: '¿De dónde viene MusicXML?',
          answer:
            'Lo guardan los programas en que se escribe música; el menú se llama Exportar. Una imagen o un PDF no tienen notas que se puedan leer.'
        },
        {
          ask: 'Algo de mi archivo estaba mal.',
          answer:
            'Una nota equivocada cuesta su compás y nada más; lo que tiene un solo sentido se corrige. Las dos cosas se dicen, con parte y compás, antes de guardar la pieza.'
        },
        {
          ask: 'Mi instrumento no tiene parte propia.',
          answer:
            'Lee la de otro, llevada a su tonalidad y a una octava que le va. La página dice cuál.'
        }
      ]
    },
    {
      id: 'notes',
      name: 'Notas',
      lead: 'Las digitaciones de un instrumento: la habitual, las demás y cuándo se usan.',
      caption: 'El si bemol de la flauta, como el alumno ve su instrumento.',
      steps: [
        'Elige un instrumento y una nota de su extensión. La primera ficha es la digitación habitual; cada una de las otras dice para qué sirve.',
        'Las llaves pulsadas son oscuras; un agujero medio oscuro se cubre a medias. Las del pulgar están junto al cuerpo.',
        'Comparar desde aquí, y elige otra nota: lo que se mueve entre las dos se dice con palabras.',
        'Si algo sale mal: elige lo que oyes y vienen las causas probables en orden, cada una con lo que hay que hacer.',
        'Añade una digitación propia, o llama a una como la llama tu clase.',
        'Una nota en toda la banda muestra una nota real en cada instrumento.'
      ],
      questions: [
        {
          ask: '¿De dónde vienen las digitaciones?',
          answer:
            'Cada ficha lo dice: calculada, publicada, práctica común o de memoria. Las propias están marcadas como tuyas.'
        },
        {
          ask: 'El dibujo no es como lo sujetamos.',
          answer: 'Se puede ver de frente o como esquema sencillo.'
        }
      ]
    },
    {
      id: 'people',
      name: 'Personas',
      lead: 'Grupos y alumnos, qué tiene cada uno y cómo toca tu casa.',
      caption: 'Un alumno: qué notas tiene, cuáles vienen ahora y cómo han crecido.',
      steps: [
        'Crea un grupo y los días en que se reúne. Añade alumnos uno a uno, o muchos desde una lista.',
        'Para cada alumno: el instrumento con sus opciones, lo que su mano aún no alcanza, el asiento.',
        'Un nombre abre la ficha: la extensión con lo que está seguro, lo que viene ahora y todo lo que se oyó.',
        'Quién tiene qué nota y quién puede tocar qué miran el grupo entero. La gráfica muestra las notas semana a semana.',
        'Plan de práctica, en la ficha de un alumno, dice qué se practica cada día hasta el día de cada pieza: en papel y para un calendario. Hoy habla de aquellos para quienes se preparó.',
        'Audiciones, debajo de los grupos: lo que se pide llega como tabla; hasta dónde ha llegado cada candidato se calcula por notas, tempos limpios y cambios. Un simulacro sortea con un número, y cada juez puntúa en su propio dispositivo. Nombra primero a los jueces. El resultado aparece cuando todos entregaron.',
        'El informe para casa dice con palabras qué se aprendió desde un día, sin nada de otros niños.',
        'El estilo de la casa dice cómo tocan todos donde los profesores difieren.'
      ],
      questions: [
        {
          ask: 'Un alumno se va.',
          answer:
            'Quitar conserva la ficha y se puede recuperar. Borrar la elimina para siempre, también del archivo.'
        },
        {
          ask: '¿Quién ve los datos de los alumnos?',
          answer:
            'Están en un archivo de este ordenador. No se envía nada. Cada día se hace una copia, que se guarda 14 días.'
        }
      ]
    },
    {
      id: 'paper',
      name: 'En papel',
      lead: 'Partes con digitaciones, tablas, cuadros e informes, negro sobre blanco.',
      caption:
        'Una hoja: la música, y debajo cada digitación nueva o poco habitual una vez, con su dibujo.',
      steps: [
        'Todas las partes imprime la hoja de cada uno, por asientos o por secciones. En el atril el menú tiene una sola hoja.',
        'Elige la altura del pentagrama, qué digitaciones van bajo las notas, si hay nombres encima, A4 o Carta.',
        'Desde Notas: una tabla para un nivel o para la extensión de un alumno, como página, cartel o tarjetas para recortar. Una escala para la banda muestra cada instrumento en su tonalidad.',
        'Desde Personas: un cuadro de alumnos y notas para la pared, también en blanco; la ficha y un informe.',
        'La tecla de imprimir del navegador imprime lo que se ve. Un PDF sale de su diálogo de impresión o de la orden sempre print.'
      ],
      questions: [
        {
          ask: 'Una hoja está en otro idioma.',
          answer:
            'Esta hoja en, encima de ella, cambia el idioma y los nombres de las notas solo para esa hoja.'
        }
      ]
    }
  ],
  glossary: [
    ['nota real', 'Lo que suena. El do escrito de un clarinete es un si bemol real.'],
    [
      'nota escrita',
      'Lo que está en la página del alumno, en la tonalidad y la clave de su instrumento.'
    ],
    [
      'digitación',
      'Qué llaves, agujeros o pistones se pulsan para una nota, o dónde está la vara.'
    ],
    [
      'digitación alternativa',
      'Otra digitación para la misma nota, mejor en algunos lugares: antes de cierta nota, en un trino, por afinación.'
    ],
    [
      'registro',
      'Las notas que da un instrumento con una manera de soplar; el siguiente empieza donde una llave o los labios lo hacen saltar.'
    ],
    [
      'armónico',
      'Una de las notas que se sacan de una misma longitud de tubo, solo con los labios.'
    ],
    [
      'medio agujero',
      'Un agujero cubierto en parte, para que la nota hable una octava más arriba.'
    ],
    [
      'posición de la vara',
      'Cuánto sale la vara del trombón: la primera es dentro, la séptima la más lejana.'
    ],
    ['nota nueva', 'Una nota de la parte que a este alumno nunca se le ha oído.'],
    ['segura, insegura, todavía no', 'Los tres grados de una nota que se oyó.'],
    [
      'nivel',
      'Hasta dónde toca un grupo: primeros años, escuela, avanzado. Limita lo que se pide y se ofrece.'
    ],
    ['digitación fijada', 'La que has fijado para una nota; el plan se hace alrededor de ella.'],
    ['estilo de la casa', 'Cómo tocan todos de entrada donde los profesores difieren.'],
    ['carril', 'Una fila bajo la música para un dedo: oscura mientras el dedo está puesto.'],
    ['figura', 'Un grupo de notas que vuelve en la parte con la misma forma.'],
    ['extensión', 'De la nota más grave a la más aguda que se toca.'],
    ['sección', 'Los de un grupo que tocan el mismo instrumento.'],
    ['ejercicio, estudio', 'Una pieza corta de un método; una más larga para una dificultad.'],
    [
      'MusicXML',
      'Un formato abierto de partituras que guardan casi todos los programas para escribir música.'
    ]
  ]
};
