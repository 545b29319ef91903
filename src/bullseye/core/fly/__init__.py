"""The other parts of a lap: takeoff, pattern, power-off glide, traffic, radio calls and the cards of each exercise."""
