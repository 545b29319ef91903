"""Read by gunicorn before it makes its workers: what each of them needs is loaded once, and shared by them."""

import bullseye.api  # noqa: F401
