"""The school's own certificate for its local network: browsers give offline work and position only over https.

Run in the application's environment: ``python -m bullseye.launch.tls FOLDER HOST``. A certificate authority is made
once and kept; the server's certificate is made anew when the address changes or it nears its end.
"""

from __future__ import annotations

import ipaddress
import sys
from datetime import UTC, datetime, timedelta
from pathlib import Path

from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

AUTHORITY, CERTIFICATE, KEY = 'authority.crt', 'server.crt', 'server.key'
_AUTHORITY_KEY = 'authority.key'
_AUTHORITY_DAYS = 3_650
_SERVER_DAYS = 397  # [pub: CA/Browser Forum baseline requirements, value from memory] the longest that tablets take
_RENEW_DAYS = 30


def _keep_secret(file: Path, key: ec.EllipticCurvePrivateKey) -> None:
    file.touch(mode=0o600)
    file.chmod(0o600)
    file.write_bytes(
        key.private_bytes(serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption())
    )


def _name(text: str) -> x509.Name:
    return x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, text)])


def _builder(*, subject: str, issuer: x509.Name, key: ec.EllipticCurvePrivateKey, days: int) -> x509.CertificateBuilder:
    now = datetime.now(UTC)
    return (
        x509.CertificateBuilder()
        .subject_name(_name(subject))
        .issuer_name(issuer)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(days=1))  # a tablet's clock may be behind
        .not_valid_after(now + timedelta(days=days))
    )


def _authority(folder: Path) -> tuple[x509.Certificate, ec.EllipticCurvePrivateKey]:
    kept, kept_key = folder / AUTHORITY, folder / _AUTHORITY_KEY
    if kept.exists() and kept_key.exists():
        key = serialization.load_pem_private_key(kept_key.read_bytes(), password=None)
        if isinstance(key, ec.EllipticCurvePrivateKey):
            return x509.load_pem_x509_certificate(kept.read_bytes()), key
    key = ec.generate_private_key(ec.SECP256R1())
    subject = f'Bullseye of this school, made {datetime.now(UTC):%Y-%m-%d}'
    made = (
        _builder(subject=subject, issuer=_name(subject), key=key, days=_AUTHORITY_DAYS)
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(
            x509.KeyUsage(
                digital_signature=False,
                content_commitment=False,
                key_encipherment=False,
                data_encipherment=False,
                key_agreement=False,
                key_cert_sign=True,
                crl_sign=True,
                encipher_only=False,
                decipher_only=False,
            ),
            critical=True,
        )
        .add_extension(x509.SubjectKeyIdentifier.from_public_key(key.public_key()), critical=False)
        .sign(key, hashes.SHA256())
    )
    _keep_secret(kept_key, key)
    kept.write_bytes(made.public_bytes(serialization.Encoding.PEM))
    return made, key


def _own_key(file: Path) -> ec.EllipticCurvePrivateKey:
    if file.exists():
        key = serialization.load_pem_private_key(file.read_bytes(), password=None)
        if isinstance(key, ec.EllipticCurvePrivateKey):
            return key
    return ec.generate_private_key(ec.SECP256R1())


def _names(host: str) -> list[x509.GeneralName]:
    try:
        own: x509.GeneralName = x509.IPAddress(ipaddress.ip_address(host))
    except ValueError:
        own = x509.DNSName(host)
    return [own, x509.DNSName('localhost'), x509.IPAddress(ipaddress.ip_address('127.0.0.1'))]


def _still_good(folder: Path, host: str, authority: x509.Certificate) -> bool:
    file = folder / CERTIFICATE
    if not file.exists() or not (folder / KEY).exists():
        return False
    made = x509.load_pem_x509_certificate(file.read_bytes())
    names = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    lasts = made.not_valid_after_utc - datetime.now(UTC) > timedelta(days=_RENEW_DAYS)
    return lasts and list(names) == _names(host) and made.issuer == authority.subject


def fingerprint(folder: Path) -> str:
    """SHA-256 of the authority's certificate in pairs, to compare by eye."""
    made = x509.load_pem_x509_certificate((folder / AUTHORITY).read_bytes())
    return made.fingerprint(hashes.SHA256()).hex(':').upper()


def make_certificate(folder: Path, host: str) -> None:
    """Make what is missing: the authority, and a certificate for ``host`` (an address or a name)."""
    folder.mkdir(parents=True, exist_ok=True, mode=0o700)
    authority, authority_key = _authority(folder)
    if _still_good(folder, host, authority):
        return
    key = _own_key(folder / KEY)
    made = (
        _builder(subject=host[:64], issuer=authority.subject, key=key, days=_SERVER_DAYS)
        .add_extension(x509.SubjectAlternativeName(_names(host)), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .add_extension(x509.AuthorityKeyIdentifier.from_issuer_public_key(authority_key.public_key()), critical=False)
        .sign(authority_key, hashes.SHA256())
    )
    if not (folder / KEY).exists():
        _keep_secret(folder / KEY, key)
    # the key stays, and the certificate changes in one step: a server that reads both meanwhile finds a pair
    fresh = folder / f'{CERTIFICATE}.new'
    fresh.write_bytes(made.public_bytes(serialization.Encoding.PEM))
    fresh.replace(folder / CERTIFICATE)


if __name__ == '__main__':
    make_certificate(Path(sys.argv[1]), sys.argv[2])
    print(fingerprint(Path(sys.argv[1])))
