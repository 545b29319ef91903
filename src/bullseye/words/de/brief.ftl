### Was der Kern über die Vorbesprechung sagt.

## Wohin zu zielen ist, wo die Räder aufsetzen werden, und wie sicher das ist.

aim-short_of_threshold = Der Zielpunkt liegt { $short } vor der Landeschwelle.
aim-wheels_low = Auf dem Gleitweg zu diesem Zielpunkt kommen die Räder { $wheels } über den Beginn des Belags; mindestens { $least } sind nötig.
aim-under_pavement = Der Gleitweg zu diesem Zielpunkt trifft den Boden, bevor der Belag beginnt.
aim-may_be_short = { $chance } der Landungen würden vor der Schwelle aufsetzen; mehr als { $most } nennen wir nicht gut.
aim-never_meets = Die Piste fällt so steil wie der Gleitweg: auf diesem Weg wird sie nicht erreicht. Landen Sie bergauf.
aim-wheels_mind = Die Räder kommen { $wheels } über den Beginn des Belags: keinen ft tiefer.
aim-obstacle = Auf dem Gleitweg zu diesem Zielpunkt kommen die Räder { $margin } { $side ->
    [below] unter
   *[above] über
 } die Spitze des { $height } hohen Hindernisses; mindestens { $least } nennen wir gut.
aim-would_clear = Ein gleichmäßiger Gleitweg von { $angle } zu diesem Zielpunkt käme darüber.
aim-no_steady = Kein fliegbarer gleichmäßiger Gleitweg kommt darüber: zielen Sie weiter hinten oder wählen Sie eine andere Piste.
aim-no_aim_would_do = Kein Zielpunkt auf dieser Piste genügt.
aim-aim_would_do = Ein Zielpunkt bei { $place } würde genügen.
aim-no_spot_would_do = Kein Aufsetzpunkt auf dieser Piste genügt.
aim-spot_would_do = Ein Aufsetzpunkt bei { $place } würde genügen.
aim-before_spot = { $place } vor dem Aufsetzpunkt
aim-beyond_spot = { $place } hinter dem Aufsetzpunkt
aim-before_spot_stripes = { $place } vor dem Aufsetzpunkt, { $stripes }
aim-beyond_spot_stripes = { $place } hinter dem Aufsetzpunkt, { $stripes }
aim-in_ten = { $hits } von 10
aim-first_lap = Etwa { $chance } für einen Piloten, von dem keine Runde bekannt ist.
aim-lately = Mit der gewohnten Geschwindigkeit { $chance }.
aim-habit_fast = Fliegen Sie { $speed }, dann sind es { $briefed }; mit der gewohnten Geschwindigkeit, { $habit } schneller, { $chance }.
aim-habit_slow = Fliegen Sie { $speed }, dann sind es { $briefed }; mit der gewohnten Geschwindigkeit, { $habit } langsamer, { $chance }.
aim-assumed_speed = Anfluggeschwindigkeit mit Klappen { $flap }: das 1,3-Fache des Überziehens
aim-assumed_glide = Gleiten mit Klappen { $flap }: { $angle }
aim-assumed_wing = Höhe des Flügels über den Rädern: { $height }, üblich für einen { $wing ->
    [high] hohen
   *[low] tiefen
 } Flügel
