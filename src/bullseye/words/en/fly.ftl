### What the core says of fly: one group a subject.

## The legs of a pattern in moving air: what is asked, and each leg with its heading, its turn and its margin.

legs-no_speeds = the aircraft has no speeds for the legs of the pattern
legs-blown_away = the wind across the { $leg } leg is stronger than the aeroplane is fast
legs-too_slow = groundspeed on { $leg } would be under { $least }
legs-near_stall = { $speed } on { $leg } is too near the stall of { $stall } with flap { $flap }. Fly it faster
legs-near_stall_turning = { $speed } on { $leg } is too near the stall of { $stall } in { $bank } of bank with flap { $flap }. Fly it faster, or with less bank
legs-no_wind_aloft = the direction of the wind at pattern height is not given
legs-no_wind = the wind direction is unknown; give the wind at pattern height

## The pattern over the ground: dead reckoning from leg to leg, and the height at every moment of it.

over_ground-beyond_aim = base would join final beyond the aim point: fly a longer downwind

## What is said of a pattern: its wind, its spacing, its turn onto final, and what to be careful of.

pattern-no_wind = Headings, times and turns are those of still air. Give the wind before you fly them.
pattern-little_wind = Little wind across the pattern: spacing and descent are as in still air.
pattern-towards = { $wind } blow towards the field: without { $crab } of crab the downwind closes in by { $drift }, and base is { $base_time }.
pattern-rushed = Too high and rushed is the classic result.
pattern-away = { $wind } blow away from the field. Without { $crab } of crab the downwind drifts out by { $drift }, and base is { $base_time }. Keep the height until it is turned.
pattern-as_long = as long as in still air
pattern-longer = { $time } longer
pattern-shorter = { $time } shorter
pattern-moment = a moment
pattern-flap_limit = { $speed } on { $leg } is over the limit of { $limit } with flap { $flap }: slow down before it is lowered.
pattern-gear_limit = { $speed } on { $leg } is over the gear limit of { $limit }: slow down first.
pattern-climb_unknown = How this aircraft climbs here is unknown: the upwind leg is drawn for 500 ft a mile.
pattern-near_stall = Only { $margin } above the stall on { $leg }: fly it faster.
pattern-near_stall_turning = Only { $margin } above the stall in the turn from { $leg }: fly it faster or flatter.
pattern-first_turn_high = The first turn would come above pattern altitude: level off at pattern altitude and turn there.
pattern-first_turn_low = The first turn would come only { $height } above the field: climb higher before it.
pattern-final_turn_low = The turn onto final is only { $height } up: fly a longer final.
pattern-no_room = Spacing { $spacing } leaves no { $leg } leg at { $bank } bank: its turns run into each other. Fly wider.
pattern-steep = { $bank } of bank: the stall is { $nearer } nearer. 30° is enough for anybody.
pattern-fast_down = { $descent } from abeam to final: high and rushed. Fly wider or go down earlier.
pattern-long_final = Final is longer than the descent from pattern height: stay level on base, flap later.
pattern-cue = Abeam, the runway lies { $angle } below the horizon.
pattern-cue_at_mark = Abeam, the runway lies { $angle } below the horizon: just at the wing mark.
pattern-cue_above = Abeam, the runway lies { $angle } below the horizon, above the wing mark, which is at { $mark } ({ $spacing }).
pattern-cue_below = Abeam, the runway lies { $angle } below the horizon, below the wing mark, which is at { $mark } ({ $spacing }).
pattern-through_no_bank = The wind carries base { $drift } through final. Roll in { $time } earlier. Begun late, no bank is enough: go around.
pattern-through = The wind carries base { $drift } through final. Roll in { $time } earlier. Begun late it takes { $bank } of bank, and the stalling speed rises by { $nearer }.
pattern-through_steep = Over { $steepest }: overshoot and go around instead.
pattern-held_back = The wind holds base back { $drift }: roll in { $time } later.
pattern-final_unknown = What the wind does to the turn onto final is not known: nobody has given it.
pattern-final_as_usual = The wind hardly moves the turn onto final.

## The traffic pattern flown in moving air: legs, turns, gates and the path over the ground.

pattern_task-too_low = pattern altitude { $altitude } is less than { $least } above the runway

## The power-off 180: how far the glide reaches from abeam the spot, and when to turn.

