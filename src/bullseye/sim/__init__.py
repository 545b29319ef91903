"""Simulated stand-ins for what is outside: a weather station that issues METARs."""