aim-assumed_span = Spannweite: unbekannt, Bodeneffekt wie bei den meisten
aim-assumed_crosswind = nachgewiesener Seitenwind: das 0,2-Fache der Überziehgeschwindigkeit
aim-by_default = Unser Modell mit Vorgabewerten; von diesem Piloten ist noch keine Runde bekannt: im Mittel auf etwa ±{ $sd } genau.
aim-as_given = Unser Modell mit den gegebenen Werten.
aim-as_given_about = Unser Modell mit den gegebenen Werten: im Mittel auf etwa ±{ $sd } genau.
aim-from_laps = Unser Modell, gelernt aus { $laps } dieses Piloten und { $timed } dieses Flugzeugs: im Mittel auf etwa ±{ $sd } genau.
aim-from_school = Von diesem Piloten ist bei dieser Landung keine Runde bekannt: Ausgangspunkt ist, wie { $pilots } Piloten der Flugschule sie fliegen. Im Mittel auf etwa ±{ $sd } genau.
aim-from_others = Von diesem Piloten ist bei dieser Landung keine Runde bekannt: Ausgangspunkt sind { $laps } anderer Landungen. Im Mittel auf etwa ±{ $sd } genau.
aim-one_lap = 1 Runde
aim-laps = { $number } Runden
aim-one_timed = 1 gestopptem Ausschweben
aim-timed = { $number } gestoppten Ausschwebezeiten
aim-no_speed_left = Zum Ausschweben bleibt keine Geschwindigkeit: die Räder kommen beim Abfangen auf. Fliegen Sie schneller.

## Zwischen welchen Aufsetzpunkten die Landungen einer Art gut sind.

good_spots-unknown_roll = Wie viel Piste die Landung braucht, ist unbekannt: nehmen Sie das Flughandbuch und geben Sie seine Tabelle ein.
good_spots-no_figures = Das Flugzeug hat dafür keine Zahlen.
good_spots-no_room = Kein Aufsetzpunkt auf dieser Piste hat sowohl einen guten Zielpunkt als auch Platz für seine Aufsetzzone.

## Am Boden: die Rollstrecke, und die letzte Stelle, von der aus alles reicht.

ground-no_table = Keine Landetabelle für dieses Flugzeug: wie viel Piste die Rollstrecke braucht, ist unbekannt. Nehmen Sie das Flughandbuch.
ground-outside = Keine Rollstrecke berechenbar: { $why }. Raten Sie nicht; nehmen Sie das Flughandbuch.
ground-beyond_roll = Die Aufsetzzone endet { $beyond } hinter der letzten Stelle, von der aus die Rollstrecke mit Zuschlag reicht. Wählen Sie einen Aufsetzpunkt näher an der Schwelle oder eine andere Piste.
ground-beyond_climb = Die Aufsetzzone endet { $beyond } hinter der letzten Stelle, von der aus ein Durchstarten über das kommt, was hinter dem Ende steht. Wählen Sie einen Aufsetzpunkt näher an der Schwelle oder eine andere Piste.
ground-no_roll_left = Selbst beim Aufsetzen an der Schwelle fehlen { $missing } Piste für die Rollstrecke mit Zuschlag. Wählen Sie eine andere Piste.
ground-no_climb_left = Selbst ein Durchstarten ab der Schwelle kommt nicht über das, was hinter dem Ende steht. Wählen Sie eine andere Piste.
ground-beyond_part = Die Aufsetzzone endet { $beyond } hinter dem ersten { $part ->
    [half] Teil, der Hälfte,
    [third] Drittel
   *[other] Teil
 } der Piste: starten Sie durch, wenn Sie bis dahin nicht aufgesetzt haben.
