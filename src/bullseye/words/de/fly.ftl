### Was der Kern über das Fliegen sagt.

## Die Teile einer Platzrunde in bewegter Luft.

legs-no_speeds = das Flugzeug hat keine Geschwindigkeiten für die Platzrunde
legs-blown_away = quer zum Teil { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } ist der Wind stärker, als das Flugzeug schnell ist
legs-too_slow = über Grund wären es im { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } weniger als { $least }
legs-near_stall = { $speed } im { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } sind dem Überziehen bei { $stall } mit Klappen { $flap } zu nah. Fliegen Sie schneller
legs-near_stall_turning = { $speed } im { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } sind dem Überziehen bei { $stall } in { $bank } Querneigung mit Klappen { $flap } zu nah. Fliegen Sie schneller oder mit weniger Querneigung
legs-no_wind_aloft = die Richtung des Winds in Platzrundenhöhe ist nicht angegeben
legs-no_wind = die Windrichtung ist unbekannt; geben Sie den Wind in Platzrundenhöhe an

## Die Platzrunde über Grund.

over_ground-beyond_aim = der Queranflug träfe hinter dem Zielpunkt auf den Endanflug: fliegen Sie einen längeren Gegenanflug

## Was über eine Platzrunde gesagt wird.

pattern-no_wind = Steuerkurse, Zeiten und Kurven gelten für Windstille. Geben Sie den Wind an, bevor Sie danach fliegen.
pattern-little_wind = Wenig Wind quer zur Platzrunde: Abstand und Sinken wie bei Windstille.
pattern-towards = { $wind } wehen zum Platz hin: ohne { $crab } Vorhaltewinkel kommt der Gegenanflug um { $drift } näher, und der Queranflug ist { $base_time }.
pattern-rushed = Zu hoch und gehetzt ist die übliche Folge.
pattern-away = { $wind } wehen vom Platz weg. Ohne { $crab } Vorhaltewinkel treibt der Gegenanflug um { $drift } hinaus, und der Queranflug ist { $base_time }. Halten Sie die Höhe, bis gedreht ist.
pattern-as_long = so lang wie bei Windstille
pattern-longer = { $time } länger
pattern-shorter = { $time } kürzer
pattern-moment = einen Augenblick
pattern-flap_limit = { $speed } im { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } liegen über der Grenze von { $limit } für Klappen { $flap }: werden Sie langsamer, bevor sie ausgefahren werden.
pattern-gear_limit = { $speed } im { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } liegen über der Fahrwerksgrenze von { $limit }: werden Sie zuerst langsamer.
pattern-climb_unknown = Wie dieses Flugzeug hier steigt, ist unbekannt: der Abflug ist für 500 ft je Meile gezeichnet.
pattern-near_stall = Nur { $margin } über dem Überziehen im { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 }: fliegen Sie schneller.
pattern-near_stall_turning = Nur { $margin } über dem Überziehen in der Kurve aus dem { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 }: fliegen Sie schneller oder flacher.
pattern-first_turn_high = Die erste Kurve käme über Platzrundenhöhe: gehen Sie in Platzrundenhöhe in den Horizontalflug und drehen Sie dort.
pattern-first_turn_low = Die erste Kurve käme nur { $height } über dem Platz: steigen Sie davor höher.
pattern-final_turn_low = Die Kurve in den Endanflug ist nur { $height } hoch: fliegen Sie einen längeren Endanflug.
pattern-no_room = Ein Abstand von { $spacing } lässt bei { $bank } Querneigung keinen { $leg ->
    [upwind] Abflug
    [crosswind] Querabflug
    [downwind] Gegenanflug
    [base] Queranflug
   *[final] Endanflug
 } übrig: seine Kurven laufen ineinander. Fliegen Sie weiter draußen.
