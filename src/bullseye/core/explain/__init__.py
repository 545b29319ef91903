"""After the lap: its score against the standard, why it landed there in feet, and what several laps show together."""