ground-climb_unknown = Hinter dem Ende steht etwas. Wie dieses Flugzeug in dieser Luft in Landekonfiguration steigt, ist nicht bekannt; niemand kann also sagen, von wo aus ein Durchstarten noch darüber kommt.
ground-no_climb_known = Wie dieses Flugzeug in dieser Luft beim Durchstarten steigt, ist nicht eingegeben: nehmen Sie das Flughandbuch.
ground-no_climb = In dieser Luft steigt das Flugzeug mit den Klappen der Landung nicht: hier ist keine Landung gut. Nehmen Sie weniger Gewicht, kühlere Luft oder einen anderen Platz.
ground-weak_climb = Durchstarten steigt in dieser Luft nur mit { $climb }: entscheiden Sie früh und fahren Sie die Klappen in Stufen ein.
ground-touches_behind_roll = Die Räder werden { $beyond } hinter der letzten Stelle erwartet, von der aus die Rollstrecke mit Zuschlag reicht.
ground-may_touch_behind_roll = Mehr als 1 Landung von 20 würde hinter der letzten Stelle bei { $place } aufsetzen, von der aus die Rollstrecke mit Zuschlag reicht.
ground-touches_behind_climb = Die Räder werden { $beyond } hinter der letzten Stelle erwartet, von der aus ein Durchstarten über das kommt, was hinter dem Ende steht.
ground-may_touch_behind_climb = Mehr als 1 Landung von 20 würde hinter { $place } aufsetzen, der letzten Stelle, von der aus ein Durchstarten über das kommt, was hinter dem Ende steht.
ground-touches_late = Die Räder werden { $beyond } hinter dem Durchstartpunkt erwartet: starten Sie durch, wenn Sie bis dahin nicht aufgesetzt haben.
ground-past_box = Die Räder werden { $off } hinter der Aufsetzzone erwartet.
ground-before_box = Die Räder werden { $off } vor der Aufsetzzone erwartet.

## Die Kniebrettkarte.

kneeboard-takeoff = Start: { $words }
kneeboard-pattern = Platzrunde: { $words }

## Die Runden einer Flugstunde der Reihe nach.

lap_plan-booked = die gebuchte Zeit
lap_plan-fuel = den Kraftstoff, mit { $reserve } Reserve
lap_plan-sunset = den Sonnenuntergang
lap_plan-enough = { $laps } Runden: mehr lehren nichts
lap_plan-fuel_unknown = Kraftstoff oder Verbrauch unbekannt: nicht mitgerechnet. Prüfen Sie es von Hand, mit der vorgeschriebenen Reserve.
lap_plan-sunset_unknown = Sonnenuntergang unbekannt: nicht mitgerechnet.
lap_plan-watch_long = den Zielpunkt: bisher { $error } hinter dem Ziel
lap_plan-watch_short = den Zielpunkt: bisher { $error } vor dem Ziel
lap_plan-watch_speed = dieselbe Geschwindigkeit jede Runde: { $spread } Streuung
lap_plan-across = { $wind } quer: der Tag dafür
lap_plan-gusts = Böen { $spread } über dem Wind: früh entscheiden
lap_plan-steady_air = ruhige Luft: der Tag für Genauigkeit
lap_plan-untried = noch nicht versucht
lap_plan-weak = bisher { $rate } Treffer
lap_plan-stale = vor { $days } Tagen
lap_plan-none = Keine Runde ist geplant.
lap_plan-no_landing = Die Landung dieser Flugstunde ist nicht geplant.
lap_plan-instead = Geplant ist stattdessen, was nicht landet.
lap_plan-other = An ihre Stelle tritt eine andere Landung.
lap_plan-bad_spot = Der Aufsetzpunkt dieser Flugstunde bei { $spot } ist nicht gut; gut sind die von { $low } bis { $high }.
lap_plan-one_spot = Nur ein Aufsetzpunkt passt auf diese Piste: er lässt sich nicht von Runde zu Runde ändern.
lap_plan-one_lap = 1 Runde zu { $time }; begrenzt durch { $limit }.
lap_plan-laps = { $number } Runden zu { $time }; begrenzt durch { $limit }.
lap_plan-no_fit = Keine Runde passt hinein: { $limit }.
lap_plan-own_one = 1 Runde, wie vom Fluglehrer angeordnet. Ohne diese Anordnung:
lap_plan-own = { $number } Runden, wie vom Fluglehrer angeordnet. Ohne diese Anordnung:

## Wie viel Piste eine Landung und ein Aufsetzen und Durchstarten übrig lassen.

