### Was der Kern erklärt.

## Der Rest der Runde, bewertet.

around-landed_broken = Im Endanflug war es nicht stabil und wurde trotzdem gelandet: dann durchstarten, jedes Mal.
around-around_broken = Durchstarten war richtig: im Endanflug war es nicht stabil.
around-landed_stable = Im Endanflug stabil: die Landung war richtig.
around-around_free = Durchstarten kostet nichts, nötig oder nicht.
around-stable_unknown = Ob es im Endanflug stabil war, wurde nicht gemessen: Landen oder Durchstarten wird nicht bewertet.
around-liftoff_late = { $value } hinter der berechneten Strecke abgehoben: bis { $limit } ist die übliche Streuung.
around-liftoff_early = { $value } vor der berechneten Strecke abgehoben: wurde gezogen?
around-takeoff_centreline = Beim Abheben { $value } neben der Mittellinie; höchstens { $limit }.
around-climb_speed_fast = Nach { $wind } { $value } zu schnell gestiegen; höchstens { $limit }.
around-climb_speed_slow = Nach { $wind } { $value } zu langsam gestiegen; höchstens { $limit }.
around-first_turn = { $value } unter der berechneten Höhe in die erste Kurve gegangen.
around-altitude_high = Im Gegenanflug { $value } über Platzrundenhöhe; höchstens { $limit }.
around-altitude_low = Im Gegenanflug { $value } unter Platzrundenhöhe; höchstens { $limit }.
around-downwind_speed_fast = Im Gegenanflug nach { $wind } { $value } zu schnell; höchstens { $limit }.
around-downwind_speed_slow = Im Gegenanflug nach { $wind } { $value } zu langsam; höchstens { $limit }.
around-downwind_track_out = Der Gegenanflug lief um { $value } von der Piste weg: mehr gegen den Wind vorhalten.
around-downwind_track_in = Der Gegenanflug lief um { $value } auf die Piste zu: mehr gegen den Wind vorhalten.
around-spacing_wide = Der Gegenanflug lag { $value } weiter draußen als geplant.
around-spacing_tight = Der Gegenanflug lag { $value } enger als geplant.
around-bank = In der Platzrunde { $value } Querneigung; höchstens { $limit }. Überschossen ist überschossen: durchstarten.
around-overshoot = Beim Eindrehen { $value } durch die verlängerte Mittellinie geflogen.
around-path_high = Im Endanflug { $value } über dem Gleitweg; höchstens { $limit }.
around-path_low = Im Endanflug { $value } unter dem Gleitweg; höchstens { $limit }.
around-final_centreline_right = Im Endanflug { $value } rechts der Mittellinie; höchstens { $limit }.
around-final_centreline_left = Im Endanflug { $value } links der Mittellinie; höchstens { $limit }.
around-steady = Im Endanflug änderte sich die Geschwindigkeit um { $value }; höchstens { $limit }.
around-final_speed_fast = Im Endanflug nach { $wind } { $value } zu schnell; höchstens { $limit }.
around-final_speed_slow = Im Endanflug nach { $wind } { $value } zu langsam; höchstens { $limit }.
around-wind_briefed = dem besprochenen Wind
around-wind_read = dem in der Runde abgelesenen Wind
around-wind_turns = dem Wind aus den Kurven
around-marked = { $label }: vom Fluglehrer vermerkt.
around-not_measured = Nicht gemessen: { $names }. Eine Aufzeichnung sagt es.

## Warum dort aufgesetzt wurde: die Ablage, aufgeteilt in Anteile, die sie genau ergeben.

