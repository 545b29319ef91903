"""Recorded flights: kept as they came, matched with sorties, measured, replayed."""
