"""What laps teach: by aircraft and flap, by pilot, and by school."""
