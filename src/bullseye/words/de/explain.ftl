### Was der Kern erklärt.

## Der Rest der Runde, bewertet.

around-landed_broken = Im Endanflug war es nicht stabil und wurde trotzdem gelandet: dann durchstarten, jedes Mal.
around-around_broken = Durchstarten war richtig: im Endanflug war es nicht stabil.
around-landed_stable = Im Endanflug stabil: die Landung war richtig.
around-around_free = Durchstarten kostet nichts, nötig oder nicht.
around-landed_late = Es setzte { $beyond } hinter dem Durchstartpunkt auf. Dort nicht unten heißt durchstarten, jedes Mal.
around-why_not_stable = Durchstarten war richtig: es war nicht stabil.
around-why_window_gone = Durchstarten war richtig: die Aufsetzzone war vorbei. Es kostet nichts; fliegen Sie es noch einmal.
around-why_occupied = Durchstarten war richtig: die Piste war nicht frei.
around-why_traffic = Durchstarten war richtig: jemand anders war im Weg.
around-why_gust = Durchstarten war richtig: eine Bö hatte es versetzt.
around-why_bounce = Durchstarten war richtig: es war gehüpft.
around-came_late = Das Durchstarten kam spät: entscheiden Sie am Tor oder am Durchstartpunkt, und nicht dahinter.
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
explain-pushed = Es wurde zur Piste hin gedrückt. Retten Sie nie eine Landung durch Nachdrücken: Lage, Gas, und durchstarten.
explain-stall_warning_high = Die Überziehwarnung kam mit Luft unter den Rädern. Fangen Sie tiefer ab, und geben Sie Gas, wenn es sinkt, oder starten Sie durch.
explain-rounded_out_high = Es wurde zu hoch abgefangen. Beginnen Sie an der Marke der Bemalung und nicht darüber, und schauen Sie ans ferne Ende. Hoch und langsam: durchstarten.
explain-power_left_on = Das Gas blieb stehen, und es flog weiter. Schließen Sie es beim Abfangen sanft bis Leerlauf, und halten Sie die Lage.
explain-rounded_out_low = Es wurde zu tief abgefangen und traf noch fliegend auf die Piste. Beginnen Sie an der Marke, wenn nötig einen Strich früher, und ziehen Sie weich.
explain-rounded_out_late = Es wurde spät abgefangen und traf noch fliegend auf die Piste. Beginnen Sie an der Marke, wenn nötig einen Strich früher, und ziehen Sie weich.
explain-let_go = Das Ausschweben wurde mit Fahrt aufgegeben. Ziehen Sie weiter, bis es nicht mehr fliegen will.
explain-eyes_too_near = Der Blick blieb zu nah, und die Höhe wurde geraten. Schauen Sie ans ferne Ende, wenn die Piste breit wird.
explain-stirred = Im Ausschweben wurde gerührt. Nur eine Richtung: halten, oder etwas weiter zurück.
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
summary-dropped_in = Bei { $dropped } von { $landings } Landungen zu hoch abgefangen oder durchgesackt: das Abfangen beginnt zu hoch. Bringen Sie das in Ordnung, bevor sich der Zielpunkt verschiebt: Tiefanflüge über der Piste, dann aus demselben Bild landen.
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

fault-rotation_name = Zu früh oder zu spät abgehoben
fault-rotation_looks = Es wird vom Boden gezogen, bevor es fliegen will, oder lange festgehalten, wenn es längst flöge.
fault-rotation_cause_1 = Ab der Hälfte des Anrollens wurde nicht auf die Geschwindigkeit geachtet.
fault-rotation_cause_2 = Die gedruckte Geschwindigkeit gilt nur für eine Masse.
fault-rotation_now_1 = Zu früh: Nase etwas tiefer, dicht über der Piste bleiben, Fahrt kommen lassen.
fault-rotation_now_2 = Zu spät: das Bugrad entlasten und es fliegen lassen.
fault-rotation_how = Am Rollhalt die Abhebegeschwindigkeit für die heutige Masse sagen, und beim Rollen ausrufen.

