## Practice on the ground.

practice-practice = Practice on the ground
practice-what-for = The picture, and the moment to round out, pass in seconds in the air. Here they can be seen a hundred times. No figure of practice enters a sign-off.
practice-runway = Runway
practice-aircraft = Aircraft
practice-headwind = Headwind
practice-path = High, low or right?
practice-path-how = You see the runway from somewhere on final for two seconds. Say whether you are high, low or right on its path.
practice-path-keys = Keys: arrow up for high, arrow down for low, arrow right for right.
practice-roundout = Round out now
practice-roundout-how = You see the last seconds of an approach at true speed. Press once where you would begin the roundout.
practice-roundout-keys = Keys: space for now.
practice-begin = Begin
practice-stop = Stop here
practice-high = High
practice-low = Low
practice-right = Right
practice-now = Now
practice-next-film = Next film
practice-picture-of = Picture {$number} of {$all}
practice-film-of = Film {$number} of {$all}
practice-it-was-high = It was {$angle}° high.
practice-it-was-low = It was {$angle}° low.
practice-it-was-right = It was right on the path.
practice-early = {$late} s early: the wheels were {$height} ft up. It begins at {$begins} ft.
practice-late = {$late} s late: on this path the wheels would be {$height} ft up. It begins at {$begins} ft.
practice-on-the-moment = Right on the moment, at {$begins} ft.
practice-not-pressed = Nothing was pressed: it met the runway unrounded.
practice-what-you-see = What you see from the seat
practice-result = What it measured
practice-kept-here = The network is gone. Your answers are kept on this device and are judged when it is back.
practice-so-far = What was practised so far
practice-nothing-yet = Nothing yet. Ten minutes of pictures before a lesson help most.
practice-figure-path = {$figure}° just noticed
practice-figure-roundout = {$figure} ft off in height
practice-between = {$low} to {$high}
practice-of-items = { $items ->
    [one] {$items} item
   *[other] {$items} items
 }
