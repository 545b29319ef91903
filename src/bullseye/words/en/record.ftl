### What the core says of record: one group a subject.

## Recent experience: enough takeoffs and landings within so many days, and until when it holds.

currency-holds = { $rule }: { $have } in the time, good until { $day }.
currency-lacks = { $rule }: { $have } of { $needed } in the time; { $missing } more.
currency-never = { $rule }: no landing on record here.

## One sortie as an examiner would go through it: the tasks of a standard, each by what was measured.

examined-lap = Lap { $number }: { $what }.
examined-within = within every limit that was measured
examined-short = touched { $off } short of the window
examined-long = touched { $off } beyond the window
examined-fast = { $off } over the highest speed allowed over the threshold
examined-slow = { $off } under the lowest speed allowed over the threshold
examined-drift = touched with drift
examined-unseen = the touchdown was not seen
examined-no_window = where this standard wants the wheels is not known here
examined-no_speed = the speed was not read
examined-no_speed_limit = its speed limits are not known here
examined-no_drift = nobody looked for drift
examined-later = Flown again { $number } times, within limits { $within }.
examined-later_once = Flown once again, { $within }.
examined-again_within = within limits
examined-again_outside = not within limits
examined-again_unknown = not fully measured
examined-not_flown = Not flown.
examined-points = { $label }: outside of { $limit } on { $failed } of { $laps } laps.
examined-points_once = { $label }: outside of { $limit } on one lap of { $laps }; an examiner looks for what is corrected at once.
examined-marked = { $label }: marked by the instructor on { $failed } of { $laps } laps.
examined-unmeasured = Not measured: a recorded flight tells it.
examined-open_cells = The limits of this standard are not known here.
examined-around_flown = Went around on { $number } of { $laps } laps.
examined-around_not_flown = No go-around flown: one is asked for.
examined-landed_unstable = Landed from a final that was not stable on lap { $numbers }.
examined-landed_unstable_all = Landed from a final that was not stable on laps { $numbers }.
examined-stable_unknown = Whether finals were stable was not measured on { $number } of { $laps } laps.
examined-all_within = Every task that was flown was within the limits of the standard, as far as it was measured.
examined-below = Below the standard: { $names }.
examined-open = Not decided: { $names }.
examined-examiner = The examiner and the current edition of the standard decide.
examined-nothing = Nothing flown yet.

## What to fly next: a warm-up, what is weakest or stalest, and one new thing at most, each with its reason.

head-holds = At standard or signed: { $names }.
head-holds_none = Nothing is at standard yet.
head-weak = { $name } needs the most work: { $chance } of landings meet it.
head-weak_unknown = { $name } has been begun; too few landings to say more.
head-weak_none = Nothing that was begun is below standard.
head-stale = { $name } is stale.
head-next = Next: { $names }.
head-next_none = Nothing is left to propose.

## What to fly next: a warm-up, what is weakest or stalest, and one new thing at most, each with its reason.

lesson-warm_up = To warm up: it is held.
lesson-weak = { $words }
lesson-weak_by = { $words } What lets it down most is { $criterion }.
lesson-stale = Last flown { $days } days ago.
lesson-unused = Held once; what was flown since does not show it any more.
lesson-practise = Begun, not yet practised enough.
lesson-new = New: all it needs has been practised.
lesson-needs = First { $names }.
lesson-fault = { $fault } again and again in the latest landings: that first, nothing harder before it. { $how }
lesson-nothing = Nothing is on record yet: begin with the first exercises.
lesson-touchdown = where it touches
lesson-speed = the speed
lesson-drift = drift
lesson-limit = { $words }

## One kind of landing over months: mean apart from scatter, habits, and whether a change of the aim helped.

progress-helped = { $change } The mean error went from { $before } to { $after } over { $number } landings: it helped.
progress-hurt = { $change } The mean error went from { $before } to { $after } over { $number } landings: it did not help.
progress-unclear = { $change } The mean error went from { $before } to { $after }: of { $number } landings that may be chance.
progress-back = On { $day } the aim point moved { $by } back.
progress-on = On { $day } the aim point moved { $by } on.
progress-faster = On { $day } the briefed speed went up by { $by }.
progress-slower = On { $day } the briefed speed went down by { $by }.
progress-fast = { $over } fast on average over the threshold.
progress-slow = { $under } slow on average over the threshold.
progress-on_speed = On the briefed speed on average.
progress-floats = Floats { $seconds } longer than the model.

## Whether a student is at a standard: how sure it is that one landing meets all that was measured of it.

readiness-at_standard = { $sure } sure that at least { $needed } of landings meet it: at standard, in { $conditions }.
readiness-likely = Likely at standard, not yet sure: { $sure } sure that at least { $needed } of landings meet it.
readiness-not_yet = Not yet at standard: { $chance } of landings meet it; { $needed } are asked for.
readiness-no_window = Where this standard wants the wheels is not known here: complete a copy of it before it judges anybody.
readiness-no_limit = Not judged: { $what }; the limit of the standard is not known here.
readiness-too_few = { $judged } of { $least } judged landings: too few to say.
readiness-one_landing = 1 of { $least } judged landings: too few to say.
readiness-touchdown = where they touch
readiness-speed = the speed over the threshold
readiness-drift = drift at touchdown
readiness-not_known = Not known: { $what }, read on { $seen } of { $landings } landings.
readiness-missing = Not known at all: { $what }.
readiness-winds = winds to { $wind }, { $across } across
readiness-winds_unknown = winds that nobody noted
readiness-place = { $winds }, on { $runways }, in the { $aircraft }

## What the aircraft, the wind, the light and the standard of the next flight do not allow.

setting-lands_not = the { $aircraft } does not land so.
setting-no_window = where { $standard } wants the wheels is not known.
setting-no_task = { $standard } has no such task.
setting-no_glide = the best glide of the { $aircraft } is not entered.
setting-no_crosswind = { $across } across is too little to practise in.
setting-too_strong = { $across } across is more than the { $limit } that the { $aircraft } was demonstrated in.
setting-solo_limit = { $across } across is above the limit of { $limit } for flying alone.
setting-no_gear = the { $aircraft } has neither a gear to lower nor a propeller to set.
setting-no_slats = the { $aircraft } has neither slats nor a gauge for the angle of attack.
setting-by_day = it is day at that hour.

## Takeoffs, pattern, final and decisions over months: how often each was within the limits, and what lets it down.

task-too_few = { $judged } of { $least } laps judged: too few to say.
task-none = Not measured yet: a recorded flight, or a mark by the instructor, tells it.
task-never_around = No go-around flown yet: landing from a stable final alone does not show it.
task-at_standard = { $sure } sure that at least { $needed } of laps are within limits: at standard.
task-likely = Likely at standard, not yet sure: { $sure } sure that at least { $needed } of laps are within limits.
task-not_yet = Not yet at standard: { $chance } of laps are within limits; { $needed } are asked for.
task-not_judged = No limit of this standard is known for: { $names }.

## Letters.

letter-password_subject = A new password for { $school }
letter-password_greeting = Hello { $name },
letter-password_why = somebody asked for a new password for your login at { $school }. This link sets it, once, within { $hours } hours:
letter-password_else = If it was not you, do nothing: your password stays as it is.
