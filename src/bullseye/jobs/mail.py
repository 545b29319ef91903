"""Letters of a school by its own mail server (SMTP, RFC 5321); none are sent where none is named."""

from __future__ import annotations

import os
import smtplib
import ssl
from dataclasses import dataclass
from email.message import EmailMessage
from urllib.parse import unquote, urlsplit

_PATIENCE_S = 20.0
_PORTS = {'smtp': 25, 'smtp+starttls': 587, 'smtps': 465}


class WrongMailAddress(ValueError):
    """What names the mail server cannot be read; its text is for whoever runs the server."""


@dataclass(frozen=True, kw_only=True)
class MailServer:
    """Where letters are handed in, and in whose name."""

    scheme: str
    host: str
    port: int
    user: str | None
    password: str | None
    sender: str

    def send(self, *, to: str, subject: str, text: str) -> None:
        """Hand one letter in.

        :raises OSError: when the server is not reached, or not the one that its certificate names
        :raises smtplib.SMTPException: when it refuses
        """
        letter = EmailMessage()
        letter['From'], letter['To'], letter['Subject'] = self.sender, to, subject
        letter['Auto-Submitted'] = 'auto-generated'
        letter.set_content(text)
        trusted = ssl.create_default_context()
        if self.scheme == 'smtps':
            server: smtplib.SMTP = smtplib.SMTP_SSL(self.host, self.port, timeout=_PATIENCE_S, context=trusted)
        else:
            server = smtplib.SMTP(self.host, self.port, timeout=_PATIENCE_S)
        with server:
            if self.scheme == 'smtp+starttls':
                server.starttls(context=trusted)
            if self.user:
                server.login(self.user, self.password or '')
            server.send_message(letter)


def mail_server() -> MailServer | None:
    """The server that ``BULLSEYE_MAIL_URL`` and ``BULLSEYE_MAIL_FROM`` name; None where none is.

    :raises WrongMailAddress: when they cannot be read
    """
    url, sender = os.environ.get('BULLSEYE_MAIL_URL', ''), os.environ.get('BULLSEYE_MAIL_FROM', '')
    if not url:
        return None
    try:
        parts = urlsplit(url)
        port = parts.port
    except ValueError:
        raise WrongMailAddress('BULLSEYE_MAIL_URL is no address.') from None
    if parts.scheme not in _PORTS or not parts.hostname:
        raise WrongMailAddress('BULLSEYE_MAIL_URL begins with smtp+starttls://, smtps:// or smtp://, and names a host.')
    if parts.username and parts.scheme == 'smtp':
        raise WrongMailAddress(
            'BULLSEYE_MAIL_URL would send its password in the clear: use smtp+starttls:// or smtps://.'
        )
    if not is_mail_address(sender):
        raise WrongMailAddress(
            'BULLSEYE_MAIL_FROM is the mail address that letters come from, such as desk@school.example.'
        )
    return MailServer(
        scheme=parts.scheme,
        host=parts.hostname,
        port=port or _PORTS[parts.scheme],
        user=unquote(parts.username) if parts.username else None,
        password=unquote(parts.password) if parts.password else None,
        sender=sender,
    )


def is_mail_address(text: str) -> bool:
    """Whether a text is one mail address; a login that is none gets no letter."""
    name, _, host = text.partition('@')
    return bool(name) and '.' in host and text.isascii() and text.isprintable() and not set(text) & set(' <>,;:"\\')