margins-unknown = Wie viel Piste die Landung übrig lässt, ist unbekannt: nehmen Sie das Flughandbuch.
margins-left = { $left } Piste übrig: { $by }, { $factor }.
margins-short = Die Piste ist { $short } zu kurz: { $by }, { $factor }.
margins-over_50_ft = nach der Strecke ab 50 ft über der Schwelle
margins-stop = danach, wo 19 von 20 Landungen stehen
margins-factored = mit Sicherheitszuschlag
margins-unfactored = ohne Sicherheitszuschlag
margins-go = { $left } Piste übrig in 50 ft nach einem Aufsetzen und Durchstarten.
margins-short_over_50 = Ab 50 ft über der Schwelle braucht die Landung { $needed }, { $short } mehr, als die Piste hat.
margins-stops_beyond = Diese Landung kommt { $beyond } hinter dem Pistenende zum Stehen.
margins-may_stop_beyond = Eine Landung von 20 setzt so weit hinten auf, dass sie { $beyond } hinter dem Pistenende zum Stehen kommt.
margins-little = Nur { $left } Piste bleiben übrig, weniger als ein Drittel der { $needed }, die die Landung braucht: wenig Reserve.
margins-full_stop = Landen Sie bis zum Stillstand: Aufsetzen und Durchstarten bräuchte { $short } mehr, als die Piste hat.
margins-little_to_go = Nach einem Aufsetzen und Durchstarten bleiben in 50 ft nur { $left } Piste: wenig Reserve. Rollen Sie lieber aus und zurück.
margins-go_unknown = Wie viel Piste Aufsetzen und Durchstarten braucht, ist unbekannt: landen Sie bis zum Stillstand.

## Was der Fluglehrer gegen das Berechnete festgelegt hat.

overruled-set = { $what } { $value }, festgelegt von { $by }: { $reason }.
overruled-worked_out = Berechnet: { $value }.

## Welche Pistenrichtung, und warum.

ranking-headwind = Gegenwind { $wind }
ranking-tailwind = Rückenwind { $wind }
ranking-crosswind = Seitenwind { $wind }
ranking-in_gusts = { $what } in den Böen
ranking-never = niemand hat den Wind angegeben
ranking-no_direction = Wind mit { $wind } aus unbekannter Richtung: angenommen wird der ungünstigste Fall
ranking-margin_unknown = { $name } unbekannt
ranking-too_short = { $name } { $margin } ZU KURZ
ranking-to_spare = { $name } { $margin } übrig
ranking-only = { $name } nur { $margin }
ranking-takeoff_obstacle_not = der Start kommt nicht über das, was hinter dem Ende steht
ranking-takeoff_obstacle_unknown = ob der Start über das kommt, was hinter dem Ende steht, ist unbekannt
ranking-go_around_climb_not = ein Durchstarten steigt in dieser Luft nicht
ranking-go_around_climb_unknown = ob ein Durchstarten über das kommt, was hinter dem Ende steht, ist unbekannt
ranking-no_spot = kein Aufsetzpunkt dort ist für diese Landung gut
ranking-uphill = Landung { $slope } bergauf
ranking-downhill = Landung { $slope } bergab
ranking-surface = { $surface ->
    [asphalt] Asphalt
    [concrete] Beton
    [grass] Gras
    [gravel] Schotter
   *[other] { $surface }
 }
ranking-surface_unknown = Oberfläche unbekannt
ranking-sun = Sonne { $elevation } hoch in { $azimuth }° rechtweisend
ranking-sun_in_the_eyes = { $sun }, im Endanflug in den Augen
ranking-sun_down = Sonne unter dem Horizont
ranking-pattern = { $side ->
    [left] linke
   *[right] rechte
 } Platzrunde
ranking-preferred = bevorzugte Piste

## Nach dem Aufsetzen.