fault-nosewheel_held_down_name = Bugrad beim Anrollen niedergedrückt
fault-nosewheel_held_down_looks = Das Höhenruder ist gedrückt, das Bugrad flattert, das Flugzeug hüpft zur Seite.
fault-nosewheel_held_down_cause_1 = Gedrückt, um es im Seitenwind gerade zu halten.
fault-nosewheel_held_down_now_1 = Das Bugrad früh entlasten; gerade mit dem Seitenruder, Fläche in den Wind.
fault-nosewheel_held_down_now_2 = Nicht gerade, und es ist noch Piste da: Gas weg und anhalten.
fault-nosewheel_held_down_how = Anrollen mit eben leichtem Bugrad, Querruder voll in den Wind und weniger, wenn es wirkt.

fault-settled_back_name = Nach dem Abheben zurückgesunken
fault-settled_back_looks = Es verlässt den Boden, die Nase ist hoch, und die Räder kommen noch einmal auf.
fault-settled_back_cause_1 = Vom Boden gezogen, bevor es außerhalb des Bodeneffekts fliegen konnte.
fault-settled_back_cause_2 = Sofort gestiegen, statt bis zur Steiggeschwindigkeit tief zu bleiben.
fault-settled_back_now_1 = Volle Leistung, Nase waagerecht, dicht über der Piste bleiben, bis die Steiggeschwindigkeit da ist.
fault-settled_back_how = Starts auf weichem Boden: früh abheben, dicht über dem Boden bleiben, steigen, wenn die Fahrt da ist.

fault-altitude_name = Platzrundenhöhe nicht gehalten
fault-altitude_looks = Der Gegenanflug ist zu hoch, zu tief oder wandert.
fault-altitude_cause_1 = Nicht getrimmt, und der Blick ist drinnen.
fault-altitude_cause_2 = Die Leistung für den Horizontalflug ist nicht auswendig bekannt.
fault-altitude_now_1 = Lage und Leistung für den Horizontalflug setzen, trimmen, dann wieder hinausschauen.
fault-altitude_how = Ein ganzer Gegenanflug nach Lage und Klang, den Höhenmesser nur querab laut ablesen.

fault-spacing_name = Gegenanflug zu weit oder zu eng
fault-spacing_looks = Die Piste liegt an der Fläche höher oder tiefer als an der gewünschten Marke.
fault-spacing_cause_1 = Der Wind im Gegenanflug wurde nicht ausgeglichen.
fault-spacing_cause_2 = Die erste Kurve war zu früh oder zu spät.
fault-spacing_now_1 = Jetzt ein wenig hin- oder wegdrehen; nicht erst im Queranflug retten.
fault-spacing_how = Die Marke an der Fläche für diese Piste nennen, und in jedem Gegenanflug zweimal prüfen.

fault-too_fast_name = Zu schnell in der Platzrunde
fault-too_fast_looks = Im Gegenanflug, Queranflug oder Endanflug bleibt die Fahrt über der besprochenen.
fault-too_fast_cause_1 = Leistung spät oder zu wenig zurückgenommen.
fault-too_fast_cause_2 = Nase im Queranflug und Endanflug zu tief.
fault-too_fast_cause_3 = Nicht auf die Geschwindigkeit getrimmt.
fault-too_fast_now_1 = Nase in die Lage der Geschwindigkeit heben, Gas herausnehmen, dann trimmen.
fault-too_fast_now_2 = Am Tor noch zu schnell: volle Leistung und durchstarten.
fault-too_fast_how = Jeder Teil hat eine Geschwindigkeit: zu Beginn sagen, und binnen zehn Sekunden haben.

fault-too_slow_name = Zu langsam in der Platzrunde
fault-too_slow_looks = Die Fahrt fällt unter die besprochene; die Nase ist hoch, die Ruder sind weich.
fault-too_slow_cause_1 = Mit der Nase gehalten, wo Leistung fehlte.
fault-too_slow_cause_2 = Klappen gesetzt, ohne die Nase zu senken.
fault-too_slow_now_1 = Nase tiefer und Gas, beides zugleich; keine Kurve, bevor die Fahrt zurück ist.
fault-too_slow_now_2 = Nahe am Boden: volle Leistung und durchstarten.
fault-too_slow_how = Langsamflug in der Höhe mit jeder Klappenstellung, dann Platzrunden mit laut genannter Fahrt.

