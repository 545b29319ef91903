fleet-fleet-how-far-each-aircraft = Fleet: how far each aircraft floats
fleet-from-the-end-of-the = From the end of the roundout to touchdown, at its usual weight and approach speed, in still air at sea level. Learned from the laps of all pilots. The true value lies on the thin line 95 times in 100. Timed floats tell most: hold the button on the Laps screen.
fleet-no-laps-with-a-touchdown = No laps with a touchdown yet.
fleet-flap = {$aircraft}, flap {$flap}
fleet-the-latest = the latest
fleet-lap-timed-ft-s-to = { $laps ->
    [one] {$latest}{$laps} lap, {$timed_laps} timed; {$deceleration_fps2} ft/s² ({$deceleration_low} to {$deceleration_high})
   *[other] {$latest}{$laps} laps, {$timed_laps} timed; {$deceleration_fps2} ft/s² ({$deceleration_low} to {$deceleration_high})
 }
fleet-to = {$float_low_ft} to {$float_high_ft}
