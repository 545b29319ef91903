### What the core says of brief: one group a subject.

## Where to aim, where the wheels will touch, and how sure that is.

aim-short_of_threshold = The aim point lies { $short } short of the landing threshold.
aim-wheels_low = On the path to this aim point the wheels pass { $wheels } over the start of the pavement; { $least } is the least.
aim-under_pavement = The path to this aim point meets the ground before the pavement begins.
aim-may_be_short = { $chance } of the landings would touch before the threshold; { $most } is the most we call good.
aim-never_meets = The runway falls as steeply as the path: it is not reached on this path. Land uphill.
aim-wheels_mind = The wheels pass { $wheels } over the start of the pavement: not a foot lower.
aim-obstacle = On the path to this aim point the wheels pass { $margin } { $side } the top of the { $height } obstacle; { $least } is the least we call good.
aim-would_clear = One steady { $angle } to this aim point would clear it.
aim-no_steady = No steady angle that can be flown clears it: aim farther in, or choose another runway.
aim-no_aim_would_do = No aim point on this runway would do.
aim-aim_would_do = An aim point at { $place } would do.
aim-no_spot_would_do = No spot on this runway would do.
aim-spot_would_do = A spot at { $place } would do.
aim-before_spot = { $place } before the spot
aim-beyond_spot = { $place } beyond the spot
aim-before_spot_stripes = { $place } before the spot, { $stripes }
aim-beyond_spot_stripes = { $place } beyond the spot, { $stripes }
aim-in_ten = { $hits } in 10
aim-first_lap = About { $chance } for a pilot of whom no lap is known.
aim-lately = At the usual speed, { $chance }.
aim-habit_fast = Fly { $speed } and it is { $briefed }; at the usual speed, { $habit } faster, { $chance }.
aim-habit_slow = Fly { $speed } and it is { $briefed }; at the usual speed, { $habit } slower, { $chance }.
aim-assumed_speed = approach speed with flap { $flap }: 1.3 of the stall
aim-assumed_glide = glide with flap { $flap }: { $angle }
aim-assumed_wing = height of the wing over the wheels: { $height }, usual for a { $wing } wing
aim-assumed_span = wing span: unknown, ground effect as of most
aim-assumed_crosswind = crosswind shown: 0.2 of the stalling speed
aim-by_default = Our model with default figures; no lap of this pilot is known yet: average good to about ±{ $sd }.
aim-as_given = Our model with the figures given.
aim-as_given_about = Our model with the figures given: average good to about ±{ $sd }.
aim-from_laps = Our model, learned from { $laps } of this pilot and { $timed } of this aircraft: average good to about ±{ $sd }.
aim-from_school = No lap of this pilot in this landing is known: it starts from how { $pilots } pilots of the school fly it. Average good to about ±{ $sd }.
aim-from_others = No lap of this pilot in this landing is known: it starts from { $laps } of other landings. Average good to about ±{ $sd }.
aim-one_lap = 1 lap
aim-laps = { $number } laps
aim-one_timed = 1 timed hold-off
aim-timed = { $number } timed hold-offs
aim-no_speed_left = No speed is left to hold off with: the wheels arrive in the roundout. Fly faster.

## Between which spots the landings of a kind are good: the aim point, the box and the go-around point alike.

good_spots-unknown_roll = How much runway the landing takes is unknown: use the handbook, and enter its table.
good_spots-no_figures = The aircraft has no figures for it.
good_spots-no_room = No spot on this runway has both a good aim point and room for its box.

## On the ground: the roll, and the last place from which roll, climb and the runway itself leave room.