fault-descent_late_name = Sinkflug spät begonnen
fault-descent_late_looks = Querab geht vorbei, und der Queranflug hat noch viel Höhe.
fault-descent_late_cause_1 = Checks oder Gespräch in dem Augenblick, in dem das Gas zurückgehört.
fault-descent_late_cause_2 = Ein Wind zum Platz hin, der den Queranflug kurz macht.
fault-descent_late_now_1 = Gas weg und so viel Klappe wie erlaubt; den Queranflug etwas verlängern.
fault-descent_late_now_2 = Am Tor nicht stabil: durchstarten.
fault-descent_late_how = Checks vor querab erledigen, sodass dort nur Gas und Klappen bleiben.

fault-corner_cut_name = Ecke zum Endanflug abgekürzt
fault-corner_cut_looks = Der Queranflug verschwindet, eine lange Kurve endet in einem kurzen Endanflug.
fault-corner_cut_cause_1 = Der Blick an der Piste statt an einem Queranflug.
fault-corner_cut_cause_2 = Eile wegen eines anderen dahinter.
fault-corner_cut_now_1 = Im Queranflug einige Sekunden gerade fliegen, zum Endanflug schauen, dann drehen.
fault-corner_cut_how = Für jede Ecke eine Marke am Boden wählen, und von Marke zu Marke fliegen.

fault-not_trimmed_name = Nicht getrimmt
fault-not_trimmed_looks = Die Hand hält, was die Trimmung halten sollte, und die Fahrt wandert mit jedem Blick zur Seite.
fault-not_trimmed_cause_1 = Trimmung nach jeder Änderung von Leistung, Klappe oder Fahrt vergessen.
fault-not_trimmed_now_1 = Lage, Leistung, Trimmung, in dieser Folge; dann eine Sekunde loslassen und schauen.
fault-not_trimmed_how = Einen Gegenanflug mit zwei Fingern fliegen, und trimmen, bis sie nicht gebraucht werden.

fault-over_controlled_name = Übersteuert
fault-over_controlled_looks = Der Steuerknüppel ist nie ruhig, und das Flugzeug kommt nie zur Ruhe.
fault-over_controlled_cause_1 = Ein fester Griff.
fault-over_controlled_cause_2 = Korrigiert, bevor die letzte Korrektur gewirkt hat.
fault-over_controlled_now_1 = Eine Sekunde die Hand weg, dann zwei Finger: ein Druck, warten, schauen.
fault-over_controlled_how = Endanflüge mit zwei Fingern; jedes Rühren ist Widerstand.

fault-check_missed_name = Check vergessen
fault-check_missed_looks = Ein Teil der Platzrunde endet, und sein Check war nicht zu hören.
fault-check_missed_cause_1 = Er hat keinen festen Ort in der Platzrunde.
fault-check_missed_now_1 = Jetzt nachholen, wenn Höhe und Zeit da sind, laut; sonst durchstarten.
fault-check_missed_how = Jeder Check an seinem Ort, in jeder Runde laut gesagt, auch wenn es albern scheint.

fault-gear_late_name = Fahrwerk spät ausgefahren
fault-gear_late_looks = Querab ist vorbei, und die Räder sind nicht ausgefahren und geprüft.
fault-gear_late_cause_1 = Zu schnell für das Fahrwerk, als sein Ort kam.
fault-gear_late_cause_2 = Gespräch oder Verkehr genau in diesem Augenblick.
fault-gear_late_now_1 = Unter der Grenze: Fahrwerk aus, drei Grüne, laut. Im kurzen Endanflug im Zweifel: durchstarten.
fault-gear_late_how = Fahrwerk vor querab unter seiner Grenze, dann drei Grüne im Gegenanflug, Queranflug und Endanflug.

