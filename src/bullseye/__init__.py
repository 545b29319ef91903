"""Bullseye: coaching takeoffs, patterns and landings, in feet."""

__version__ = '0.3.0'