ground-no_table = No landing table for this aircraft: how much runway the roll needs is unknown. Use the handbook.
ground-outside = No ground roll can be calculated: { $why }. Do not guess it; use the handbook.
ground-beyond_roll = The box ends { $beyond } beyond the last place from which the factored ground roll fits. Choose a spot nearer the threshold or another runway.
ground-beyond_climb = The box ends { $beyond } beyond the last place from which a go-around clears what stands beyond the end. Choose a spot nearer the threshold or another runway.
ground-no_roll_left = Even a touchdown at the threshold leaves { $missing } too little runway for the factored ground roll. Choose another runway.
ground-no_climb_left = Even a go-around from the threshold does not clear what stands beyond the end. Choose another runway.
ground-beyond_part = The box ends { $beyond } beyond the first { $part } of the runway: go around if not down by then.
ground-climb_unknown = Something stands beyond the end. How this aircraft climbs in landing configuration in this air is not known, so nobody can say where a go-around still clears it.
ground-no_climb_known = How this aircraft climbs in a go-around in this air is not entered: use the handbook.
ground-no_climb = In this air the aircraft does not climb with the flap of the landing: no landing is good here. Take less weight, cooler air or another field.
ground-weak_climb = A go-around climbs at only { $climb } in this air: decide early, and raise the flap in stages.
ground-touches_behind_roll = The wheels are expected { $beyond } beyond the last place from which the factored ground roll fits.
ground-may_touch_behind_roll = More than 1 landing in 20 would touch beyond the last place from which the factored ground roll fits, at { $place }.
ground-touches_behind_climb = The wheels are expected { $beyond } beyond the last place from which a go-around clears what stands beyond the end.
ground-may_touch_behind_climb = More than 1 landing in 20 would touch beyond { $place }, the last place from which a go-around clears what stands beyond the end.
ground-touches_late = The wheels are expected { $beyond } beyond the go-around point: go around if not down by then.
ground-past_box = The wheels are expected { $off } beyond the box.
ground-before_box = The wheels are expected { $off } before the box.

## The kneeboard card: everything of one lesson that is wanted when the tablet dies, on one small page.

kneeboard-takeoff = Takeoff: { $words }
kneeboard-pattern = Pattern: { $words }

## The laps of a lesson in order: as many as time, fuel and daylight allow, using the wind for what it is good for.

lap_plan-booked = booked time
lap_plan-fuel = fuel, with { $reserve } in reserve
lap_plan-sunset = sunset
lap_plan-enough = { $laps } laps: more teach nothing
lap_plan-fuel_unknown = Fuel or fuel burn unknown: not counted. Check it by hand, with the legal reserve.
lap_plan-sunset_unknown = Sunset unknown: not counted.
lap_plan-watch_long = the aim: { $error } beyond the target so far
lap_plan-watch_short = the aim: { $error } before the target so far
lap_plan-watch_speed = the same speed every lap: { $spread } of scatter
lap_plan-across = { $wind } across: the day for it
lap_plan-gusts = gusts of { $spread } over the wind: decide early
lap_plan-steady_air = steady air: the day for precision
lap_plan-untried = not yet tried
lap_plan-weak = hits { $rate } so far
lap_plan-stale = { $days } days ago
lap_plan-none = No lap is planned.
lap_plan-no_landing = The lesson's landing is not planned.
lap_plan-instead = What does not land is planned instead.
lap_plan-other = Another landing takes its place.
lap_plan-bad_spot = The spot of the lesson at { $spot } is not good; those from { $low } to { $high } are.
lap_plan-one_spot = Only one spot fits this runway: it cannot be changed from lap to lap.
lap_plan-one_lap = 1 lap of { $time }; limited by { $limit }.
lap_plan-laps = { $number } laps of { $time }; limited by { $limit }.
lap_plan-no_fit = No lap fits: { $limit }.
lap_plan-own_one = 1 lap as ordered by the instructor. Without that order:
lap_plan-own = { $number } laps as ordered by the instructor. Without that order:

## How much runway a landing, and a touch-and-go, leaves: one reckoning for every screen that tells a margin.

margins-unknown = How much runway the landing leaves is unknown: use the handbook.
margins-left = { $left } of runway to spare: { $by }, { $factor }.
margins-short = The runway is { $short } too short: { $by }, { $factor }.
margins-over_50_ft = by the distance from 50 ft over the threshold
margins-stop = by where 19 of 20 landings stop
margins-factored = factored
margins-unfactored = without a safety factor
margins-go = { $left } of runway to spare at 50 ft after a touch-and-go.
margins-short_over_50 = From 50 ft over the threshold the landing takes { $needed }, { $short } more than the runway has.
margins-stops_beyond = This landing stops { $beyond } beyond the end of the runway.
margins-may_stop_beyond = One landing in 20 touches down so far in that it stops { $beyond } beyond the end of the runway.
margins-little = Only { $left } of runway is left over, less than a third of the { $needed } that the landing takes: little margin.
margins-full_stop = Land to a full stop: a touch-and-go would need { $short } more than the runway has.
margins-little_to_go = After a touch-and-go only { $left } of runway is left at 50 ft: little margin. Rather stop and taxi back.
margins-go_unknown = How much runway a touch-and-go takes is unknown: land to a full stop.

