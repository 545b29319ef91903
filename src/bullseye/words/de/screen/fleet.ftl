fleet-fleet-how-far-each-aircraft = Flotte: wie weit jedes Flugzeug schwebt
fleet-from-the-end-of-the = Vom Ende des Abfangens bis zum Aufsetzen, mit üblichem Gewicht und üblicher Anfluggeschwindigkeit, bei Windstille auf Meereshöhe. Gelernt aus den Runden aller Piloten. Der wahre Wert liegt in 95 von 100 Fällen auf der dünnen Linie. Am meisten sagen gestoppte Schwebezeiten: halten Sie den Knopf auf der Seite Runden gedrückt.
fleet-no-laps-with-a-touchdown = Noch keine Runden mit markiertem Aufsetzen.
fleet-flap = {$aircraft}, Klappen {$flap}
fleet-the-latest = die letzten
fleet-lap-timed-ft-s-to = { $laps ->
    [one] {$latest}{$laps} Runde, {$timed_laps} gestoppt; {$deceleration_fps2} ft/s² ({$deceleration_low} bis {$deceleration_high})
   *[other] {$latest}{$laps} Runden, {$timed_laps} gestoppt; {$deceleration_fps2} ft/s² ({$deceleration_low} bis {$deceleration_high})
 }
fleet-to = {$float_low_ft} bis {$float_high_ft}
