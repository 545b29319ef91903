### What the core says of what is given: one group a subject.

## Schools of thought: what instructors differ on.

dispute-gust_allowance_title = Gust allowance
dispute-gust_allowance_about = How much speed a gusty wind adds on final.
dispute-gust_allowance_why = Half the spread is what the published handbook prints, and it covers the lull without feeding the float.
dispute-gust_allowance_half_label = Half the gust spread
dispute-gust_allowance_half_suits = Gusty days, light aircraft.
dispute-gust_allowance_half_costs = A few knots more to lose in the hold-off.
dispute-gust_allowance_none_label = None
dispute-gust_allowance_none_suits = Long wings and plenty of power at hand.
dispute-gust_allowance_none_costs = Less margin in the lull.

dispute-base_speed_title = Where the approach speed starts
dispute-base_speed_about = The printed speed, or 1.3 times the stalling speed.
dispute-base_speed_why = The handbook speed was flown by those who made the aircraft; the rule fills in where it is silent.
dispute-base_speed_handbook_label = Handbook speed
dispute-base_speed_handbook_suits = Every aircraft that prints one.
dispute-base_speed_handbook_costs = Printed speeds are often generous.
dispute-base_speed_rule_label = 1.3 × stalling speed
dispute-base_speed_rule_suits = Spot landings, short runways.
dispute-base_speed_rule_costs = Relies on a good airspeed calibration.

dispute-weight_scaling_title = Speed and weight
dispute-weight_scaling_about = Whether printed speeds shrink when the aircraft is light.
dispute-weight_scaling_why = A light aircraft at the full-weight speed floats; the square root of the weight takes just that out.
dispute-weight_scaling_yes_label = Scale with the weight
dispute-weight_scaling_yes_suits = Two people in a four-seater.
dispute-weight_scaling_yes_costs = One more sum before the flight.
dispute-weight_scaling_no_label = Printed speed always
dispute-weight_scaling_no_suits = First solos: one number to remember.
dispute-weight_scaling_no_costs = Longer float when light.

dispute-roundout_order_title = Order of hands at the roundout
dispute-roundout_order_about = When the power comes off against eyes and flare.
dispute-roundout_order_why = Draggy trainers sink when the power goes first; halving it keeps the descent shallow until it is level.
dispute-roundout_order_halve_shift_idle_flare_label = Halve, shift eyes, idle, flare
dispute-roundout_order_halve_shift_idle_flare_suits = Draggy trainers.
dispute-roundout_order_halve_shift_idle_flare_costs = Two movements of power.
dispute-roundout_order_idle_shift_flare_label = Idle, shift eyes, flare
dispute-roundout_order_idle_shift_flare_suits = Good gliders.
dispute-roundout_order_idle_shift_flare_costs = Sinks early where there is drag.
dispute-roundout_order_gradual_from_threshold_label = Gradual from the threshold
dispute-roundout_order_gradual_from_threshold_suits = Steady hands.
dispute-roundout_order_gradual_from_threshold_costs = Touchdown moves with the hand.

dispute-pitch_power_title = Pitch and power
dispute-pitch_power_about = Which hand holds the speed and which the path.
dispute-pitch_power_why = Pitch for speed is safe on both sides of the power curve: it never trades the last knots for height.
dispute-pitch_power_pitch_for_speed_label = Pitch for speed, power for path
dispute-pitch_power_pitch_for_speed_suits = Light singles, slow ends.
dispute-pitch_power_pitch_for_speed_costs = Coarser on the path.
dispute-pitch_power_pitch_for_aim_label = Pitch for the aim point, power for speed
dispute-pitch_power_pitch_for_aim_suits = Faster types.
dispute-pitch_power_pitch_for_aim_costs = Low and slow it invites a pull.
dispute-pitch_power_fixed_power_label = Fixed power from abeam
dispute-pitch_power_fixed_power_suits = First patterns: one thing fewer.
dispute-pitch_power_fixed_power_costs = Late corrections on final.

