"""From a recorded flight to measured laps: readers, cleaning, smoothing, events, measures."""