power_off-blown_away = the wind is stronger than the glide is fast
power_off-no_way = the glide makes no way against this wind
power_off-too_steep = lined up in this wind the turn takes more than { $steepest } of bank; it is not offered. Fly wider
power_off-no_base = in this wind the two turns leave no base between them. Fly wider
power_off-not_lined_up = no bank lines the turn up with the runway in this wind
power_off-no_speed = the aircraft has no best glide speed
power_off-near_stall = best glide, { $speed }, is too near the stall of { $stall } in { $bank } of bank
power_off-low_pattern = pattern height is under { $least }
power_off-ends_low = NOT REACHED: the last turn would end { $height } up, { $least } is the least. Fly closer or higher, and add power when it is short
power_off-too_high = TOO HIGH: even with full flap and a slip it ends { $beyond } beyond.
power_off-not_reached = NOT REACHED: even clean the glide ends { $short } before the aim point. Fly closer or higher.
power_off-practise = Practise it with power at hand; the handbook and the instructor decide. Short is never stretched: add power.
power_off-at_once = Turn at once, abeam the spot.
power_off-turn = Turn { $time } after abeam, { $after } on, with { $bank } of bank. A little high beats a foot low.

## The takeoff: how much runway it takes, where to give up, and what is cleared.

takeoff-no_table = the aircraft has no takeoff table or rotation speed
takeoff-no_wind = nobody has given the wind
takeoff-no_distance = No takeoff distance: { $why }. Do not guess it; use the handbook.
takeoff-idle = Idle, brake, keep straight.
takeoff-land_ahead = Nose down, land on what is left, brake.
takeoff-land_about_the_nose = Nose down to the glide attitude. Land within about 30° of the nose: headings { $left } to { $right }. No turn back is planned here.
takeoff-soft_ground = Soft, wet or long ground can double the roll; the table does not hold it. Walk the runway.
takeoff-short_technique = Handbook distances are flown by the short-field technique; another takes more runway.
takeoff-below_stall = Lift-off at { $speed } is below the stall of { $stall } with flap { $flap }: check the speeds that were entered.
takeoff-vx_near_stall = Vx of { $speed } is { $ratio } times the stall with flap { $flap }; { $least } at 50 ft is the usual least.
takeoff-rotate = Rotate at the printed { $speed }, whatever the weight: { $longer } more roll.
takeoff-rotate_as_flown = Rotate at the printed { $speed }, whatever the weight.
takeoff-fly_off = Lighten the nosewheel early and let it fly off near { $speed }, as the weight asks for.
takeoff-fly_off_tail = Lift the tail early and let it fly off near { $speed }, as the weight asks for.
takeoff-no_margin_to_50 = No margin to 50 ft: it takes { $more } more than the runway has.
takeoff-little_margin = Only { $left } of runway are left at 50 ft, less than a third of the { $over } it takes: little margin.
takeoff-no_margin = NO MARGIN: the ground roll needs { $more } more than the runway has.
takeoff-late = 70 % of lift-off speed is not expected by half the runway: the takeoff would be given up.
takeoff-late_for = 70 % of lift-off speed is not expected by { $place }: the takeoff would be given up.
takeoff-abort_late = Giving the takeoff up by { $place } leaves less than half the runway to stop on.
takeoff-over_obstacle = The climb passes { $clearance } over the top of the obstacle; { $least } is the least we call good.
takeoff-below_obstacle = The climb passes { $clearance } below the top of the obstacle; { $least } is the least we call good.

## Room for others: number two behind somebody on final, and the wake of larger aircraft.

traffic-little_gap = { $gap } behind the one ahead at the threshold is little: be ready to go around.
traffic-too_close = Only { $gap } behind the one ahead at the threshold: too close. Fly downwind on for { $on }, or go around.
traffic-overtakes = Turning base there you would overtake the one ahead before the threshold: do not. Fly downwind on for { $on }, or leave the pattern and come again.
traffic-stay_level = Stay level at pattern height on base and final; go down { $out } from the aim point, flap then.
traffic-slower_down = Go down from abeam more slowly: the path is met as you turn final. Flap later.
traffic-no_descent = No descent can be given for it.
traffic-turn_as_usual = Turn base where you always do: the one ahead is past you by then.
traffic-turn_later = Fly downwind on for { $on }, { $far }; turn when the one ahead has passed abeam.
traffic-new_final = New final { $final }.
traffic-same_aim = The aim point stays: same path, same speed.
traffic-gap = Gap at the threshold about { $gap }.
traffic-under_pattern = { $other } lies on the { $at }, under your { $side } pattern: base crosses its approach. Fly the pattern on the other side unless told otherwise.
traffic-beside_pattern = { $other } lies on the { $at }: a { $side } pattern that overshoots final flies into its approach. Do not overshoot; go around away from it.