rollout-unknown = Wo es zum Stehen kommt, ist ohne Rollstrecke unbekannt.
rollout-no_wind = Wo es zum Stehen kommt, ist unbekannt, solange niemand den Wind angegeben hat.
rollout-stop = Wie im Flughandbuch gebremst, steht es { $stop } ab der Schwelle, { $total } hinter dem Zielpunkt.
rollout-flap_up = Klappen beim Ausrollen einzufahren würde etwa { $less } sparen: das ist den falschen Hebel nicht wert, wenn das Flughandbuch es nicht verlangt.
rollout-flap_no = Klappen beim Ausrollen einzufahren würde nichts sparen.
rollout-free = Ohne Bremsen rollt es etwa { $more } weiter.
rollout-free_far = Ohne Bremsen rollt es über das Pistenende hinaus.
rollout-exit = Mit diesem Bremsen ist der Abrollweg { $name } bei { $at } zu schaffen.
rollout-no_exit = Mit diesem Bremsen ist kein Abrollweg vor dem Pistenende zu schaffen: bremsen Sie nicht hart für einen davor.
rollout-not_before = Der Abrollweg { $name } bei { $at } kommt zu früh: rollen Sie weiter.

## Die Vorbesprechung einer Landung.

speed-steady_adds_nothing = { $extra } über der berechneten Geschwindigkeit: ein stetiger Wind schlägt nichts zu, er ändert nur die Geschwindigkeit über Grund. Was zu viel ist, wird Ausschweben.
speed-fast = { $extra } über der berechneten Geschwindigkeit: was zu viel ist, wird Ausschweben.
speed-slow = { $short } unter der berechneten Geschwindigkeit: weniger Reserve zum Überziehen.
speed-margin = Nur { $margin } über der Überziehgeschwindigkeit bei diesem Gewicht und diesen Klappen: weniger als ein Fünftel davon.
speed-lull = Eine Flaute zwischen den Böen lässt { $margin } über der Überziehgeschwindigkeit.
speed-slow_habit = Dieser Pilot war über der Schwelle { $slower } langsamer als besprochen: { $margin } über dem Überziehen. Achten Sie bis zum Abfangen auf die Geschwindigkeit; darunter: durchstarten.
speed-flap_limit = { $speed } liegt weniger als { $near } unter der Klappengrenze von { $limit }.
speed-combination = { $words }
speed-gear_limit = { $speed } liegt über der Fahrwerksgrenze von { $limit }: bei dieser Geschwindigkeit wird das Fahrwerk nicht ausgefahren.
speed-wheels_on_soft = Auf weichem Boden, hohem Gras oder Schnee gibt es keine Radlandung: die Räder graben sich ein, das Flugzeug überschlägt sich.
speed-steep = Das ist steil: { $angle } zum Boden, { $descent } Sinken, und das Abfangen beginnt in { $height }. Beenden Sie einen Slip rechtzeitig, behalten Sie eine Hand am Gas, und starten Sie durch, wenn es am Tor nicht stabil ist.
speed-training_aid = Ausbildungshilfe: Flughandbuch, örtliche Regeln und Fluglehrer entscheiden. Durchstarten ist immer eine gute Antwort.

## Was als Nächstes am meisten lehren würde.

teaching-speed = Lesen Sie in den nächsten { $laps } Runden die Geschwindigkeit über der Schwelle ab. Der Zielpunkt daraus bringt etwa { $gain } Trefferwahrscheinlichkeit mehr, als nur auf das Aufsetzen zu achten.
teaching-speed_and_time = Lesen Sie in den nächsten { $laps } Runden die Geschwindigkeit über der Schwelle ab und stoppen Sie das Ausschweben. Der Zielpunkt daraus bringt etwa { $gain } Trefferwahrscheinlichkeit mehr, als nur auf das Aufsetzen zu achten.
teaching-flying = Markieren Sie, wo die nächsten { $laps } Runden aufsetzen: mit dem Zielpunkt daraus bringt das etwa { $gain } Trefferwahrscheinlichkeit. Die Geschwindigkeit abzulesen oder das Ausschweben zu stoppen brächte kaum mehr.
teaching-nothing = Nichts, was in den nächsten Runden zu messen wäre, würde den Zielpunkt nennenswert verschieben: er ist so sicher, wie er wird.

## Was die Meldung neben dem Wind sagt.