fault-call_missed_name = Funkspruch vergessen
fault-call_missed_looks = Andere hören nicht, wo dieses Flugzeug ist.
fault-call_missed_cause_1 = Der Kopf ist voll vom Fliegen: erst fliegen, aber dann der Spruch.
fault-call_missed_now_1 = Den Spruch für den jetzigen Ort machen, kurz.
fault-call_missed_how = Die Sprüche einer Runde zu Hause laut sagen, bis sie von selbst kommen.

fault-lookout_missed_name = Luftraum nicht beobachtet
fault-lookout_missed_looks = Eine Kurve beginnt, ohne dass vorher der Kopf dreht.
fault-lookout_missed_cause_1 = Der Blick klebt an den Instrumenten.
fault-lookout_missed_now_1 = Kurve beenden, Fläche heben, schauen, dann drehen.
fault-lookout_missed_how = Vor jeder Kurve „links frei“ oder „rechts frei“ sagen, und es auch meinen.

fault-chased_name = Mit dem Gas gejagt
fault-chased_looks = Im Endanflug geht das Gas hin und her, und weder Gleitweg noch Fahrt bleiben.
fault-chased_cause_1 = Jedes Wackeln wird sofort beantwortet.
fault-chased_cause_2 = Die Lage ändert sich mit dem Gas zusammen.
fault-chased_now_1 = Lage halten, Gas einmal setzen, drei Sekunden warten und auf den Zielpunkt schauen.
fault-chased_how = Endanflüge, in denen das Gas nur dreimal bewegt werden darf.

fault-gate_name = Am Tor nicht stabil
fault-gate_looks = Neben Gleitweg, Fahrt oder Linie am Tor, und der Anflug geht weiter.
fault-gate_cause_1 = Die Platzrunde war gehetzt, oder das Tor sitzt nicht.
fault-gate_cause_2 = Niemand hat vorher entschieden, was nicht stabil heißt.
fault-gate_now_1 = Am Tor durchstarten, jedes Mal. Nicht warten, bis es besser wird.
fault-gate_how = In jeder Runde am Tor laut „stabil“ oder „durchstarten“ sagen.

fault-power_left_on_name = Gas stehen gelassen
fault-power_left_on_looks = Es schwebt dicht über der Piste und hört nicht auf zu fliegen.
fault-power_left_on_cause_1 = Die Hand blieb vor dem Leerlauf stehen.
fault-power_left_on_cause_2 = Angst, es durchsacken zu lassen.
fault-power_left_on_now_1 = Sanft schließen und die Lage halten. Hinter dem Durchstartpunkt: volle Leistung, durchstarten.
fault-power_left_on_how = „Leerlauf“ sagen, wenn der Hebel am Anschlag ist, bevor das Abfangen fertig ist.

fault-rounded_out_high_name = Zu hoch abgefangen
fault-rounded_out_high_looks = Es fliegt waagerecht mit viel Luft unter den Rädern, und dort oben geht die Fahrt aus.
fault-rounded_out_high_cause_1 = Der Blick ist zu nah, sodass der Boden heranzurasen scheint.
fault-rounded_out_high_cause_2 = Eine breite Piste, die tief aussieht.
fault-rounded_out_high_now_1 = Nicht weiter ziehen, Lage halten; ein wenig Gas, wenn es sinkt. Hoch und langsam: durchstarten.
fault-rounded_out_high_how = Das Abfangen an einer Marke der Bemalung beginnen, Blick ans ferne Ende, und die Marke Runde für Runde näher legen.

fault-rounded_out_low_name = Tief oder spät abgefangen
fault-rounded_out_low_looks = Die Piste kommt schnell, und erst kurz vor dem Aufschlag wird waagerecht gezogen.
fault-rounded_out_low_cause_1 = Zu lange auf den Zielpunkt geschaut.
fault-rounded_out_low_cause_2 = Eine schmale Piste, die hoch aussieht.
fault-rounded_out_low_now_1 = Nicht reißen: weich ziehen, und Gas, wenn der Boden vor der Waagerechten kommt.
fault-rounded_out_low_how = An einer Marke einen Strich früher beginnen; Tiefanflüge zeigen die Höhe des Ausschwebens.

