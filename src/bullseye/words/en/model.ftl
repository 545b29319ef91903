### What the core says of model: one group a subject.

## What a crosswind asks of hands and feet on short final, and when the rudder runs out.

crosswind-a_touch = A touch
crosswind-touch = a touch
crosswind-hands = { $crab } of crab to the { $side }; or { $side } wing { $bank } down and { $other } rudder.
crosswind-over = More than the limit has shown the rudder can hold. If full rudder does not keep it straight: go around, leave.
crosswind-within = { $share } of what the limit shows the rudder can hold. If full rudder does not do it: go around.
crosswind-limit = { $limit }: { $source }

## The straight approach path, and the cue that tells when to start the roundout.

cue-stripes = Start the roundout with the nose at { $place }: about { $to_go } to go, eyes { $eyes } up.
cue-widths = Start the roundout with the nose about { $widths } runway widths before the aim: about { $to_go } to go, eyes { $eyes } up.

## The landing distances, from the handbook's table and the usual corrections.

distances-slope_up = hardly anything is left to accelerate up a slope of { $slope }
distances-slope_down = hardly anything is left to brake down a slope of { $slope }
distances-gravel = no rule for a { $what } on gravel
distances-surface_unknown = nobody has entered what the runway is made of
distances-long_grass = no rule for a { $what } in long grass
distances-soft = no rule for a { $what } on soft ground
distances-snow_or_ice = no rule for a { $what } on snow or ice
distances-too_much_tailwind = tailwind { $wind } is more than the { $limit } of the rule
distances-table = handbook table
distances-table_from_50 = handbook table, from 50 ft
distances-table_roll = handbook table, ground roll
distances-table_over_50 = handbook table, to 50 ft
distances-faster = touchdown { $off } faster than the table: flap and weight
distances-slower = touchdown { $off } slower than the table: flap and weight
distances-headwind = headwind { $wind }
distances-tailwind = tailwind { $wind }
distances-wet_grass = wet short grass: slippery
distances-dry_grass = dry short grass; long grass is not covered
distances-wet_grass_roll = wet short grass, on the roll only
distances-dry_grass_roll = dry short grass, on the roll only
distances-wet_paved = wet paved runway
distances-wet_grass_whole = wet grass
distances-uphill = { $slope } uphill
distances-downhill = { $slope } downhill
distances-factor = safety factor

## The approach speed and how it comes about, step by step.

speeds-too_slow = 1.3 × { $stall } stalling speed; the { $entered } entered from the handbook are less than { $least } of the stall: check them
speeds-handbook = handbook speed, flap { $flap }, at maximum weight
speeds-rule = 1.3 × { $stall } stalling speed, read back as indicated; the handbook prints none
speeds-rule_chosen = 1.3 × { $stall } stalling speed, read back as indicated: technique setting
speeds-weight = { $weight } is { $share } of maximum weight; speeds fall with its square root
speeds-weight_left_out = printed speed kept at every weight: technique setting
speeds-wheels = a wheel landing is flown { $faster } faster than a three-point one, with a trace of power
speeds-no_gust = no gust reported; a steady wind adds nothing
speeds-gust_left_out = no gust allowance: technique setting
speeds-gust_too_much = half of the { $spread } between gust and steady wind would be { $wanted }; no more than { $allowed } are added. In such gusts rather wait
speeds-gust = half of the { $spread } between gust and steady wind; the steady wind adds nothing
speeds-result = hold this on final; the handbook and the instructor decide
