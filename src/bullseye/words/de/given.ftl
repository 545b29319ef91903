### Was der Kern über das Gegebene sagt.

## Worin Fluglehrer sich unterscheiden.

dispute-gust_allowance_title = Böenzuschlag
dispute-gust_allowance_about = Wie viel Geschwindigkeit böiger Wind im Endanflug zuschlägt.
dispute-gust_allowance_why = Die Hälfte der Böenspanne druckt das veröffentlichte Handbuch, und sie deckt die Flaute, ohne das Ausschweben zu verlängern.
dispute-gust_allowance_half_label = Halbe Böenspanne
dispute-gust_allowance_half_suits = Böige Tage, leichte Flugzeuge.
dispute-gust_allowance_half_costs = Ein paar Knoten mehr, die beim Ausschweben abzubauen sind.
dispute-gust_allowance_none_label = Keiner
dispute-gust_allowance_none_suits = Lange Flügel und viel Leistung zur Hand.
dispute-gust_allowance_none_costs = Weniger Reserve in der Flaute.

dispute-base_speed_title = Womit die Anfluggeschwindigkeit beginnt
dispute-base_speed_about = Die gedruckte Geschwindigkeit, oder das 1,3-Fache der Überziehgeschwindigkeit.
dispute-base_speed_why = Die Geschwindigkeit des Flughandbuchs haben die geflogen, die das Flugzeug gebaut haben; die Regel hilft, wo es schweigt.
dispute-base_speed_handbook_label = Flughandbuch
dispute-base_speed_handbook_suits = Jedes Flugzeug, dessen Handbuch eine nennt.
dispute-base_speed_handbook_costs = Gedruckte Geschwindigkeiten sind oft reichlich.
dispute-base_speed_rule_label = 1,3 × Überziehgeschwindigkeit
dispute-base_speed_rule_suits = Ziellandungen, kurze Pisten.
dispute-base_speed_rule_costs = Verlässt sich auf eine gute Fahrtmesserberichtigung.

dispute-weight_scaling_title = Geschwindigkeit und Gewicht
dispute-weight_scaling_about = Ob gedruckte Geschwindigkeiten sinken, wenn das Flugzeug leicht ist.
dispute-weight_scaling_why = Ein leichtes Flugzeug schwebt mit der Geschwindigkeit für volles Gewicht lange; die Wurzel aus dem Gewicht nimmt genau das heraus.
dispute-weight_scaling_yes_label = Mit dem Gewicht ändern
dispute-weight_scaling_yes_suits = Zwei Personen in einem Viersitzer.
dispute-weight_scaling_yes_costs = Eine Rechnung mehr vor dem Flug.
dispute-weight_scaling_no_label = Immer die gedruckte
dispute-weight_scaling_no_suits = Erste Alleinflüge: eine Zahl zum Merken.
dispute-weight_scaling_no_costs = Längeres Ausschweben, wenn es leicht ist.

dispute-roundout_order_title = Reihenfolge der Hände beim Abfangen
dispute-roundout_order_about = Wann die Leistung weggenommen wird, im Verhältnis zu Blick und Abfangen.
dispute-roundout_order_why = Schulflugzeuge mit viel Widerstand sinken, wenn die Leistung zuerst weg ist; halbieren hält das Sinken flach bis zum Abfangen.
dispute-roundout_order_halve_shift_idle_flare_label = Halbieren, Blick heben, Leerlauf, abfangen
dispute-roundout_order_halve_shift_idle_flare_suits = Schulflugzeuge mit viel Widerstand.
dispute-roundout_order_halve_shift_idle_flare_costs = Zwei Griffe am Gas.
dispute-roundout_order_idle_shift_flare_label = Leerlauf, Blick heben, abfangen
dispute-roundout_order_idle_shift_flare_suits = Gute Gleiter.
dispute-roundout_order_idle_shift_flare_costs = Sinkt früh, wo viel Widerstand ist.
dispute-roundout_order_gradual_from_threshold_label = Ab der Schwelle nach und nach
dispute-roundout_order_gradual_from_threshold_suits = Ruhige Hände.
dispute-roundout_order_gradual_from_threshold_costs = Das Aufsetzen wandert mit der Hand.