explain-go_around = Durchgestartet: eine gute Antwort. Am Zielpunkt ist nichts zu ändern.
explain-go_around_long = Durchgestartet: eine gute Antwort. Es wäre zu lang geworden, und der nächste Zielpunkt berücksichtigt das.
explain-go_around_short = Durchgestartet: eine gute Antwort. Es wäre zu kurz geworden, und der nächste Zielpunkt berücksichtigt das.
explain-low_approach = Tiefanflug: kein Aufsetzen zu erklären.
explain-drill = Ausschweben geübt: kein Aufsetzen zu erklären.
explain-not_marked = Das Aufsetzen wurde nicht markiert, also gibt es nichts zu erklären. Tippen Sie auf den Streifen, wo die Räder aufkamen.
explain-part_path = der Gleitweg zeigte auf { $flown }, geplant waren { $planned }
explain-part_aim_same = Zielpunkt wie empfohlen
explain-part_aim_beyond = Zielpunkt { $off } hinter dem empfohlenen
explain-part_aim_before = Zielpunkt { $off } vor dem empfohlenen
explain-part_speed_unread = Geschwindigkeit über der Schwelle nicht abgelesen: steckt im Ausschweben
explain-part_speed = { $read } über der Schwelle, besprochen waren { $briefed }
explain-no_headwind = kein Gegenwind
explain-headwind = Gegenwind { $wind }
explain-tailwind = Rückenwind { $wind }
explain-part_wind_unread = Wind in dieser Runde nicht abgelesen: angenommen wie besprochen
explain-part_wind_never = niemand hat den Wind angegeben: steckt im Ausschweben
explain-part_wind_unknown = { $flown }, bei der Vorbesprechung unbekannt
explain-part_wind = { $flown }, besprochen war { $briefed }
explain-part_wind_turns = { $flown } nach den Kurven, besprochen war { $briefed }
explain-part_wind_turns_unknown = { $flown } nach den Kurven; besprochen war keiner
explain-part_roundout = wo das Ausschweben begann
explain-part_roundout_untimed = Ausschweben nicht gestoppt: steckt im Ausschweben
explain-part_float = { $held } ausgeschwebt, erwartet waren { $expected }
explain-part_rest = der Rest; darin steckt, was niemand gemessen hat: { $what }
explain-before_threshold = Die Räder kamen { $short } vor der Schwelle auf: geben Sie Gas oder starten Sie durch, sobald der Zielpunkt in der Scheibe nach oben wandert. Wählen Sie einen Aufsetzpunkt weiter hinten.
explain-above_stall = nur { $margin } über dem Überziehen
explain-at_the_stall = an oder unter der Überziehgeschwindigkeit
explain-slow = { $read } über der Schwelle sind { $less } unter den besprochenen { $briefed } und { $margin }. Halten Sie die Geschwindigkeit bis zum Abfangen; darunter: durchstarten.
explain-nothing = Ändern Sie nichts: jeder Anteil ist so klein, wie ein Antippen genau ist.
explain-path = Der Endanflug zeigte auf { $flown }, nicht auf die { $planned } der Vorbesprechung: halten Sie den Zielpunkt in der Scheibe still.
explain-aim_shorter = Zielen Sie { $amount } kürzer ({ $stripes }): der Zielpunkt allein hat es verschoben.
explain-aim_farther = Zielen Sie { $amount } weiter hinten ({ $stripes }): der Zielpunkt allein hat es verschoben.
explain-too_fast = Überfliegen Sie die Schwelle mit { $briefed }, nicht mit { $read }: { $off } zu viel machten { $amount }.
explain-too_slow = Überfliegen Sie die Schwelle mit { $briefed }, nicht mit { $read }: { $off } zu wenig machten { $amount }.
explain-wind_shorter = Der Wind hatte sich geändert: zielen Sie { $amount } kürzer ({ $stripes }), solange er so bleibt.
explain-wind_farther = Der Wind hatte sich geändert: zielen Sie { $amount } weiter hinten ({ $stripes }), solange er so bleibt.
explain-landed_beyond = Aufgesetzt { $error } hinter { $origin }.
explain-landed_before = Aufgesetzt { $error } vor { $origin }.
explain-on_target = Es wurde dort aufgesetzt, wo es sein sollte.
explain-of_spot = dem Aufsetzpunkt
explain-of_box = der Mitte der Aufsetzzone
explain-speed_unread = Der Grund ist nicht bekannt, weil niemand die Geschwindigkeit über der Schwelle abgelesen hat: lesen Sie sie in der nächsten Runde ab.
explain-wind_unread = Der Grund ist nicht bekannt, weil niemand den Wind angegeben hat: geben Sie den Wind dieser Runde an, und vor der nächsten den des Flugs.
explain-untimed_long = Der Grund ist noch nicht bekannt. Stoppen Sie in der nächsten Runde das Ausschweben. Prüfen Sie, ob das Gas beim Abfangen geschlossen ist und das Abfangen am Zeichen beginnt.
explain-untimed_short = Der Grund ist noch nicht bekannt. Stoppen Sie in der nächsten Runde das Ausschweben, und achten Sie darauf, in welcher Höhe das Abfangen beginnt.
explain-dropped_in = Es ist durchgesackt: zu hoch abgefangen. Beginnen Sie das Abfangen am Zeichen und nicht darüber. Blick ans ferne Ende, und dicht über der Piste ausschweben. Wenn es wegsinkt: Gas geben oder durchstarten.
explain-ballooned = Es ist weggestiegen: beim Abfangen zu schnell gezogen. Fangen Sie weich ab, halten Sie die Fluglage, wenn es steigt, und starten Sie bei starkem Wegsteigen durch.
explain-flat = Es kam flach auf: angeflogen, bevor das Ausschweben zu Ende war. Nehmen Sie das Höhenruder weiter zurück, bis es nicht mehr fliegen will.
explain-roundout_long = Das Ausschweben begann { $amount } zu weit hinten: früher auf den Gleitweg, und am Zeichen abfangen, nicht darüber.
explain-roundout_short = Das Ausschweben begann { $amount } zu früh: halten Sie den Zielpunkt bis zum Zeichen still, dann fangen Sie ab.
explain-hold_off_long = { $amount } zu lang ausgeschwebt: prüfen Sie, ob das Gas beim Abfangen geschlossen ist und nichts zu früh gezogen wird.
explain-hold_off_short = { $amount } zu kurz aufgesetzt: schweben Sie aus, nehmen Sie das Höhenruder weiter zurück. Retten Sie es nie durch Nachdrücken.

