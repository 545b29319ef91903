words-where-the-pavement-of-runway = wo der Belag der Piste {$ident} beginnt: seine Breite und Länge
words-not-a-geojson-featurecollection = keine GeoJSON-FeatureCollection
words-no-runway-in-it-a = keine Piste darin: ein LineString von einem Ende des Belags zum anderen
words-rotated-early = Zu früh rotiert
words-rotated-late = Zu spät rotiert
words-altitude-not-held = Höhe nicht gehalten
words-wide = Weit
words-tight = Eng
words-too-much-bank = Zu viel Querneigung
words-overshot-final = Endanflug überschossen
words-flat = Flach
words-steep = Steil
words-dropped-in = Durchgesackt
words-nose-first = Bugrad zuerst
words-crab-left-in = Mit Vorhaltewinkel aufgesetzt
words-sank-through-drill = Durchgesunken (Übung)
words-touched-low-approach = Aufgesetzt (Tiefanflug)
words-height-not-kept-low-approach = Höhe nicht gehalten (Tiefanflug)
words-prompted-by-instructor = Auf Zuruf des Fluglehrers
words-instructor-flew = Fluglehrer flog
words-drift-left = Abdrift links
words-drift-right = Abdrift rechts
words-late-on-the-flare = Zu spät abgefangen
words-good-speed-control = Geschwindigkeit gut gehalten
words-chased-the-speed = Der Geschwindigkeit nachgejagt
words-looked-too-close = Blick zu nah
words-good-crosswind-hold = Seitenwind gut ausgesteuert
words-this-part-of-bullseye-could = Dieser Teil von Bullseye konnte nicht geladen werden. Prüfen Sie die Verbindung und laden Sie die Seite neu.
words-the-storage-of-this-device = Der Speicher dieses Geräts ist voll. Schaffen Sie Platz, dann geht es weiter.
words-something-went-wrong-in-this = Auf dieser Seite ist etwas schiefgegangen. Laden Sie sie neu. Was Sie notiert haben, ist gespeichert.
words-hold-off-drill = Übung Ausschweben
words-upwind = Abflug
words-downwind = Gegenanflug
words-touch-and-go = Aufsetzen und Durchstarten
words-full-stop = Abschlusslandung
words-stop-and-go = Stopp und Start
words-short-of = {$margin_ft} vor
words-to-spare-at = {$margin_ft} hinter
words-less-than-a-quarter-stripe = weniger als eine Viertelmarkierung
words-one = eine
words-stripe = Markierung
words-stripes = Markierungen
words-gust = in Böen {$gust_kt}
words-dry = trocken
words-wet = nass
words-long-grass = hohes Gras
words-soft = weich
words-snow-or-ice = Schnee oder Eis
words-behind-it-the-factored-roll = dahinter reicht die Piste für die Rollstrecke mit Zuschlag nicht
words-behind-it-a-climb-does = dahinter reicht das Steigen nicht über das, was dort steht
words-half-of-the-runway = die halbe Piste
words-a-third-of-the-runway = ein Drittel der Piste
words-the-end-of-the-box = das Ende der Aufsetzzone
words-set-by-the-instructor = vom Fluglehrer festgelegt
words-minutes-ago = { $minutes ->
    [one] vor {$minutes} Minute
   *[other] vor {$minutes} Minuten
 }
words-hours-ago = { $hours ->
    [one] vor {$hours} Stunde
   *[other] vor {$hours} Stunden
 }
words-days-ago = { $days ->
    [one] vor {$days} Tag
   *[other] vor {$days} Tagen
 }
words-where-the-ground-mark-is = wo die Bodenmarke {$number}, {$name}, liegt: ihre Breite und Länge
words-language = Sprache
words-language-en = English
words-language-de = Deutsch
words-crosswind-leg = Querabflug