dispute-pitch_power_title = Höhenruder und Leistung
dispute-pitch_power_about = Welche Hand die Geschwindigkeit hält und welche den Gleitweg.
dispute-pitch_power_why = Das Höhenruder für die Geschwindigkeit ist in jedem Flugzustand sicher: es tauscht nie die letzten Knoten gegen Höhe.
dispute-pitch_power_pitch_for_speed_label = Höhenruder für Geschwindigkeit, Leistung für den Gleitweg
dispute-pitch_power_pitch_for_speed_suits = Leichte Einmotorige, langsame Anflüge.
dispute-pitch_power_pitch_for_speed_costs = Gröber auf dem Gleitweg.
dispute-pitch_power_pitch_for_aim_label = Höhenruder für den Zielpunkt, Leistung für die Geschwindigkeit
dispute-pitch_power_pitch_for_aim_suits = Schnellere Muster.
dispute-pitch_power_pitch_for_aim_costs = Tief und langsam verleitet es zum Ziehen.
dispute-pitch_power_fixed_power_label = Feste Leistung ab querab
dispute-pitch_power_fixed_power_suits = Erste Platzrunden: eines weniger zu tun.
dispute-pitch_power_fixed_power_costs = Späte Berichtigungen im Endanflug.

dispute-speed_reference_title = Geschwindigkeit oder Anstellwinkel
dispute-speed_reference_about = Was im Endanflug gehalten wird.
dispute-speed_reference_why = Jedes Flugzeug hat einen Fahrtmesser; der Anstellwinkel braucht eine eingebaute und eingestellte Anzeige.
dispute-speed_reference_airspeed_label = Fluggeschwindigkeit
dispute-speed_reference_airspeed_suits = Jedes Flugzeug.
dispute-speed_reference_airspeed_costs = Ändert sich mit Gewicht und Last.
dispute-speed_reference_angle_of_attack_label = Anstellwinkel
dispute-speed_reference_angle_of_attack_suits = Wo eine Anzeige eingebaut ist.
dispute-speed_reference_angle_of_attack_costs = Eine Anzeige mehr im Blick; sie nennt keine Zahl.

dispute-stabilised_by_ft_title = Stabil bis
dispute-stabilised_by_ft_about = Höhe über der Piste, in der alles stimmen muss, sonst wird durchgestartet.
dispute-stabilised_by_ft_why = In 300 ft ist Zeit, es zu sehen, und Platz, es abzubrechen; ein leichtes Flugzeug dreht kaum höher in den Endanflug.
dispute-stabilised_by_ft_500_label = 500 ft
dispute-stabilised_by_ft_500_suits = Direktanflüge, anspruchsvolle Muster.
dispute-stabilised_by_ft_500_costs = In einer engen Platzrunde wird dort noch gekurvt.
dispute-stabilised_by_ft_300_label = 300 ft
dispute-stabilised_by_ft_300_suits = Die übliche Platzrunde.
dispute-stabilised_by_ft_300_costs = Wenig Zeit für späte Änderungen.
dispute-stabilised_by_ft_200_label = 200 ft
dispute-stabilised_by_ft_200_suits = Kurze Endanflüge, erfahrene Piloten.
dispute-stabilised_by_ft_200_costs = Eine späte Entscheidung.

dispute-aim_target_title = Wohin innerhalb der Aufsetzzone
dispute-aim_target_about = Auf ihre vordere Linie oder auf ihre Mitte.
dispute-aim_target_why = Vor der Linie ist verfehlt, wie knapp auch immer, und Streuung geht nach beiden Seiten: die Mitte gewinnt am häufigsten.
dispute-aim_target_middle_of_box_label = Mitte der Aufsetzzone
dispute-aim_target_middle_of_box_suits = Alle, die streuen.
dispute-aim_target_middle_of_box_costs = Setzt an guten Tagen etwas weiter hinten auf.
dispute-aim_target_on_the_line_label = Auf die Linie
dispute-aim_target_on_the_line_suits = Sehr gleichmäßige Piloten, kurze Pisten.
dispute-aim_target_on_the_line_costs = Die Hälfte der Landungen wird zu kurz.

dispute-aim_distance_title = Wie weit vor dem Aufsetzpunkt
dispute-aim_distance_about = Aus Runden berechnet oder nach einer Faustregel.
dispute-aim_distance_why = Wie weit dieses Flugzeug bei dieser Geschwindigkeit und diesem Wind schwebt, ist nach ein paar Runden bekannt; keine Faustregel kennt es.
dispute-aim_distance_calibrated_label = Aus Runden berechnet
dispute-aim_distance_calibrated_suits = Immer, wenn Runden notiert werden.
dispute-aim_distance_calibrated_costs = Jeden Tag eine neue Zahl.
dispute-aim_distance_fixed_label = Immer 200 ft davor
dispute-aim_distance_fixed_suits = Eine schnelle Regel für ein Flugzeug.
dispute-aim_distance_fixed_costs = Falsch bei Wind und anderem Gewicht.
dispute-aim_distance_before_300_500_label = 300 bis 500 ft davor, nach dem Wind
dispute-aim_distance_before_300_500_suits = Anfänger.
dispute-aim_distance_before_300_500_costs = Grob; kennt kein Flugzeug.

