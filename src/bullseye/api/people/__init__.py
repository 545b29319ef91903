"""Signing in, joining, and what a school sets for its people."""
