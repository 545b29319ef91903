### What the core says of explain: one group a subject.

## The rest of the lap, judged: takeoff, pattern, final, rollout, and the decision to land or to go around.

around-landed_broken = It was not stable on final and was landed all the same: go around then, every time.
around-around_broken = Going around was right: it was not stable on final.
around-landed_stable = Stable on final: right to land.
around-around_free = Going around costs nothing, needed or not.
around-stable_unknown = Whether it was stable on final was not measured: landing or going around is not judged.
around-liftoff_late = Lifted off { $value } beyond the calculated distance: up to { $limit } is the usual scatter.
around-liftoff_early = Lifted off in { $value } less than the calculated distance: was it pulled off?
around-takeoff_centreline = { $value } off the centreline at lift-off; { $limit } at most.
around-climb_speed_fast = Climbed { $value } fast by { $wind }; { $limit } at most.
around-climb_speed_slow = Climbed { $value } slow by { $wind }; { $limit } at most.
around-first_turn = Turned { $value } below the height calculated for the first turn.
around-altitude_high = Downwind was { $value } above pattern altitude; { $limit } at most.
around-altitude_low = Downwind was { $value } below pattern altitude; { $limit } at most.
around-downwind_speed_fast = Downwind was { $value } fast by { $wind }; { $limit } at most.
around-downwind_speed_slow = Downwind was { $value } slow by { $wind }; { $limit } at most.
around-downwind_track_out = Downwind ran away from the runway by { $value }: more correction for the wind.
around-downwind_track_in = Downwind closed in on the runway by { $value }: more correction for the wind.
around-spacing_wide = Downwind was { $value } wider than planned.
around-spacing_tight = Downwind was { $value } tighter than planned.
around-bank = Banked { $value } in the pattern; { $limit } at most. Overshot is overshot: go around.
around-overshoot = Flew { $value } through the extended centreline turning final.
around-path_high = Was { $value } above the path on final; { $limit } at most.
around-path_low = Was { $value } below the path on final; { $limit } at most.
around-final_centreline_right = Was { $value } right of the centreline on final; { $limit } at most.
around-final_centreline_left = Was { $value } left of the centreline on final; { $limit } at most.
around-steady = The speed changed by { $value } on final; { $limit } at most.
around-final_speed_fast = Was { $value } fast on final by { $wind }; { $limit } at most.
around-final_speed_slow = Was { $value } slow on final by { $wind }; { $limit } at most.
around-wind_briefed = the briefed wind
around-wind_read = the wind read on the lap
around-wind_turns = the wind that the turns showed
around-marked = { $label }: marked by the instructor.
around-not_measured = Not measured: { $names }. A recorded flight tells them.

## Why it landed there: the touchdown error split into feet that add up to it exactly.