dispute-aim_speed_title = Zielpunkt für welche Geschwindigkeit
dispute-aim_speed_about = Der Zielpunkt gilt für die besprochene Geschwindigkeit oder für die, die dieser Pilot zuletzt geflogen ist.
dispute-aim_speed_why = Ein Zielpunkt, der einer schnellen Gewohnheit folgt, lässt sie richtig aussehen; zuerst wird die Geschwindigkeit geübt.
dispute-aim_speed_briefed_label = Die besprochene Geschwindigkeit
dispute-aim_speed_briefed_suits = Jeder Flugschüler, der sie noch bessern kann.
dispute-aim_speed_briefed_costs = Zu lang, bis die Geschwindigkeit stimmt.
dispute-aim_speed_habit_label = Die gewohnte Geschwindigkeit
dispute-aim_speed_habit_suits = Gäste und Überprüfungen an einem Tag.
dispute-aim_speed_habit_costs = Zu kurz an dem Tag, an dem sie stimmt.

dispute-latest_touchdown_title = Aufgesetzt bis zu welchem Teil der Piste
dispute-latest_touchdown_about = Der Durchstartpunkt liegt nicht hinter der Hälfte der Piste, oder nicht hinter einem Drittel.
dispute-latest_touchdown_why = Die Hälfte lässt den meisten Platz zum Anhalten; ein Drittel verlangen viele Flugschulen von Schülern allein.
dispute-latest_touchdown_half_label = Die erste Hälfte
dispute-latest_touchdown_half_suits = Mit Fluglehrer an Bord.
dispute-latest_touchdown_half_costs = Auf kurzer Piste entscheidet die Rollstrecke früher.
dispute-latest_touchdown_third_label = Das erste Drittel
dispute-latest_touchdown_third_suits = Flugschüler allein, lange Pisten.
dispute-latest_touchdown_third_costs = Mehr Durchstarten als nötig.
dispute-latest_touchdown_box_label = Das Ende der Aufsetzzone
dispute-latest_touchdown_box_suits = Ziellandungen: was die Aufsetzzone verpasst hat, wird noch einmal geflogen.
dispute-latest_touchdown_box_costs = Ein Durchstarten für jede Landung, die wenige Fuß zu lang wird.

dispute-base_cue_title = Wann in den Queranflug gedreht wird
dispute-base_cue_about = Nach der Lage des Aufsetzpunkts hinter dem Flügel, oder nach der Zeit.
dispute-base_cue_why = Das Auge auf dem Aufsetzpunkt sieht Abstand und Wind; eine Stoppuhr sieht keins von beiden.
dispute-base_cue_spot_45_behind_label = Aufsetzpunkt 45° hinten
dispute-base_cue_spot_45_behind_suits = Jede Platzrunde, in der man die Piste sieht.
dispute-base_cue_spot_45_behind_costs = Wandert mit dem Abstand.
dispute-base_cue_timed_label = 30 Sekunden nach querab
dispute-base_cue_timed_suits = Gelände ohne Merkmale, Nacht.
dispute-base_cue_timed_costs = Rückenwind trägt weit hinaus.

dispute-first_turn_title = Erste Kurve nach dem Start
dispute-first_turn_about = In welcher Höhe in den Querabflug gedreht wird.
dispute-first_turn_why = 300 ft unter Platzrundenhöhe hinter dem Pistenende ist veröffentlicht und hält den Verkehr berechenbar.
dispute-first_turn_tpa_less_300_label = 300 ft unter Platzrundenhöhe
dispute-first_turn_tpa_less_300_suits = Plätze mit Verkehr.
dispute-first_turn_tpa_less_300_costs = Ein längerer Abflug.
dispute-first_turn_500_agl_label = 500 ft über Grund
dispute-first_turn_500_agl_suits = Ruhige Plätze, Lärmschutz voraus.
dispute-first_turn_500_agl_costs = Trifft auf weitere Platzrunden.

