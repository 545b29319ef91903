"""Sorties and laps: planned, briefed, flown, judged."""