## Cards: how each landing and exercise is flown.

card-before_gear = { $limit ->
    [none] Gear down on downwind; three greens there, on base and on final.
   *[given] Gear down below { $limit } on downwind; three greens there, on base and on final.
}
card-before_propeller = Propeller lever forward before final.
card-before_slats = The slats come out at { $speed }: over the threshold on a good approach.
card-before_angle = Angle of attack on final: { $target }.
card-final = { $hold ->
    [airspeed] On final hold the aim point still in the windscreen and the speed. { $energy } On path, speed and centreline and configured by { $gate }, else go around.
   *[angle_of_attack] On final hold the aim point still in the windscreen and the angle of attack, the airspeed beside it as a check. { $energy } On path, speed and centreline and configured by { $gate }, else go around.
}
card-stands = With this flap it stands { $mark }.
card-energy_pitch_for_speed = Pitch holds the speed, power holds the path.
card-energy_pitch_for_aim = Pitch holds the aim point, power holds the speed.
card-energy_fixed_power = Leave the power of abeam alone, pitch for the speed; power only late on final.
card-order_halve_shift_idle_flare = Halve the power, eyes to the far end, idle as the descent is rounded out, then flare.
card-order_idle_shift_flare = Idle first, eyes to the far end, then round out and flare.
card-order_gradual_from_threshold = Draw the power off slowly from the threshold, idle by the end of the roundout.
card-crosswind_wing_low = Wing down into the wind and opposite rudder from short final; hold both to the ground.
card-crosswind_crab_then_straighten = Crab down final; in the flare straighten with rudder, upwind wing down as it straightens.
card-crosswind_crab_then_wing_low = Crab down to short final, then wing down and opposite rudder; hold both to the ground.
card-rollout_hands_off = Hands off the levers until clear of the runway.
card-rollout_flap_up = Flap up once all wheels are down, if the handbook calls for it; say the lever aloud before moving it.
card-shape_squared = Turn when the brief says: squared, with a base leg.
card-shape_arc = Turn when the brief says: one continuous arc.
card-hold_off = Hold it off: keep it from landing with more and more back pressure until it lands itself.
card-wheels_down = { $wheel ->
    [tail] Stick full back as it touches, all three wheels together; straight with quick feet.
   *[nose] Nosewheel down last; straight to the end with the feet.
}
card-far_end = The far end of the runway, as it widens: it tells height and drift.
card-not_down = Not stable at the gate, a big balloon, a bounce, drift that stays, or not down by the gate: go around.

card-normal_title = Normal landing
card-normal_different = { $flap ->
    [yes] Full flap, path and speed held, power off when the spot is made.
   *[no] Path and speed held, power off when the spot is made.
}
card-normal_mistake_1 = Aiming at the spot itself: the float carries you past it.
card-normal_mistake_2 = A few knots more to be safe: they all become float.
card-normal_mistake_3 = Looking at the ground just ahead: rounded out late, or too much.

card-crosswind_title = Crosswind landing
card-crosswind_different = { $wheel ->
    [tail] Upwind wheel, then the other, then the tail. The controls stay in.
   *[nose] Upwind wheel, then the other, then the nose. The controls stay in.
}
card-crosswind_upwind = Upwind wheel first, axis along the runway; more aileron into the wind as the speed goes.
card-crosswind_stop = Aileron full into the wind to a stop; taxi with it.
card-crosswind_look = The centreline far ahead: sideways movement is wing, pointing is rudder.
card-crosswind_mistake_1 = Letting the controls go when the first wheel is down.
card-crosswind_mistake_2 = Straightening too early: it drifts before it lands.
card-crosswind_mistake_3 = { $wheel ->
    [tail] Feet still after the touch: the swing into the wind grows by itself.
   *[nose] Bracing on the rudder so that the nosewheel is turned as it comes down.
}
card-crosswind_around = Full rudder does not hold it, or it drifts at the flare: go around. Twice: another runway.