dispute-lift_off_title = Rotieren oder abheben lassen
dispute-lift_off_about = Bei einer gedruckten Geschwindigkeit ziehen, oder abheben lassen, wenn es so weit ist.
dispute-lift_off_why = Für ein Gewicht gedruckt, kommt die Rotiergeschwindigkeit bei leichtem Flugzeug zu spät; Abheben lassen folgt Gewicht und Luft.
dispute-lift_off_fly_off_label = Abheben lassen
dispute-lift_off_fly_off_suits = Leichte Einmotorige.
dispute-lift_off_fly_off_costs = In Böen hebt es früh ab und muss tief gehalten werden.
dispute-lift_off_rotate_label = Bei der gedruckten Geschwindigkeit rotieren
dispute-lift_off_rotate_suits = Anspruchsvolle Muster, Tabellen für kurze Pisten.
dispute-lift_off_rotate_costs = Mehr Piste, wenn es leicht ist.

dispute-correction_set_title = Zuschläge auf die Strecken
dispute-correction_set_about = Wie die Tabelle für Wind, Gras und Neigung berichtigt wird.
dispute-correction_set_why = Die üblichen Zuschläge drucken die meisten Flughandbücher; die mit Sicherheitszuschlag geben Reserve für den Alltag.
dispute-correction_set_common_label = Übliche Angaben der Flughandbücher
dispute-correction_set_common_suits = Wo die Flugschule ihre eigene Reserve zuschlägt.
dispute-correction_set_common_costs = Kein Sicherheitszuschlag für den Start.
dispute-correction_set_uk_caa_label = Mit Sicherheitszuschlag, britisches Merkblatt
dispute-correction_set_uk_caa_suits = Kurze Pisten und Graspisten.
dispute-correction_set_uk_caa_costs = Lehnt Pisten ab, die andere nutzen.

dispute-power_off_shape_title = Form der Ziellandung ohne Motorhilfe aus 180°
dispute-power_off_shape_about = Ein durchgehender Bogen, oder ein Queranflug mit zwei Kurven.
dispute-power_off_shape_why = Ein Bogen lässt sich die ganze Zeit weiter oder enger machen; ein Queranflug hat eine Entscheidung.
dispute-power_off_shape_arc_label = Ein durchgehender Bogen
dispute-power_off_shape_arc_suits = Schätzen nach Auge.
dispute-power_off_shape_arc_costs = Der Blick muss ständig auf dem Aufsetzpunkt sein.
dispute-power_off_shape_squared_label = Eckig, mit Queranflug
dispute-power_off_shape_squared_suits = Lernen: die Schlüsselhöhen sind klar.
dispute-power_off_shape_squared_costs = Zwei Kurven; länger.

dispute-crosswind_method_title = Verfahren bei Seitenwind
dispute-crosswind_method_about = Wann der Vorhaltewinkel in die hängende Fläche übergeht.
dispute-crosswind_method_why = Vorhalten ist im Endanflug bequem; die hängende Fläche ab dem kurzen Endanflug lässt Zeit zu fühlen, ob das Seitenruder reicht.
dispute-crosswind_method_wing_low_label = Hängende Fläche ab dem Endanflug, jede Landung
dispute-crosswind_method_wing_low_suits = Lernen: immer gleich.
dispute-crosswind_method_wing_low_costs = Ermüdend, und viel Widerstand.
dispute-crosswind_method_crab_then_straighten_label = Vorhalten, beim Abfangen ausrichten
dispute-crosswind_method_crab_then_straighten_suits = Böen, lange Flügel.
dispute-crosswind_method_crab_then_straighten_costs = Alles hängt an einem Augenblick.
dispute-crosswind_method_crab_then_wing_low_label = Vorhalten, hängende Fläche im kurzen Endanflug
dispute-crosswind_method_crab_then_wing_low_suits = Die meisten leichten Einmotorigen.
dispute-crosswind_method_crab_then_wing_low_costs = Ein Wechsel in Bodennähe.

dispute-crosswind_flap_title = Klappen bei Seitenwind
dispute-crosswind_flap_about = Voll, oder eine Stufe weniger.
dispute-crosswind_flap_why = Mit vollen Klappen wird am langsamsten aufgesetzt, und so wird der nachgewiesene Wert meist geflogen.
dispute-crosswind_flap_full_label = Voll
dispute-crosswind_flap_full_suits = Innerhalb der Grenzen.
dispute-crosswind_flap_full_costs = Eine Bö hebt die Fläche leichter an.
dispute-crosswind_flap_reduced_label = Eine Stufe weniger
dispute-crosswind_flap_reduced_suits = Böen, oder wo das Flughandbuch es rät.
dispute-crosswind_flap_reduced_costs = Schneller und länger.