## What the instructor set against what is worked out, in words: the number, who set it, and why.

overruled-set = { $what } { $value }, set by { $by }: { $reason }.
overruled-worked_out = Calculated: { $value }.

## Which runway end to use, and why: each reason a number, nothing hidden.

ranking-headwind = headwind { $wind }
ranking-tailwind = tailwind { $wind }
ranking-crosswind = crosswind { $wind }
ranking-in_gusts = { $what } in the gusts
ranking-never = wind not given by anybody
ranking-no_direction = wind of { $wind } from no known direction: the worst is assumed
ranking-margin_unknown = { $name } unknown
ranking-too_short = { $name } { $margin } TOO SHORT
ranking-to_spare = { $name } { $margin } to spare
ranking-only = { $name } only { $margin }
ranking-takeoff_obstacle_not = the takeoff does not clear what stands beyond the end
ranking-takeoff_obstacle_unknown = whether the takeoff clears what stands beyond the end is unknown
ranking-go_around_climb_not = a go-around does not climb in this air
ranking-go_around_climb_unknown = whether a go-around clears what stands beyond the end is unknown
ranking-no_spot = no spot there is good for this landing
ranking-uphill = { $slope } uphill landing
ranking-downhill = { $slope } downhill landing
ranking-surface = { $surface }
ranking-surface_unknown = surface unknown
ranking-sun = sun { $elevation } up at { $azimuth }° true
ranking-sun_in_the_eyes = { $sun }, in the eyes on final
ranking-sun_down = sun below the horizon
ranking-pattern = { $side } pattern
ranking-preferred = preferred runway

## After the touchdown: where it stops, how far after the aim point, what brakes and flap do, which exit is made.

rollout-unknown = Where it stops is unknown without a ground roll.
rollout-no_wind = Where it stops is unknown while nobody has given the wind.
rollout-stop = As braked in the handbook it stops { $stop } from the threshold, { $total } after the aim point.
rollout-flap_up = Flap up on the roll would save about { $less }: not worth the wrong lever unless the handbook calls for it.
rollout-flap_no = Flap up on the roll would save nothing.
rollout-free = Without brakes it rolls about { $more } farther.
rollout-free_far = Without brakes it rolls on beyond the end of the runway.
rollout-exit = Exit { $name } at { $at } can be made with that braking.
rollout-no_exit = No exit but the end of the runway can be made with that braking: do not brake hard for one before it.
rollout-not_before = Exit { $name } at { $at } comes too early: roll on.

## The brief of a landing: wind, speed, aim, touchdown, ground and rollout, each worked out in its own room.

speed-steady_adds_nothing = { $extra } above the calculated speed: a steady wind adds nothing, it is only groundspeed. The extra becomes float.
speed-fast = { $extra } above the calculated speed: the extra becomes float.
speed-slow = { $short } below the calculated speed: less margin above the stall.
speed-margin = Only { $margin } above the stalling speed at this weight and flap: less than a fifth of it.
speed-lull = A lull of the gusts leaves { $margin } above the stalling speed.
speed-slow_habit = This pilot has been { $slower } slower over the threshold than briefed: { $margin } above the stall. Watch the speed to the roundout; below it, go around.
speed-flap_limit = { $speed } is within { $near } of the flap limit of { $limit }.
speed-combination = { $words }
speed-gear_limit = { $speed } is over the gear limit of { $limit }: the gear is not lowered at that speed.
speed-wheels_on_soft = A wheel landing is not made on soft ground, long grass or snow: the wheels dig in, it noses over.
speed-steep = This is steep: { $angle } to the ground, { $descent } down, and the roundout begins { $height } up. Take a slip out in time, keep a hand on the power, and go around when it is not settled by the gate.
speed-training_aid = Training aid: the aircraft handbook, local rules and the instructor decide. A go-around is always a good answer.

## What would teach most next: how far the chance to hit is expected to rise when more is measured of the next laps.

teaching-speed = On the next { $laps } laps, read the speed over the threshold. The aim that follows from it is worth about { $gain } of chance more than watching where they touch.
teaching-speed_and_time = On the next { $laps } laps, read the speed over the threshold and time the hold-off. The aim that follows from them is worth about { $gain } of chance more than watching where they touch.
teaching-flying = Mark where the next { $laps } laps touch: with the aim that follows from it that is worth about { $gain } of chance. Reading the speed or timing the hold-off would add next to nothing.
teaching-nothing = Nothing that could be measured on the next laps would move the aim by much: it is as sure as it gets.

