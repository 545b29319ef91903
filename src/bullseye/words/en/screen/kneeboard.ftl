kneeboard-aim-spot-go-around = Aim, spot, go around
kneeboard-speeds = Speeds
kneeboard-gates-above-sea-level = Gates, above sea level
kneeboard-legs-heading-speed-flap-time = Legs: heading, speed, flap, time
kneeboard-back-to-the-lap-plan = Back to the lap plan
kneeboard-print = Print
kneeboard-watch = Watch