dispute-speed_reference_title = Speed or angle of attack
dispute-speed_reference_about = What is held on final.
dispute-speed_reference_why = Every aircraft has an airspeed indicator; angle of attack needs a gauge that is fitted and calibrated.
dispute-speed_reference_airspeed_label = Airspeed
dispute-speed_reference_airspeed_suits = Every aircraft.
dispute-speed_reference_airspeed_costs = Changes with weight and load.
dispute-speed_reference_angle_of_attack_label = Angle of attack
dispute-speed_reference_angle_of_attack_suits = Where a gauge is fitted.
dispute-speed_reference_angle_of_attack_costs = Another thing to look at; says no number.

dispute-stabilised_by_ft_title = Stabilised by
dispute-stabilised_by_ft_about = Height above the runway at which all has to be settled, else go around.
dispute-stabilised_by_ft_why = At 300 ft there is time to see it and room to leave it; a light aircraft turns final not much higher.
dispute-stabilised_by_ft_500_label = 500 ft
dispute-stabilised_by_ft_500_suits = Straight-in approaches, complex types.
dispute-stabilised_by_ft_500_costs = A tight pattern is still turning.
dispute-stabilised_by_ft_300_label = 300 ft
dispute-stabilised_by_ft_300_suits = The usual pattern.
dispute-stabilised_by_ft_300_costs = Little time for late changes.
dispute-stabilised_by_ft_200_label = 200 ft
dispute-stabilised_by_ft_200_suits = Short finals, experienced pilots.
dispute-stabilised_by_ft_200_costs = A late decision.

dispute-aim_target_title = Where to aim within the box
dispute-aim_target_about = At its near line or at its middle.
dispute-aim_target_why = Short of the line fails however small the miss, and scatter goes both ways: the middle wins most often.
dispute-aim_target_middle_of_box_label = Middle of the box
dispute-aim_target_middle_of_box_suits = Everybody with scatter.
dispute-aim_target_middle_of_box_costs = Touches a little farther in on a good day.
dispute-aim_target_on_the_line_label = On the line
dispute-aim_target_on_the_line_suits = Very steady pilots, short runways.
dispute-aim_target_on_the_line_costs = Half of the landings fall short.

dispute-aim_distance_title = How far before the spot
dispute-aim_distance_about = Calculated from laps, or by a rule of thumb.
dispute-aim_distance_why = The float of this aircraft at this speed and wind is known after a few laps; no rule of thumb knows it.
dispute-aim_distance_calibrated_label = Calculated from laps
dispute-aim_distance_calibrated_suits = Whenever laps are recorded.
dispute-aim_distance_calibrated_costs = A new number every day.
dispute-aim_distance_fixed_label = Always 200 ft before
dispute-aim_distance_fixed_suits = A quick rule for one aircraft.
dispute-aim_distance_fixed_costs = Wrong in wind and at other weights.
dispute-aim_distance_before_300_500_label = 300 to 500 ft before, by the wind
dispute-aim_distance_before_300_500_suits = First learners.
dispute-aim_distance_before_300_500_costs = Coarse; knows no aircraft.

dispute-aim_speed_title = Aim for which speed
dispute-aim_speed_about = The aim point is for the briefed speed, or for the speed this pilot has been flying.
dispute-aim_speed_why = An aim that follows a fast habit makes it look right; the speed is coached first.
dispute-aim_speed_briefed_label = The briefed speed
dispute-aim_speed_briefed_suits = Every student who can still mend it.
dispute-aim_speed_briefed_costs = Long until the speed is mended.
dispute-aim_speed_habit_label = The speed usually flown
dispute-aim_speed_habit_suits = Visitors and checks on the day.
dispute-aim_speed_habit_costs = Short on the day it is flown right.

dispute-latest_touchdown_title = Down by which part of the runway
dispute-latest_touchdown_about = The go-around point is no farther in than half of the runway, a third, or the end of the box. A student alone always has a third.
dispute-latest_touchdown_why = Half leaves room to stop for most; a third is what many schools ask of a student alone.
dispute-latest_touchdown_half_label = The first half
dispute-latest_touchdown_half_suits = With an instructor aboard.
dispute-latest_touchdown_half_costs = On a short runway the roll decides before it.
dispute-latest_touchdown_third_label = The first third
dispute-latest_touchdown_third_suits = Students alone, long runways.
dispute-latest_touchdown_third_costs = More go-arounds than are needed.
dispute-latest_touchdown_box_label = The end of the box
dispute-latest_touchdown_box_suits = Spot landings: what has gone by its box is flown again.
dispute-latest_touchdown_box_costs = A go-around for each landing a few feet long.

