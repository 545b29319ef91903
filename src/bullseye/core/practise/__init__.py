"""Practice on the ground: what is seen from the seat, and how a whole approach looks."""