card-short_field_title = Short-field landing
card-short_field_different = { $flap ->
    [yes] Slowest book speed, full flap, aim short of the spot, one steady angle.
   *[no] Slowest book speed, aim short of the spot, one steady angle.
}
card-short_field_over = Over an obstacle: one steady angle over it to the aim point; power drawn off slowly, never chopped.
card-short_field_idle = Idle in the roundout, touch with little float.
card-short_field_stop = Stick back, brake firmly without locking.
card-short_field_look = The aim point, until the roundout; then the far end.
card-short_field_mistake_1 = Dragging it in low behind the power curve.
card-short_field_mistake_2 = Diving at the runway once over the obstacle: the speed becomes float.
card-short_field_mistake_3 = Braking before the weight is on the wheels.
card-short_field_around = Box blown or not down by the go-around point: go around; two or three tries is good flying.

card-soft_field_title = Soft-field landing
card-soft_field_different = { $wheel ->
    [tail] A little power through touchdown, three-point and as slow as it will go, keep rolling.
   *[nose] A little power through touchdown, nosewheel off as long as it will stay, keep rolling.
}
card-soft_field_round_out = Round out as usual and leave 100 to 200 rpm on.
card-soft_field_hold_off = Hold it off just above the ground until it touches as slowly as it can.
card-soft_field_roll = { $wheel ->
    [tail] Stick full back and held; no brake, power to keep rolling to firm ground.
   *[nose] Stick full back, nosewheel off; no brake, power to keep rolling to firm ground.
}
card-soft_field_mistake_1 = { $wheel ->
    [tail] Power off at the touch: it drops on.
   *[nose] Power off at the touch: the nose falls in.
}
card-soft_field_mistake_2 = Too much power: it floats the length of the field.
card-soft_field_mistake_3 = Stopping on soft ground.
card-soft_field_around = A bounce, or a third of the field gone before the wheels are down: go around.

card-power_off_title = Power-off 180
card-power_off_different = { $flap ->
    [yes] Idle abeam the spot at pattern height, best glide, flap late, slip to lose.
   *[no] Idle abeam the spot at pattern height, best glide, slip to lose.
}
card-power_off_abeam = { $heat ->
    [yes] Abeam: carburettor heat hot, idle, best glide, trim.
    [unknown] Abeam: carburettor heat hot where it is fitted, idle, best glide, trim.
   *[no] Abeam: idle, best glide, trim.
}
card-power_off_lose = { $flap ->
    [yes] A little high beats a foot low: flap when the spot is made, slip what is left.
   *[no] A little high beats a foot low: slip when the spot is made.
}
card-power_off_slip_out = Slip out before the roundout; round out a little earlier, the path is steeper.
card-power_off_look = The spot: moving up the windscreen means low, down means high.
card-power_off_mistake_1 = { $flap ->
    [yes] Flap too early: nothing brings the height back.
   *[no] Slipping too early: nothing brings the height back.
}
card-power_off_mistake_2 = Stretching the glide with the stick.
card-power_off_mistake_3 = A steep last turn to make it fit.
card-power_off_around = Short: power at once and go around. Over 30° of bank needed, or past the box: go around.

card-no_flap_title = Landing without flap
card-no_flap_different = Higher nose, flatter path, faster, and a longer float.
card-no_flap_farther = Start farther out: the path is the same, there is less drag to get back to it.
card-no_flap_round_out = Small roundout: the nose is already high; mind the tail.
card-no_flap_float = Let it float and slow; do not force it on. Brake gently, the roll is longer.
card-no_flap_mistake_1 = Coming in high and fast: without flap it does not come down.
card-no_flap_mistake_2 = Flaring as with flap: it climbs away.
card-no_flap_mistake_3 = { $wheel ->
    [tail] Forcing it on with the stick.
   *[nose] Forcing it on, nosewheel first.
}

card-forward_slip_title = Forward slip
card-forward_slip_different = Idle, wing down into the wind, opposite rudder: height goes, speed does not.
card-forward_slip_high = High, power off: wing down on the side of the wind, full opposite rudder, nose a little lower.
card-forward_slip_track = Hold the ground track along the centreline with bank; the airspeed may read wrong in a slip.
card-forward_slip_out = Slip out with height in hand, above the roundout; speed settled before it.
card-forward_slip_look = The runway, over the nose and to the side: the track is what counts, not the nose.
card-forward_slip_mistake_1 = Nose raised: speed falls with crossed controls.
card-forward_slip_mistake_2 = Slip held into the roundout: landed sideways.
card-forward_slip_mistake_3 = { $flap ->
    [yes] Slipping where the handbook forbids it with this flap.
   *[no] Slipping where the handbook forbids it.
}
card-forward_slip_around = Still high when the slip has to come out: go around.

