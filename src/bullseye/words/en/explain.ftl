### What the core says of explain: one group a subject.

## The rest of the lap, judged: takeoff, pattern, final, rollout, and the decision to land or to go around.

around-landed_broken = It was not stable on final and was landed all the same: go around then, every time.
around-around_broken = Going around was right: it was not stable on final.
around-landed_stable = Stable on final: right to land.
around-around_free = Going around costs nothing, needed or not.
around-landed_late = It touched { $beyond } behind the go-around point. Not down by there means going around, every time.
around-why_not_stable = Going around was right: it was not stable.
around-why_window_gone = Going around was right: the box had gone by. It costs nothing; fly it again.
around-why_occupied = Going around was right: the runway was not free.
around-why_traffic = Going around was right: somebody else was in the way.
around-why_gust = Going around was right: a gust had upset it.
around-why_bounce = Going around was right: it had bounced.
around-came_late = The go-around came late: decide at the gate, or at the go-around point, and not after it.
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
explain-pushed = It was pushed towards the runway. Never save a landing by pushing forward: attitude, power, and around.
explain-stall_warning_high = The stall warning sounded with air below the wheels. Begin the roundout lower, and add power as it settles or go around.
explain-rounded_out_high = It was rounded out too high. Begin at the mark on the paint and not above it, and look to the far end. High and slow: go around.
explain-power_left_on = Power was left on, and it flew on. Close it gently to idle in the roundout, and hold the attitude.
explain-rounded_out_low = It was rounded out too low, and met the runway while still flying. Begin at the mark, a stripe earlier if need be, and pull smoothly.
explain-rounded_out_late = It was rounded out late, and met the runway while still flying. Begin at the mark, a stripe earlier if need be, and pull smoothly.
explain-let_go = The hold-off was let go with speed left. Keep the stick coming back until it will not fly any more.
explain-eyes_too_near = The eyes stayed too near, and the height was guessed. As the runway widens, look to its far end.
explain-stirred = The stick was stirred in the hold-off. One way only: hold it, or a little farther back.
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
summary-dropped_in = Rounded out too high or dropped in on { $dropped } of { $landings } landings: the roundout begins too high. Put that right before the aim point moves: low approaches along the runway, then land from the same picture.
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

fault-rotation_name = Rotated early or late
fault-rotation_looks = It is pulled off before it wants to fly, or held on long after it would.
fault-rotation_cause_1 = The speed was not watched from halfway down the roll.
fault-rotation_cause_2 = The printed speed is for one weight only.
fault-rotation_now_1 = Early: lower the nose a little, stay close to the runway, let the speed come.
fault-rotation_now_2 = Late: ease the weight off the nosewheel and let it fly.
fault-rotation_how = Say the lift-off speed for today’s weight at the hold, and call it on the roll.

fault-nosewheel_held_down_name = Nosewheel held down on the roll
fault-nosewheel_held_down_looks = The stick is forward, the nosewheel shimmies, and the aeroplane skips sideways.
fault-nosewheel_held_down_cause_1 = Forward pressure to keep it straight in a crosswind.
fault-nosewheel_held_down_now_1 = Take the weight off the nosewheel early; straight with the rudder, wing into the wind.
fault-nosewheel_held_down_now_2 = Not straight with runway left: power off and stop.
fault-nosewheel_held_down_how = Takeoff rolls with the nosewheel just light, aileron fully over and less as it bites.

fault-settled_back_name = Settled back after lift-off
fault-settled_back_looks = It leaves the ground, the nose is high, and the wheels come down once more.
fault-settled_back_cause_1 = Pulled off before it could fly outside of the ground effect.
fault-settled_back_cause_2 = Climbed at once instead of staying low until the climb speed.
fault-settled_back_now_1 = Full power, nose level, stay just over the runway until it has the climb speed.
fault-settled_back_how = Soft-field takeoffs: off early, level close to the ground, climb when the speed is there.

fault-altitude_name = Pattern altitude not held
fault-altitude_looks = Downwind is flown high, low or wandering.
fault-altitude_cause_1 = Not trimmed, and eyes inside.
fault-altitude_cause_2 = The power of level flight is not known by heart.
fault-altitude_now_1 = Set attitude and power for level flight, trim, then look out again.
fault-altitude_how = One whole downwind by attitude and sound, the altimeter read aloud only abeam.