pattern-steep = { $bank } Querneigung: das Überziehen ist { $nearer } näher. 30° genügen jedem.
pattern-fast_down = { $descent } von querab bis zum Endanflug: hoch und gehetzt. Fliegen Sie weiter draußen oder sinken Sie früher.
pattern-long_final = Der Endanflug ist länger als das Sinken aus Platzrundenhöhe: bleiben Sie im Queranflug in der Höhe, Klappen später.
pattern-cue = Querab liegt die Piste { $angle } unter dem Horizont.
pattern-cue_at_mark = Querab liegt die Piste { $angle } unter dem Horizont: genau an der Flügelmarke.
pattern-cue_above = Querab liegt die Piste { $angle } unter dem Horizont, über der Flügelmarke, die bei { $mark } ist ({ $spacing }).
pattern-cue_below = Querab liegt die Piste { $angle } unter dem Horizont, unter der Flügelmarke, die bei { $mark } ist ({ $spacing }).
pattern-through_no_bank = Der Wind trägt den Queranflug { $drift } durch den Endanflug. Leiten Sie die Kurve { $time } früher ein. Zu spät begonnen, reicht keine Querneigung: durchstarten.
pattern-through = Der Wind trägt den Queranflug { $drift } durch den Endanflug. Leiten Sie die Kurve { $time } früher ein. Zu spät begonnen, braucht es { $bank } Querneigung, und die Überziehgeschwindigkeit steigt um { $nearer }.
pattern-through_steep = Über { $steepest }: überschießen Sie und starten Sie durch.
pattern-held_back = Der Wind hält den Queranflug um { $drift } zurück: leiten Sie die Kurve { $time } später ein.
pattern-final_unknown = Was der Wind mit der Kurve in den Endanflug macht, ist nicht bekannt: niemand hat ihn angegeben.
pattern-final_as_usual = Der Wind ändert an der Kurve in den Endanflug kaum etwas.

## Die Platzrunde als Aufgabe.

pattern_task-too_low = die Platzrundenhöhe { $altitude } liegt weniger als { $least } über der Piste

## Die Ziellandung ohne Motorhilfe aus 180°.

power_off-blown_away = der Wind ist stärker, als der Gleitflug schnell ist
power_off-no_way = gegen diesen Wind kommt der Gleitflug nicht voran
power_off-too_steep = bei diesem Wind braucht die Kurve auf die Piste mehr als { $steepest } Querneigung; sie wird nicht angeboten. Fliegen Sie weiter draußen
power_off-no_base = bei diesem Wind bleibt zwischen den beiden Kurven kein Queranflug. Fliegen Sie weiter draußen
power_off-not_lined_up = bei diesem Wind bringt keine Querneigung die Kurve in Pistenrichtung
power_off-no_speed = das Flugzeug hat keine Geschwindigkeit des besten Gleitens
power_off-near_stall = das beste Gleiten, { $speed }, ist dem Überziehen bei { $stall } in { $bank } Querneigung zu nah
power_off-low_pattern = die Platzrundenhöhe liegt unter { $least }
power_off-ends_low = NICHT ERREICHT: die letzte Kurve würde in { $height } enden, mindestens { $least } sind nötig. Fliegen Sie näher oder höher, und geben Sie Gas, wenn es zu kurz wird
power_off-too_high = ZU HOCH: selbst mit vollen Klappen und Slip endet es { $beyond } dahinter.
power_off-not_reached = NICHT ERREICHT: selbst ohne Klappen endet der Gleitflug { $short } vor dem Zielpunkt. Fliegen Sie näher oder höher.
power_off-practise = Üben Sie es mit Leistung zur Hand; Flughandbuch und Fluglehrer entscheiden. Zu kurz wird nie gestreckt: geben Sie Gas.
power_off-at_once = Drehen Sie sofort, querab des Aufsetzpunkts.
power_off-turn = Drehen Sie { $time } nach querab, { $after } weiter, mit { $bank } Querneigung. Etwas zu hoch ist besser als einen Fuß zu tief.

## Der Start.