fault-eyes_too_near_name = Blick zu nah
fault-eyes_too_near_looks = Der Kopf bleibt unten auf der Piste dicht voraus, und die Höhe wird geraten.
fault-eyes_too_near_cause_1 = Der Zielpunkt wird bis unter die Nase verfolgt.
fault-eyes_too_near_now_1 = Wenn die Piste breit wird, ans ferne Ende schauen.
fault-eyes_too_near_how = Tiefanflüge über der Piste, den Blick die ganze Zeit am fernen Ende.

fault-stirred_name = Im Ausschweben gerührt
fault-stirred_looks = Der Steuerknüppel wird nahe am Boden vor und zurück gepumpt.
fault-stirred_cause_1 = Mit dem Knüppel nach dem Boden gesucht.
fault-stirred_now_1 = Nur eine Richtung: halten, oder etwas weiter zurück. Nie nach vorn.
fault-stirred_how = Ausschweben in der Höhe mit langsamem, stetigem Zug üben.

fault-let_go_name = Ausschweben aufgegeben
fault-let_go_looks = Der Zug lässt nach, und es fliegt mit Fahrt auf die Piste.
fault-let_go_cause_1 = Auf das Aufsetzen gewartet, statt es hinauszuzögern.
fault-let_go_cause_2 = Dem Arm ging die Kraft aus: nicht getrimmt.
fault-let_go_now_1 = Weiter ziehen, bis es nicht mehr fliegen will, und auch nach dem Aufsetzen.
fault-let_go_how = „Halten, halten“ sagen, bis die Räder unten sind.

fault-pushed_name = Nahe am Boden nachgedrückt
fault-pushed_looks = Nach einem Wegsteigen oder Hüpfer geht die Nase zur Piste hinunter.
fault-pushed_cause_1 = Der Wunsch, es unten zu haben.
fault-pushed_now_1 = Lage, Gas, durchstarten. Nie eine Landung durch Nachdrücken retten.
fault-pushed_how = Durchstarten aus dem Wegsteigen und aus dem Hüpfer, bis es von selbst kommt.

fault-nosewheel_not_held_name = Bugrad nicht hochgehalten
fault-nosewheel_not_held_looks = Das Bugrad kommt mit den Haupträdern herunter, oder fällt gleich danach.
fault-nosewheel_not_held_cause_1 = Der Zug ließ beim Aufsetzen nach.
fault-nosewheel_not_held_now_1 = Nach dem Aufsetzen Höhenruder gezogen halten; die Nase spät von selbst kommen lassen.
fault-nosewheel_not_held_how = Landen, und weiter ziehen, bis das Bugrad fällt.

fault-mains_first_name = Haupträder zuerst bei der Dreipunktlandung
fault-mains_first_looks = Die Haupträder kommen auf, während das Heck noch fliegt, und es hüpft.
fault-mains_first_cause_1 = Nicht bis zu der Lage ausgeschwebt, die es am Boden hat.
fault-mains_first_now_1 = Lage halten und setzen lassen, oder durchstarten. Nicht nachdrücken.
fault-mains_first_how = Die Lage am Boden auswendig lernen, und genau bis zu diesem Bild ausschweben.

fault-tail_first_name = Spornrad zuerst
fault-tail_first_looks = Das Spornrad kommt auf, und die Haupträder fallen hinterher.
fault-tail_first_cause_1 = Zu hoch ausgeschwebt, oder über die Bodenlage hinaus gezogen.
fault-tail_first_now_1 = Den Steuerknüppel lassen, wo er ist, ein wenig Gas, wenn es fällt.
fault-tail_first_how = Das Bild vom Stehen am Boden ist das Ende des Ziehens.

fault-kicked_name = Zu hart geradegetreten
fault-kicked_looks = Die Nase schwingt über die Pistenrichtung hinaus, und eine Fläche kommt hoch.
fault-kicked_cause_1 = Das ganze Seitenruder auf einmal, im letzten Augenblick.
fault-kicked_cause_2 = Kein Querruder dagegen.
fault-kicked_now_1 = Wenig Seitenruder, die Fläche in den Wind; wenn es abdriftet: durchstarten.
fault-kicked_how = Tiefanflüge, in denen die Nase gerade gestellt und die ganze Piste lang gerade gehalten wird.

