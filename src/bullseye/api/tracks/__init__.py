"""Recorded flights."""
