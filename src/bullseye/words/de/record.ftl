### Was der Kern über den Ausbildungsstand sagt.

## Flugerfahrung: genug Starts und Landungen in so vielen Tagen, und bis wann es gilt.

currency-holds = { $rule }: { $have } in der Zeit, gültig bis { $day }.
currency-lacks = { $rule }: { $have } von { $needed } in der Zeit; es fehlen { $missing }.
currency-never = { $rule }: hier ist keine Landung verzeichnet.

## Ein Flug, wie ein Prüfer ihn durchginge.

examined-lap = Runde { $number }: { $what }.
examined-within = innerhalb aller gemessenen Grenzen
examined-short = { $off } vor dem Fenster aufgesetzt
examined-long = { $off } hinter dem Fenster aufgesetzt
examined-fast = { $off } über der höchsten erlaubten Geschwindigkeit über der Schwelle
examined-slow = { $off } unter der niedrigsten erlaubten Geschwindigkeit über der Schwelle
examined-drift = mit Abdrift aufgesetzt
examined-unseen = das Aufsetzen wurde nicht gesehen
examined-no_window = wo dieser Maßstab die Räder haben will, ist hier nicht bekannt
examined-no_speed = die Geschwindigkeit wurde nicht abgelesen
examined-no_speed_limit = seine Geschwindigkeitsgrenzen sind hier nicht bekannt
examined-no_drift = niemand hat auf Abdrift geachtet
examined-later = Noch { $number }-mal geflogen, davon innerhalb der Grenzen { $within }.
examined-later_once = Noch einmal geflogen, { $within }.
examined-again_within = innerhalb der Grenzen
examined-again_outside = nicht innerhalb der Grenzen
examined-again_unknown = nicht vollständig gemessen
examined-not_flown = Nicht geflogen.
examined-points = { $label }: in { $failed } von { $laps } Runden außerhalb von { $limit }.
examined-points_once = { $label }: in einer von { $laps } Runden außerhalb von { $limit }; ein Prüfer achtet darauf, was sofort berichtigt wird.
examined-marked = { $label }: vom Fluglehrer in { $failed } von { $laps } Runden vermerkt.
examined-unmeasured = Nicht gemessen: eine Aufzeichnung sagt es.
examined-open_cells = Die Grenzen dieses Maßstabs sind hier nicht bekannt.
examined-around_flown = In { $number } von { $laps } Runden durchgestartet.
examined-around_not_flown = Nicht durchgestartet: einmal wird es verlangt.
examined-landed_unstable = In Runde { $numbers } aus einem nicht stabilen Endanflug gelandet.
examined-landed_unstable_all = In den Runden { $numbers } aus einem nicht stabilen Endanflug gelandet.
examined-stable_unknown = Ob der Endanflug stabil war, wurde in { $number } von { $laps } Runden nicht gemessen.
examined-all_within = Jede geflogene Aufgabe lag innerhalb der Grenzen des Maßstabs, soweit gemessen wurde.
examined-below = Unter dem Maßstab: { $names }.
examined-open = Nicht entschieden: { $names }.
examined-examiner = Der Prüfer und die gültige Ausgabe des Prüfungsmaßstabs entscheiden.
examined-nothing = Noch nichts geflogen.

## Was als Nächstes zu fliegen ist, in Kürze.

head-holds = Maßstab erreicht oder unterschrieben: { $names }.
head-holds_none = Noch nichts erreicht den Maßstab.
head-weak = { $name } braucht die meiste Arbeit: { $chance } der Landungen erfüllen den Maßstab.
head-weak_unknown = { $name } ist begonnen; zu wenige Landungen, um mehr zu sagen.
head-weak_none = Nichts Begonnenes liegt unter dem Maßstab.
head-stale = { $name } ist eingerostet.
head-next = Als Nächstes: { $names }.
head-next_none = Es bleibt nichts vorzuschlagen.

## Was als Nächstes zu fliegen ist: zum Aufwärmen, das Schwächste und höchstens ein Neues, jedes mit Grund.

lesson-warm_up = Zum Aufwärmen: es sitzt.
lesson-weak = { $words }
lesson-weak_by = { $words } Am meisten liegt es daran: { $criterion }.
lesson-stale = Zuletzt vor { $days } Tagen geflogen.
lesson-unused = Saß einmal; was seither geflogen wurde, zeigt es nicht mehr.
lesson-practise = Begonnen, noch nicht genug geübt.
lesson-new = Neu: alles, was es voraussetzt, ist geübt.
lesson-needs = Zuerst { $names }.
lesson-fault = { $fault }, immer wieder in den letzten Landungen: das zuerst, nichts Schwereres davor. { $how }
lesson-nothing = Noch ist nichts verzeichnet: beginnen Sie mit den ersten Übungen.
lesson-touchdown = wo aufgesetzt wird
lesson-speed = die Geschwindigkeit
lesson-drift = Abdrift
lesson-limit = { $words }

## Eine Art der Landung über Monate.