fault-swung_name = Ausbrechen nach dem Aufsetzen
fault-swung_looks = Beim Ausrollen geht die Nase zur Seite, und jede Sekunde mehr.
fault-swung_cause_1 = Mit Drift oder schräg aufgesetzt.
fault-swung_cause_2 = Füße, die mit dem Aufsetzen aufhörten zu arbeiten.
fault-swung_cause_3 = Querruder im Seitenwind herausgenommen.
fault-swung_now_1 = Sofort und wenig Seitenruder, Querruder in den Wind, keine Bremse, solange es schwingt.
fault-swung_now_2 = Es läuft trotzdem weg, und Fahrt und Piste sind da: volle Leistung, durchstarten.
fault-swung_how = Die Füße arbeiten, bis es steht: bei jedem Ausrollen sagen.

fault-stick_not_back_name = Höhenruder beim Rollen nicht gezogen
fault-stick_not_back_looks = Das Höhenruder wird losgelassen, sobald die Räder unten sind.
fault-stick_not_back_cause_1 = Die Landung gilt als beendet.
fault-stick_not_back_now_1 = Ziehen und halten, bis es steht; nach einer Radlandung erst drücken, dann ziehen, wenn das Heck kommt.
fault-stick_not_back_how = Jedes Mal mit noch gezogenem Höhenruder von der Piste rollen.

fault-levers_name = Klappe oder Bremse beim Rollen, spät oder ungefragt
fault-levers_looks = Eine Hand geht an einen Hebel, während das Flugzeug noch schnell rollt.
fault-levers_cause_1 = Die Gewohnheit der Kurzlandung, wo niemand sie verlangt hat.
fault-levers_cause_2 = Gebremst, solange die Flächen noch tragen.
fault-levers_now_1 = Hände weg von den Hebeln, bis die Piste frei ist, wenn es nicht anders besprochen war.
fault-levers_how = Vor jeder Landung sagen, was die Hände beim Rollen tun.

fault-around_flown_name = Durchstarten nicht in der Reihenfolge geflogen
fault-around_flown_looks = Gas spät, Nase zu hoch, Klappen auf einmal, noch über der Piste, oder kein Funkspruch.
fault-around_flown_cause_1 = Es wird selten gemacht, und dann überrascht.
fault-around_flown_now_1 = Gas und Vorwärmung, waagerecht, erste Klappenstufe, Fahrt, steigen, restliche Klappen, dann der Spruch.
fault-around_flown_now_2 = Jemand auf der Piste: zu der Seite gehen, von der man ihn sieht.
fault-around_flown_how = In jeder Stunde einmal durchstarten, aus einer Höhe, die vorher niemand genannt hat.

fault-sank_through_name = Durch die Höhe gesunken, die für die Piste steht
fault-sank_through_looks = In der Höhe geht es unter die gedachte Piste, bevor das Ausschweben vorbei ist.
fault-sank_through_cause_1 = Zu spät oder zu wenig gezogen, als die Fahrt ging.
fault-sank_through_now_1 = Fangen: Nase tiefer, Gas, und höher neu beginnen.
fault-sank_through_how = Fünfzig Fuß darüber Leerlauf, dann stetiger Zug, die Sekunden laut gezählt.

fault-low_flown_name = Tiefanflug nicht gehalten
fault-low_flown_looks = Es setzt auf, oder steigt und sinkt über der Piste.
fault-low_flown_cause_1 = Blick zu nah.
fault-low_flown_cause_2 = Zu wenig Gas für diese Fahrt.
fault-low_flown_now_1 = Ein wenig Gas, Blick ans ferne Ende, eine Höhe; aus Versehen aufgesetzt: weg.
fault-low_flown_how = Mit zehn Fuß beginnen, und erst tiefer gehen, wenn zehn Fuß zehn Fuß bleiben.

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
