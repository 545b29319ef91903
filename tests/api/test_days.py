"""Every day's sorties: found by page, copied, cancelled, removed and brought back, and in a person's calendar."""

import uuid
from datetime import UTC, date, datetime, timedelta

import icalendar
import pytest
from apiflask import APIFlask
from sqlalchemy import text

from tests.api.conftest import Browser, owner

TODAY = datetime.now(UTC).date()


def plan(browser: Browser, like: dict, **changes) -> dict:
    """Plan a sortie like another."""
    names = ('student_id', 'aircraft_id', 'runway_end_id', 'standard_id', 'landing')
    body = {name: like[name] for name in names} | {'wind_kt': 7, 'wind_dir_deg_mag': 60} | changes
    return browser.call('POST', '/api/sorties', body, status=201)


def ids(page: dict) -> list[int]:
    return [one['id'] for one in page['sorties']]


def test_every_sortie_is_reached_page_by_page_though_others_are_made_meanwhile(marta: Browser):
    like = marta.sorties()[0]
    made = [plan(marta, like, planned_on=str(TODAY - timedelta(days=40 + k // 3)))['id'] for k in range(70)]
    first = marta.get('/api/sorties')
    plan(marta, like, planned_on=str(TODAY + timedelta(days=3)))  # before the page that is read next
    seen, after = ids(first), first['after']
    while after:
        page = marta.get(f'/api/sorties?after={after}')
        seen, after = seen + ids(page), page['after']
    assert set(made) <= set(seen)
    assert len(seen) == len(set(seen))
    days = [date.fromisoformat(one['planned_on']) for one in first['sorties']]
    assert days == sorted(days, reverse=True)
    oldest = marta.get('/api/sorties?oldest_first=true')
    assert oldest['sorties'][0]['planned_on'] == str(TODAY - timedelta(days=40 + 69 // 3))
    for wrong in ('2026-13-40.5', 'x', "2026-01-01.1' or 1=1"):
        assert 'after' in marta.call('GET', f'/api/sorties?after={wrong}', status=422)['fields']


@pytest.mark.parametrize(
    ('asked', 'is_there'),
    [
        ('text=ines normal', lambda one: one['student_name'] == 'Ines Carvalho' and one['landing'] == 'normal'),
        ('text=brandt', lambda one: one['instructor_name'] == 'Elias Brandt'),
        ('text=SHORT-field', lambda one: one['landing'] == 'short_field'),
        ('text=lantern 05', lambda one: one['runway_ident'] == '05'),
        ('text=100%25', lambda _one: False),
        ('text=nobody_of_this_name', lambda _one: False),
        ('state=flown', lambda one: one['laps'] > 0),
        ('state=planned', lambda one: one['laps'] == 0),
        ('landing=power_off&state=flown', lambda one: one['landing'] == 'power_off' and one['laps'] > 0),
    ],
)
def test_what_is_looked_for_is_found_and_nothing_else(marta: Browser, asked: str, is_there):
    everything = marta.sorties()
    assert sorted(ids(marta.get(f'/api/sorties?{asked}'))) == sorted(one['id'] for one in everything if is_there(one))


def test_a_day_and_a_month_count_what_is_planned_flown_and_cancelled(marta: Browser, ines: Browser):
    like = marta.sorties()[0]
    day = TODAY + timedelta(days=9)
    two = [plan(marta, like, planned_on=str(day), planned_time=f'{hour}:30')['id'] for hour in ('09', '15')]
    marta.call('PUT', f'/api/sorties/{two[1]}/cancellation', {'reason': 'low cloud'})
    found = marta.get(f'/api/sorties/days?first_day={TODAY - timedelta(days=10)}&last_day={day}')['days']
    by_day = {one['planned_on']: one for one in found}
    assert by_day[str(day)] == {'planned_on': str(day), 'planned': 1, 'flown': 0, 'cancelled': 1}
    assert by_day[str(TODAY)]['planned'] == 4
    assert sum(one['flown'] for one in found) == len(ids(marta.get('/api/sorties?state=flown')))
    assert set(ids(marta.get(f'/api/sorties?first_day={day}&last_day={day}'))) == set(two)
    own = ines.get(f'/api/sorties/days?first_day={TODAY}&last_day={TODAY}')['days']
    assert [one['planned'] for one in own] == [1]  # a student counts their own
    for span in ('', f'first_day={TODAY}', f'first_day={TODAY}&last_day={TODAY + timedelta(days=400)}'):
        marta.get(f'/api/sorties/days?{span}', status=422)


def test_a_sortie_is_cancelled_and_flown_after_all(marta: Browser):
    sortie = marta.sortie_of('Ines')
    marta.call('PUT', f'/api/sorties/{sortie}/cancellation', {'reason': 'aircraft in maintenance'})
    assert marta.get(f'/api/sorties/{sortie}')['cancelled_for'] == 'aircraft in maintenance'
    assert sortie in ids(marta.get('/api/sorties?state=cancelled'))
    assert sortie not in ids(marta.get('/api/sorties?state=planned'))
    marta.call('DELETE', f'/api/sorties/{sortie}/cancellation')
    assert marta.get(f'/api/sorties/{sortie}')['cancelled_for'] is None
    marta.call('PUT', f'/api/sorties/{sortie}/cancellation', {'reason': 'wind'})
    marta.put_lap(sortie)  # the tablet was in the air: what was flown counts
    assert marta.get(f'/api/sorties/{sortie}')['cancelled_for'] is None
    marta.call('PUT', f'/api/sorties/{sortie}/cancellation', {'reason': 'wind'}, status=409)


def test_a_sortie_is_removed_and_brought_back_and_laps_are_never_lost_with_it(marta: Browser, ines: Browser):
    sortie = marta.sortie_of('Tobias')
    flown = next(one['id'] for one in marta.sorties() if one['laps'])
    assert 'laps' in marta.call('DELETE', f'/api/sorties/{flown}', status=409)['message']
    marta.call('DELETE', f'/api/sorties/{sortie}', status=204)
    marta.get(f'/api/sorties/{sortie}', status=404)
    assert sortie not in ids(marta.get('/api/sorties'))
    assert marta.call('POST', f'/api/sorties/{sortie}/restore')['id'] == sortie
    assert sortie in ids(marta.get('/api/sorties'))
    marta.call('DELETE', f'/api/sorties/{sortie}', status=204)
    lap_id = str(uuid.uuid4())
    marta.send_laps(sortie, (lap_id, {'outcome': 'touch_and_go', 'along_ft': 880.0}))  # from a tablet without network
    assert [one['id'] for one in marta.get(f'/api/sorties/{sortie}/laps')['laps']] == [lap_id]
    for method, path in (('DELETE', ''), ('POST', '/restore'), ('PUT', '/cancellation'), ('DELETE', '/cancellation')):
        body = {'reason': 'no'} if method == 'PUT' else None
        ines.call(method, f'/api/sorties/{ines.sorties()[0]["id"]}{path}', body, status=403)


def test_a_copy_has_everything_but_the_weather_which_is_said_to_be_unknown(marta: Browser):
    first = marta.get(f'/api/sorties/{marta.sortie_of("Tobias")}')
    assert (first['weather_given'], first['gust_kt']) == ('current', 20)
    day = str(TODAY + timedelta(days=2))
    copy = marta.call(
        'POST', f'/api/sorties/{first["id"]}/copy', {'planned_on': day, 'planned_time': '08:15'}, status=201
    )
    same = ('student', 'instructor', 'aircraft', 'standard', 'technique', 'runway_end_id', 'landing', 'flap', 'spot_ft')
    assert {name: copy[name] for name in same} == {name: first[name] for name in same}
    assert (copy['planned_on'], copy['planned_time'][:5]) == (day, '08:15')
    assert (copy['weather_given'], copy['weather_at'], copy['gust_kt']) == ('never', None, None)
    brief = marta.call('POST', f'/api/sorties/{copy["id"]}/brief', {})['brief']
    assert not brief['aim']['aim_is_good']
    assert any('No wind has been given yet' in one['words'] for one in brief['cautions'])
    # what is unknown is neither a calm nor within any limit, and is not planned
    wind = brief['wind']
    assert (wind['is_known'], wind['headwind_kt'], wind['crosswind_kt'], wind['crosswind']) == (False, None, None, None)
    assert {limit['within'] for limit in wind['crosswind_limits']} == {None}
    plan = marta.call('POST', f'/api/sorties/{copy["id"]}/plan', {})['plan']
    assert not plan['lap_plan']['laps']
    assert {end['within_limits'] for end in plan['runway_ranking']} <= {None, False}
    assert all(end['reasons'][0]['words'] == 'wind not given by anybody' for end in plan['runway_ranking'])
    assert 'still air. Give the wind' in plan['pattern']['wind_words']
    assert 'is not known' in plan['pattern']['final_turn']['words']
    assert plan['power_off'] is None  # no glide is promised to reach anything
    assert 'No power-off reach: nobody has given the wind.' in [one['words'] for one in plan['notes']]
    card = marta.get(f'/api/sorties/{copy["id"]}/aboard')['kneeboard']
    assert 'wind not given' in card['subtitle']
    assert 'calm' not in card['subtitle']
    marta.call('PATCH', f'/api/sorties/{copy["id"]}', {'wind_kt': 6, 'wind_dir_deg_mag': 40})
    after = marta.call('POST', f'/api/sorties/{copy["id"]}/brief', {})['brief']
    assert after['aim']['aim_is_good']
    assert {limit['within'] for limit in after['wind']['crosswind_limits']} == {True}
    # given today for a flight in two days: shown, and said to be old
    assert any('another hour or day' in one['words'] for one in after['cautions'])
    marta.call('PATCH', f'/api/sorties/{copy["id"]}', {'planned_on': str(TODAY), 'planned_time': None})
    again = marta.call('POST', f'/api/sorties/{copy["id"]}/brief', {})['brief']
    assert not any('another hour or day' in one['words'] for one in again['cautions'])


def test_a_new_sortie_starts_with_todays_student_and_never_with_old_weather(marta: Browser, ines: Browser):
    found = marta.get(f'/api/sorties/proposal?today={TODAY}')
    planned = [
        one for one in marta.sorties() if one['planned_on'] == str(TODAY) and one['instructor_name'][:5] == 'Marta'
    ]
    assert found['student_id'] in {one['student_id'] for one in planned}
    assert 'today' in found['why'][0]
    assert found['last_weather']['wind_kt'] > 0  # told, with its hour; the form does not take it
    assert {'wind_kt', 'qnh_hpa'}.isdisjoint(found)
    ines.get('/api/sorties/proposal', status=403)


def test_a_calendar_program_reads_the_sorties_behind_a_secret_link_and_no_others(
    marta: Browser, ines: Browser, ada: Browser, app: APIFlask
):
    like = next(one for one in marta.sorties() if one['student_name'] == 'Ines Carvalho')
    plan(marta, like, planned_on=str(TODAY + timedelta(days=1)), planned_time='23:10', booked_min=90)
    late = plan(marta, like, planned_on=str(TODAY + timedelta(days=2)))
    marta.call('PUT', f'/api/sorties/{late["id"]}/cancellation', {'reason': 'crosswind; too much, of course'})
    path = ines.call('POST', '/api/calendar', status=201)['path']
    anybody = app.test_client()
    reply = anybody.get(path)
    assert reply.mimetype == 'text/calendar'
    events = icalendar.Calendar.from_ical(reply.get_data()).walk('VEVENT')
    assert {str(one['summary']).split(' with ')[0] for one in events} == {'Ines Carvalho'}
    timed = next(one for one in events if isinstance(one['dtstart'].dt, datetime))
    assert timed['dtend'].dt - timed['dtstart'].dt == timedelta(minutes=90)  # over midnight
    assert timed['dtstart'].dt.hour == 23
    gone = next(one for one in events if str(one['uid']) == f'sortie-{late["id"]}@bullseye')
    assert gone['status'] == 'CANCELLED'
    assert gone['dtend'].dt - gone['dtstart'].dt == timedelta(days=1)
    assert 'crosswind; too much, of course' in str(gone['description'])
    with owner(app) as db:  # only a digest is kept
        kept = db.execute(text("select calendar_key_hash from user_account where name = 'Ines Carvalho'")).scalar_one()
    assert kept not in path
    assert ada.call('POST', '/api/calendar', status=201)['path'] != path
    second = ines.call('POST', '/api/calendar', status=201)['path']
    assert anybody.get(path).status_code == 404  # a new link ends the old one
    assert anybody.get(second).status_code == 200
    ines.call('DELETE', '/api/calendar', status=204)
    assert anybody.get(second).status_code == 404
    one = icalendar.Calendar.from_ical(ines.client.get(f'/api/sorties/{like["id"]}/sortie.ics').get_data())
    assert len(one.walk('VEVENT')) == 1
    assert ada.client.get(f'/api/sorties/{like["id"]}/sortie.ics').status_code == 404
