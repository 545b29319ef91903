## Practice on the ground.

practise-path = You notice { $angle } off the path: half a mile out that is { $off }. From { $pictures } pictures.
practise-path_flown_high = What looks right to you is { $angle } above the path: you would fly high here.
practise-path_flown_low = What looks right to you is { $angle } below the path: you would fly low here. Power, and look again.
practise-roundout = You were { $height } off in height and { $late } off in time, on average.
practise-roundout_high = Most often too early: on average { $height } too high, and dropped in from there.
practise-roundout_late = Most often too late by { $late }: begin at the mark on the paint, a stripe earlier.
practise-refused_altered = These pictures are not as they were handed out. Begin the drill again.
practise-refused_anothers = These pictures were handed out to somebody else. Begin the drill yourself.
practise-refused_old = These pictures are more than 30 days old. Begin the drill again.
practise-refused_how_many = Answer { $least } to { $most } pictures: fewer tell nothing, and more were not handed out.
practise-refused_not_of_these = These answers do not belong to what was handed out. Begin the drill again.