fault-spacing_name = Downwind too wide or too tight
fault-spacing_looks = The runway sits higher or lower on the wing than the mark that is wanted.
fault-spacing_cause_1 = The wind on downwind was not corrected.
fault-spacing_cause_2 = The first turn was early or late.
fault-spacing_now_1 = Turn a little towards or away now; do not save it on base.
fault-spacing_how = Name the wing mark for this runway, and check it twice on each downwind.

fault-too_fast_name = Too fast in the pattern
fault-too_fast_looks = The speed stays above what was briefed on downwind, base or final.
fault-too_fast_cause_1 = Power reduced late, or not enough of it.
fault-too_fast_cause_2 = Nose too low on base and final.
fault-too_fast_cause_3 = Not trimmed for the speed.
fault-too_fast_now_1 = Raise the nose to the attitude of the speed, take power off, then trim.
fault-too_fast_now_2 = Still fast at the gate: full power and around.
fault-too_fast_how = Each leg has one speed: say it as the leg begins, and have it within ten seconds.

fault-too_slow_name = Too slow in the pattern
fault-too_slow_looks = The speed falls below what was briefed; the nose is high and the controls are soft.
fault-too_slow_cause_1 = Held up with the nose where power was missing.
fault-too_slow_cause_2 = Flap taken without lowering the nose.
fault-too_slow_now_1 = Lower the nose and add power, both at once; no turn before the speed is back.
fault-too_slow_now_2 = Near the ground: full power and around.
fault-too_slow_how = Slow flight at altitude with each flap setting, then patterns with the speeds called aloud.

fault-descent_late_name = Descent begun late
fault-descent_late_looks = Abeam the spot goes by, and base is flown with much height left.
fault-descent_late_cause_1 = Checks or talk at the moment when the power should come back.
fault-descent_late_cause_2 = A wind onto the field, which makes base short.
fault-descent_late_now_1 = Power off and all flap as it may be used; lengthen base a little.
fault-descent_late_now_2 = Not stable at the gate: around.
fault-descent_late_how = Checks done before abeam, so that abeam only the power and the flap are left.

fault-corner_cut_name = Corner cut from downwind to final
fault-corner_cut_looks = Base disappears, one long turn ends on a short final.
fault-corner_cut_cause_1 = Eyes on the runway instead of a base leg.
fault-corner_cut_cause_2 = Hurry for somebody behind.
fault-corner_cut_now_1 = Roll level on base for a few seconds, look at final, then turn.
fault-corner_cut_how = Choose a mark on the ground for each corner, and fly from mark to mark.

fault-not_trimmed_name = Not trimmed
fault-not_trimmed_looks = The hand holds what the trim should hold, and the speed wanders with every glance away.
fault-not_trimmed_cause_1 = Trim forgotten after each change of power, flap or speed.
fault-not_trimmed_now_1 = Attitude, power, trim, in this order; then let go for a second and look.
fault-not_trimmed_how = Fly a downwind with two fingers, and trim until they are not needed.

fault-over_controlled_name = Over-controlling
fault-over_controlled_looks = The stick is never still, and the aeroplane never settles.
fault-over_controlled_cause_1 = A tight grip.
fault-over_controlled_cause_2 = Correcting before the last correction has acted.
fault-over_controlled_now_1 = Hand off the stick for a second, then two fingers: one pressure, wait, look.
fault-over_controlled_how = Finals with two fingers; every stir is drag.

fault-check_missed_name = Check missed
fault-check_missed_looks = A leg ends and its check has not been heard.
fault-check_missed_cause_1 = No fixed place for it in the pattern.
fault-check_missed_now_1 = Do it now if there is height and time, aloud; else around.
fault-check_missed_how = Each check at its own place, said aloud on every lap, also when it seems silly.

fault-gear_late_name = Gear down late
fault-gear_late_looks = Abeam is past, and the wheels are not down and checked.
fault-gear_late_cause_1 = Speed too high for the gear when its place came.
fault-gear_late_cause_2 = Talk or traffic at the very moment.
fault-gear_late_now_1 = Below the limit: gear down, three greens, said aloud. On short final in doubt: around.
fault-gear_late_how = Gear before abeam below its limit, then three greens on downwind, base and final.

fault-call_missed_name = Radio call missed
fault-call_missed_looks = Others do not hear where this aeroplane is.
fault-call_missed_cause_1 = Head full of flying: fly first, but then the call.
fault-call_missed_now_1 = Make the call for where you are now, short.
fault-call_missed_how = Say the calls of one lap aloud at home until they come by themselves.