dispute-base_cue_title = When to turn base
dispute-base_cue_about = By the place of the spot behind the wing, or by time.
dispute-base_cue_why = An eye on the spot sees spacing and wind; a stopwatch sees neither.
dispute-base_cue_spot_45_behind_label = Spot 45° behind
dispute-base_cue_spot_45_behind_suits = Every pattern that sees the runway.
dispute-base_cue_spot_45_behind_costs = Moves with the spacing.
dispute-base_cue_timed_label = 30 seconds after abeam
dispute-base_cue_timed_suits = Featureless or night patterns.
dispute-base_cue_timed_costs = A tailwind carries it far out.

dispute-first_turn_title = First turn after takeoff
dispute-first_turn_about = How high before turning crosswind.
dispute-first_turn_why = Turning 300 ft below pattern height beyond the runway end is published and keeps traffic predictable.
dispute-first_turn_tpa_less_300_label = 300 ft below pattern height
dispute-first_turn_tpa_less_300_suits = Fields with traffic.
dispute-first_turn_tpa_less_300_costs = A longer upwind leg.
dispute-first_turn_500_agl_label = 500 ft above the ground
dispute-first_turn_500_agl_suits = Quiet fields, noise ahead.
dispute-first_turn_500_agl_costs = Meets wider patterns.

dispute-lift_off_title = Rotate, or fly off
dispute-lift_off_about = Pull at a printed speed, or let it leave when it will.
dispute-lift_off_why = Printed for one weight, a rotation speed is late when light; letting it fly off follows weight and air.
dispute-lift_off_fly_off_label = Let it fly off
dispute-lift_off_fly_off_suits = Light singles.
dispute-lift_off_fly_off_costs = Early lift-off in gusts needs holding down.
dispute-lift_off_rotate_label = Rotate at the printed speed
dispute-lift_off_rotate_suits = Complex types, short-field charts.
dispute-lift_off_rotate_costs = More runway when light.

dispute-correction_set_title = Corrections to the distances
dispute-correction_set_about = How the table is corrected for wind, grass and slope.
dispute-correction_set_why = The common set is what most handbooks print; the factored one adds a margin for everyday flying.
dispute-correction_set_common_label = Common handbook notes
dispute-correction_set_common_suits = Where the school adds its own margin.
dispute-correction_set_common_costs = No safety factor for takeoff.
dispute-correction_set_uk_caa_label = Factored, UK leaflet
dispute-correction_set_uk_caa_suits = Short or grass runways.
dispute-correction_set_uk_caa_costs = Refuses runways others use.

dispute-power_off_shape_title = Shape of the power-off 180
dispute-power_off_shape_about = One continuous arc, or a squared base.
dispute-power_off_shape_why = An arc can be opened or tightened all the way round; a squared base has one decision.
dispute-power_off_shape_arc_label = One continuous arc
dispute-power_off_shape_arc_suits = Judging by eye.
dispute-power_off_shape_arc_costs = Needs a constant look at the spot.
dispute-power_off_shape_squared_label = Squared, with a base leg
dispute-power_off_shape_squared_suits = Learning: key heights are clear.
dispute-power_off_shape_squared_costs = Two turns; longer.

