## Üben am Boden.

practice-practice = Üben am Boden
practice-what-for = Das Bild und der Augenblick des Abfangens gehen in der Luft in Sekunden vorbei. Hier lassen sie sich hundertmal ansehen. Keine Zahl aus dem Üben geht in eine Freigabe ein.
practice-runway = Piste
practice-aircraft = Flugzeug
practice-headwind = Gegenwind
practice-path = Hoch, tief oder richtig?
practice-path-how = Sie sehen die Piste zwei Sekunden lang von irgendwo im Endanflug. Sagen Sie, ob Sie hoch, tief oder richtig auf ihrem Gleitweg sind.
practice-path-keys = Tasten: Pfeil nach oben für hoch, Pfeil nach unten für tief, Pfeil nach rechts für richtig.
practice-roundout = Jetzt abfangen
practice-roundout-how = Sie sehen die letzten Sekunden eines Anflugs in wahrer Geschwindigkeit. Drücken Sie einmal, wo Sie das Abfangen beginnen würden.
practice-roundout-keys = Tasten: Leertaste für jetzt.
practice-begin = Beginnen
practice-stop = Hier aufhören
practice-high = Hoch
practice-low = Tief
practice-right = Richtig
practice-now = Jetzt
practice-next-film = Nächster Film
practice-picture-of = Bild {$number} von {$all}
practice-film-of = Film {$number} von {$all}
practice-it-was-high = Es war {$angle}° zu hoch.
practice-it-was-low = Es war {$angle}° zu tief.
practice-it-was-right = Es war genau auf dem Gleitweg.
practice-early = {$late} s zu früh: die Räder waren {$height} ft hoch. Es beginnt in {$begins} ft.
practice-late = {$late} s zu spät: auf diesem Weg wären die Räder {$height} ft hoch. Es beginnt in {$begins} ft.
practice-on-the-moment = Genau im richtigen Augenblick, in {$begins} ft.
practice-not-pressed = Es wurde nichts gedrückt: es traf ohne Abfangen auf die Piste.
practice-what-you-see = Was Sie vom Sitz aus sehen
practice-result = Was gemessen wurde
practice-kept-here = Das Netz ist weg. Ihre Antworten bleiben auf diesem Gerät und werden gewertet, wenn es zurück ist.
practice-so-far = Was bisher geübt wurde
practice-nothing-yet = Noch nichts. Zehn Minuten Bilder vor einer Stunde helfen am meisten.
practice-figure-path = {$figure}° eben bemerkt
practice-figure-roundout = {$figure} ft in der Höhe daneben
practice-between = {$low} bis {$high}
practice-of-items = { $items ->
    [one] {$items} Aufgabe
   *[other] {$items} Aufgaben
 }