explain-go_around = Go-around: a good answer. Nothing to change about the aim.
explain-go_around_long = Go-around: a good answer. It was going to be long, and the next aim point takes that into account.
explain-go_around_short = Go-around: a good answer. It was going to be short, and the next aim point takes that into account.
explain-low_approach = Low approach: no touchdown to explain.
explain-drill = Hold-off drill: no touchdown to explain.
explain-not_marked = No touchdown was marked, so there is nothing to explain. Tap the strip where the wheels met it.
explain-part_path = the path pointed at { $flown }, { $planned } planned
explain-part_aim_same = aim point as recommended
explain-part_aim_beyond = aim point { $off } beyond the recommended one
explain-part_aim_before = aim point { $off } before the recommended one
explain-part_speed_unread = threshold speed not read: within the hold-off
explain-part_speed = { $read } over the threshold, { $briefed } briefed
explain-no_headwind = no headwind
explain-headwind = headwind { $wind }
explain-tailwind = tailwind { $wind }
explain-part_wind_unread = wind not read on this lap: taken as briefed
explain-part_wind_never = nobody has given the wind: within the hold-off
explain-part_wind_unknown = { $flown }, unknown when it was briefed
explain-part_wind = { $flown }, { $briefed } briefed
explain-part_wind_turns = { $flown } as the turns showed it, { $briefed } briefed
explain-part_wind_turns_unknown = { $flown } as the turns showed it; none was briefed
explain-part_roundout = where the hold-off began
explain-part_roundout_untimed = hold-off not timed: within the hold-off
explain-part_float = { $held } held off, { $expected } expected
explain-part_rest = the rest; it holds what nobody measured: { $what }
explain-before_threshold = The wheels touched { $short } before the threshold: add power, or go around, as soon as the aim point moves up the windscreen. Choose a spot farther in.
explain-above_stall = only { $margin } above the stall
explain-at_the_stall = at or below the stalling speed
explain-slow = { $read } over the threshold is { $less } below the { $briefed } briefed and { $margin }. Hold the speed to the roundout; go around below it.
explain-nothing = Change nothing: every part is within what can be told from a tap.
explain-path = The final pointed at { $flown }, not at the { $planned } of the brief: hold the aim point still in the windscreen.
explain-aim_shorter = Aim { $amount } shorter ({ $stripes }): the aim point alone moved it.
explain-aim_farther = Aim { $amount } farther in ({ $stripes }): the aim point alone moved it.
explain-too_fast = Cross the threshold at { $briefed }, not { $read }: { $off } too many made { $amount }.
explain-too_slow = Cross the threshold at { $briefed }, not { $read }: { $off } too few made { $amount }.
explain-wind_shorter = The wind had changed: aim { $amount } shorter ({ $stripes }) while it lasts.
explain-wind_farther = The wind had changed: aim { $amount } farther in ({ $stripes }) while it lasts.
explain-landed_beyond = It touched { $error } beyond { $origin }.
explain-landed_before = It touched { $error } before { $origin }.
explain-on_target = It touched where it should.
explain-of_spot = the spot
explain-of_box = the middle of the box
explain-speed_unread = Why is not known, since nobody read the speed over the threshold: read it on the next lap.
explain-wind_unread = Why is not known, since nobody has given the wind: give the wind of this lap, and of the sortie before the next one.
explain-untimed_long = Why is not known yet. On the next lap, time the hold-off. Check that the power is closed at the roundout, and that the roundout begins at the cue.
explain-untimed_short = Why is not known yet. On the next lap, time the hold-off, and watch at what height the roundout begins.
explain-dropped_in = It was dropped in: rounded out too high. Begin the roundout at the cue and not above it. Look to the far end, and hold it off just over the runway. When it sinks away, add power or go around.
explain-ballooned = It ballooned: pulled too fast at the roundout. Ease it level, hold the attitude when it rises, and go around from a large one.
explain-flat = It touched flat: it was flown on before the hold-off was over. Keep the stick coming back until it will not fly any more.
explain-roundout_long = The hold-off began { $amount } too far in: on the path sooner, and round out at the cue, not above it.
explain-roundout_short = The hold-off began { $amount } too short: keep the aim point still until the cue, then round out.
explain-hold_off_long = Held off { $amount } too long: check that the power is closed at the roundout and nothing is pulled early.
explain-hold_off_short = Touched { $amount } too short: hold it off, keep the stick coming back. Never save it by pushing forward.

## Faults of a landing and their remedies: what each looks like, why it happens, what to do now, what to practise.

illusion-width_low = Within a mile it looks narrower than { $home }, and you feel high: the usual picture is flown at { $flown }, { $off } low a mile out.
illusion-width_high = Within a mile it looks wider than { $home }, and you feel low: the usual picture is flown at { $flown }, { $off } high a mile out.
illusion-length_low = Far out its shape makes you feel high: the usual picture is flown at { $flown }.
illusion-length_high = Far out its shape makes you feel low: the usual picture is flown at { $flown }.
illusion-slope_low = At every distance it rises more than { $home } and looks { $angle } too high: you fly low.
illusion-slope_high = At every distance it falls away against { $home } and looks { $angle } too low: you fly high.
illusion-together = With the slope on top of it { $flown }, { $off } { $side } a mile out.
illusion-gates = Fly heights, not the picture: { $gate } a mile from the aim point. Path lights, where there are any, decide.
illusion-same = Its width, length and slope look much as at { $home }.

## Scoring a landing: each criterion with value, tolerance, verdict and weight; the total is their plain sum.