takeoff-no_table = das Flugzeug hat keine Starttabelle oder keine Rotiergeschwindigkeit
takeoff-no_wind = niemand hat den Wind angegeben
takeoff-no_distance = Keine Startstrecke: { $why }. Raten Sie nicht; nehmen Sie das Flughandbuch.
takeoff-idle = Leerlauf, bremsen, geradeaus.
takeoff-land_ahead = Nase senken, auf dem Rest landen, bremsen.
takeoff-land_about_the_nose = Nase senken in die Gleitlage. Landen Sie innerhalb von etwa 30° beiderseits der Nase: Steuerkurse { $left } bis { $right }. Eine Umkehrkurve wird hier nicht geplant.
takeoff-soft_ground = Weicher, nasser oder langer Boden kann die Rollstrecke verdoppeln; die Tabelle erfasst das nicht. Gehen Sie die Piste ab.
takeoff-short_technique = Die Strecken des Flughandbuchs gelten für das Verfahren auf kurzer Piste; ein anderes braucht mehr Piste.
takeoff-below_stall = Abheben bei { $speed } liegt unter dem Überziehen von { $stall } mit Klappen { $flap }: prüfen Sie die eingegebenen Geschwindigkeiten.
takeoff-vx_near_stall = Vx von { $speed } ist das { $ratio }-Fache des Überziehens mit Klappen { $flap }; in 50 ft ist { $least } das übliche Mindeste.
takeoff-rotate = Rotieren Sie bei den gedruckten { $speed }, bei jedem Gewicht: { $longer } mehr Rollstrecke.
takeoff-rotate_as_flown = Rotieren Sie bei den gedruckten { $speed }, bei jedem Gewicht.
takeoff-fly_off = Entlasten Sie früh das Bugrad und lassen Sie es bei etwa { $speed } abheben, wie das Gewicht es verlangt.
takeoff-fly_off_tail = Heben Sie früh den Sporn und lassen Sie es bei etwa { $speed } abheben, wie das Gewicht es verlangt.
takeoff-no_margin_to_50 = Keine Reserve bis 50 ft: es braucht { $more } mehr, als die Piste hat.
takeoff-little_margin = In 50 ft bleiben nur { $left } Piste, weniger als ein Drittel der { $over }, die es braucht: wenig Reserve.
takeoff-no_margin = KEINE RESERVE: die Rollstrecke braucht { $more } mehr, als die Piste hat.
takeoff-late = 70 % der Abhebegeschwindigkeit sind bis zur halben Piste nicht zu erwarten: der Start würde abgebrochen.
takeoff-late_for = 70 % der Abhebegeschwindigkeit sind bis { $place } nicht zu erwarten: der Start würde abgebrochen.
takeoff-abort_late = Den Start erst bei { $place } abzubrechen lässt zum Anhalten weniger als die halbe Piste.
takeoff-over_obstacle = Das Steigen führt { $clearance } über die Spitze des Hindernisses; mindestens { $least } nennen wir gut.
takeoff-below_obstacle = Das Steigen führt { $clearance } unter der Spitze des Hindernisses vorbei; mindestens { $least } darüber nennen wir gut.

## Platz für andere.

traffic-little_gap = { $gap } hinter dem Vorausfliegenden an der Schwelle sind wenig: seien Sie bereit durchzustarten.
traffic-too_close = Nur { $gap } hinter dem Vorausfliegenden an der Schwelle: zu nah. Fliegen Sie den Gegenanflug { $on } weiter oder starten Sie durch.
traffic-overtakes = Mit dem Queranflug an dieser Stelle würden Sie den Vorausfliegenden vor der Schwelle überholen: tun Sie es nicht. Fliegen Sie den Gegenanflug { $on } weiter, oder verlassen Sie die Platzrunde und kommen Sie wieder.
traffic-stay_level = Bleiben Sie im Quer- und Endanflug in Platzrundenhöhe; sinken Sie ab { $out } vor dem Zielpunkt, erst dann Klappen.
traffic-slower_down = Sinken Sie ab querab langsamer: der Gleitweg wird beim Eindrehen erreicht. Klappen später.
traffic-no_descent = Dafür lässt sich kein Sinken angeben.
traffic-turn_as_usual = Drehen Sie wie immer in den Queranflug: der Vorausfliegende ist dann an Ihnen vorbei.
traffic-turn_later = Fliegen Sie den Gegenanflug { $on } weiter, { $far }; drehen Sie, wenn der Vorausfliegende querab vorbei ist.
traffic-new_final = Neuer Endanflug { $final }.
traffic-same_aim = Der Zielpunkt bleibt: gleicher Gleitweg, gleiche Geschwindigkeit.
traffic-gap = Abstand an der Schwelle etwa { $gap }.
traffic-under_pattern = { $other } liegt { $at ->
    [left] links
   *[right] rechts
 }, unter Ihrer { $side ->
    [left] linken
   *[right] rechten
 } Platzrunde: der Queranflug kreuzt ihren Anflug. Fliegen Sie die Platzrunde auf der anderen Seite, wenn nichts anderes gesagt wird.
traffic-beside_pattern = { $other } liegt { $at ->
    [left] links
   *[right] rechts
 }: eine { $side ->
    [left] linke
   *[right] rechte
 } Platzrunde, die den Endanflug überschießt, fliegt in ihren Anflug. Überschießen Sie nicht; starten Sie von ihr weg durch.

## Karten: wie jede Landung und Übung geflogen wird.

