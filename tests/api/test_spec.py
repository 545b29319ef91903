"""The API as described: types that are current, and no answer the description does not know."""

import json
import os
import re
from collections import Counter
from contextlib import contextmanager, suppress

import pytest
import schemathesis
from hypothesis import HealthCheck, Phase, reject, seed, settings
from hypothesis.errors import FlakyStrategyDefinition
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import response_schema_conformance, status_code_conformance

from bullseye.api import spec
from bullseye.core.basis.limits import limits_script, shown_limits
from bullseye.launch.places import WEB
from tests.api.conftest import DESCRIBED, Browser, close
from tests.working import as_application

# the same requests every time; with another seed, others
SEED = int(os.environ.get('BULLSEYE_FUZZ_SEED', '1'))
ROWS = int(os.environ.get('BULLSEYE_FUZZ_ROWS', '12'))  # docs/security.md tells of 5,000
# hundreds of bodies are thought out for each of these, and are sent to the operation that makes a new one
SAME_BODY = [f'PUT /api/{what}/{{row_id}}' for what in ('aircraft', 'standards', 'techniques')]
SAME_BODY += ['POST /api/techniques/check']
CONFIG = {
    'seed': SEED,
    'operations': [{'include-name': SAME_BODY, 'phases': {'coverage': {'enabled': False}}}],
}
SCHEMA = schemathesis.openapi.from_dict(DESCRIBED, config=schemathesis.Config.from_dict(CONFIG))


def test_the_description_that_the_types_are_made_from_is_current():
    assert spec() == DESCRIBED, 'run ./bullseye types'


@contextmanager
def _signed_in(name, url):
    from bullseye.api import create_app
    from bullseye.api.limiter import limiter

    app = create_app(database_url=as_application(url), secret_key='for tests only')
    limiter.enabled = False  # a fuzzer is just what it keeps out; tests/api/test_session.py proves that it does
    yield Browser(app).sign_in(name)
    limiter.enabled = True
    close(app)


@pytest.fixture(scope='module')
def chief(new_database, demo_template):
    with _signed_in('marta', new_database(demo_template)) as chief:
        chief.file_id = chief.get('/api/tracks')['tracks'][0]['id']
        yield chief


def _of_the_demo(name, value, file_id):
    """An address the fuzzer made up, as one that is there: else hardly a request came further than "not found"."""
    if name == 'file_id' and re.fullmatch(r'[0-9a-f-]{36}', str(value)):
        return file_id
    if name.endswith('_id') and re.fullmatch(r'[1-9][0-9]*', str(value)):
        return 2 + int(value) % 3  # not the first, who is signed in
    return value


@SCHEMA.parametrize()
@settings(max_examples=6, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
def test_no_request_breaks_the_server(case, chief):
    if (case.method, case.path) == ('DELETE', '/api/session'):
        return  # it would sign the fuzzer out; tests/api/test_session.py covers it
    if (case.method, case.path) == ('PATCH', '/api/school') and isinstance(case.body, dict):
        case.body.pop('second_factor', None)  # it would keep the fuzzer out; tests/api/test_second_factor.py covers it
    if case.path_parameters:
        named = {name: _of_the_demo(name, value, chief.file_id) for name, value in case.path_parameters.items()}
        case.path_parameters = named
    reply = case.call_and_validate(
        app=chief.client.application,
        headers={'X-CSRFToken': chief.token, 'Accept-Encoding': 'identity', 'If-Match': '*'},
        cookies={'bullseye': chief.client.get_cookie('bullseye').value},
        checks=[not_a_server_error, status_code_conformance, response_schema_conformance],
    )
    # all of them arrive: a request of nobody, or without the token, would be turned away at the door
    assert b'"csrf"' not in reply.content
    assert case.path == '/api/session' or b'"not_signed_in"' not in reply.content


def _signs_out(case, own_id):
    """Whether a request would keep the fuzzer itself out from here on: other tests ask these.

    A chief who made somebody else one may leave the school, or be erased, by a request of their own.
    """
    ends = case.path.startswith(('/api/sign-ins', '/api/password', '/api/second-factor', '/api/session'))
    ends |= case.path.startswith('/api/people/') and str(case.path_parameters.get('person_id')) == str(own_id)
    if (case.method, case.path) == ('PATCH', '/api/school') and isinstance(case.body, dict):
        case.body.pop('second_factor', None)
    return ends and case.method != 'GET'


@pytest.mark.parametrize('name', ['marta', 'owen'])
def test_no_row_of_requests_breaks_the_server(new_database, demo_template, name):
    """One request after the other, each with what the ones before it answered, in a school of its own."""
    with _signed_in(name, new_database(demo_template)) as somebody:
        answers, wrong = _rows_of(somebody)
    print(f'{name}: {ROWS} rows, {answers.total()} requests: {dict(answers)}')
    assert not wrong
    assert any(status < 300 for status in answers)
    assert not answers[401]
    assert not any(status >= 500 for status in answers)


def _rows_of(somebody):
    app, own_id = somebody.client.application, somebody.get('/api/session')['person']['id']
    answers, wrong = Counter(), []

    class Rows(SCHEMA.as_state_machine()):
        def call(self, case, **_more):
            return case.call(
                app=app,
                headers={'X-CSRFToken': somebody.token, 'Accept-Encoding': 'identity'},
                cookies={'bullseye': somebody.client.get_cookie('bullseye').value},
            )

        def before_call(self, case):
            if _signs_out(case, own_id):
                reject()

        def validate_response(self, response, case, **_more):
            answers[response.status_code] += 1
            checks = [not_a_server_error, status_code_conformance, response_schema_conformance]
            try:
                case.validate_response(response, checks=checks)
            except (AssertionError, ExceptionGroup) as error:
                # told at the end: the generator would ask again to be sure, of rows that are others by now
                wrong.append(f'{case.method} {case.formatted_path}: {error.args}')

    some = settings(
        max_examples=12,
        stateful_step_count=8,
        deadline=None,
        database=None,
        phases=[Phase.generate],  # what is found stands in the answer: the rows before it cannot be flown again
        suppress_health_check=list(HealthCheck),
    )
    for number in range(max(1, ROWS // 12)):
        # what one row has left behind changes the next, which the generator takes for a mistake of its own
        with suppress(FlakyStrategyDefinition):
            seed(SEED + number)(Rows)
            Rows.run(settings=some)
    return answers, wrong


def test_the_limits_that_screens_ask_by_are_those_of_the_core():
    kept = (WEB / 'src' / 'api' / 'limits.ts').read_text(encoding='utf-8')
    assert kept == limits_script()
    assert shown_limits()['weightLb'] == {'min': 1, 'max': 20_000}  # above 0: whole pounds begin at one
    assert shown_limits()['temperatureC'] == {'min': -60, 'max': 60}


def test_every_type_is_described_once_and_answers_are_complete():
    schemas = DESCRIBED['components']['schemas']
    # refusals have two names of the framework's for one shape
    bodies = [json.dumps(schema, sort_keys=True) for name, schema in schemas.items() if name != 'HTTPError']
    assert len(set(bodies)) == len(bodies)
    assert not [name for name in schemas if '.' in name]
    assert schemas['BriefAnswer']['required'] == sorted(schemas['BriefAnswer']['properties'])
    assert 'wind_kt' not in schemas['SortieChange'].get('required', [])