score-go_around = Go-around: always a good answer.
score-low_approach = Low approach: nothing of it was seen.
score-low_approach_good = Low approach as it should be, as far as it was seen.
score-low_approach_bad = Low approach: fly it again until nothing is off.
score-drill = Hold-off drill: time it to have it scored.
score-drill_good = Held as long as the hold-off lasts.
score-drill_bad = Not held as long as the hold-off lasts: look for the attitude, and the stick coming back all the time.
score-not_seen = Touchdown not seen: accuracy is unknown.
score-on_the_spot = In the box, on the spot.
score-hit = In the box, { $past } past the spot.
score-hit_before = In the box, { $before } before the spot.
score-short = { $short } short of the box: short is a fail, however small.
score-long = { $long } beyond the box.

## A sortie's landings together: where they lie, how far they spread, and the one change that follows.

summary-never = never
summary-once = once
summary-twice = twice
summary-times = { $number } times
summary-once_in = once in { $lessons } lessons
summary-once_in_hundreds = in less than one lesson of a hundred
summary-better = In the box { $times } in { $landings } landings, where the forecast expects { $expected }: luck alone makes so many { $seldom }. This pilot is better than the forecast knew.
summary-worse = In the box { $times } in { $landings } landings, where the forecast expects { $expected }: bad luck alone makes so few { $seldom }. Look for what has changed.
summary-luck = In the box { $times } in { $landings } landings, where the forecast expects { $expected }: what luck makes of it. It tells nothing new of the skill.
summary-not_marked = No touchdown marked yet.
summary-too_few = { $laps } of { $enough } laps needed before a habit can be told from chance.
summary-steadily_long = Steadily { $error } beyond { $origin }
summary-steadily_short = Steadily { $error } before { $origin }
summary-steady_speed = { $steadily }, most of it speed: fly the briefed speed before moving the aim point.
summary-aim_too_near = { $steadily }: the aim point would now lie before the threshold. Choose a spot farther in.
summary-next_aim = { $steadily }: aim at { $aim } on the next lap.
summary-next_aim_for = { $steadily }: aim at { $aim } for the spot at { $spot } on the next lap.
summary-aim_back = { $steadily }: move the aim point { $shift } back ({ $stripes }).
summary-aim_on = { $steadily }: move the aim point { $shift } on ({ $stripes }).
summary-scattered_speed = Scattered by { $spread }, most of it speed: hold the speed before anything else.
summary-scattered = Scattered by { $spread }: the same speed and the same roundout every lap, then judge the aim.
summary-no_error = No steady error: on the target on average, spread { $spread }. Leave the aim point where it is.
summary-no_error_long = No steady error: { $mean } long on average, spread { $spread }. Leave the aim point where it is.
summary-no_error_short = No steady error: { $mean } short on average, spread { $spread }. Leave the aim point where it is.
summary-dropped_in = Dropped in on { $dropped } of { $landings } landings: the roundout begins too high. Put that right before the aim point moves: low approaches along the runway, then land from the same picture.
summary-steady = { $steadily }.

## Faults and their remedies, each by its code.

fault-around = Going around is always right.

fault-bounce_name = Bounce
fault-bounce_looks = The wheels touch, and the aeroplane is in the air again with the nose high and the speed going.
fault-bounce_cause_1 = Too little flare: it was flown onto the runway.
fault-bounce_cause_2 = Too fast, so that it still wanted to fly.
fault-bounce_cause_3 = Looking at the runway just ahead.
fault-bounce_now_1 = A small one: hold the attitude, a touch of power, let it settle. Never push forward.
fault-bounce_now_2 = A high one, or a second: full power, level, and away.
fault-bounce_how = Hold-off drill at altitude, then low approaches along the runway, eyes to the far end.

fault-balloon_name = Balloon
fault-balloon_looks = In the roundout the runway sinks away again, and the speed runs out above it.
fault-balloon_cause_1 = Pulled too fast or too much.
fault-balloon_cause_2 = Too fast over the threshold.
fault-balloon_cause_3 = A gust in the roundout.
fault-balloon_now_1 = Small: stop pulling, hold the attitude, a touch of power as it sinks.
fault-balloon_now_2 = Large: full power and around; the speed for a second try is gone.
fault-balloon_how = Fly the briefed speed, and round out with the pressure that the nose asks for, no more.

