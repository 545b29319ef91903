"""What proxies tell of a request, believed of those alone that the operator names.

Everybody can write ``X-Forwarded-For``, also a program on this machine: a header counts when the connection comes from
a named address, and is taken away when it does not.
"""

from __future__ import annotations

import ipaddress
import re
from collections.abc import Iterable
from typing import TYPE_CHECKING, Final

from bullseye.core.basis.errors import InvalidInput

if TYPE_CHECKING:
    from _typeshed.wsgi import StartResponse, WSGIApplication, WSGIEnvironment

_Network = ipaddress.IPv4Network | ipaddress.IPv6Network
_LOOPBACK: Final = '127.0.0.1, ::1'


def named_networks(setting: str) -> tuple[_Network, ...]:
    """Addresses and networks, with commas between; a number, as the setting was before, stands for this machine.

    :raises InvalidInput: when one of them is none
    """
    if re.fullmatch(r'\s*\d*\s*', setting):
        setting = _LOOPBACK if setting.strip().strip('0') else ''
    try:
        return tuple(ipaddress.ip_network(one.strip()) for one in setting.split(',') if one.strip())
    except ValueError:
        raise InvalidInput('BULLSEYE_PROXIES', setting, 'addresses of proxies, such as 127.0.0.1, 10.0.0.0/8') from None


class NamedProxies:
    """An application that sees who asked the named proxies, and by which scheme."""

    def __init__(self, app: WSGIApplication, proxies: Iterable[_Network]) -> None:
        self._app, self._proxies = app, tuple(proxies)

    def __call__(self, environ: WSGIEnvironment, start_response: StartResponse) -> Iterable[bytes]:
        """Answer a request as of whoever asked the proxy."""
        told_for = str(environ.get('HTTP_X_FORWARDED_FOR', ''))
        told_scheme = str(environ.get('HTTP_X_FORWARDED_PROTO', ''))
        for name in [one for one in environ if one.startswith('HTTP_X_FORWARDED_') or one == 'HTTP_FORWARDED']:
            del environ[name]
        if self._is_named(str(environ.get('REMOTE_ADDR', ''))):
            scheme = told_scheme.rpartition(',')[2].strip()  # of the proxy that is nearest to us
            if scheme in ('http', 'https'):
                environ['wsgi.url_scheme'] = scheme
            for address in reversed([one.strip() for one in told_for.split(',')]):
                if _address(address) is None:
                    break
                environ['REMOTE_ADDR'] = address
                if not self._is_named(address):
                    break
        return self._app(environ, start_response)

    def _is_named(self, address: str) -> bool:
        found = _address(address)
        return found is not None and any(found in one for one in self._proxies)


def _address(text: str) -> ipaddress.IPv4Address | ipaddress.IPv6Address | None:
    try:
        found = ipaddress.ip_address(text)
    except ValueError:
        return None
    return found.ipv4_mapped or found if isinstance(found, ipaddress.IPv6Address) else found