## What the report tells beside the wind: weather nobody teaches landings in, cloud, sight, and what comes later.

weather-now = { $words }
weather-never = No wind has been given yet: everything here is calculated for calm, standard air. Give the wind first.
weather-old = Wind and pressure were given for another hour or day. Read the sock and the report before you fly these numbers.
weather-later = The report expects { $words } before long: plan to be on the ground by then.
weather-ceiling = Cloud at { $ceiling }; the minimum of the school is { $least }.
weather-visibility = Visibility { $visibility }; the minimum of the school is { $least }.
weather-wet = The runway is wet: longer roll, less braking, and no handbook table holds it exactly.
weather-long_grass = Long grass: how far the roll is stretched or the brakes hold is unknown. Walk the runway first.
weather-soft = Soft ground: how far it stretches the rolls is unknown. Walk the runway first.
weather-snow_or_ice = Snow or ice on the runway: no roll, braking or crosswind limit can be given.

## What a change does, in feet: the same aim point flown under other conditions.

what_if-no_aim = No aim point is good then.
what_if-nothing = Nothing moves by as much as 10 ft.
what_if-farther = With the old aim point you would touch { $moved } farther.
what_if-shorter = With the old aim point you would touch { $moved } shorter.
what_if-aim_farther = Aim { $shift } farther in ({ $stripes }).
what_if-aim_shorter = Aim { $shift } shorter ({ $stripes }).
what_if-chance = Chance to hit { $chance }.

## Everything that is decided before the engine starts: runway, takeoff, pattern, landing, power-off reach.

whole-no_direction = Variable wind: the distances are calculated with all { $wind } from behind.
whole-is_night = It is night then
whole-is_twilight = The sun is down and twilight is ending
whole-sun_sets = The sun sets { $left } into the lesson
whole-night = { $when }: night currency of the instructor, lights of runway and aircraft, a torch, { $reserve } of fuel in reserve. Dark ground before the runway makes it look high: fly the path lights.
whole-takeoff_unknown = How much runway the takeoff takes is unknown: use the handbook, and enter its table.
whole-takeoff_short = The runway is { $short } too short for the takeoff.
whole-takeoff_low = The takeoff does not clear what stands beyond the end by the least we call good.
whole-takeoff_low_unknown = Whether the takeoff clears what stands beyond the end is unknown: use the handbook.
whole-no_pattern = No pattern: { $why }.
whole-no_reach = No power-off reach: { $why }.
whole-no_wind = nobody has given the wind

## The wind and the air of a landing: components, limits, what the crosswind asks for, and what the density does.

wind-variable = Variable wind of { $wind }: limits and distances are those of its worst direction. The prediction is for no wind along the runway, its band for any direction.
wind-swings = The wind swings: up to { $across } across from the { $side }, between { $least } and { $most } of headwind. The limits hold for its worst direction, the aim is for all of them.
wind-swings_both = The wind swings: up to { $right } across from the right and { $left } from the left, between { $least } and { $most } of headwind. The limits hold for its worst direction, the aim is for all of them.
wind-rudder = { $words }
wind-thin_air = Density altitude { $altitude }: longer roll, weaker climb, faster over the ground. Fly the same indicated speeds, and lean the mixture as the handbook says.
wind-thin_air_above = Density altitude { $altitude }, { $above } above the field: longer roll, weaker climb, faster over the ground. Fly the same indicated speeds, and lean the mixture as the handbook says.
wind-sea_level = sea level
wind-air_usual = The air is that of { $height } on a standard day: nothing to allow for.
wind-air_dense = The air is that of { $height } on a standard day, denser than at sea level: { $slower } less groundspeed at the same indicated speed.
wind-air_thin = The air is that of { $height } on a standard day. At the same indicated speed you are { $faster } faster over the ground, and rolls and floats are about { $longer } longer than at sea level. Fly the same indicated speeds.

## The limits of wind as rows: a value, how it is compared, how grave it is to be over it, and what is said then.

