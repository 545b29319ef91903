"""What is kept: typed rows in PostgreSQL, every school's own, and the operations on them."""