card-three_point_title = Three-point landing
card-three_point_different = All three wheels together, slow, in the attitude it stands in on the ground.
card-three_point_hold_off = Hold it off lower and longer than you think, until the nose stands where it stands on the ground.
card-three_point_stick = Stick full back as it touches, and it stays there; straight with quick feet until it stands.
card-three_point_look = Both sides of the nose at the edges of the runway, far ahead: they tell height and swing.
card-three_point_mistake_1 = Main wheels first: the tail drops, the wing lifts, it flies again.
card-three_point_mistake_2 = Letting the stick forward after the touch: the tail comes up and the brakes tip it over.
card-three_point_mistake_3 = Feet asleep: a swing grows by itself and ends in a ground loop.
card-three_point_around = A bounce, a swing you do not hold at once, or drift: power, go around.

card-wheel_landing_title = Wheel landing
card-wheel_landing_different = On the main wheels, tail low, a little power, some ten knots faster. Never on soft ground.
card-wheel_landing_sink = Round out as usual, keep a little power, let it sink on tail low from a foot or less; upwind wheel first.
card-wheel_landing_pin = As the main wheels touch: a little forward to pin them, power off.
card-wheel_landing_tail = Tail down while the rudder still holds it straight, then stick full back.
card-wheel_landing_mistake_1 = Pushing before it touches: wheels driven on, and it bounces.
card-wheel_landing_mistake_2 = Forcing a bounce down with the stick: the next one is worse.
card-wheel_landing_mistake_3 = Holding the tail up until the rudder no longer holds it.
card-wheel_landing_around = Any bounce, any push that did not pin it, any swing: power, level, go around.

card-go_around_title = Go-around
card-go_around_different = { $flap ->
    [yes] Decided early, flown level first, cleaned up in stages.
   *[no] Decided early, flown level first, then climbed.
}
card-go_around_power = { $heat ->
    [yes] Full power, carburettor heat cold, right rudder.
    [unknown] Full power, carburettor heat cold where it is fitted, right rudder.
   *[no] Full power, right rudder.
}
card-go_around_level = Nose to level; fly level until the speed is there.
card-go_around_clean_up = { $flap ->
    [yes] Flap to the intermediate stage; positive rate, then the rest in stages.
   *[no] Positive rate, then climb at the speed of the handbook.
}
card-go_around_side = Move to the side if someone is on the runway; call it when it flies.
card-go_around_look = The horizon, then the speed.
card-go_around_mistake_1 = { $flap ->
    [yes] All flap up at once: it sinks.
   *[no] Climbing before the speed is there: it sinks.
}
card-go_around_mistake_2 = Nose high with the trim of the approach: push, then trim.
card-go_around_mistake_3 = Waiting for the ground to decide.
card-go_around_around = This is it: any time, for any reason, without asking.

card-low_approach_title = Low approach along the runway
card-low_approach_different = Slow flight at a few feet: the centreline held with a little power, then away.
card-low_approach_power = A normal approach; round out and leave a little power on.
card-low_approach_fly = Fly the centreline a few feet up, slow, wings as the wind asks.
card-low_approach_away = { $flap ->
    [yes] At half the runway: go around, in stages.
   *[no] At half the runway: go around.
}
card-low_approach_mistake_1 = Speed creeping up: it is not slow flight any more.
card-low_approach_mistake_2 = Chasing height with the stick instead of a touch of power.
card-low_approach_mistake_3 = Starting the go-around too late.
card-low_approach_around = By half the runway at the latest, sooner if it settles or drifts.

card-hold_off_drill_title = Hold-off drill at altitude
card-hold_off_drill_different = A pretend deck, say 3,000 ft: the flare without a runway.
card-hold_off_drill_begin = Clearing turns; approach configuration and speed, descending.
card-hold_off_drill_idle = Idle 50 ft above the deck, round out to level on it.
card-hold_off_drill_hold = Hold it there as long as it will stay without sinking through; feel the stick come back.
card-hold_off_drill_recover = At the first sink or warning: recover with power, count the seconds.
card-hold_off_drill_look = Horizon and altimeter: the deck is not sunk through.
card-hold_off_drill_mistake_1 = Pulling at once: it balloons above the deck.
card-hold_off_drill_mistake_2 = Letting it sink through and calling it held.
card-hold_off_drill_mistake_3 = No lookout before and between.
card-hold_off_drill_around = Below the recovery height of your school: stop. Recover at the first warning.

