## Warum eine Eingabe nicht angenommen wird

refusal-nothing = leer
refusal-value = einen Wert { $accepted }
refusal-value_of = einen Wert von { $accepted }
refusal-one_of = { $some } oder { $last }
refusal-accepted = { $label }: { $given } geht nicht. Geben Sie ein: { $accepted }.
refusal-not_chosen = { $label }: noch nicht gewählt. Wählen Sie aus der Liste.
refusal-missing = { $label }: fehlt.
refusal-missing_in_report = { $label }: fehlt, und die METAR nennt es nicht. Geben Sie es von Hand ein.
refusal-no_field = Nach „{ $label }“ wird hier nicht gefragt.
refusal-row = { $label }, Zeile { $number }
refusal-text_too_short = { $limit ->
    [one] { $label }: leer. Geben Sie es ein.
   *[other] { $label }: braucht mindestens { $limit } Zeichen.
 }
refusal-text_too_long = { $label }: höchstens { $limit } Zeichen.
refusal-too_few = { $limit ->
    [one] { $label }: leer. Geben Sie mindestens eines ein.
   *[other] { $label }: braucht mindestens { $limit } Einträge.
 }
refusal-too_many = { $label }: höchstens { $limit } Einträge.
refusal-unreadable = { $label }: so, wie es gesendet wurde, nicht lesbar.
refusal-other = { $label }: nicht angenommen: { $why }

## Wie Felder heißen, wo es nicht aus ihrem Namen folgt

field-request = Das Gesendete
field-student_id = Der Flugschüler
field-aircraft_id = Das Flugzeug
field-runway_end_id = Die Piste
field-standard_id = Der Prüfungsmaßstab
field-technique_id = Das Verfahren
field-instructor_id = Der Fluglehrer
field-person_id = Die Person
field-sortie_id = Der Flug
field-max_weight_lb = Höchstgewicht
field-empty_weight_lb = Leergewicht
field-weight_lb = Gewicht
field-people_lb = Gewicht der Personen
field-bags_lb = Gewicht des Gepäcks
field-fuel_gal = Kraftstoff
field-fuel_burn_gph = Verbrauch
field-stall_kcas = Überziehgeschwindigkeit
field-ias_kt = Angezeigte Fluggeschwindigkeit
field-cas_kt = Berichtigte Fluggeschwindigkeit
field-limit_kias = Klappengrenze
field-gear_limit_kias = Fahrwerksgrenze
field-normal_approach_kias = Anfluggeschwindigkeit
field-short_field_approach_kias = Anfluggeschwindigkeit auf kurzer Piste
field-power_off_approach_kias = Anfluggeschwindigkeit ohne Motorhilfe
field-best_glide_kias = Geschwindigkeit des besten Gleitens
field-rotate_kias = Rotiergeschwindigkeit
field-vx_kias = Vx
field-vy_kias = Vy
field-idle_path_angle_deg = Gleitwinkel
field-wind_kt = Wind
field-gust_kt = Bö
field-wind_dir_deg_true = Windrichtung, rechtweisend
field-wind_dir_deg_mag = Windrichtung, missweisend
field-wind_limit_kt = Windgrenze
field-crosswind_limit_kt = Seitenwindgrenze
field-demonstrated_crosswind_kt = Nachgewiesener Seitenwind
field-temperature_c = Temperatur
field-qnh_hpa = QNH
field-pressure_hpa = Luftdruck
field-pressure_altitude_ft = Druckhöhe
field-density_altitude_ft = Dichtehöhe
field-spot_ft = Aufsetzpunkt
field-aim_point_ft = Zielpunkt
field-along_ft = Stelle des Aufsetzens
field-lateral_ft = Abstand von der Mittellinie
field-float_s = Ausschweben
field-threshold_speed_kias = Geschwindigkeit über der Schwelle
field-approach_speed_kias = Anfluggeschwindigkeit
field-over_50_ft_ft = Strecke über 50 ft
field-ground_roll_ft = Rollstrecke
field-planned_on = Tag
field-planned_time = Uhrzeit
field-booked_min = Gebuchte Zeit
field-at = Zeit
field-metar = METAR
field-speed_above_kt = Schneller um
field-speed_below_kt = Langsamer um
field-touchdown_from_ft = Frühestes erlaubtes Aufsetzen
field-speed_ktas = Wahre Fluggeschwindigkeit
field-speed_kt = Wind
field-touchdown_to_ft = Spätestes erlaubtes Aufsetzen
field-needed_chance = Landungen von 100, die den Maßstab erfüllen
field-stale_days = Tage, bis eine Übung eingerostet ist
field-least_ceiling_ft = Niedrigste Wolken
field-least_visibility_m = Geringste Sicht
field-aim_step_ft = Größte Verschiebung des Zielpunkts durch eine Runde
field-ident = Name der Piste oder des Platzes
field-lat = Breite
field-lon = Länge
field-elevation_ft = Platzhöhe
field-length_ft = Länge
field-width_ft = Breite
field-course_deg_true = Kurs
field-eye_height_ft = Augenhöhe
field-blind_distance_ft = Von der Nase verdeckte Strecke
field-landing_climb_fpm = Steigen in Landekonfiguration
field-deceleration_fps2 = Verzögerung beim Ausschweben
field-flown_at = Zeit der Runde