## Wie eine Piste täuscht.

illusion-width_low = Innerhalb einer Meile sieht sie schmaler aus als { $home }, und Sie fühlen sich zu hoch: das gewohnte Bild entspricht { $flown }, eine Meile davor { $off } zu tief.
illusion-width_high = Innerhalb einer Meile sieht sie breiter aus als { $home }, und Sie fühlen sich zu tief: das gewohnte Bild entspricht { $flown }, eine Meile davor { $off } zu hoch.
illusion-length_low = Weit draußen lässt ihre Form Sie zu hoch fühlen: das gewohnte Bild entspricht { $flown }.
illusion-length_high = Weit draußen lässt ihre Form Sie zu tief fühlen: das gewohnte Bild entspricht { $flown }.
illusion-slope_low = In jeder Entfernung steigt sie mehr als { $home } und sieht { $angle } zu hoch aus: Sie fliegen zu tief.
illusion-slope_high = In jeder Entfernung fällt sie gegen { $home } ab und sieht { $angle } zu tief aus: Sie fliegen zu hoch.
illusion-together = Mit der Neigung dazu { $flown }, eine Meile davor { $off } { $side ->
    [low] zu tief
   *[high] zu hoch
 }.
illusion-gates = Fliegen Sie Höhen, nicht das Bild: { $gate } eine Meile vor dem Zielpunkt. Wo es Gleitwinkelbefeuerung gibt, entscheidet sie.
illusion-same = Breite, Länge und Neigung sehen aus wie bei { $home }.

## Wertung einer Landung.

score-go_around = Durchgestartet: immer eine gute Antwort.
score-low_approach = Tiefanflug: nichts davon wurde gesehen.
score-low_approach_good = Tiefanflug, wie er sein soll, soweit er gesehen wurde.
score-low_approach_bad = Tiefanflug: fliegen Sie ihn noch einmal, bis alles stimmt.
score-drill = Ausschweben geübt: stoppen Sie es, damit es gewertet wird.
score-drill_good = So lange gehalten, wie das Ausschweben dauert.
score-drill_bad = Nicht so lange gehalten, wie das Ausschweben dauert: suchen Sie die Fluglage, und nehmen Sie das Höhenruder stetig zurück.
score-not_seen = Aufsetzen nicht gesehen: die Genauigkeit ist unbekannt.
score-on_the_spot = In der Aufsetzzone, genau auf dem Punkt.
score-hit = In der Aufsetzzone, { $past } hinter dem Punkt.
score-hit_before = In der Aufsetzzone, { $before } vor dem Punkt.
score-short = { $short } vor der Aufsetzzone: zu kurz ist verfehlt, wie knapp auch immer.
score-long = { $long } hinter der Aufsetzzone.

