"""The API as described: types that are current, and no answer the description does not know."""

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import response_schema_conformance, status_code_conformance

from bullseye.api import spec
from tests.api.conftest import DESCRIBED, Browser, close

SCHEMA = schemathesis.openapi.from_dict(DESCRIBED)


def test_the_description_that_the_types_are_made_from_is_current():
    assert spec() == DESCRIBED, 'run ./bullseye types'


@pytest.fixture(scope='module')
def chief(new_database, demo_template):
    from bullseye.api import create_app
    from bullseye.api.limiter import limiter

    app = create_app(database_url=new_database(demo_template), secret_key='for tests only')
    limiter.enabled = False  # a fuzzer is just what it keeps out; tests/api/test_session.py proves that it does
    yield Browser(app).sign_in('marta')
    limiter.enabled = True
    close(app)


@SCHEMA.parametrize()
@settings(max_examples=25, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
def test_no_request_breaks_the_server(case, chief):
    if (case.method, case.path) == ('DELETE', '/api/session'):
        return  # it would sign the fuzzer out; tests/api/test_session.py covers it
    cookie = chief.client.get_cookie('bullseye').value
    headers = {'X-CSRFToken': chief.token, 'Cookie': f'bullseye={cookie}'}
    case.call_and_validate(
        app=chief.client.application,
        headers=headers,
        checks=[not_a_server_error, status_code_conformance, response_schema_conformance],
    )
