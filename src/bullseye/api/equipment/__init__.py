"""Aircraft, fields, standards and techniques."""