## Die Landungen eines Flugs zusammen.

summary-never = keinmal
summary-once = einmal
summary-twice = zweimal
summary-times = { $number }-mal
summary-once_in = einmal in { $lessons } Flugstunden
summary-once_in_hundreds = in weniger als einer von hundert Flugstunden
summary-better = { $times } in der Aufsetzzone bei { $landings } Landungen, wo die Vorhersage { $expected } erwartet: Glück allein macht so viele { $seldom }. Dieser Pilot ist besser, als die Vorhersage wusste.
summary-worse = { $times } in der Aufsetzzone bei { $landings } Landungen, wo die Vorhersage { $expected } erwartet: Pech allein macht so wenige { $seldom }. Suchen Sie, was sich geändert hat.
summary-luck = { $times } in der Aufsetzzone bei { $landings } Landungen, wo die Vorhersage { $expected } erwartet: so viel macht der Zufall. Über das Können sagt es nichts Neues.
summary-not_marked = Noch kein Aufsetzen markiert.
summary-too_few = { $laps } von { $enough } Runden, die nötig sind, um Gewohnheit von Zufall zu unterscheiden.
summary-steadily_long = Stetig { $error } hinter { $origin }
summary-steadily_short = Stetig { $error } vor { $origin }
summary-steady_speed = { $steadily }, das meiste davon Geschwindigkeit: fliegen Sie die besprochene, bevor der Zielpunkt verschoben wird.
summary-aim_too_near = { $steadily }: der Zielpunkt läge jetzt vor der Schwelle. Wählen Sie einen Aufsetzpunkt weiter hinten.
summary-next_aim = { $steadily }: zielen Sie in der nächsten Runde auf { $aim }.
summary-next_aim_for = { $steadily }: zielen Sie in der nächsten Runde auf { $aim }, für den Aufsetzpunkt bei { $spot }.
summary-aim_back = { $steadily }: verschieben Sie den Zielpunkt um { $shift } nach vorn ({ $stripes }).
summary-aim_on = { $steadily }: verschieben Sie den Zielpunkt um { $shift } nach hinten ({ $stripes }).
summary-scattered_speed = Streuung { $spread }, das meiste davon Geschwindigkeit: halten Sie vor allem anderen die Geschwindigkeit.
summary-scattered = Streuung { $spread }: in jeder Runde dieselbe Geschwindigkeit und dasselbe Abfangen, dann urteilen Sie über den Zielpunkt.
summary-no_error = Keine stetige Ablage: im Mittel auf dem Ziel, Streuung { $spread }. Lassen Sie den Zielpunkt, wo er ist.
summary-no_error_long = Keine stetige Ablage: im Mittel { $mean } zu lang, Streuung { $spread }. Lassen Sie den Zielpunkt, wo er ist.
summary-no_error_short = Keine stetige Ablage: im Mittel { $mean } zu kurz, Streuung { $spread }. Lassen Sie den Zielpunkt, wo er ist.
summary-dropped_in = Bei { $dropped } von { $landings } Landungen durchgesackt: das Abfangen beginnt zu hoch. Bringen Sie das in Ordnung, bevor der Zielpunkt verschoben wird: Tiefanflüge über der Piste, dann aus demselben Bild landen.
summary-steady = { $steadily }.

## Fehler und Abhilfe.

fault-around = Durchstarten ist immer richtig.

fault-bounce_name = Hüpfer
fault-bounce_looks = Die Räder kommen auf, und das Flugzeug ist wieder in der Luft, mit hoher Nase und schwindender Geschwindigkeit.
fault-bounce_cause_1 = Zu wenig abgefangen: auf die Piste geflogen.
fault-bounce_cause_2 = Zu schnell, es wollte noch fliegen.
fault-bounce_cause_3 = Blick auf die Piste dicht voraus.
fault-bounce_now_1 = Ein kleiner: Fluglage halten, ein wenig Gas, setzen lassen. Nie nachdrücken.
fault-bounce_now_2 = Ein hoher oder ein zweiter: volle Leistung, waagerecht, und weg.
fault-bounce_how = Ausschweben in der Höhe üben, dann Tiefanflüge über der Piste, Blick ans ferne Ende.