fault-lookout_missed_name = Lookout missed
fault-lookout_missed_looks = A turn begins without a head that turns first.
fault-lookout_missed_cause_1 = Eyes on the dials.
fault-lookout_missed_now_1 = Stop the turn, lift the wing, look, then turn.
fault-lookout_missed_how = Say “clear left” or “clear right” before each turn, and mean it.

fault-chased_name = Chased with power
fault-chased_looks = Power goes up and down on final, and neither path nor speed stays.
fault-chased_cause_1 = Every wobble is answered at once.
fault-chased_cause_2 = The pitch changes together with the power.
fault-chased_now_1 = Hold the attitude, set the power once, wait three seconds and look at the aim point.
fault-chased_how = Finals on which the power may be moved three times only.

fault-gate_name = Not stable at the gate
fault-gate_looks = Off the path, the speed or the line at the gate, and the approach goes on.
fault-gate_cause_1 = The pattern was hurried, or the gate is not known by heart.
fault-gate_cause_2 = Nobody decided before what not stable means.
fault-gate_now_1 = Go around at the gate, each time. Do not wait for it to become better.
fault-gate_how = Say “stable” or “going around” aloud at the gate on every lap.

fault-power_left_on_name = Power left on
fault-power_left_on_looks = It floats along just above the runway and will not stop flying.
fault-power_left_on_cause_1 = The hand stopped short of idle.
fault-power_left_on_cause_2 = Fear of dropping it.
fault-power_left_on_now_1 = Close it gently while holding the attitude. Past the go-around point: full power, around.
fault-power_left_on_how = Say “idle” when the lever is against the stop, before the roundout is done.

fault-rounded_out_high_name = Rounded out too high
fault-rounded_out_high_looks = It flies level with much air below the wheels, and the speed runs out up there.
fault-rounded_out_high_cause_1 = Looking too near, so that the ground seems to rush up.
fault-rounded_out_high_cause_2 = A wide runway, which looks low.
fault-rounded_out_high_now_1 = Stop pulling, hold the attitude; a touch of power as it sinks. High and slow: around.
fault-rounded_out_high_how = Begin the roundout at a mark on the paint, eyes to the far end, and move the mark nearer lap by lap.

fault-rounded_out_low_name = Rounded out low or late
fault-rounded_out_low_looks = The runway comes up fast, and it is pulled level just before the wheels would hit.
fault-rounded_out_low_cause_1 = Looking at the aim point for too long.
fault-rounded_out_low_cause_2 = A narrow runway, which looks high.
fault-rounded_out_low_now_1 = Do not snatch: a smooth pull, and power if it arrives before it is level.
fault-rounded_out_low_how = Begin at a mark one stripe earlier; low approaches show the height of the hold-off.

fault-eyes_too_near_name = Eyes too near
fault-eyes_too_near_looks = The head stays down on the runway just ahead, and the height is guessed.
fault-eyes_too_near_cause_1 = The aim point is followed under the nose.
fault-eyes_too_near_now_1 = As the runway widens, look to its far end.
fault-eyes_too_near_how = Low approaches along the runway with the eyes at the far end for all of them.

fault-stirred_name = Stick stirred in the hold-off
fault-stirred_looks = The stick is pumped back and forth near the ground.
fault-stirred_cause_1 = Searching for the ground with the stick.
fault-stirred_now_1 = One way only: hold, or a little farther back. Never forward.
fault-stirred_how = Hold-off drill at altitude with slow, steady back pressure.

fault-let_go_name = Hold-off let go
fault-let_go_looks = The back pressure stops, and it flies onto the runway with speed left.
fault-let_go_cause_1 = Waiting for the touch instead of holding it off.
fault-let_go_cause_2 = The arm ran out of strength: not trimmed.
fault-let_go_now_1 = Keep it coming back until it will not fly any more, and after the touch as well.
fault-let_go_how = Say “hold it off, hold it off” until the wheels are down.

fault-pushed_name = Pushed forward near the ground
fault-pushed_looks = After a balloon or a bounce the nose goes down towards the runway.
fault-pushed_cause_1 = The wish to have it down.
fault-pushed_now_1 = Attitude, power, around. Never push forward to save a landing.
fault-pushed_how = Go-arounds from a balloon and from a bounce until they come by themselves.

