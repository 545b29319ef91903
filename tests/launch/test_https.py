"""The school's own network: a certificate that a tablet can verify, and the page that says how to trust it."""

import datetime
import os
import stat

import pytest
from cryptography import x509
from cryptography.hazmat.primitives.asymmetric import ec

from bullseye.launch.tls import make_certificate
from bullseye.launch.trust import create_app
from tests.launch.test_up import Running, data_folder

__all__ = ['data_folder']


def test_the_certificate_is_what_tablets_ask_for_and_is_kept_until_it_must_change(tmp_path):
    make_certificate(tmp_path, '192.0.2.7')
    made = x509.load_pem_x509_certificate((tmp_path / 'server.crt').read_bytes())
    authority = x509.load_pem_x509_certificate((tmp_path / 'authority.crt').read_bytes())
    made.verify_directly_issued_by(authority)
    names = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    assert '192.0.2.7' in [str(one) for one in names.get_values_for_type(x509.IPAddress)]
    assert isinstance(made.public_key().curve, ec.SECP256R1)
    # [pub] CA/Browser Forum baseline requirements 6.3.2: at most 398 days, value from memory
    assert made.not_valid_after_utc - made.not_valid_before_utc <= datetime.timedelta(days=398)
    assert not made.extensions.get_extension_for_class(x509.BasicConstraints).value.ca
    for secret in ('server.key', 'authority.key'):
        assert stat.S_IMODE(os.stat(tmp_path / secret).st_mode) == 0o600
    make_certificate(tmp_path, '192.0.2.7')
    assert x509.load_pem_x509_certificate((tmp_path / 'server.crt').read_bytes()) == made
    make_certificate(tmp_path, 'bullseye.example')
    again = x509.load_pem_x509_certificate((tmp_path / 'server.crt').read_bytes())
    assert again != made
    again.verify_directly_issued_by(authority)  # tablets that trust it need not be asked again


def test_the_trust_page_gives_the_certificate_and_nothing_else(tmp_path):
    make_certificate(tmp_path, '192.0.2.7')
    client = create_app(folder=str(tmp_path), address='https://192.0.2.7:8765').test_client()
    assert client.get('/').status_code == 200
    assert client.get('/bullseye-school.crt').data == (tmp_path / 'authority.crt').read_bytes()
    for path in ('/server.key', '/authority.key', '/../authority.key', '/bullseye-school.key'):
        assert client.get(path).status_code == 404


@pytest.mark.parametrize(
    ('options', 'sentence'),
    [
        (('--host', '203.0.113.9'), 'no address of this machine'),
        (('--host', '0.0.0.0'), 'Give the one address'),  # noqa: S104 - refused
        (('--certificate', 'x.pem'), 'go together'),
        (('--https', '--certificate', 'x.pem', '--key', 'y.pem'), 'is not there'),
    ],
)
def test_what_cannot_be_served_is_said_in_a_sentence(data_folder, options, sentence):
    running = Running(data_folder, *options)
    assert sentence in running.said
    assert running.process.wait(timeout=30) != 0
    running.process.stdout.close()
