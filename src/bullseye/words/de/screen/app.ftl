app-past-laps-are-being-calculated = Frühere Runden werden mit Aufsetzmodell {$model} neu berechnet: {$left} stehen noch aus. Zielpunkte und Trefferwahrscheinlichkeiten können sich noch ändern.
app-the-week = Die Woche
app-fleet = Flotte
app-tracks = Aufzeichnungen
app-skip-to-the-screen = Direkt zur Seite
app-bullseye = Bullseye
app-this-tablets-position-is-being = Die Position dieses Tablets wird aufgezeichnet
app-position = ● Position
app-night-colours = Nachtfarben
app-day-colours = Tagfarben
app-my-record = Meine Ausbildung
app-school = Flugschule
app-what-waits-to-be-sent = Was noch zu senden ist, bleibt auf diesem Gerät, bis Sie sich wieder anmelden
app-a-newer-bullseye-is-ready = Ein neueres Bullseye steht bereit.
app-update-now = Jetzt aktualisieren
app-not-undone = Nicht rückgängig gemacht: {$problem}
app-training-aid-the-aircraft-handbook = Ausbildungshilfe: Flughandbuch, örtliche Regeln und Fluglehrer entscheiden. Durchstarten ist immer eine gute Antwort.
app-laps-left = { $laps ->
    [one] {$shown} Runde
   *[other] {$shown} Runden
 }
app-flights-left = { $flights ->
    [one] {$shown} aufgezeichneter Flug
   *[other] {$shown} aufgezeichnete Flüge
 }
app-page = {$page} · Bullseye
app-the-record = Ausbildungsstand eines Flugschülers