fault-nosewheel_not_held_name = Nosewheel not held off
fault-nosewheel_not_held_looks = The nosewheel comes down with the mains, or drops right after them.
fault-nosewheel_not_held_cause_1 = The back pressure was let go at the touch.
fault-nosewheel_not_held_now_1 = Stick back after the touch; let the nose come down by itself, late.
fault-nosewheel_not_held_how = Land, and keep the stick coming back until the nosewheel falls.

fault-mains_first_name = Mains first in a three-point landing
fault-mains_first_looks = The mainwheels touch with the tail still flying, and it skips.
fault-mains_first_cause_1 = Not held off to the attitude it has on the ground.
fault-mains_first_now_1 = Hold the attitude and let it settle, or around. Never push forward.
fault-mains_first_how = Learn the attitude on the ground by heart, and hold off to exactly that picture.

fault-tail_first_name = Tailwheel first
fault-tail_first_looks = The tailwheel touches, and the mainwheels fall after it.
fault-tail_first_cause_1 = Held off too high, or pulled past the attitude it has on the ground.
fault-tail_first_now_1 = Hold the stick where it is, a touch of power as it falls.
fault-tail_first_how = The picture of standing on the ground is where the pull ends.

fault-kicked_name = Kicked straight too hard
fault-kicked_looks = The nose swings through the runway’s direction, and a wing comes up.
fault-kicked_cause_1 = All the rudder at once, at the last moment.
fault-kicked_cause_2 = No aileron against it.
fault-kicked_now_1 = Small rudder, the upwind wing down; if it drifts off: around.
fault-kicked_how = Low approaches in which the nose is put straight and held straight for all of the runway.

fault-swung_name = Swing after touchdown
fault-swung_looks = The nose goes to one side on the rollout, and more with each second.
fault-swung_cause_1 = Touched with drift or crab.
fault-swung_cause_2 = Feet that stopped working when the wheels were down.
fault-swung_cause_3 = Aileron taken out in the crosswind.
fault-swung_now_1 = Rudder at once and small, aileron into the wind, no brake while it swings.
fault-swung_now_2 = It runs off all the same, with speed and runway left: full power, around.
fault-swung_how = Feet busy until it stands: say it on every rollout.

fault-stick_not_back_name = Stick not back on the roll
fault-stick_not_back_looks = The elevator is let go as soon as the wheels are down.
fault-stick_not_back_cause_1 = The landing is thought to be over.
fault-stick_not_back_now_1 = Stick back and held until it stands; after a wheel landing forward first, then back as the tail comes down.
fault-stick_not_back_how = Taxi off the runway with the stick still back, each time.

fault-levers_name = Flap or brake on the roll, late or unasked
fault-levers_looks = A hand goes to a lever while the aeroplane still rolls fast.
fault-levers_cause_1 = The short-field habit where nobody asked for it.
fault-levers_cause_2 = Braking with weight still on the wings.
fault-levers_now_1 = Hands off the levers until clear of the runway, unless it was briefed otherwise.
fault-levers_how = Say before each landing what the hands do on the roll.

fault-around_flown_name = Go-around not flown in order
fault-around_flown_looks = Power late, nose too high, flap all at once, still over the runway, or no call.
fault-around_flown_cause_1 = It is done seldom, and then in surprise.
fault-around_flown_now_1 = Power and carburettor heat, level, first flap stage, speed, climb, rest of the flap, then the call.
fault-around_flown_now_2 = Somebody on the runway: move to the side from which you see them.
fault-around_flown_how = One go-around in each lesson, from a height that nobody told before.

fault-sank_through_name = Sank through the height that stands for the runway
fault-sank_through_looks = At altitude it goes below the pretended runway before the hold-off is over.
fault-sank_through_cause_1 = Pulled too late or too little as the speed went.
fault-sank_through_now_1 = Recover: nose down, power, and begin again higher.
fault-sank_through_how = Idle fifty feet above, then steady back pressure, counting the seconds aloud.

fault-low_flown_name = Low approach not held
fault-low_flown_looks = It touches, or climbs and sinks along the runway.
fault-low_flown_cause_1 = Eyes too near.
fault-low_flown_cause_2 = Too little power for this speed.
fault-low_flown_now_1 = A little power, eyes at the far end, one height; touched by mistake: away.
fault-low_flown_how = Begin at ten feet, and go lower only when ten feet stay ten feet.

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