fault-balloon_name = Wegsteigen
fault-balloon_looks = Beim Abfangen sinkt die Piste wieder weg, und darüber geht die Geschwindigkeit aus.
fault-balloon_cause_1 = Zu schnell oder zu viel gezogen.
fault-balloon_cause_2 = Zu schnell über der Schwelle.
fault-balloon_cause_3 = Eine Bö beim Abfangen.
fault-balloon_now_1 = Klein: nicht weiter ziehen, Fluglage halten, ein wenig Gas, wenn es sinkt.
fault-balloon_now_2 = Groß: volle Leistung und durchstarten; für einen zweiten Versuch fehlt die Geschwindigkeit.
fault-balloon_how = Die besprochene Geschwindigkeit fliegen, und nur so viel ziehen, wie die Nase verlangt.

fault-porpoise_name = Galoppieren
fault-porpoise_looks = Bugrad, Haupträder, Bugrad: jeder Hüpfer ist größer als der davor.
fault-porpoise_cause_1 = Bugrad zuerst, dann jedem Hüpfer mit dem Höhenruder einen halben Takt zu spät nachgejagt.
fault-porpoise_now_1 = Nicht nachjagen: Höhenruder zur Landelage, volle Leistung, durchstarten.
fault-porpoise_now_2 = Ein dritter Hüpfer bricht das Bugrad.
fault-porpoise_how = Durchstarten aus dem Abfangen, bis es ohne Nachdenken geht.

fault-wheelbarrow_name = Schubkarreneffekt
fault-wheelbarrow_looks = Das Gewicht liegt auf dem Bugrad; es lenkt scharf, und das Heck fühlt sich leicht an.
fault-wheelbarrow_cause_1 = Zu schnell aufgesetzt, und nachgedrückt, um es unten zu halten.
fault-wheelbarrow_now_1 = Höhenruder zurück, Gas weg, mit wenig Seitenruder geradeaus.
fault-wheelbarrow_now_2 = Wenn es nicht sofort gerade ist und Piste bleibt: durchstarten.
fault-wheelbarrow_how = Ausschweben, bis es nicht mehr fliegen will; das Höhenruder kommt ganz zurück.

fault-dropped_in_name = Durchgesackt
fault-dropped_in_looks = Es hört über der Piste auf zu fliegen und fällt das letzte Stück.
fault-dropped_in_cause_1 = Zu hoch abgefangen.
fault-dropped_in_cause_2 = Zu langsam, oder das Gas zu früh weg.
fault-dropped_in_cause_3 = Blick zu nah nach vorn.
fault-dropped_in_now_1 = Solange es sinkt: Gas, Fluglage halten; die Nase nur senken, wenn Höhe da ist.
fault-dropped_in_how = Tiefanflüge über der Piste zeigen, wie hoch das Ausschweben ist; dann aus demselben Bild landen.

fault-drift_name = Schiebend aufgesetzt
fault-drift_looks = Die Piste gleitet unter der Nase zur Seite, und die Reifen quietschen quer.
fault-drift_cause_1 = Fläche nicht tief genug, oder die Korrektur beim Ausschweben herausgenommen.
fault-drift_cause_2 = Seitenwind, der sich in Bodennähe änderte.
fault-drift_now_1 = Fläche in den Wind, Nase mit dem Seitenruder gerade, so halten bis zum Stillstand.
fault-drift_now_2 = Wenn volles Seitenruder nicht geradehält, ist der Wind zu stark: woanders landen.
fault-drift_how = Tiefanflüge mit hängender Fläche, die Mittellinie entlang von Ende zu Ende, ohne aufzusetzen.

fault-crab_left_in_name = Mit Vorhaltewinkel aufgesetzt
fault-crab_left_in_looks = Es setzt mit der Nase neben der Pistenrichtung auf und ruckt gerade.
fault-crab_left_in_cause_1 = Zu spät ausgerichtet, oder gar nicht.
fault-crab_left_in_cause_2 = Seitenruder ohne das Querruder, das dazugehört.
fault-crab_left_in_now_1 = Mit dem Seitenruder zur Mittellinie, Fläche in den Wind, bevor es aufsetzt.
fault-crab_left_in_how = Hängende Fläche ab dem kurzen Endanflug, dann bleibt nichts auszurichten.

