## Practice on the ground.

practise-path = You notice { $angle } off the path: half a mile out that is { $off }. From { $pictures } pictures.
practise-path_flown_high = What looks right to you is { $angle } above the path: you would fly high here.
practise-path_flown_low = What looks right to you is { $angle } below the path: you would fly low here. Power, and look again.
practise-roundout = You were { $height } off in height and { $late } off in time, on average.
practise-roundout_high = Most often too early: on average { $height } too high, and dropped in from there.
practise-roundout_late = Most often too late by { $late }: begin at the mark on the paint, a stripe earlier.
