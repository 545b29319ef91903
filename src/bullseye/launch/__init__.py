"""Setting up and starting everything on one machine; only Python's own library, for it runs before all else."""