dispute-crosswind_method_title = Crosswind method
dispute-crosswind_method_about = When crab becomes wing-low.
dispute-crosswind_method_why = Crab is comfortable down final, wing-low from short final leaves time to feel whether the rudder is enough.
dispute-crosswind_method_wing_low_label = Wing-low from final, every landing
dispute-crosswind_method_wing_low_suits = Learning: always the same.
dispute-crosswind_method_wing_low_costs = Tiring, and draggy.
dispute-crosswind_method_crab_then_straighten_label = Crab, straighten in the flare
dispute-crosswind_method_crab_then_straighten_suits = Gusts, long wings.
dispute-crosswind_method_crab_then_straighten_costs = All depends on one moment.
dispute-crosswind_method_crab_then_wing_low_label = Crab, wing-low on short final
dispute-crosswind_method_crab_then_wing_low_suits = Most light singles.
dispute-crosswind_method_crab_then_wing_low_costs = One change near the ground.

dispute-crosswind_flap_title = Flap in a crosswind
dispute-crosswind_flap_about = Full, or one stage less.
dispute-crosswind_flap_why = Full flap is the slowest touchdown, and what the demonstrated figure is usually flown with.
dispute-crosswind_flap_full_label = Full
dispute-crosswind_flap_full_suits = Within the limits.
dispute-crosswind_flap_full_costs = More wing to be lifted by a gust.
dispute-crosswind_flap_reduced_label = One stage less
dispute-crosswind_flap_reduced_suits = Gusts, or where the handbook advises it.
dispute-crosswind_flap_reduced_costs = Faster and longer.

dispute-rollout_flap_title = Flap on the rollout
dispute-rollout_flap_about = Lever up after a short landing, or hands off until clear.
dispute-rollout_flap_why = The gain is tens of feet; the wrong lever costs the gear.
dispute-rollout_flap_hands_off_label = Hands off until clear
dispute-rollout_flap_hands_off_suits = Everybody, every time.
dispute-rollout_flap_hands_off_costs = A few tens of feet of roll.
dispute-rollout_flap_flap_up_label = Flap up
dispute-rollout_flap_flap_up_suits = Fixed gear, where the handbook calls for it.
dispute-rollout_flap_flap_up_costs = A wrong lever folds a wheel.

## Choices that do not go with each other, or with an aircraft.

unsafe-levers = { $aircraft } has a retractable gear: moving levers on the rollout has folded many. Leave the flap until clear of the runway.
unsafe-lull = 1.3 of the stall and no gust allowance: nothing is left for the lull.
unsafe-on_the_line = Aiming for the line by a rule of thumb: half of the landings fall short, and short is a fail.
unsafe-fixed_aim = Pitching for a fixed aim point hides a low speed: keep the airspeed in the scan.
unsafe-idle_first = Idle before the roundout at 1.3 of the stall: a draggy aircraft sinks in before it is level.
unsafe-late_gate = Fixed power and a gate at 200 ft: a late correction has nowhere to go. Choose a higher gate.

## Numbers that an instructor may set, by name.

number-approach_speed_kias = Approach speed
number-aim_point_ft = Aim point
number-go_around_point_ft = Go-around point
number-landing_roll_ft = Landing ground roll with its safety factor
number-takeoff_over_50_ft = Takeoff distance over 50 ft
number-rotate_kias = Lift-off speed
number-vx_kias = Best angle of climb, Vx
number-vy_kias = Best rate of climb, Vy
number-abort_point_ft = Place to give the takeoff up by
number-first_turn_height_ft = Height of the first turn above the field
number-downwind_kias = Speed on downwind
number-base_kias = Speed on base
number-best_glide_kias = Glide speed
number-glide_turn_ft = Start of the power-off turn after abeam

## Where a limit of crosswind comes from.

limit_source-demonstrated = demonstrated, from the handbook
limit_source-rule = 0.2 of the stalling speed; the handbook is silent
limit_source-school = school rule
limit_source-student = student's own limit
limit_source-signed = solo sign-off

## Distances and places in runway paint.

paint-less = less than a quarter of a stripe and gap
paint-one = { $amount } stripe and gap
paint-more = { $amount } stripes and gaps
paint-aim = the aim point
paint-last_stripe = the last stripe before the aim
paint-stripe = the first of { $number } stripes before the aim
paint-last_gap = the gap before the last stripe before the aim
paint-gap = the gap before the last { $number } stripes before the aim
paint-count_2 = two
paint-count_3 = three
paint-count_4 = four
paint-count_5 = five
paint-count_6 = six