windlimit-tailwind = Tailwind { $value }, gusts included: longer float and roll. Consider the other end.
windlimit-tailwind_over = Tailwind { $value }, gusts included, is over the limit of { $limit }: choose another runway end.
windlimit-crosswind = Crosswind { $value } is over the { $name } limit of { $limit } ({ $source }).
windlimit-gusts = Gusts { $value } above the steady wind; { $limit } is our limit: rather wait.
windlimit-crosswind_alone = With an instructor aboard this is flown; alone the { $name } limit of { $limit } ({ $source }) forbids it. Crosswind { $value }.
windlimit-signed = Wind of { $value } is over the { $limit } that the solo sign-off allows.
windlimit-strong = Wind of { $value }: too much for a student alone, whose limit is { $limit }.
windlimit-too_strong = In { $value } of headwind the aircraft hardly gets ahead over the ground: our model knows no such landing beyond { $limit }. Do not fly by these figures.

## What a student alone has no leave for.

alone-expired = The solo sign-off has run out: the instructor signs again before this student flies alone.
alone-elsewhere = The solo sign-off does not name this field or runway: not alone here.
alone-none = No solo sign-off of this student is on record: only the instructor, or a licence, allows flying alone.
alone-no_limit = Neither the school nor the instructor has set how much crosswind this student may have alone: it is unknown, so not alone.
alone-no_own_limit = This student’s own crosswind limit is not set; the school’s alone holds. Ask the instructor.

## The kneeboard card, line by line.

kneeboard-no_aim = NONE IS GOOD: see the cautions
kneeboard-touches_behind = { $aim }; touches BEHIND the go-around point
kneeboard-no_place = NO PLACE: do not land here
kneeboard-no_wind = NOBODY HAS GIVEN IT
kneeboard-no_direction = from no known direction: assume the worst
kneeboard-headwind = { $wind } headwind
kneeboard-tailwind = { $wind } TAILWIND
kneeboard-from_right = { $wind } from the right
kneeboard-from_left = { $wind } from the left
kneeboard-wind = { $along }, { $across }
kneeboard-wind_gusts = { $along }, { $across }, gusts { $gusts } across
kneeboard-approach = Approach
kneeboard-with_flap = { $speed }, flap { $flap }
kneeboard-lift_off = Lift-off
kneeboard-best_glide = Best glide
kneeboard-upwind = Upwind
kneeboard-crosswind = Crosswind
kneeboard-downwind = Downwind
kneeboard-base = Base
kneeboard-final = Final
kneeboard-after_abeam = { $time } after abeam
kneeboard-at_once = at once abeam
kneeboard-glide_abeam = abeam the spot
kneeboard-glide_at_45 = at 45° to the spot
kneeboard-glide_on_base = on base
kneeboard-glide_on_final = on final
kneeboard-glide = Glide
kneeboard-glide_turn = { $speed }, idle abeam; turn { $turn }
kneeboard-ground_roll = Ground roll
kneeboard-to_50_ft = To 50 ft
kneeboard-of = { $needed } of { $there }
kneeboard-margin = Margin
kneeboard-unknown = unknown
kneeboard-stop_if_not = Stop if not
kneeboard-by = { $speed } by { $place }
kneeboard-first_turn = First turn
kneeboard-too_short = NONE: { $short } too short
kneeboard-spot = Spot
kneeboard-box_to = { $spot }, box to { $end }
kneeboard-aim = Aim
kneeboard-go_around_by = Go around by
kneeboard-wind_label = Wind
kneeboard-descent = Descent
kneeboard-not_good = NOT GOOD: { $problem }
kneeboard-kind_normal = normal
kneeboard-kind_crosswind = crosswind
kneeboard-kind_short_field = short-field
kneeboard-kind_soft_field = soft-field
kneeboard-kind_power_off = power-off
kneeboard-kind_no_flap = no-flap
kneeboard-kind_forward_slip = forward-slip
kneeboard-kind_three_point = three-point
kneeboard-kind_wheel_landing = wheel-landing
kneeboard-kind_go_around = go-around
kneeboard-kind_low_approach = low-approach
kneeboard-kind_hold_off_drill = hold-off-drill
kneeboard-heading_laps = Laps
kneeboard-no_lap = No lap fits the time.
kneeboard-column_lap = Lap
kneeboard-column_spot = Spot
kneeboard-column_aim = Aim
kneeboard-column_watch = Watch
kneeboard-column_felt = Felt
kneeboard-heading_points = Aim, spot, go around
kneeboard-heading_takeoff = Takeoff
kneeboard-heading_speeds = Speeds
kneeboard-heading_gates = Gates, above sea level
kneeboard-heading_engine = If the engine stops
kneeboard-heading_legs = Legs: heading, speed, flap, time
kneeboard-stop = DO NOT FLY THIS: { $words }
