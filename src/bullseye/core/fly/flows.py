"""The usual flows of an aircraft, where the school has entered none: only levers and wheels that it has [com]."""

from __future__ import annotations

from bullseye.core.given.aircraft import Aircraft, Flow


def flows_of(aircraft: Aircraft) -> tuple[Flow, ...]:
    """The flows that the school entered, else the usual ones for the aircraft's particulars."""
    return aircraft.flows or usual_flows(aircraft)


def usual_flows(aircraft: Aircraft, *before_takeoff: str) -> tuple[Flow, ...]:
    """Usual flows by the particulars of an aircraft.

    :param before_takeoff: what this aircraft asks for before the takeoff, beside controls and a look at the approach
    """
    about, has_flap = aircraft.particulars, aircraft.has_flap
    gear = ('gear down, three greens',) if aircraft.is_retractable else ()
    checked = ('three greens',) if aircraft.is_retractable else ()
    lever = ('propeller forward',) if about.propeller == 'variable' else ()
    hot = ('carburettor heat hot',) if about.has_carburettor_heat else ()
    cold = ('carburettor heat cold',) if about.has_carburettor_heat else ()
    stages = ('flap one stage', 'positive rate', 'rest of the flap') if has_flap else ('positive rate', 'climb speed')
    # with a gear that folds, no lever is moved before the aircraft stands
    stands = 'clear of the runway and stopped: name each lever' if aircraft.is_retractable else 'clear of the runway'
    after = (stands, *(('then flap up',) if has_flap else ()), 'lights')
    return (
        Flow(
            phase='before takeoff',
            items=(*before_takeoff, 'controls free and correct', 'look at the approach'),
            callouts=('ready to go, or not?',),
        ),
        Flow(
            phase='takeoff',
            items=('full power over three seconds', 'engine in the green', 'airspeed alive'),
            callouts=('airspeed alive', 'tail up' if about.has_tailwheel else 'rotate', 'positive rate'),
        ),
        Flow(
            phase='downwind',
            items=('fuel', *gear, 'mixture rich', 'harness', *hot),
            callouts=('abeam: power, flap, speed' if has_flap else 'abeam: power, speed',),
        ),
        Flow(
            phase='final',
            items=(*checked, *lever, 'path, speed, centreline'),
            callouts=('stable', 'not stable: going around'),
        ),
        Flow(phase='go-around', items=('full power', *cold, *lever, 'level until speed', *stages)),
        Flow(phase='after landing', items=(*(('stick full back',) if about.has_tailwheel else ()), *after)),
    )
