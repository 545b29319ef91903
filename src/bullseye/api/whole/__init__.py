"""Everything of a school, or of a person, as one file."""
