debrief-not-all-seen = ? nicht alles gesehen
debrief-meets = ✓ erfüllt
debrief-not-met = ✕ nicht erfüllt
debrief-laps-against-the-standard = Runden gegen den Prüfungsmaßstab
debrief-from-spot = Vom Aufsetzpunkt
debrief-speed-off = Geschwindigkeit daneben
debrief-correct-lap = Runde {$number} berichtigen
debrief-not-judged = nicht bewertet
debrief-only-the-last-laps = Nur die letzten {$open} Runden
debrief-all-laps = Alle {$all} Runden
debrief-tolerances-quoted-from-memory-the = Toleranzen aus dem Gedächtnis. Die gültige Ausgabe des Prüfungsmaßstabs und der Prüfer entscheiden.
debrief-the-one-change = Die eine Änderung
debrief-faults-and-remedies = Fehler und Abhilfe:
debrief-it-could-not-be-measured = Es konnte nicht gemessen werden.
debrief-recorded-flight = Aufgezeichneter Flug
debrief-to = {$begun_at} bis {$ended_at}
debrief-replay = Wiedergabe {$name}
debrief-none-yet = Noch keiner.
debrief-bring-a-file = Datei bringen
debrief-measure-from-the-tablets-own = Aus den Positionen des Tablets messen
debrief-nothing-that-was-measured-or = Nichts, was gemessen oder vermerkt wurde, lag außerhalb seiner Grenzen.
debrief-worst-on = ; am schlechtesten in {$worst}
debrief-gravest-first-what-was-neither = Das Schwerste zuerst. Was weder eine Aufzeichnung gemessen noch jemand vermerkt hat, wird nicht bewertet.
debrief-the-target = dem Ziel
debrief-debrief = Nachbesprechung: {$name}
debrief-kept-but-cannot-be-read = { $unreadable ->
    [one] Eine Runde dieses Flugs ist gespeichert, aber nicht lesbar, und fehlt hier. Sagen Sie es der Person, die Bullseye an Ihrer Flugschule betreibt. Die anderen sind vollständig.
   *[other] {$unreadable} Runden dieses Flugs sind gespeichert, aber nicht lesbar, und fehlen hier. Sagen Sie es der Person, die Bullseye an Ihrer Flugschule betreibt. Die anderen sind vollständig.
 }
debrief-no-lap-flown-yet = Noch keine Runde geflogen.
debrief-record-the-first = Die erste notieren
debrief-of = {$hits} von {$measured}
debrief-touchdown-not-marked = {$measured}-mal Aufsetzen nicht markiert
debrief-landings-marked = Landungen markiert
debrief-mean-from-the-target = Mittlere Ablage vom Ziel
debrief-spread = Streuung
debrief-go-arounds = Durchgestartet
debrief-all-laps-on-the-strip = Alle Runden auf dem Streifen
debrief-white-diamonds-are-in-the = Weiße Rauten liegen in der Aufsetzzone, dunkle außerhalb.
debrief-laps-flown-to-another-spot = Runden zu einem anderen Aufsetzpunkt sind in ihrem Abstand von diesem gezeichnet.
debrief-why-each-landed-there = Warum jede dort aufgesetzt hat
debrief-why-each-landed-there-from = Warum jede dort aufgesetzt hat, von {$counted}
debrief-in-laps = { $count ->
    [one] Runde
   *[other] Runden
 }