weather-now = { $words }
weather-never = Noch ist kein Wind angegeben: alles hier gilt für Windstille und Normalatmosphäre. Geben Sie zuerst den Wind an.
weather-old = Wind und Luftdruck wurden für eine andere Stunde oder einen anderen Tag angegeben. Lesen Sie Windsack und Meldung, bevor Sie nach diesen Zahlen fliegen.
weather-later = Die Meldung erwartet bald { $words }: planen Sie, bis dahin am Boden zu sein.
weather-ceiling = Wolken in { $ceiling }; die Mindesthöhe der Flugschule ist { $least }.
weather-visibility = Sicht { $visibility }; die Mindestsicht der Flugschule ist { $least }.
weather-wet = Die Piste ist nass: längere Rollstrecke, weniger Bremswirkung, und keine Tabelle eines Flughandbuchs trifft sie genau.
weather-long_grass = Hohes Gras: wie weit es die Rollstrecke verlängert oder die Bremsen halten, ist unbekannt. Gehen Sie die Piste zuerst ab.
weather-soft = Weicher Boden: wie weit er die Rollstrecken verlängert, ist unbekannt. Gehen Sie die Piste zuerst ab.
weather-snow_or_ice = Schnee oder Eis auf der Piste: weder Rollstrecke noch Bremswirkung noch Seitenwindgrenze lassen sich angeben.

## Was eine Änderung bewirkt, in ft.

what_if-no_aim = Dann ist kein Zielpunkt gut.
what_if-nothing = Nichts verschiebt sich um 10 ft oder mehr.
what_if-farther = Mit dem alten Zielpunkt würden Sie { $moved } weiter hinten aufsetzen.
what_if-shorter = Mit dem alten Zielpunkt würden Sie { $moved } kürzer aufsetzen.
what_if-aim_farther = Zielen Sie { $shift } weiter hinten ({ $stripes }).
what_if-aim_shorter = Zielen Sie { $shift } kürzer ({ $stripes }).
what_if-chance = Trefferwahrscheinlichkeit { $chance }.

## Alles, was vor dem Anlassen entschieden wird.

whole-no_direction = Umlaufender Wind: die Strecken sind mit allen { $wind } von hinten gerechnet.
whole-is_night = Dann ist es Nacht
whole-is_twilight = Die Sonne ist untergegangen und die Dämmerung endet
whole-sun_sets = Die Sonne geht { $left } nach Beginn der Flugstunde unter
whole-night = { $when }: Nachtflugerfahrung des Fluglehrers, Lichter an Piste und Flugzeug, eine Taschenlampe, { $reserve } Kraftstoff in Reserve. Dunkler Boden vor der Piste lässt zu hoch erscheinen: fliegen Sie nach der Gleitwinkelbefeuerung.
whole-takeoff_unknown = Wie viel Piste der Start braucht, ist unbekannt: nehmen Sie das Flughandbuch und geben Sie seine Tabelle ein.
whole-takeoff_short = Die Piste ist für den Start { $short } zu kurz.
whole-takeoff_low = Der Start kommt nicht so hoch über das, was hinter dem Ende steht, wie wir es mindestens gut nennen.
whole-takeoff_low_unknown = Ob der Start über das kommt, was hinter dem Ende steht, ist unbekannt: nehmen Sie das Flughandbuch.
whole-no_pattern = Keine Platzrunde: { $why }.
whole-no_reach = Keine Reichweite ohne Motorhilfe: { $why }.
whole-no_wind = niemand hat den Wind angegeben

## Wind und Luft einer Landung.

wind-variable = Umlaufender Wind mit { $wind }: Grenzen und Strecken gelten für die ungünstigste Richtung. Die Vorhersage gilt ohne Wind längs der Piste, ihr Bereich für jede Richtung.
wind-swings = Der Wind dreht: bis { $across } quer von { $side ->
    [left] links
   *[right] rechts
 }, zwischen { $least } und { $most } Gegenwind. Die Grenzen gelten für die ungünstigste Richtung, der Zielpunkt für alle.