fault-long_name = Zu lang
fault-long_looks = Der Aufsetzpunkt zieht unten vorbei, und es schwebt noch.
fault-long_cause_1 = Zielpunkt zu nah am Aufsetzpunkt.
fault-long_cause_2 = Zu schnell.
fault-long_cause_3 = Zu hoch abgefangen, oder Gas stehen gelassen.
fault-long_now_1 = Räder am Durchstartpunkt nicht unten: volle Leistung, durchstarten.
fault-long_now_2 = Nie auf die Piste drücken.
fault-long_how = Zuerst die besprochene Geschwindigkeit fliegen; dann den Zielpunkt um den Rest verschieben.

fault-short_name = Zu kurz
fault-short_looks = Der Zielpunkt steigt in der Scheibe; es braucht mehr Leistung, und die Nase ist hoch.
fault-short_cause_1 = Herangeschleppt: mit Leistung unter dem Gleitweg.
fault-short_cause_2 = Zu langsam, wo mehr Ziehen mehr Sinken macht.
fault-short_cause_3 = Mehr Gegenwind als geplant.
fault-short_now_1 = Leistung hält den Gleitweg, das Höhenruder die Geschwindigkeit: beides, sofort.
fault-short_now_2 = Einen Gleitflug nie mit dem Höhenruder strecken.
fault-short_how = Ein gleichmäßiger Gleitweg ab der Kurve in den Queranflug, der Zielpunkt bleibt still.

fault-flat_name = Herangeschleppt, tief und flach
fault-flat_looks = Vor der Schwelle sieht die Piste flach und lang aus; die Leistung ist hoch.
fault-flat_cause_1 = Zu früh oder zu schnell gesunken.
fault-flat_cause_2 = Eine schmale oder steigende Piste, die zu hoch erscheinen lässt.
fault-flat_now_1 = Leistung und waagerecht, bis der Gleitweg von unten erreicht ist, dann auf ihm hinab.
fault-flat_how = Höhentore im Quer- und Endanflug, laut angesagt.

fault-steep_name = Hoch und steil
fault-steep_looks = Die Piste sieht hoch aufgerichtet aus, und der Zielpunkt sinkt unter die Nase.
fault-steep_cause_1 = Zu früh in den Queranflug gedreht, oder ein Wind, der hineinzog.
fault-steep_cause_2 = Klappen oder Leistung zu spät geändert.
fault-steep_now_1 = Gas weg, volle Klappen, Slip, wenn das Flugzeug es erlaubt; die Geschwindigkeit bleibt.
fault-steep_now_2 = Am Tor nicht stabil: durchstarten.
fault-steep_how = Den Queranflug etwas später fliegen, und mit Absicht aus großer Höhe slippen.

fault-overshot_name = Endanflug überschossen
fault-overshot_looks = Die Kurve endet jenseits der Mittellinie.
fault-overshot_cause_1 = Ein Wind längs des Queranflugs, den niemand berücksichtigt hat.
fault-overshot_cause_2 = Queranflug zu nah geflogen, oder die Kurve zu spät begonnen.
fault-overshot_now_1 = Dreißig Grad Querneigung und nicht mehr, und warten, bis es herumkommt; oder durchstarten.
fault-overshot_now_2 = Nicht mit dem Seitenruder nachhelfen: so beginnt das Trudeln.
fault-overshot_how = Vor jeder Runde festlegen, wie früh bei diesem Wind zu drehen ist, und es im Queranflug ansagen.

fault-over_banked_name = Zu viel Querneigung in der letzten Kurve
fault-over_banked_looks = Über dreißig Grad Querneigung, die Nase kommt hoch, um Höhe zu halten, die Überziehwarnung ist nah.
fault-over_banked_cause_1 = Überschossen und versucht, es zu retten.
fault-over_banked_cause_2 = Ein enger Gegenanflug.
fault-over_banked_now_1 = Weniger Querneigung, Nase senken, Leistung: durchstarten.
fault-over_banked_how = Überziehen aus einer langsamen Kurve in den Endanflug, in der Höhe; weiterer Gegenanflug.

