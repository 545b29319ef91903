### Was der Kern über das Modell sagt.

## Was Seitenwind im kurzen Endanflug von Händen und Füßen verlangt, und wann das Seitenruder nicht mehr reicht.

crosswind-a_touch = Ein wenig
crosswind-touch = ein wenig
crosswind-hands = { $crab } Vorhaltewinkel nach { $side ->
    [left] links
   *[right] rechts
 }; oder { $side ->
    [left] linke
   *[right] rechte
 } Fläche { $bank } hängen lassen und { $other ->
    [left] linkes
   *[right] rechtes
 } Seitenruder.
crosswind-over = Mehr, als das Seitenruder nach der Grenze nachweislich hält. Wenn volles Seitenruder nicht geradehält: durchstarten und woanders landen.
crosswind-within = { $share } dessen, was das Seitenruder nach der Grenze nachweislich hält. Wenn volles Seitenruder nicht reicht: durchstarten.
crosswind-limit = { $limit }: { $source }

## Der gerade Anflugweg, und das Zeichen, das den Beginn des Abfangens anzeigt.

cue-stripes = Beginnen Sie das Abfangen, wenn die Nase bei { $place } steht: noch etwa { $to_go }, Augen { $eyes } hoch.
cue-widths = Beginnen Sie das Abfangen, wenn die Nase etwa { $widths } Pistenbreiten vor dem Zielpunkt steht: noch etwa { $to_go }, Augen { $eyes } hoch.

## Die Landestrecken, aus der Tabelle des Flughandbuchs und den üblichen Zuschlägen.

distances-slope_up = bei { $slope } Steigung bleibt zum Beschleunigen kaum etwas übrig
distances-slope_down = bei { $slope } Gefälle bleibt zum Bremsen kaum etwas übrig
distances-gravel = keine Regel für Schotter
distances-surface_unknown = niemand hat eingegeben, woraus die Piste besteht
distances-long_grass = keine Regel für hohes Gras
distances-soft = keine Regel für weichen Boden
distances-snow_or_ice = keine Regel für Schnee oder Eis
distances-too_much_tailwind = { $wind } Rückenwind sind mehr als die { $limit } der Regel
distances-table = Tabelle des Flughandbuchs
distances-table_from_50 = Tabelle des Flughandbuchs, ab 50 ft
distances-table_roll = Tabelle des Flughandbuchs, Rollstrecke
distances-table_over_50 = Tabelle des Flughandbuchs, bis 50 ft
distances-faster = Aufsetzen { $off } schneller als in der Tabelle: Klappen und Gewicht
distances-slower = Aufsetzen { $off } langsamer als in der Tabelle: Klappen und Gewicht
distances-headwind = Gegenwind { $wind }
distances-tailwind = Rückenwind { $wind }
distances-wet_grass = nasses kurzes Gras: rutschig
distances-dry_grass = trockenes kurzes Gras; hohes Gras ist nicht erfasst
distances-wet_grass_roll = nasses kurzes Gras, nur auf der Rollstrecke
distances-dry_grass_roll = trockenes kurzes Gras, nur auf der Rollstrecke
distances-wet_paved = nasse befestigte Piste
distances-wet_grass_whole = nasses Gras
distances-uphill = { $slope } bergauf
distances-downhill = { $slope } bergab
distances-factor = Sicherheitszuschlag

## Die Anfluggeschwindigkeit und wie sie zustande kommt, Schritt für Schritt.

speeds-too_slow = 1,3 × { $stall } Überziehgeschwindigkeit; die aus dem Flughandbuch eingegebenen { $entered } sind weniger als { $least } des Überziehens: prüfen Sie sie
speeds-handbook = Geschwindigkeit des Flughandbuchs, Klappen { $flap }, bei Höchstgewicht
speeds-rule = 1,3 × { $stall } Überziehgeschwindigkeit, als angezeigt zurückgelesen; das Flughandbuch nennt keine
speeds-rule_chosen = 1,3 × { $stall } Überziehgeschwindigkeit, als angezeigt zurückgelesen: Einstellung des Verfahrens
speeds-weight = { $weight } sind { $share } des Höchstgewichts; Geschwindigkeiten sinken mit der Wurzel daraus
speeds-weight_left_out = gedruckte Geschwindigkeit bei jedem Gewicht: Einstellung des Verfahrens
speeds-wheels = eine Radlandung wird { $faster } schneller geflogen als eine Dreipunktlandung, mit einer Spur Leistung
speeds-no_gust = keine Böen gemeldet; ein stetiger Wind schlägt nichts zu
speeds-gust_left_out = kein Böenzuschlag: Einstellung des Verfahrens
speeds-gust_too_much = die Hälfte der { $spread } zwischen Bö und stetigem Wind wären { $wanted }; mehr als { $allowed } werden nicht zugeschlagen. Bei solchen Böen lieber warten
speeds-gust = die Hälfte der { $spread } zwischen Bö und stetigem Wind; der stetige Wind schlägt nichts zu
speeds-result = dies im Endanflug halten; Flughandbuch und Fluglehrer entscheiden