fault-porpoise_name = Porpoise
fault-porpoise_looks = Nosewheel, mainwheels, nosewheel: each bounce is larger than the one before.
fault-porpoise_cause_1 = Nosewheel first, then chasing each bounce with the stick, half a beat late.
fault-porpoise_now_1 = Do not chase it: stick back to the landing attitude, full power, around.
fault-porpoise_now_2 = A third bounce breaks the nosewheel.
fault-porpoise_how = Go-around from the roundout until it needs no thought.

fault-wheelbarrow_name = Wheelbarrowing
fault-wheelbarrow_looks = The weight is on the nosewheel; it steers sharply, and the tail feels light.
fault-wheelbarrow_cause_1 = Too fast at the touchdown, and forward pressure to keep it down.
fault-wheelbarrow_now_1 = Stick back, power off, straight with little rudder.
fault-wheelbarrow_now_2 = If it is not straight at once and runway is left: around.
fault-wheelbarrow_how = Hold it off until it will not fly any more; the stick comes back all the way.

fault-dropped_in_name = Dropped in
fault-dropped_in_looks = It stops flying above the runway, and falls the last feet.
fault-dropped_in_cause_1 = Rounded out too high.
fault-dropped_in_cause_2 = Too slow, or power off too early.
fault-dropped_in_cause_3 = Looking too close in front.
fault-dropped_in_now_1 = While it sinks: power, hold the attitude; lower the nose only with height in hand.
fault-dropped_in_how = Low approaches along the runway show how high the hold-off is; then land from the same picture.

fault-drift_name = Touched sideways
fault-drift_looks = The runway slides under the nose to one side, and the tyres squeal across.
fault-drift_cause_1 = Wing not low enough, or the correction taken out in the hold-off.
fault-drift_cause_2 = Wind across that changed near the ground.
fault-drift_now_1 = Wing into the wind, nose straight by rudder, keep it until it stops.
fault-drift_now_2 = If full rudder cannot hold it straight, the wind is too much: leave.
fault-drift_how = Low approaches with the wing down, along the centreline from end to end, without touching.

fault-crab_left_in_name = Crab left in
fault-crab_left_in_looks = It touches with the nose off the runway’s direction, and jerks straight.
fault-crab_left_in_cause_1 = Straightened too late, or not at all.
fault-crab_left_in_cause_2 = Rudder without the aileron that belongs to it.
fault-crab_left_in_now_1 = Rudder to the centreline with the wing into the wind, before it touches.
fault-crab_left_in_how = Wing low from short final on, so that there is nothing left to straighten.

fault-long_name = Long
fault-long_looks = The spot goes by underneath, and it still floats.
fault-long_cause_1 = Aim point too near to the spot.
fault-long_cause_2 = Too fast.
fault-long_cause_3 = Rounded out high, or power left on.
fault-long_now_1 = Wheels not down by the go-around point: full power, around.
fault-long_now_2 = Never push it onto the runway.
fault-long_how = Fly the briefed speed first; then move the aim point by what is left.

fault-short_name = Short
fault-short_looks = The aim point rises in the windscreen; more power is needed and the nose is high.
fault-short_cause_1 = Dragged in: below the path with power.
fault-short_cause_2 = Slow, on the back of the power curve.
fault-short_cause_3 = More headwind than planned.
fault-short_now_1 = Power holds the path, pitch holds the speed: both, at once.
fault-short_now_2 = Never stretch a glide with the stick.
fault-short_how = One steady path from the base turn on, the aim point held still.

fault-flat_name = Dragged in, low and flat
fault-flat_looks = The runway looks flat and long before the threshold; the power is up.
fault-flat_cause_1 = Descent begun too early or too fast.
fault-flat_cause_2 = A narrow or rising runway, which looks high.
fault-flat_now_1 = Power and level until the path is met from below, then down on it.
fault-flat_how = Altitude gates on base and final, called aloud.

fault-steep_name = High and steep
fault-steep_looks = The runway looks tall, and the aim point sinks below the nose.
fault-steep_cause_1 = Base turned too early, or a wind that pulled it in.
fault-steep_cause_2 = Flap or power change too late.
fault-steep_now_1 = Power off, all flap, slip if the aircraft allows it; speed stays.
fault-steep_now_2 = Not stable at the gate: around.
fault-steep_how = Fly base a little later, and slip from high on purpose.

