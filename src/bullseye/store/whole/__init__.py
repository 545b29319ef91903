"""Everything of a school or of a person at once: archives, backups, erasure, and upgrades of the database."""
