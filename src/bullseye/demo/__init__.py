"""The made-up school that a new installation shows. Nothing in it is real; do not fly by it."""