card-before_gear = { $limit ->
    [none] Fahrwerk im Gegenanflug ausfahren; drei Grüne dort, im Queranflug und im Endanflug.
   *[given] Fahrwerk unter { $limit } im Gegenanflug ausfahren; drei Grüne dort, im Queranflug und im Endanflug.
}
card-before_propeller = Propellerhebel vor dem Endanflug nach vorn.
card-before_slats = Die Vorflügel kommen bei { $speed }: bei gutem Anflug über der Schwelle.
card-before_angle = Anstellwinkel im Endanflug: { $target }.
card-final = { $hold ->
    [airspeed] Im Endanflug den Zielpunkt in der Scheibe still und die Geschwindigkeit halten. { $energy } Bis { $gate } auf Gleitweg, Geschwindigkeit und Mittellinie und fertig konfiguriert, sonst durchstarten.
   *[angle_of_attack] Im Endanflug den Zielpunkt in der Scheibe still und den Anstellwinkel halten, die Geschwindigkeit daneben als Probe. { $energy } Bis { $gate } auf Gleitweg, Geschwindigkeit und Mittellinie und fertig konfiguriert, sonst durchstarten.
}
card-stands = Mit diesen Klappen steht er: { $mark }.
card-energy_pitch_for_speed = Das Höhenruder hält die Geschwindigkeit, die Leistung den Gleitweg.
card-energy_pitch_for_aim = Das Höhenruder hält den Zielpunkt, die Leistung die Geschwindigkeit.
card-energy_fixed_power = Die Leistung von querab stehen lassen, mit dem Höhenruder die Geschwindigkeit; Leistung erst spät im Endanflug.
card-order_halve_shift_idle_flare = Leistung halbieren, Blick ans ferne Ende, Leerlauf beim Abfangen, dann ausschweben.
card-order_idle_shift_flare = Zuerst Leerlauf, Blick ans ferne Ende, dann abfangen und ausschweben.
card-order_gradual_from_threshold = Ab der Schwelle das Gas langsam herausnehmen, Leerlauf bis zum Ende des Abfangens.
card-crosswind_wing_low = Ab dem kurzen Endanflug Fläche in den Wind und gegenseitiges Seitenruder; beides bis zum Boden halten.
card-crosswind_crab_then_straighten = Im Endanflug vorhalten; beim Abfangen mit dem Seitenruder ausrichten, die Luvfläche dabei hängen lassen.
card-crosswind_crab_then_wing_low = Vorhalten bis in den kurzen Endanflug, dann Fläche hängen lassen und gegenseitiges Seitenruder; beides bis zum Boden halten.
card-rollout_hands_off = Hände weg von den Hebeln, bis die Piste frei ist.
card-rollout_flap_up = Klappen einfahren, sobald alle Räder unten sind, wenn das Flughandbuch es verlangt; den Hebel laut nennen, bevor er bewegt wird.
card-shape_squared = Drehen, wenn die Vorbesprechung es sagt: eckig, mit Queranflug.
card-shape_arc = Drehen, wenn die Vorbesprechung es sagt: ein durchgehender Bogen.
card-hold_off = Ausschweben: mit immer mehr Höhenruder vom Landen abhalten, bis es von selbst landet.
card-wheels_down = { $wheel ->
    [tail] Höhenruder ganz zurück, wenn es aufsetzt, alle drei Räder zusammen; mit schnellen Füßen geradeaus.
   *[nose] Das Bugrad zuletzt aufsetzen; mit den Füßen geradeaus bis zum Schluss.
}
card-far_end = Das ferne Ende der Piste, wie es breiter wird: es zeigt Höhe und Abdrift.
card-not_down = Am Tor nicht stabil, starkes Wegsteigen, ein Hüpfer, Abdrift, die bleibt, oder bis zum Durchstartpunkt nicht unten: durchstarten.

card-normal_title = Normale Landung
card-normal_different = { $flap ->
    [yes] Volle Klappen, Gleitweg und Geschwindigkeit gehalten, Gas weg, wenn der Aufsetzpunkt sicher ist.
   *[no] Gleitweg und Geschwindigkeit gehalten, Gas weg, wenn der Aufsetzpunkt sicher ist.
}
card-normal_mistake_1 = Auf den Aufsetzpunkt selbst zielen: das Ausschweben trägt daran vorbei.
card-normal_mistake_2 = Ein paar Knoten mehr zur Sicherheit: sie werden alle zu Ausschweben.
card-normal_mistake_3 = Blick auf den Boden dicht voraus: zu spät abgefangen, oder zu viel.

card-crosswind_title = Landung bei Seitenwind
card-crosswind_different = { $wheel ->
    [tail] Luvrad, dann das andere, dann der Sporn. Die Ruder bleiben drin.
   *[nose] Luvrad, dann das andere, dann das Bugrad. Die Ruder bleiben drin.
}
card-crosswind_upwind = Das Luvrad zuerst, Längsachse in Pistenrichtung; mehr Querruder in den Wind, wenn die Fahrt nachlässt.
card-crosswind_stop = Querruder voll in den Wind bis zum Stillstand; auch beim Rollen.
card-crosswind_look = Die Mittellinie weit voraus: seitlich wandern ist die Fläche, schief stehen das Seitenruder.
card-crosswind_mistake_1 = Die Ruder loslassen, wenn das erste Rad unten ist.
card-crosswind_mistake_2 = Zu früh ausrichten: es driftet, bevor es landet.
card-crosswind_mistake_3 = { $wheel ->
    [tail] Füße still nach dem Aufsetzen: das Ausbrechen in den Wind wächst von selbst.
   *[nose] Sich auf das Seitenruder stemmen, sodass das Bugrad eingeschlagen aufkommt.
}
card-crosswind_around = Volles Seitenruder hält es nicht, oder es driftet beim Abfangen: durchstarten. Zweimal: andere Piste.