fault-swing_name = Ausbrechen beim Rollen
fault-swing_looks = Beim Rollen geht die Nase zur Seite, und mehr, wenn Sporn oder Bugrad abhebt.
fault-swing_cause_1 = Gas schneller geschoben, als die Füße folgen.
fault-swing_cause_2 = Seitenwind, und das Querruder vergessen.
fault-swing_cause_3 = Fersen auf den Bremsen.
fault-swing_now_1 = Seitenruder früh und klein; wenn es nicht sofort hält: Gas weg und geradeaus.
fault-swing_how = Gas über drei Sekunden, Fersen am Boden, Blick ans ferne Ende.

fault-stall_high_name = Überziehwarnung hoch über der Piste
fault-stall_high_looks = Die Warnung ertönt beim Abfangen, mit einigen ft Luft darunter.
fault-stall_high_cause_1 = Zu hoch abgefangen und gehalten.
fault-stall_high_cause_2 = Zu langsam im Endanflug.
fault-stall_high_now_1 = Gas, und die Fluglage halten, während es sich setzt; hoch: volle Leistung, durchstarten.
fault-stall_high_how = Ausschweben in der Höhe üben: wissen, wie sich die letzten drei Knoten anfühlen.

fault-off_centreline_name = Neben der Mittellinie
fault-off_centreline_looks = Es setzt neben der Linie auf und rollt zum Rand.
fault-off_centreline_cause_1 = Blick an der Nase vorbei, auf der Seite, auf der man sitzt.
fault-off_centreline_cause_2 = Vor dem Tor nicht ausgerichtet.
fault-off_centreline_now_1 = Zur Linie korrigieren, solange Luft darunter ist; rollend mit wenig Seitenruder.
fault-off_centreline_how = Tiefanflüge mit der Linie zwischen den Füßen, von Ende zu Ende.

## Wonach eine Landung bewertet wird, und mit welcher Toleranz.

score-label_accuracy = Aufsetzen, vom Aufsetzpunkt
score-label_speed = Geschwindigkeit über der Schwelle, vom Sollwert
score-label_float = Ausschweben
score-label_drift = Abdrift beim Aufsetzen
score-label_centreline = Von der Mittellinie
score-label_arrival = Ankommen
score-label_held = Ausgeschwebt
score-label_sink_through = Durch die gedachte Pistenhöhe gesunken
score-label_wheels = Räder aufgesetzt
score-label_height = Höhe entlang der Piste gehalten
score-from_to = { $low } bis { $high }
score-unknown = unbekannt
score-not_known = nicht bekannt
score-about = −{ $below } bis +{ $above }
score-of_model = Modell { $model }, bis { $most }
score-none = keine
score-within = innerhalb { $limit }
score-clean = kein Hüpfer, kein Wegsteigen
score-or_more = { $least } oder mehr
score-no = nein

## Wonach der Rest einer Runde bewertet wird, und mit welchen Grenzen.

around-label_liftoff = Abhebepunkt gegen den berechneten
around-label_takeoff_centreline = Neben der Mittellinie beim Abheben
around-label_climb_speed = Geschwindigkeit im Steigflug
around-label_first_turn = Höhe der ersten Kurve gegen die berechnete
around-label_altitude = Gegenanflug gegen Platzrundenhöhe
around-label_downwind_speed = Geschwindigkeit im Gegenanflug
around-label_downwind_track = Gegenanflug, von der Piste weglaufend
around-label_spacing = Abstand des Gegenanflugs gegen den berechneten
around-label_bank = Größte gehaltene Querneigung
around-label_overshoot = Jenseits der Mittellinie beim Eindrehen
around-label_path = Ablage vom Gleitweg im Endanflug
around-label_final_centreline = Neben der Mittellinie im Endanflug
around-label_steady = Änderung der Geschwindigkeit im Endanflug
around-label_final_speed = Geschwindigkeit im Endanflug
around-label_rollout = Ausrollen gegen das berechnete
around-label_decision = Landen oder durchstarten
around-decision_limit = im Endanflug stabil, oder durchgestartet
around-unknown = unbekannt
around-up_to = bis { $above }
around-down_to = bis −{ $below }
around-about = −{ $below } bis +{ $above }
around-either_way = ±{ $above }
around-the_takeoff = der Start
around-the_pattern = die Platzrunde
around-the_final = der Endanflug