## The usual flows of an aircraft, and what is called aloud in them.

flow-greens_down = gear down, three greens
flow-greens = three greens
flow-propeller = propeller forward
flow-heat_hot = carburettor heat hot
flow-heat_cold = carburettor heat cold
flow-flap_stage = flap one stage
flow-positive_rate = positive rate
flow-rest_of_flap = rest of the flap
flow-climb_speed = climb speed
flow-clear_and_stopped = clear of the runway and stopped: name each lever
flow-clear = clear of the runway
flow-flap_up = then flap up
flow-lights = lights
flow-controls = controls free and correct
flow-look = look at the approach
flow-ready = ready to go, or not?
flow-full_power = full power over three seconds
flow-in_the_green = engine in the green
flow-alive = airspeed alive
flow-tail_up = tail up
flow-rotate = rotate
flow-fuel = fuel
flow-mixture = mixture rich
flow-harness = harness
flow-abeam_flap = abeam: power, flap, speed
flow-abeam = abeam: power, speed
flow-path = path, speed, centreline
flow-stable = stable
flow-not_stable = not stable: going around
flow-around_power = full power
flow-level = level until speed
flow-stick_back = stick full back

## Radio calls of a field without a tower: when each is made, and its words.

radio-call = { $field } traffic, { $callsign }, { $where }, { $field }.
radio-before = before lining up
radio-before_where = taking runway { $runway }, staying in the { $side } pattern
radio-crosswind = turning crosswind
radio-crosswind_where = { $side } crosswind runway { $runway }
radio-downwind = midfield downwind
radio-downwind_where = { $side } downwind runway { $runway }, { $what }
radio-extending = extending
radio-extending_where = extending { $side } downwind runway { $runway }, number two
radio-base = turning base
radio-base_where = { $side } base runway { $runway }, { $what }
radio-final = turning final
radio-final_where = final runway { $runway }, { $what }
radio-around = going around
radio-around_where = going around runway { $runway }
radio-off = off the runway
radio-off_where = clear of runway { $runway }
radio-touch_and_go = touch and go
radio-short_field = short-field, full stop
radio-soft_field = soft-field, full stop
radio-power_off = power-off approach, touch and go
radio-no_flap = no-flap, touch and go
radio-low_approach = low approach

## A takeoff step by step, and where the engine may stop.

takeoff-propeller_step = Propeller lever fully forward before the roll.
takeoff-normal_step_1 = Look at the approach, line up using the whole runway, keep the picture: it is the one wanted at touchdown.
takeoff-normal_step_2 = Full power over about three seconds; engine in the green, airspeed alive, right rudder, heels on the floor.
takeoff-normal_step_3 = { $wheel ->
    [tail] Tail up when the elevator can lift it, more right rudder as it rises. At lift-off speed let it fly off; climb at Vy.
   *[nose] At lift-off speed let it fly off; climb at Vy.
}
takeoff-crosswind_step_1 = Line up on the whole runway, aileron full into the wind.
takeoff-crosswind_step_2 = Full power smoothly; take the aileron off as the speed comes, keep it straight with rudder.
takeoff-crosswind_step_3 = Hold it down a little longer, lift off cleanly, then crab into the wind; never let it settle back sideways.
takeoff-short_field_step_1 = { $flap ->
    [yes] Use every foot: line up at the very start, flap as the handbook says.
   *[no] Use every foot: line up at the very start.
}
takeoff-short_field_step_2 = Brakes held, full power, check the engine, release.
takeoff-short_field_step_3 = Rotate at the handbook speed, Vx to 50 ft or over the obstacle, then Vy.
takeoff-soft_field_step_1 = Stick back from before the runway; keep rolling, no stop on soft ground.
takeoff-soft_field_step_2 = { $wheel ->
    [tail] Full power smoothly, the tail just off the ground early, let it leave the ground as soon as it will.
   *[nose] Full power smoothly, lighten the nosewheel early, let it leave the ground as soon as it will.
}
takeoff-soft_field_step_3 = Stay in ground effect until climb speed; never pull it off and let it settle back.
takeoff-on_the_runway = on the runway
takeoff-runway_left = airborne, runway left
takeoff-no_runway_left = airborne, no runway left
