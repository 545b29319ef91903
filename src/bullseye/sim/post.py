"""A stand-in for a school's mail server: takes letters on loopback and shows them, delivering none."""

from __future__ import annotations

from collections.abc import Callable
from email import message_from_bytes, policy
from email.message import EmailMessage

from aiosmtpd.controller import Controller
from aiosmtpd.smtp import SMTP, Envelope, Session

Show = Callable[[EmailMessage], None]


class _Box:
    def __init__(self, show: Show) -> None:
        self._show = show

    async def handle_DATA(  # noqa: N802  (the package's name)
        self, _server: SMTP, _session: Session, envelope: Envelope
    ) -> str:
        content = envelope.content
        raw = content.encode() if isinstance(content, str) else content or b''
        self._show(message_from_bytes(raw, policy=policy.default))
        return '250 taken, and shown'


def post_office(show: Show, *, port: int) -> Controller:
    """A server on loopback that hands each letter to ``show``; ``start`` and ``stop`` it.

    :raises OSError: at its start, when the port is taken
    """
    return Controller(_Box(show), hostname='127.0.0.1', port=port)