fault-overshot_name = Overshot final
fault-overshot_looks = The turn ends beyond the centreline.
fault-overshot_cause_1 = A wind along base that nobody allowed for.
fault-overshot_cause_2 = Base flown too near, or the turn begun too late.
fault-overshot_now_1 = Thirty degrees of bank and no more, and wait for it to come round; or around.
fault-overshot_now_2 = No rudder to help it: that is how a spin begins.
fault-overshot_how = Decide before each lap how early to turn in today’s wind, and say it on base.

fault-over_banked_name = Too much bank in the last turn
fault-over_banked_looks = Bank over thirty degrees, the nose coming up to hold height, the stall warning near.
fault-over_banked_cause_1 = Overshooting, and trying to save it.
fault-over_banked_cause_2 = A tight downwind.
fault-over_banked_now_1 = Less bank, lower the nose, power: around.
fault-over_banked_how = Stalls from a slow turn to final, at altitude; wider downwind.

fault-swing_name = Swing on the roll
fault-swing_looks = On the roll the nose goes to one side, and more when the tail or the nosewheel lifts.
fault-swing_cause_1 = Power pushed in too fast for the feet.
fault-swing_cause_2 = Wind across, and aileron forgotten.
fault-swing_cause_3 = Heels on the brakes.
fault-swing_now_1 = Rudder early and small; if it is not held at once, power off and straight.
fault-swing_how = Power over three seconds, heels on the floor, eyes at the far end.

fault-stall_high_name = Stall warning high above the runway
fault-stall_high_looks = The warning sounds in the roundout with feet of air below.
fault-stall_high_cause_1 = Rounded out too high and held.
fault-stall_high_cause_2 = Slow on final.
fault-stall_high_now_1 = Power and hold the attitude as it settles; high: full power, around.
fault-stall_high_how = Hold-off drill at altitude: know what the last three knots feel like.

fault-off_centreline_name = Off the centreline
fault-off_centreline_looks = It touches beside the line and rolls towards the edge.
fault-off_centreline_cause_1 = Looking past the nose at the side that one sits on.
fault-off_centreline_cause_2 = Final not lined up before the gate.
fault-off_centreline_now_1 = Correct to the line while there is air below; rolling, small rudder.
fault-off_centreline_how = Low approaches with the line between the feet from end to end.

## What a landing is judged on, and by which tolerance.

score-label_accuracy = Touchdown from the spot
score-label_speed = Speed over the threshold, from target
score-label_float = Float
score-label_drift = Drift at touchdown
score-label_centreline = From the centreline
score-label_arrival = Arrival
score-label_held = Held off
score-label_sink_through = Sank through the height that stands for the runway
score-label_wheels = Wheels touched
score-label_height = Height kept along the runway
score-from_to = { $low } to { $high }
score-unknown = unknown
score-not_known = not known
score-about = −{ $below } to +{ $above }
score-of_model = model { $model }, up to { $most }
score-none = none
score-within = within { $limit }
score-clean = no bounce, no balloon
score-or_more = { $least } or more
score-no = no

## What the rest of a lap is judged on, and by which limits.

around-label_liftoff = Lift-off point against the calculated one
around-label_takeoff_centreline = Off the centreline at lift-off
around-label_climb_speed = Speed in the climb
around-label_first_turn = Height of the first turn against the calculated one
around-label_altitude = Downwind against pattern altitude
around-label_downwind_speed = Speed on downwind
around-label_downwind_track = Downwind running away from the runway
around-label_spacing = Downwind spacing against the calculated one
around-label_bank = Steepest bank that was held
around-label_overshoot = Beyond the centreline turning final
around-label_path = Off the path on final
around-label_final_centreline = Off the centreline on final
around-label_steady = Change of speed on final
around-label_final_speed = Speed on final
around-label_rollout = Rollout against the calculated one
around-label_decision = Landing or going around
around-decision_limit = stable on final, or around
around-unknown = unknown
around-up_to = up to { $above }
around-down_to = down to −{ $below }
around-about = −{ $below } to +{ $above }
around-either_way = ±{ $above }
around-the_takeoff = the takeoff
around-the_pattern = the pattern
around-the_final = the final
