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