wind-swings_both = Der Wind dreht: bis { $right } quer von rechts und { $left } von links, zwischen { $least } und { $most } Gegenwind. Die Grenzen gelten für die ungünstigste Richtung, der Zielpunkt für alle.
wind-rudder = { $words }
wind-thin_air = Dichtehöhe { $altitude }: längere Rollstrecke, schwächeres Steigen, schneller über Grund. Fliegen Sie dieselben angezeigten Geschwindigkeiten, und verarmen Sie das Gemisch nach dem Flughandbuch.
wind-thin_air_above = Dichtehöhe { $altitude }, { $above } über dem Platz: längere Rollstrecke, schwächeres Steigen, schneller über Grund. Fliegen Sie dieselben angezeigten Geschwindigkeiten, und verarmen Sie das Gemisch nach dem Flughandbuch.
wind-sea_level = Meereshöhe
wind-air_usual = Die Luft ist die von { $height } in der Normalatmosphäre: nichts zu berücksichtigen.
wind-air_dense = Die Luft ist die von { $height } in der Normalatmosphäre, dichter als auf Meereshöhe: { $slower } langsamer über Grund bei derselben angezeigten Geschwindigkeit.
wind-air_thin = Die Luft ist die von { $height } in der Normalatmosphäre. Bei derselben angezeigten Geschwindigkeit sind Sie { $faster } schneller über Grund, und Rollstrecken und Ausschweben sind etwa { $longer } länger als auf Meereshöhe. Fliegen Sie dieselben angezeigten Geschwindigkeiten.

## Die Grenzen des Winds.

windlimit-tailwind = Rückenwind { $value }, mit Böen: längeres Ausschweben und längere Rollstrecke. Denken Sie an die andere Richtung.
windlimit-tailwind_over = Rückenwind { $value }, mit Böen, liegt über der Grenze von { $limit }: wählen Sie eine andere Pistenrichtung.
windlimit-crosswind = Seitenwind { $value } liegt über der Grenze { $name ->
    [aircraft] des Flugzeugs
    [school] der Flugschule
    [signed] der Freigabe
   *[student] des Flugschülers
 } von { $limit } ({ $source }).
windlimit-gusts = Böen { $value } über dem stetigen Wind; unsere Grenze ist { $limit }: lieber warten.
windlimit-crosswind_alone = Mit Fluglehrer an Bord wird das geflogen; allein verbietet es die Grenze { $name ->
    [school] der Flugschule
    [signed] der Freigabe
   *[student] des Flugschülers
 } von { $limit } ({ $source }). Seitenwind { $value }.
windlimit-signed = Wind mit { $value } liegt über den { $limit }, die die Freigabe zum Alleinflug erlaubt.
windlimit-strong = Wind mit { $value }: zu viel für einen Flugschüler allein, dessen Grenze { $limit } ist.
windlimit-too_strong = Bei { $value } Gegenwind kommt das Flugzeug über Grund kaum voran: jenseits von { $limit } kennt unser Modell keine solche Landung. Fliegen Sie nicht nach diesen Zahlen.

## What a student alone has no leave for.

alone-expired = Die Freigabe zum Alleinflug ist abgelaufen: der Fluglehrer unterschreibt neu, bevor dieser Flugschüler allein fliegt.
alone-elsewhere = Die Freigabe zum Alleinflug nennt diesen Platz oder diese Piste nicht: hier nicht allein.
alone-none = Für diesen Flugschüler liegt keine Freigabe zum Alleinflug vor: nur der Fluglehrer oder eine Lizenz erlaubt den Flug allein.
alone-no_limit = Weder Schule noch Fluglehrer haben gesagt, wie viel Seitenwind dieser Flugschüler allein haben darf: unbekannt, also nicht allein.
alone-no_own_limit = Die eigene Seitenwindgrenze dieses Flugschülers ist nicht gesetzt; nur die der Schule gilt. Fragen Sie den Fluglehrer.

## Die Kniebrettkarte, Zeile für Zeile.

