words-where-the-pavement-of-runway = where the pavement of runway {$ident} begins: its latitude and longitude
words-not-a-geojson-featurecollection = not a GeoJSON FeatureCollection
words-no-runway-in-it-a = no runway in it: a LineString from pavement end to pavement end
words-rotated-early = Rotated early
words-rotated-late = Rotated late
words-altitude-not-held = Altitude not held
words-wide = Wide
words-tight = Tight
words-too-much-bank = Too much bank
words-overshot-final = Overshot final
words-flat = Flat
words-steep = Steep
words-dropped-in = Dropped in
words-nose-first = Nose first
words-crab-left-in = Crab left in
words-sank-through-drill = Sank through (drill)
words-touched-low-approach = Touched (low approach)
words-height-not-kept-low-approach = Height not kept (low approach)
words-prompted-by-instructor = Prompted by instructor
words-instructor-flew = Instructor flew
words-drift-left = Drift left
words-drift-right = Drift right
words-late-on-the-flare = Late on the flare
words-good-speed-control = Good speed control
words-chased-the-speed = Chased the speed
words-looked-too-close = Looked too close
words-good-crosswind-hold = Good crosswind hold
words-this-part-of-bullseye-could = This part of Bullseye could not be loaded. Look at the connection, then reload the page.
words-the-storage-of-this-device = The storage of this device is full. Make room, then go on.
words-something-went-wrong-in-this = Something went wrong in this page. Reload it. What you noted is kept.
words-hold-off-drill = Hold-off drill
words-upwind = Upwind
words-downwind = Downwind
words-touch-and-go = Touch-and-go
words-full-stop = Full stop
words-stop-and-go = Stop-and-go
words-short-of = {$margin_ft} short of
words-to-spare-at = {$margin_ft} to spare at
words-less-than-a-quarter-stripe = less than a quarter stripe
words-one = one
words-stripe = stripe
words-stripes = stripes
words-gust = gust {$gust_kt}
words-dry = dry
words-wet = wet
words-long-grass = long grass
words-soft = soft
words-snow-or-ice = snow or ice
words-behind-it-the-factored-roll = behind it the factored roll does not fit
words-behind-it-a-climb-does = behind it a climb does not clear what stands beyond
words-half-of-the-runway = half of the runway
words-a-third-of-the-runway = a third of the runway
words-the-end-of-the-box = the end of the box
words-set-by-the-instructor = set by the instructor
words-minutes-ago = { $minutes ->
    [one] {$minutes} minute ago
   *[other] {$minutes} minutes ago
 }
words-hours-ago = { $hours ->
    [one] {$hours} hour ago
   *[other] {$hours} hours ago
 }
words-days-ago = { $days ->
    [one] {$days} day ago
   *[other] {$days} days ago
 }
words-where-the-ground-mark-is = where ground mark {$number}, {$name}, is: its latitude and longitude
words-language = Language
words-language-en = English
words-language-de = Deutsch
words-crosswind-leg = Crosswind