card-short_field_title = Landung auf kurzer Piste
card-short_field_different = { $flap ->
    [yes] Kleinste Geschwindigkeit des Flughandbuchs, volle Klappen, Zielpunkt vor dem Aufsetzpunkt, ein gleichmäßiger Gleitweg.
   *[no] Kleinste Geschwindigkeit des Flughandbuchs, Zielpunkt vor dem Aufsetzpunkt, ein gleichmäßiger Gleitweg.
}
card-short_field_over = Über ein Hindernis: ein gleichmäßiger Gleitweg darüber bis zum Zielpunkt; Gas langsam heraus, nie abrupt.
card-short_field_idle = Leerlauf beim Abfangen, mit wenig Ausschweben aufsetzen.
card-short_field_stop = Höhenruder zurück, kräftig bremsen, ohne zu blockieren.
card-short_field_look = Der Zielpunkt, bis zum Abfangen; dann das ferne Ende.
card-short_field_mistake_1 = Tief heranschleppen, mit viel Leistung.
card-short_field_mistake_2 = Hinter dem Hindernis auf die Piste stürzen: die Fahrt wird zu Ausschweben.
card-short_field_mistake_3 = Bremsen, bevor das Gewicht auf den Rädern ist.
card-short_field_around = Aufsetzzone verfehlt oder bis zum Durchstartpunkt nicht unten: durchstarten; zwei oder drei Versuche sind gut geflogen.

card-soft_field_title = Landung auf weicher Piste
card-soft_field_different = { $wheel ->
    [tail] Etwas Leistung beim Aufsetzen, Dreipunkt und so langsam, wie es geht, weiterrollen.
   *[nose] Etwas Leistung beim Aufsetzen, Bugrad oben, solange es bleibt, weiterrollen.
}
card-soft_field_round_out = Wie üblich abfangen und 100 bis 200 U/min stehen lassen.
card-soft_field_hold_off = Dicht über dem Boden ausschweben, bis es so langsam aufsetzt, wie es kann.
card-soft_field_roll = { $wheel ->
    [tail] Höhenruder ganz zurück und halten; nicht bremsen, mit Leistung weiterrollen bis auf festen Boden.
   *[nose] Höhenruder ganz zurück, Bugrad oben; nicht bremsen, mit Leistung weiterrollen bis auf festen Boden.
}
card-soft_field_mistake_1 = { $wheel ->
    [tail] Gas weg beim Aufsetzen: es fällt auf.
   *[nose] Gas weg beim Aufsetzen: die Nase fällt ein.
}
card-soft_field_mistake_2 = Zu viel Leistung: es schwebt über den ganzen Platz.
card-soft_field_mistake_3 = Auf weichem Boden anhalten.
card-soft_field_around = Ein Hüpfer, oder ein Drittel des Platzes vorbei, bevor die Räder unten sind: durchstarten.

card-power_off_title = Ziellandung ohne Motorhilfe aus 180°
card-power_off_different = { $flap ->
    [yes] Leerlauf querab des Aufsetzpunkts in Platzrundenhöhe, bestes Gleiten, Klappen spät, Slip zum Höhenabbau.
   *[no] Leerlauf querab des Aufsetzpunkts in Platzrundenhöhe, bestes Gleiten, Slip zum Höhenabbau.
}
card-power_off_abeam = { $heat ->
    [yes] Querab: Vergaservorwärmung warm, Leerlauf, bestes Gleiten, trimmen.
    [unknown] Querab: Vergaservorwärmung warm, wo es eine gibt, Leerlauf, bestes Gleiten, trimmen.
   *[no] Querab: Leerlauf, bestes Gleiten, trimmen.
}
card-power_off_lose = { $flap ->
    [yes] Etwas zu hoch ist besser als einen Fuß zu tief: Klappen, wenn der Aufsetzpunkt sicher ist, den Rest slippen.
   *[no] Etwas zu hoch ist besser als einen Fuß zu tief: slippen, wenn der Aufsetzpunkt sicher ist.
}
card-power_off_slip_out = Den Slip vor dem Abfangen beenden; etwas früher abfangen, der Gleitweg ist steiler.
card-power_off_look = Der Aufsetzpunkt: wandert er in der Scheibe nach oben, sind Sie zu tief, nach unten zu hoch.
card-power_off_mistake_1 = { $flap ->
    [yes] Klappen zu früh: nichts bringt die Höhe zurück.
   *[no] Zu früh geslippt: nichts bringt die Höhe zurück.
}
card-power_off_mistake_2 = Den Gleitflug mit dem Höhenruder strecken.
card-power_off_mistake_3 = Eine steile letzte Kurve, damit es noch passt.
card-power_off_around = Zu kurz: sofort Gas und durchstarten. Mehr als 30° Querneigung nötig, oder über die Aufsetzzone hinaus: durchstarten.

