"""The rate limiter, counting in PostgreSQL."""

from flask_limiter import Limiter
from flask_limiter.util import get_remote_address

import bullseye.store.limits  # noqa: F401  (registers the storage)

limiter = Limiter(get_remote_address, strategy='fixed-window')