progress-helped = { $change } Die mittlere Ablage ging von { $before } auf { $after }, über { $number } Landungen: es hat geholfen.
progress-hurt = { $change } Die mittlere Ablage ging von { $before } auf { $after }, über { $number } Landungen: es hat nicht geholfen.
progress-unclear = { $change } Die mittlere Ablage ging von { $before } auf { $after }: bei { $number } Landungen kann das Zufall sein.
progress-back = Am { $day } rückte der Zielpunkt um { $by } vor, zum Anflug hin.
progress-on = Am { $day } rückte der Zielpunkt um { $by } nach hinten.
progress-faster = Am { $day } stieg die besprochene Geschwindigkeit um { $by }.
progress-slower = Am { $day } sank die besprochene Geschwindigkeit um { $by }.
progress-fast = Über der Schwelle im Mittel { $over } zu schnell.
progress-slow = Über der Schwelle im Mittel { $under } zu langsam.
progress-on_speed = Im Mittel mit der besprochenen Geschwindigkeit.
progress-floats = Schwebt { $seconds } länger als das Modell.

## Ob ein Flugschüler einen Maßstab erreicht.

readiness-at_standard = Zu { $sure } sicher, dass mindestens { $needed } der Landungen ihn erfüllen: Maßstab erreicht, bei { $conditions }.
readiness-likely = Maßstab wahrscheinlich erreicht, noch nicht sicher: zu { $sure } sicher, dass mindestens { $needed } der Landungen ihn erfüllen.
readiness-not_yet = Maßstab noch nicht erreicht: { $chance } der Landungen erfüllen ihn; verlangt sind { $needed }.
readiness-no_window = Wo dieser Maßstab die Räder haben will, ist hier nicht bekannt: vervollständigen Sie eine Kopie, bevor er jemanden bewertet.
readiness-no_limit = Nicht bewertet: { $what }; die Grenze des Maßstabs ist hier nicht bekannt.
readiness-too_few = { $judged } von { $least } bewerteten Landungen: zu wenige für eine Aussage.
readiness-one_landing = 1 von { $least } bewerteten Landungen: zu wenige für eine Aussage.
readiness-touchdown = wo aufgesetzt wird
readiness-speed = die Geschwindigkeit über der Schwelle
readiness-drift = Abdrift beim Aufsetzen
readiness-not_known = Nicht bekannt: { $what }, gesehen bei { $seen } von { $landings } Landungen.
readiness-missing = Gar nicht bekannt: { $what }.
readiness-winds = Wind bis { $wind }, bis { $across } quer
readiness-winds_unknown = Wind, den niemand notiert hat
readiness-place = { $winds }, auf { $runways }, mit { $aircraft }

## Was Flugzeug, Wind, Licht und Maßstab des nächsten Flugs nicht erlauben.

setting-lands_not = { $aircraft } landet nicht so.
setting-no_window = wo { $standard } die Räder haben will, ist nicht bekannt.
setting-no_task = { $standard } hat keine solche Aufgabe.
setting-no_glide = das beste Gleiten von { $aircraft } ist nicht eingegeben.
setting-no_crosswind = { $across } quer sind zum Üben zu wenig.
setting-too_strong = { $across } quer sind mehr als die { $limit }, die für { $aircraft } nachgewiesen sind.
setting-solo_limit = { $across } quer liegen über der Grenze von { $limit } für das Alleinfliegen.
setting-no_gear = { $aircraft } hat weder ein Einziehfahrwerk noch einen Verstellpropeller.
setting-no_slats = { $aircraft } hat weder Vorflügel noch eine Anstellwinkelanzeige.
setting-by_day = zu dieser Stunde ist es Tag.

## Starts, Platzrunde, Endanflug und Entscheidungen über Monate.

task-too_few = { $judged } von { $least } Runden bewertet: zu wenige für eine Aussage.
task-none = Noch nicht gemessen: eine Aufzeichnung oder ein Vermerk des Fluglehrers sagt es.
task-never_around = Noch nie durchgestartet: die Landung aus stabilem Endanflug allein zeigt es nicht.
task-at_standard = Zu { $sure } sicher, dass mindestens { $needed } der Runden innerhalb der Grenzen sind: Maßstab erreicht.
task-likely = Maßstab wahrscheinlich erreicht, noch nicht sicher: zu { $sure } sicher, dass mindestens { $needed } der Runden innerhalb der Grenzen sind.
task-not_yet = Maßstab noch nicht erreicht: { $chance } der Runden sind innerhalb der Grenzen; verlangt sind { $needed }.
task-not_judged = Für Folgendes ist keine Grenze dieses Maßstabs bekannt: { $names }.

## Briefe.

letter-password_subject = Ein neues Passwort für { $school }
letter-password_greeting = Guten Tag { $name },
letter-password_why = jemand hat für Ihre Anmeldung bei { $school } ein neues Passwort angefordert. Dieser Link setzt es, einmal, innerhalb von { $hours } Stunden:
letter-password_else = Wenn Sie es nicht waren, brauchen Sie nichts zu tun: Ihr Passwort bleibt, wie es ist.
