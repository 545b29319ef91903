"""From laps to the next brief: what they teach of aircraft and pilot, and the advice that follows."""