card-no_flap_title = Landung ohne Klappen
card-no_flap_different = Höhere Nase, flacherer Gleitweg, schneller, und längeres Ausschweben.
card-no_flap_farther = Weiter draußen beginnen: der Gleitweg ist derselbe, aber es fehlt der Widerstand, um auf ihn zurückzukommen.
card-no_flap_round_out = Wenig abfangen: die Nase ist schon hoch; auf das Heck achten.
card-no_flap_float = Ausschweben und langsamer werden lassen; nicht aufdrücken. Sanft bremsen, die Rollstrecke ist länger.
card-no_flap_mistake_1 = Hoch und schnell ankommen: ohne Klappen kommt es nicht herunter.
card-no_flap_mistake_2 = Abfangen wie mit Klappen: es steigt weg.
card-no_flap_mistake_3 = { $wheel ->
    [tail] Mit dem Höhenruder aufdrücken.
   *[nose] Aufdrücken, Bugrad zuerst.
}

card-forward_slip_title = Slip
card-forward_slip_different = Leerlauf, Fläche in den Wind, gegenseitiges Seitenruder: die Höhe geht, die Fahrt nicht.
card-forward_slip_high = Zu hoch, Gas weg: Fläche auf der Windseite hängen lassen, volles gegenseitiges Seitenruder, Nase etwas tiefer.
card-forward_slip_track = Mit der Querneigung den Weg auf der Mittellinie halten; der Fahrtmesser kann im Slip falsch anzeigen.
card-forward_slip_out = Den Slip mit Höhe in Reserve beenden, über dem Abfangen; davor stimmt die Geschwindigkeit.
card-forward_slip_look = Die Piste, über die Nase und zur Seite: es zählt der Weg, nicht die Nase.
card-forward_slip_mistake_1 = Nase gehoben: die Fahrt nimmt mit gekreuzten Rudern ab.
card-forward_slip_mistake_2 = Slip bis ins Abfangen gehalten: schiebend gelandet.
card-forward_slip_mistake_3 = { $flap ->
    [yes] Slippen, wo das Flughandbuch es mit diesen Klappen verbietet.
   *[no] Slippen, wo das Flughandbuch es verbietet.
}
card-forward_slip_around = Noch zu hoch, wenn der Slip beendet werden muss: durchstarten.

card-three_point_title = Dreipunktlandung
card-three_point_different = Alle drei Räder zusammen, langsam, in der Lage, in der es am Boden steht.
card-three_point_hold_off = Tiefer und länger ausschweben, als man denkt, bis die Nase steht, wo sie am Boden steht.
card-three_point_stick = Höhenruder ganz zurück, wenn es aufsetzt, und dort lassen; mit schnellen Füßen geradeaus bis zum Stillstand.
card-three_point_look = Beiderseits der Nase die Ränder der Piste, weit voraus: sie zeigen Höhe und Ausbrechen.
card-three_point_mistake_1 = Haupträder zuerst: das Heck fällt, der Flügel hebt, es fliegt wieder.
card-three_point_mistake_2 = Höhenruder nach dem Aufsetzen nach vorn lassen: das Heck kommt hoch, und die Bremsen kippen es auf die Nase.
card-three_point_mistake_3 = Schlafende Füße: das Ausbrechen wächst von selbst und endet im Drehen am Boden.
card-three_point_around = Ein Hüpfer, ein Ausbrechen, das Sie nicht sofort halten, oder Abdrift: Gas, durchstarten.

