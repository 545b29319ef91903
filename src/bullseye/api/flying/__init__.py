"""Sorties, their briefs and their laps."""