dispute-rollout_flap_title = Klappen beim Ausrollen
dispute-rollout_flap_about = Hebel hoch nach einer kurzen Landung, oder Hände weg, bis die Piste frei ist.
dispute-rollout_flap_why = Gewonnen werden einige zehn ft; der falsche Hebel kostet das Fahrwerk.
dispute-rollout_flap_hands_off_label = Hände weg, bis die Piste frei ist
dispute-rollout_flap_hands_off_suits = Alle, jedes Mal.
dispute-rollout_flap_hands_off_costs = Einige zehn ft Rollstrecke.
dispute-rollout_flap_flap_up_label = Klappen einfahren
dispute-rollout_flap_flap_up_suits = Festes Fahrwerk, wo das Flughandbuch es verlangt.
dispute-rollout_flap_flap_up_costs = Ein falscher Hebel klappt ein Rad ein.

## Entscheidungen, die nicht zueinander oder zu einem Flugzeug passen.

unsafe-levers = { $aircraft } hat ein Einziehfahrwerk: Hebel beim Ausrollen zu bewegen hat schon viele eingeklappt. Lassen Sie die Klappen, bis die Piste frei ist.
unsafe-lull = 1,3 × Überziehen und kein Böenzuschlag: für die Flaute bleibt nichts.
unsafe-on_the_line = Nach Faustregel auf die Linie gezielt: die Hälfte der Landungen wird zu kurz, und zu kurz ist verfehlt.
unsafe-fixed_aim = Das Höhenruder auf einen festen Zielpunkt verdeckt eine zu kleine Geschwindigkeit: behalten Sie den Fahrtmesser im Blick.
unsafe-idle_first = Leerlauf vor dem Abfangen bei 1,3 × Überziehen: ein Flugzeug mit viel Widerstand sinkt durch, bevor es abgefangen ist.
unsafe-late_gate = Feste Leistung und ein Tor in 200 ft: für eine späte Berichtigung ist kein Platz. Wählen Sie ein höheres Tor.

## Zahlen, die ein Fluglehrer festlegen kann, mit Namen.

number-approach_speed_kias = Anfluggeschwindigkeit
number-aim_point_ft = Zielpunkt
number-go_around_point_ft = Durchstartpunkt
number-landing_roll_ft = Landerollstrecke mit Sicherheitszuschlag
number-takeoff_over_50_ft = Startstrecke über 50 ft
number-rotate_kias = Abhebegeschwindigkeit
number-vx_kias = Steilstes Steigen, Vx
number-vy_kias = Bestes Steigen, Vy
number-abort_point_ft = Punkt, bis zu dem der Start abgebrochen wird
number-first_turn_height_ft = Höhe der ersten Kurve über dem Platz
number-downwind_kias = Geschwindigkeit im Gegenanflug
number-base_kias = Geschwindigkeit im Queranflug
number-best_glide_kias = Gleitgeschwindigkeit
number-glide_turn_ft = Beginn der Kurve ohne Motorhilfe nach querab

## Woher eine Seitenwindgrenze kommt.

limit_source-demonstrated = nachgewiesen, aus dem Flughandbuch
limit_source-rule = das 0,2-Fache der Überziehgeschwindigkeit; das Flughandbuch schweigt
limit_source-school = Regel der Flugschule
limit_source-student = eigene Grenze des Flugschülers
limit_source-signed = Freigabe zum Alleinflug

## Strecken und Stellen in Pistenmarkierung.

paint-less = weniger als eine Viertelmarkierung mit Lücke
paint-one = { $amount } Strich mit Lücke
paint-more = { $amount } Striche mit Lücken
paint-aim = dem Zielpunkt
paint-last_stripe = dem letzten Strich vor dem Zielpunkt
paint-stripe = dem ersten von { $number } Strichen vor dem Zielpunkt
paint-last_gap = der Lücke vor dem letzten Strich vor dem Zielpunkt
paint-gap = der Lücke vor den letzten { $number } Strichen vor dem Zielpunkt
paint-count_2 = zwei
paint-count_3 = drei
paint-count_4 = vier
paint-count_5 = fünf
paint-count_6 = sechs