card-wheel_landing_title = Radlandung
card-wheel_landing_different = Auf den Haupträdern, Heck tief, etwas Leistung, rund zehn Knoten schneller. Nie auf weichem Boden.
card-wheel_landing_sink = Wie üblich abfangen, etwas Leistung lassen, mit tiefem Heck aus einem Fuß oder weniger aufsinken lassen; Luvrad zuerst.
card-wheel_landing_pin = Wenn die Haupträder aufsetzen: ein wenig nach vorn, um sie unten zu halten, Gas weg.
card-wheel_landing_tail = Heck herunter, solange das Seitenruder geradehält, dann Höhenruder ganz zurück.
card-wheel_landing_mistake_1 = Nachdrücken, bevor es aufsetzt: die Räder werden aufgerammt, und es springt.
card-wheel_landing_mistake_2 = Einen Hüpfer mit dem Höhenruder niederdrücken: der nächste wird schlimmer.
card-wheel_landing_mistake_3 = Das Heck oben halten, bis das Seitenruder nicht mehr hält.
card-wheel_landing_around = Jeder Hüpfer, jedes Nachdrücken, das es nicht unten hielt, jedes Ausbrechen: Gas, waagerecht, durchstarten.

card-go_around_title = Durchstarten
card-go_around_different = { $flap ->
    [yes] Früh entschieden, zuerst waagerecht geflogen, in Stufen eingefahren.
   *[no] Früh entschieden, zuerst waagerecht geflogen, dann gestiegen.
}
card-go_around_power = { $heat ->
    [yes] Volle Leistung, Vergaservorwärmung kalt, rechtes Seitenruder.
    [unknown] Volle Leistung, Vergaservorwärmung kalt, wo es eine gibt, rechtes Seitenruder.
   *[no] Volle Leistung, rechtes Seitenruder.
}
card-go_around_level = Nase in den Horizontalflug; waagerecht fliegen, bis die Geschwindigkeit da ist.
card-go_around_clean_up = { $flap ->
    [yes] Klappen in die Mittelstellung; bei positivem Steigen den Rest in Stufen.
   *[no] Positives Steigen, dann mit der Geschwindigkeit des Flughandbuchs steigen.
}
card-go_around_side = Zur Seite versetzen, wenn jemand auf der Piste ist; melden, wenn es fliegt.
card-go_around_look = Der Horizont, dann die Geschwindigkeit.
card-go_around_mistake_1 = { $flap ->
    [yes] Klappen auf einmal ganz eingefahren: es sinkt.
   *[no] Steigen, bevor die Geschwindigkeit da ist: es sinkt.
}
card-go_around_mistake_2 = Nase hoch durch die Trimmung des Anflugs: drücken, dann trimmen.
card-go_around_mistake_3 = Warten, bis der Boden entscheidet.
card-go_around_around = Das ist es: jederzeit, aus jedem Grund, ohne zu fragen.

card-low_approach_title = Tiefanflug über der Piste
card-low_approach_different = Langsamflug in wenigen ft: die Mittellinie mit etwas Leistung halten, dann weg.
card-low_approach_power = Ein normaler Anflug; abfangen und etwas Leistung stehen lassen.
card-low_approach_fly = Die Mittellinie in wenigen ft Höhe fliegen, langsam, die Fläche, wie der Wind es verlangt.
card-low_approach_away = { $flap ->
    [yes] Bei der halben Piste: durchstarten, in Stufen.
   *[no] Bei der halben Piste: durchstarten.
}
card-low_approach_mistake_1 = Die Fahrt nimmt zu: es ist kein Langsamflug mehr.
card-low_approach_mistake_2 = Der Höhe mit dem Höhenruder nachjagen statt mit etwas Leistung.
card-low_approach_mistake_3 = Zu spät durchstarten.
card-low_approach_around = Spätestens bei der halben Piste, früher, wenn es sich setzt oder driftet.

card-hold_off_drill_title = Ausschweben üben in der Höhe
card-hold_off_drill_different = Ein gedachter Boden, etwa in 3.000 ft: das Ausschweben ohne Piste.
card-hold_off_drill_begin = Kontrollkurven; Anflugkonfiguration und -geschwindigkeit, im Sinkflug.
card-hold_off_drill_idle = Leerlauf 50 ft über dem gedachten Boden, auf ihm in den Horizontalflug abfangen.
card-hold_off_drill_hold = Dort halten, solange es bleibt, ohne durchzusinken; fühlen, wie das Höhenruder zurückkommt.
card-hold_off_drill_recover = Beim ersten Sinken oder bei der Warnung: mit Leistung beenden, die Sekunden zählen.
card-hold_off_drill_look = Horizont und Höhenmesser: der gedachte Boden wird nicht durchsunken.
card-hold_off_drill_mistake_1 = Sofort ziehen: es steigt über dem gedachten Boden weg.
card-hold_off_drill_mistake_2 = Durchsinken lassen und es gehalten nennen.
card-hold_off_drill_mistake_3 = Kein Blick ringsum davor und dazwischen.
card-hold_off_drill_around = Unter der Mindesthöhe Ihrer Flugschule: aufhören. Bei der ersten Warnung beenden.

## Die üblichen Handgriffe eines Flugzeugs, und was dabei angesagt wird.

