debrief-not-all-seen = ? not all seen
debrief-meets = ✓ meets
debrief-not-met = ✕ not met
debrief-laps-against-the-standard = Laps against the standard
debrief-from-spot = From spot
debrief-speed-off = Speed off
debrief-correct-lap = Correct lap {$number}
debrief-not-judged = not judged
debrief-only-the-last-laps = Only the last {$open} laps
debrief-all-laps = All {$all} laps
debrief-tolerances-quoted-from-memory-the = Tolerances are quoted from memory. The current edition of the standard and the examiner decide.
debrief-the-one-change = The one change
debrief-faults-and-remedies = Faults and remedies:
debrief-it-could-not-be-measured = It could not be measured.
debrief-recorded-flight = Recorded flight
debrief-to = {$begun_at} to {$ended_at}
debrief-replay = Replay {$name}
debrief-none-yet = None yet.
debrief-bring-a-file = Bring a file
debrief-measure-from-the-tablets-own = Measure from the tablet’s own positions
debrief-nothing-that-was-measured-or = Nothing that was measured or marked was outside of its limits.
debrief-worst-on = ; worst on {$worst}
debrief-gravest-first-what-was-neither = Gravest first. What was neither measured by a recorded flight nor marked is not judged.
debrief-the-target = the target
debrief-debrief = Debrief: {$name}
debrief-kept-but-cannot-be-read = { $unreadable ->
    [one] One lap of this sortie is kept but cannot be read, and not shown here. Tell the person who runs Bullseye at your school. The others are complete.
   *[other] {$unreadable} laps of this sortie are kept but cannot be read, and not shown here. Tell the person who runs Bullseye at your school. The others are complete.
 }
debrief-no-lap-flown-yet = No lap flown yet.
debrief-record-the-first = Record the first
debrief-of = {$hits} of {$measured}
debrief-touchdown-not-marked = {$measured} touchdown not marked
debrief-landings-marked = landings marked
debrief-mean-from-the-target = Mean from the target
debrief-spread = Spread
debrief-go-arounds = Go-arounds
debrief-all-laps-on-the-strip = All laps on the strip
debrief-white-diamonds-are-in-the = White diamonds are in the box, dark ones outside.
debrief-laps-flown-to-another-spot = Laps flown to another spot are drawn at their distance from it.
debrief-why-each-landed-there = Why each landed there
debrief-why-each-landed-there-from = Why each landed there, from {$counted}
debrief-in-laps = { $count ->
    [one] lap
   *[other] laps
 }
