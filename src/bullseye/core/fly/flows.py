"""The usual flows of an aircraft, where the school has entered none: only levers and wheels that it has [com]."""

from __future__ import annotations

from bullseye.core.basis.sentence import Phrasebook
from bullseye.core.given.aircraft import Aircraft, Flow

_BOOK = Phrasebook('flow')


def _said(*names: str) -> tuple[str, ...]:
    return tuple(str(_BOOK.say(name)) for name in names)


def flows_of(aircraft: Aircraft) -> tuple[Flow, ...]:
    """The flows that the school entered, else the usual ones for the aircraft's particulars."""
    return aircraft.flows or usual_flows(aircraft)


def usual_flows(aircraft: Aircraft, *before_takeoff: str) -> tuple[Flow, ...]:
    """Usual flows by the particulars of an aircraft.

    :param before_takeoff: what this aircraft asks for before the takeoff, beside controls and a look at the approach
    """
    about, has_flap = aircraft.particulars, aircraft.has_flap
    gear = ('greens_down',) if aircraft.is_retractable else ()
    checked = ('greens',) if aircraft.is_retractable else ()
    lever = ('propeller',) if about.propeller == 'variable' else ()
    hot = ('heat_hot',) if about.has_carburettor_heat else ()
    cold = ('heat_cold',) if about.has_carburettor_heat else ()
    stages = ('flap_stage', 'positive_rate', 'rest_of_flap') if has_flap else ('positive_rate', 'climb_speed')
    # with a gear that folds, no lever is moved before the aircraft stands
    stands = 'clear_and_stopped' if aircraft.is_retractable else 'clear'
    after = (stands, *(('flap_up',) if has_flap else ()), 'lights')
    return (
        Flow(
            phase='before takeoff',
            items=(*before_takeoff, *_said('controls', 'look')),
            callouts=_said('ready'),
        ),
        Flow(
            phase='takeoff',
            items=_said('full_power', 'in_the_green', 'alive'),
            callouts=_said('alive', 'tail_up' if about.has_tailwheel else 'rotate', 'positive_rate'),
        ),
        Flow(
            phase='downwind',
            items=_said('fuel', *gear, 'mixture', 'harness', *hot),
            callouts=_said('abeam_flap' if has_flap else 'abeam'),
        ),
        Flow(phase='final', items=_said(*checked, *lever, 'path'), callouts=_said('stable', 'not_stable')),
        Flow(phase='go-around', items=_said('around_power', *cold, *lever, 'level', *stages)),
        Flow(phase='after landing', items=_said(*(('stick_back',) if about.has_tailwheel else ()), *after)),
    )