flow-greens_down = Fahrwerk aus, drei Grüne
flow-greens = drei Grüne
flow-propeller = Propeller nach vorn
flow-heat_hot = Vergaservorwärmung warm
flow-heat_cold = Vergaservorwärmung kalt
flow-flap_stage = Klappen eine Stufe
flow-positive_rate = positives Steigen
flow-rest_of_flap = restliche Klappen
flow-climb_speed = Steiggeschwindigkeit
flow-clear_and_stopped = Piste frei und angehalten: jeden Hebel nennen
flow-clear = Piste frei
flow-flap_up = dann Klappen ein
flow-lights = Lichter
flow-controls = Ruder frei und richtig
flow-look = Blick in den Anflug
flow-ready = startbereit, oder nicht?
flow-full_power = volle Leistung über drei Sekunden
flow-in_the_green = Motorwerte im Grünen
flow-alive = Fahrtmesser zeigt an
flow-tail_up = Sporn hoch
flow-rotate = rotieren
flow-fuel = Kraftstoff
flow-mixture = Gemisch reich
flow-harness = Gurte
flow-abeam_flap = querab: Leistung, Klappen, Geschwindigkeit
flow-abeam = querab: Leistung, Geschwindigkeit
flow-path = Gleitweg, Geschwindigkeit, Mittellinie
flow-stable = stabil
flow-not_stable = nicht stabil: durchstarten
flow-around_power = volle Leistung
flow-level = waagerecht bis zur Geschwindigkeit
flow-stick_back = Höhenruder ganz zurück

## Funkmeldungen an einem Platz ohne Turm: wann; ihre Worte bleiben in der Sprache des Platzes.

radio-before = vor dem Aufrollen
radio-crosswind = beim Drehen in den Querabflug
radio-downwind = Mitte Gegenanflug
radio-extending = beim Verlängern
radio-base = beim Drehen in den Queranflug
radio-final = beim Drehen in den Endanflug
radio-around = beim Durchstarten
radio-off = Piste verlassen

## Ein Start Schritt für Schritt, und wo der Motor ausfallen kann.

takeoff-propeller_step = Propellerhebel vor dem Rollen ganz nach vorn.
takeoff-normal_step_1 = Blick in den Anflug, auf der ganzen Piste ausrichten, das Bild merken: so soll es beim Aufsetzen aussehen.
takeoff-normal_step_2 = Volle Leistung über etwa drei Sekunden; Motorwerte im Grünen, Fahrtmesser zeigt an, rechtes Seitenruder, Fersen am Boden.
takeoff-normal_step_3 = { $wheel ->
    [tail] Sporn hoch, wenn das Höhenruder ihn hebt, dabei mehr rechtes Seitenruder. Bei Abhebegeschwindigkeit abheben lassen; mit Vy steigen.
   *[nose] Bei Abhebegeschwindigkeit abheben lassen; mit Vy steigen.
}
takeoff-crosswind_step_1 = Auf der ganzen Piste ausrichten, Querruder voll in den Wind.
takeoff-crosswind_step_2 = Weich volle Leistung; das Querruder mit zunehmender Fahrt herausnehmen, mit dem Seitenruder geradehalten.
takeoff-crosswind_step_3 = Etwas länger am Boden halten, sauber abheben, dann in den Wind vorhalten; nie schiebend zurücksetzen lassen.
takeoff-short_field_step_1 = { $flap ->
    [yes] Jeden Fuß nutzen: ganz am Anfang ausrichten, Klappen nach dem Flughandbuch.
   *[no] Jeden Fuß nutzen: ganz am Anfang ausrichten.
}
takeoff-short_field_step_2 = Bremsen halten, volle Leistung, Motor prüfen, lösen.
takeoff-short_field_step_3 = Bei der Geschwindigkeit des Flughandbuchs rotieren, mit Vx bis 50 ft oder über das Hindernis, dann Vy.
takeoff-soft_field_step_1 = Höhenruder schon vor der Piste ganz zurück; weiterrollen, auf weichem Boden nicht anhalten.
takeoff-soft_field_step_2 = { $wheel ->
    [tail] Weich volle Leistung, den Sporn früh knapp vom Boden, abheben lassen, sobald es will.
   *[nose] Weich volle Leistung, das Bugrad früh entlasten, abheben lassen, sobald es will.
}
takeoff-soft_field_step_3 = Im Bodeneffekt bleiben bis zur Steiggeschwindigkeit; nie wegziehen und zurücksetzen lassen.
takeoff-on_the_runway = auf der Piste
takeoff-runway_left = in der Luft, noch Piste übrig
takeoff-no_runway_left = in der Luft, keine Piste mehr übrig