kneeboard-no_aim = KEINER IST GUT: siehe Hinweise
kneeboard-touches_behind = { $aim }; setzt HINTER dem Durchstartpunkt auf
kneeboard-no_place = KEINE STELLE: hier nicht landen
kneeboard-no_wind = NIEMAND HAT IHN ANGEGEBEN
kneeboard-no_direction = aus unbekannter Richtung: vom Ungünstigsten ausgehen
kneeboard-headwind = { $wind } Gegenwind
kneeboard-tailwind = { $wind } RÜCKENWIND
kneeboard-from_right = { $wind } von rechts
kneeboard-from_left = { $wind } von links
kneeboard-wind = { $along }, { $across }
kneeboard-wind_gusts = { $along }, { $across }, in Böen { $gusts } quer
kneeboard-approach = Anflug
kneeboard-with_flap = { $speed }, Klappen { $flap }
kneeboard-lift_off = Abheben
kneeboard-best_glide = Bestes Gleiten
kneeboard-upwind = Abflug
kneeboard-crosswind = Querabflug
kneeboard-downwind = Gegenanflug
kneeboard-base = Queranflug
kneeboard-final = Endanflug
kneeboard-after_abeam = { $time } nach querab
kneeboard-at_once = sofort querab
kneeboard-glide_abeam = querab des Aufsetzpunkts
kneeboard-glide_at_45 = in 45° zum Aufsetzpunkt
kneeboard-glide_on_base = im Queranflug
kneeboard-glide_on_final = im Endanflug
kneeboard-glide = Gleiten
kneeboard-glide_turn = { $speed }, querab Leerlauf; drehen { $turn }
kneeboard-ground_roll = Rollstrecke
kneeboard-to_50_ft = Bis 50 ft
kneeboard-of = { $needed } von { $there }
kneeboard-margin = Reserve
kneeboard-unknown = unbekannt
kneeboard-stop_if_not = Abbruch, wenn nicht
kneeboard-by = { $speed } bei { $place }
kneeboard-first_turn = Erste Kurve
kneeboard-too_short = KEINE: { $short } zu kurz
kneeboard-spot = Aufsetzpunkt
kneeboard-box_to = { $spot }, Aufsetzzone bis { $end }
kneeboard-aim = Zielpunkt
kneeboard-go_around_by = Durchstarten bis
kneeboard-wind_label = Wind
kneeboard-descent = Sinken
kneeboard-not_good = NICHT GUT: { $problem }
kneeboard-kind_normal = normal
kneeboard-kind_crosswind = Seitenwind
kneeboard-kind_short_field = kurze Piste
kneeboard-kind_soft_field = weiche Piste
kneeboard-kind_power_off = ohne Motorhilfe
kneeboard-kind_no_flap = ohne Klappen
kneeboard-kind_forward_slip = Slip
kneeboard-kind_three_point = Dreipunkt
kneeboard-kind_wheel_landing = Radlandung
kneeboard-kind_go_around = Durchstarten
kneeboard-kind_low_approach = Tiefanflug
kneeboard-kind_hold_off_drill = Ausschweben üben
kneeboard-heading_laps = Runden
kneeboard-no_lap = Keine Runde passt in die Zeit.
kneeboard-column_lap = Runde
kneeboard-column_spot = Aufsetzpunkt
kneeboard-column_aim = Zielpunkt
kneeboard-column_watch = Darauf achten
kneeboard-column_felt = Gefühl
kneeboard-heading_points = Zielpunkt, Aufsetzpunkt, Durchstarten
kneeboard-heading_takeoff = Start
kneeboard-heading_speeds = Geschwindigkeiten
kneeboard-heading_gates = Tore, über dem Meeresspiegel
kneeboard-heading_engine = Wenn der Motor ausfällt
kneeboard-heading_legs = Teile: Steuerkurs, Geschwindigkeit, Klappen, Zeit
kneeboard-stop = SO NICHT FLIEGEN: { $words }
