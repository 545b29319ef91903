
app-past-laps-are-being-calculated = Past laps are being calculated again by touchdown model {$model}: {$left} to go. Aim points and chances to hit may still move.
app-the-week = The week
app-fleet = Fleet
app-tracks = Tracks
app-skip-to-the-screen = Skip to the screen
app-bullseye = Bullseye
app-this-tablets-position-is-being = This tablet’s position is being recorded
app-position = ● Position
app-night-colours = Night colours
app-day-colours = Day colours
app-my-record = My record
app-school = School
app-what-waits-to-be-sent = What waits to be sent stays on this device until you sign in again
app-a-newer-bullseye-is-ready = A newer Bullseye is ready.
app-update-now = Update now
app-not-undone = Not undone: {$problem}
app-training-aid-the-aircraft-handbook = Training aid: the aircraft handbook, local rules and the instructor decide. A go-around is always a good answer.
app-laps-left = { $laps ->
    [one] {$shown} lap
   *[other] {$shown} laps
 }
app-flights-left = { $flights ->
    [one] {$shown} recorded flight
   *[other] {$shown} recorded flights
 }
app-page = {$page} · Bullseye
app-the-record = Record of a student
